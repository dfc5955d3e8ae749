import { applyChange, asOne, Clash, Refused, type DraftChange, type Plan } from '../../rig';
import type { Memory } from '../../base/stages';
import { workUp, type Workup, type WorkupInput } from '../../workup';

const NO_ID = '00000000-0000-4000-8000-000000000000';

/**
 * A plan with changes made to it, all at once.
 * @throws what `applyChange` throws
 */
export function withChanges(plan: Plan, changes: readonly DraftChange[]): Plan {
  const change = asOne(changes, () => NO_ID);
  return change ? applyChange(plan, change).plan : plan;
}

/** The workup after changes; null when the plan does not take them. */
export function triedWith(input: WorkupInput, changes: readonly DraftChange[], memory: Memory): Workup | null {
  try {
    return workUp({ ...input, plan: withChanges(input.plan, changes) }, memory);
  } catch (error) {
    if (error instanceof Refused || error instanceof Clash) return null;
    throw error;
  }
}

/** The fittings that changes bring aboard. */
export const placedBy = (changes: readonly DraftChange[]): ReadonlySet<string> =>
  new Set(changes.flatMap((c) => (c.kind === 'placeItem' ? [c.item] : [])));
