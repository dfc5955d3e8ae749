import { isInside } from '../../holding/inside';
import { graspOf, REACH, reachedBy, usedHow, ZONE_FOR, type Placed, type ReachZone } from '../../layout';
import type { Workup } from '../../workup';

/** How a hand gets to a thing. */
export interface HandTo {
  /** Null where nobody sits. */
  readonly zone: ReachZone | null;
  /** So many zones beyond where its use wants it; nought for what is not taken in hand, or stands inside. */
  readonly zones: number;
  /** So far beyond an upright arm, mm. */
  readonly beyond: number;
}

/** How whoever reaches a thing best gets to it, for how often it is used. */
export function handTo(placed: Placed, { seats }: Pick<Workup, 'seats'>): HandTo {
  const reached = reachedBy(seats.whole.paddlers, graspOf(placed));
  if (!reached) return { zone: null, zones: 0, beyond: 0 };
  const far = REACH.indexOf(reached.zone) - REACH.indexOf(ZONE_FOR[usedHow(placed)]);
  const zones = placed.part.use.byHand && !isInside(placed) ? Math.max(0, far) : 0;
  return { zone: reached.zone, zones, beyond: Math.round(reached.beyond) };
}
