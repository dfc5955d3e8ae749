import { entryOf } from './entry-of';
import type { DraftChange } from './change';
import { sameJson } from './same-json';

/**
 * What makes the proposed ones of a list those that are proposed now; the rigger's own stay.
 * @param now the plan's list
 * @param made every one of the new proposal
 * @param change sets one of the list; null where there is none
 */
export function proposedChanges<T extends { readonly proposed?: true }>(
  now: Readonly<Record<string, T>>,
  made: ReadonlyMap<string, T>,
  change: (id: string, from: T | null, to: T | null) => DraftChange,
): DraftChange[] {
  const gone = Object.entries(now).filter(([id, one]) => one.proposed && !made.has(id));
  return [
    ...gone.map(([id, from]) => change(id, from, null)),
    ...[...made].flatMap(([id, to]): DraftChange[] => {
      const from = entryOf(now, id) ?? null;
      return sameJson(from, to) ? [] : [change(id, from, to)];
    }),
  ];
}
