import type { Part } from '../parts/parts';
import type { Place } from './plan';
import type { Fitting } from './fitting';

/** A part as it comes, somewhere on the boat: supplied by the shop unless it is made, loose where it may be, else held its first way. */
export const fittingOf = ({ id, revision, made, holding: { ways } }: Part, place: Place): Fitting => ({
  part: id,
  ...(revision === undefined ? {} : { revision }),
  place,
  lift: 0,
  mount: { hold: ways.includes('loose') ? 'loose' : (ways[0] ?? 'loose'), plate: false, reason: '' },
  suppliedBy: made ? 'home-made' : 'shop',
  note: '',
});
