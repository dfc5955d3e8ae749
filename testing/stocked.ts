import { TOLVANE } from '@plain-cleat/demo';
import { deck } from './plans';

/** A Tolvane whose maker fits two rod tubes behind the seat and a pad eye on the foredeck. */
export const STOCKED = {
  ...TOLVANE,
  stock: [
    { id: 'tube-p', part: 'rod-tube-flush', place: deck(2380, -210), hold: 'rivet' as const },
    { id: 'tube-s', part: 'rod-tube-flush', place: deck(2380, 210), hold: 'rivet' as const },
    { id: 'eye', part: 'pad-eye', place: deck(700, 40, 30), hold: 'rivet' as const },
  ],
};
