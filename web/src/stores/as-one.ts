import type { Change, DraftChange } from '@plain-cleat/core/rig';

const newId = (): string => crypto.randomUUID();

/** Several drafts as one gesture; null when there is nothing to do. */
export function asOne(drafts: readonly DraftChange[]): Change | null {
  const changes = drafts.map((d) => ({ ...d, id: newId() }));
  const [only] = changes;
  return changes.length > 1 ? { id: newId(), kind: 'together', changes } : (only ?? null);
}
