import type { LoggedChange } from '@plain-cleat/api';

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
