import type { Change, DraftChange } from './change';

/** Several drafts as one gesture, with ids; null when there is nothing to do. */
export function asOne(drafts: readonly DraftChange[], newId: () => string): Change | null {
  const changes = drafts.map((d) => ({ ...d, id: newId() }));
  const [only] = changes;
  return changes.length > 1 ? { id: newId(), kind: 'together', changes } : (only ?? null);
}
