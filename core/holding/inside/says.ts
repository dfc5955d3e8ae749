import type { Room } from '../../boat/hull';
import { markedAt, type Placed } from '../../layout';
import { mm, say, type Sentence } from '../../base/units';
import type { InHand } from './hand';
import type { WayIn } from './way-in';

const LEADS = ['end', 'side', 'foot'] as const;

/** How a thing goes in, in words; null for a room that stands open. */
export function wayInSays(way: WayIn | null): Sentence {
  if (!way) return say`It stands open: set it in from above.`;
  const by = way.hatch.name;
  if (way.margin === -Infinity) return say`Does not go in by the ${by}: no room beyond it to bring it round.`;
  if (way.margin < 0) return say`Does not pass the ${by}: ${mm(-way.margin, 'up')} too big, whichever way.`;
  return say`Goes in by the ${by} ${LEADS[way.leads]} first${way.tilted ? ', tilted' : ''}: ${mm(way.margin, 'down')} to spare.`;
}

/** How a hand gets to it, in words. */
export const handSays = ({ touched, access, blocked }: InHand): Sentence =>
  access
    ? access.away === 0
      ? say`Its ${touched.what} is to hand from above.`
      : say`Its ${touched.what} is reached by the ${access.hatch}: ${mm(access.away, 'up')} from its rim.`
    : say`No hand gets to its ${touched.what}: ${blocked ?? say`it has no opening`}.`;

/**
 * How high it stands, what is left over it, and whether it is under water when the room floods, in words.
 *
 * @param water height of the water there over the lowest keel point, mm
 */
export function standsSays({ ceiling }: Room, placed: Placed, water: number): Sentence {
  const { x, y, z } = markedAt(placed);
  const left = ceiling(x, y) - Math.max(...placed.bodies.map((b) => b.top));
  const stands = say`${mm(z)} over the keel, ${left < 0 ? say`${mm(-left, 'up')} too high` : say`${mm(left, 'down')} clear over it`}`;
  return water > z ? say`${stands}; ${mm(water - z, 'up')} under water if the room floods.` : say`${stands}.`;
}
