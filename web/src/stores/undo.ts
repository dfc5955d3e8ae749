import type { LoggedChange } from '@plain-cleat/api';
import { applyChange, type Fact, type Plan } from '@plain-cleat/core/rig';
import type { Waiting } from './tablet';

/**
 * What can be undone and redone, folded from one person's own changes, oldest first. A change that
 * undoes another carries its id; frozen letters close everything before them.
 */
export function undoStacks(mine: readonly LoggedChange[]): { undo: LoggedChange[]; redo: LoggedChange[] } {
  let undo: LoggedChange[] = [];
  let redo: LoggedChange[] = [];
  for (const change of mine) {
    if (change.inverse.kind === 'freezeLetters') {
      undo = [];
      redo = [];
    } else if (change.undoes !== null && undo.at(-1)?.id === change.undoes) {
      undo.pop();
      redo.push(change);
    } else if (change.undoes !== null && redo.at(-1)?.id === change.undoes) {
      redo.pop();
      undo.push(change);
    } else {
      undo.push(change);
      if (change.undoes === null) redo = [];
    }
  }
  return { undo, redo };
}

/** The server's plan and facts with what waits here on top: what one sees and works with. */
export function onTop(
  serverPlan: Plan,
  serverFacts: readonly Fact[],
  waiting: readonly Waiting[],
): { plan: Plan; facts: readonly Fact[] } {
  let plan = serverPlan;
  const seen = new Set(serverFacts.map((f) => f.id));
  const own: Fact[] = [];
  for (const w of waiting) {
    if (w.what === 'fact') {
      if (!seen.has(w.fact.id) && !w.refused) own.push({ ...w.fact, by: w.rigger.name, serverTime: w.fact.deviceTime });
      continue;
    }
    try {
      plan = applyChange(plan, w.change).plan;
    } catch {
      // It will come back from the server as a clash and be shown then.
    }
  }
  return { plan, facts: own.length ? [...serverFacts, ...own] : serverFacts };
}

/** My changes to be undone and redone: what the server logged, and what is on its way there. */
export function myStacks(
  mine: readonly LoggedChange[],
  serverPlan: Plan,
  waiting: readonly Waiting[],
): { undo: LoggedChange[]; redo: LoggedChange[] } {
  const logged = new Set(mine.map((m) => m.id));
  let plan = serverPlan;
  const sent: LoggedChange[] = [];
  for (const w of waiting) {
    if (w.what !== 'change' || logged.has(w.change.id)) continue;
    try {
      const applied = applyChange(plan, w.change);
      plan = applied.plan;
      sent.push({ id: w.change.id, version: 0, undoes: w.undoes, inverse: applied.inverse });
    } catch {
      break;
    }
  }
  return undoStacks([...mine, ...sent]);
}
