import type { HullModel, Sittings } from '../hull';
import { BODY } from './paddler';
import type { Part } from '../parts';
import { hasGone, type Brief, type Plan } from '../rig';
import type { Memory } from '../stages';

/** What sitting follows from. */
export interface SittingInput extends Pick<Plan, 'fittings'> {
  readonly hull: HullModel;
  /** The part of each fitting. */
  readonly parts: ReadonlyMap<string, Part>;
  readonly brief: Pick<Brief, 'seatAt' | 'raise' | 'feetAt'>;
}

/** Hip to sole with the knee bent as one paddles or pedals: least and most of the leg (judgement). */
const BENT = { least: 0.8, most: 0.97 } as const;

/** So far are hip and sole apart for a leg of this stature, at the least and at the most, mm. */
export const legSpan = (stature: number): { readonly least: number; readonly most: number } => ({
  least: BODY.leg * stature * BENT.least,
  most: BODY.leg * stature * BENT.most,
});

/** Where a seat may stand for these legs, wherever the pegs can be set, x of the hip; null where no place of its slide fits. */
export function seatForLegs(
  stature: number,
  { seat, feet }: Pick<HullModel, 'seat' | 'feet'>,
): { readonly fore: number; readonly aft: number } | null {
  const { fore, aft } = seat.slide ?? { fore: seat.x, aft: seat.x };
  if (!feet) return { fore, aft };
  const { least, most } = legSpan(stature);
  const fits = { fore: Math.max(fore, feet.fore + least), aft: Math.min(aft, feet.aft + most) };
  return fits.fore <= fits.aft ? fits : null;
}

/**
 * Where and how high everybody sits: as the brief chose, and raised by the cushions and risers on their seat. What is aboard
 * in some sets only raises nobody: that is not judged set by set yet.
 */
export function sittingOf({ hull, parts, fittings, brief }: SittingInput, memory: Memory): Sittings {
  const { seat, secondSeat } = hull;
  const near = (x: number): 'first' | 'second' =>
    secondSeat && Math.abs(x - secondSeat.x) < Math.abs(x - (brief.seatAt ?? seat.x)) ? 'second' : 'first';
  const raised = { first: brief.raise, second: 0 };
  for (const [id, fitting] of Object.entries(fittings)) {
    const by = parts.get(id)?.body.raises;
    const { place, sets } = fitting;
    if (by === undefined || sets || hasGone(fitting) || fitting.becomes || place.on !== 'deck') continue;
    raised[near(place.x)] += by;
  }
  const { seatAt, feetAt } = brief;
  return memory.last('sitting', [seatAt, feetAt, raised.first, raised.second], () => ({
    first: { at: seatAt, raise: raised.first },
    second: { at: null, raise: raised.second },
    feet: feetAt,
  }));
}
