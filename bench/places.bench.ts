import { unsettled } from '../core/checks/findings';
import { applyChange, isMakers, type DraftChange, type Plan } from '../core/rig';
import { placeRest } from '../core/proposals/places';
import { workUp, type WorkupInput } from '../core/workup';
import { CATALOG, demoRigs, SHOP } from '../demo/index';
import { median } from './index';

/**
 * Prints what placing the rest makes of the demo rigs stripped of their fittings: trials, time by stage, and what is found, beside
 * what was found of them as they stood.
 */
const ID = '00000000-0000-4000-8000-000000000000';
const asOf = '2026-06-01';
let n = 0;
const newId = (): string => (n += 7919).toString(36).padStart(6, '0');

/** What stops, what is to look at, and holes to make. */
function score(input: WorkupInput): string {
  const w = workUp(input);
  const open = unsettled(w.findings).filter((f) => f.step === 'lay out');
  const count = (severity: string): number => open.filter((f) => f.severity === severity).length;
  return `${count('stop')} stops, ${count('look')} looks, ${w.drilling.holes.length} holes`;
}
const taken = (plan: Plan, changes: readonly DraftChange[]): Plan =>
  changes.reduce((p, c) => applyChange(p, { ...c, id: ID }).plan, plan);

const perWish: number[] = [];
for (const { file } of demoRigs(asOf)) {
  const { hull, plan: whole } = file;
  const all = Object.entries(whole.fittings);
  const makers = Object.fromEntries(all.filter(([, f]) => isMakers(f)));
  const wanted = all.flatMap(([wish, f]) => {
    const part = isMakers(f) ? undefined : CATALOG.parts.find((p) => p.id === f.part);
    return part ? [{ wish, part }] : [];
  });
  const bare = { runs: {}, lines: {}, stowage: {}, accepted: {} };
  const input: WorkupInput = {
    plan: { ...whole, ...bare, fittings: makers },
    hull,
    facts: [],
    catalog: CATALOG,
    shop: SHOP,
    asOf,
  };
  const start = performance.now();
  const placing = placeRest(input, wanted, {
    units: 'metric',
    newId,
    range: CATALOG.parts,
    budget: 40 * wanted.length,
    step: 100,
  });
  let now = placing.next();
  let placed = 0;
  for (; !now.done; now = placing.next()) if (now.value.doing === 'placing') placed = performance.now();
  const ms = performance.now() - start;
  perWish.push(ms / wanted.length);
  const was = score({ ...input, plan: { ...whole, ...bare } });
  const is = score({ ...input, plan: taken(input.plan, now.value.changes) });
  console.log(
    `${whole.title}: ${now.value.placed} of ${wanted.length} in ${now.value.trials} trials, ${((placed - start) / 1000).toFixed(1)} s placing and ${((start + ms - placed) / 1000).toFixed(1)} s for the better; ${is}; as it stood: ${was}`,
  );
}
console.log(`fifteen wishes in a median of ${((15 * median(perWish)) / 1000).toFixed(1)} s`);
