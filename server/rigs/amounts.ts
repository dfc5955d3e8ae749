import { acceptance } from '@plain-cleat/core/checks/findings';
import {
  type Acceptance,
  type Change,
  changeSchema,
  sameJson,
  type SimpleChange,
  singleChanges,
  withEach,
} from '@plain-cleat/core/rig';
import { ChangeRow } from '../database/models';
import { draft } from '../drafting/draft';
import { inputOf, loadRig } from './load';

type Accepting = Extract<SimpleChange, { kind: 'acceptFinding' }>;
const isAccepting = (c: SimpleChange): c is Accepting => c.kind === 'acceptFinding' && c.to !== null;

/** A change with other acceptances in it. */
const withAcceptances = (change: Change, of: (c: Accepting & { readonly to: Acceptance }) => Acceptance): Change =>
  withEach(change, (c) => (isAccepting(c) && c.to ? { ...c, to: of({ ...c, to: c.to }) } : c));

/** A change as it was said: without how bad what it accepts was, which is the server's to say. */
export const asSaid = (change: Change): Change => withAcceptances(change, ({ to: { reason, by } }) => ({ reason, by }));

/** Acceptances that a change gives back, as they were kept, by their findings. */
async function givenBack(rigId: string, undoes: string | null): Promise<Map<string, Acceptance>> {
  const row = undoes ? await ChangeRow.findOne({ where: { rigId, id: undoes } }) : null;
  const inverse = row && changeSchema.safeParse(JSON.parse(row.inverse));
  if (!inverse?.success) return new Map();
  return new Map(singleChanges(inverse.data).flatMap((c) => (isAccepting(c) && c.to ? [[c.finding, c.to]] : [])));
}

/**
 * A change with how bad everything it accepts is, as the server finds it: what is sent of that counts for nothing, or an
 * acceptance would never lapse. What an undo gives back stays as it was kept.
 */
export async function withOwnAmounts(rigId: string, change: Change, undoes: string | null): Promise<Change> {
  const keys = singleChanges(change).flatMap((c) => (isAccepting(c) ? [c.finding] : []));
  if (keys.length === 0) return change;
  const kept = await givenBack(rigId, undoes);
  const found = await draft('amounts', inputOf(await loadRig(rigId)), keys);
  return withAcceptances(change, ({ finding, to: { reason, by } }) => {
    const before = kept.get(finding);
    if (before && sameJson([before.reason, before.by], [reason, by])) return before;
    const bad = found[finding];
    return bad ? acceptance(bad, reason, by) : { reason, by };
  });
}
