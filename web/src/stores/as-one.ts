import { asOne as withIds, type Change, type DraftChange } from '@plain-cleat/core/rig';

/** Several drafts as one gesture; null when there is nothing to do. */
export const asOne = (drafts: readonly DraftChange[]): Change | null => withIds(drafts, () => crypto.randomUUID());
