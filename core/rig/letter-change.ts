import { applyChange } from './apply';
import { type Change, type DraftChange, singleChanges } from './change';
import type { Plan } from './plan';

/**
 * A change with the letters of what it places: once letters are frozen, what comes later takes its letter with the
 * very change that places it, so that nothing placed after it can alter it.
 *
 * @param lettersOf the letters of a plan's fittings as they would be printed
 * @throws what `applyChange` throws
 */
export function withLetters(
  before: Plan,
  change: Change,
  lettersOf: (after: Plan) => ReadonlyMap<string, string>,
  newId: () => string,
): Change {
  if (before.letters === null) return change;
  const { plan: after } = applyChange(before, change);
  const fresh = Object.keys(after.fittings).filter((id) => !Object.hasOwn(after.letters ?? {}, id));
  const placed = singleChanges(change).some((c) => c.kind === 'placeItem');
  if (!placed || fresh.length === 0 || after.letters === null) return change;
  const letters = lettersOf(after);
  const drafts = fresh.flatMap((item): DraftChange[] => {
    const to = letters.get(item);
    return to ? [{ kind: 'letterItem', item, from: null, to }] : [];
  });
  const more = drafts.map((d) => ({ ...d, id: newId() }));
  return {
    id: change.id,
    kind: 'together',
    changes: [...singleChanges(change).map((c) => ({ ...c, id: c === change ? newId() : c.id })), ...more],
  };
}
