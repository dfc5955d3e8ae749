import { type Fact, makeRigFile, writeRigFile } from '@plain-cleat/core/rig';
import { asInFile, loadRig } from './load';

/** A rig as a file, and its name. Whoever opens it vouches for it, or does not: what was accepted here is nobody's there. */
export async function rigFile(rigId: string): Promise<{ name: string; text: string }> {
  const loaded = await loadRig(rigId);
  const { plan, row } = loaded;
  const accepted = Object.fromEntries(
    Object.entries(plan.accepted).map(([key, { unproven: _, ...a }]) => [key, { ...a, by: asInFile(a.by) }]),
  );
  const facts = loaded.facts.map(({ unproven: _, ...f }) => ({ ...f, by: asInFile(f.by) }) as Fact);
  const text = writeRigFile(makeRigFile({ ...loaded, plan: { ...plan, accepted }, facts, owner: row.owner }));
  return { name: `${row.number}.rig.json`, text };
}
