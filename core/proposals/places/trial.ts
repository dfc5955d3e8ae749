import { applyChange, Clash, Refused, type DraftChange } from '../../rig';
import type { Memory } from '../../base/stages';
import { workUp, type Workup, type WorkupInput } from '../../workup';

/** The workup after changes; null when the plan does not take them. */
export function triedWith(input: WorkupInput, changes: readonly DraftChange[], memory: Memory): Workup | null {
  try {
    return workUp({ ...input, plan: withChanges(input.plan, changes) }, memory);
  } catch (error) {
    if (error instanceof Refused || error instanceof Clash) return null;
    throw error;
  }
}

const NO_ID = '00000000-0000-4000-8000-000000000000';

/** A plan with changes made to it. */
export const withChanges = (plan: WorkupInput['plan'], changes: readonly DraftChange[]): WorkupInput['plan'] =>
  changes.reduce((p, c) => applyChange(p, { ...c, id: NO_ID }).plan, plan);
