import type { Hold } from '@plain-cleat/core/parts';
import type { Fitting, Place } from '@plain-cleat/core/rig';

/** A place on deck, mm aft of the bow and to starboard. */
export const deck = (x: number, y = 0): Place => ({ on: 'deck', x, y, heading: 0 });

/** A part of the shop's, held somewhere. */
export const fitted = (part: string, place: Place, hold: Hold, more: Partial<Fitting> = {}): Fitting => ({
  part,
  place,
  lift: 0,
  mount: { hold, plate: false, reason: '' },
  suppliedBy: 'shop',
  note: '',
  ...more,
});
