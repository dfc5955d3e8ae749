import { satIn, seated, withoutFeatures, type HullModel, type HullSurface, type Sittings } from '../boat/hull';
import type { Part } from '../parts/parts';
import { briefIn, entryOf, featuresGone, hasGone, sameJson, type Brief, type Fitting, type Place, type Plan } from '../rig';
import type { Memory } from '../base/stages';
import { BODY, paddlers, type Paddler } from './paddler';
import { reachZones } from './reach';

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

/** What sitting follows from. */
export interface SittingInput extends Pick<Plan, 'fittings' | 'sets' | 'brief'> {
  readonly hull: HullModel;
  /** The part of each fitting. */
  readonly parts: ReadonlyMap<string, Part>;
}

/** Where a cushion or riser lies in a set; undefined where it is not aboard. Of the whole rig it is what every set has. */
function raiserIn({ sets, elsewhere, place }: Fitting, set: string | null): Place | undefined {
  if (set === null) return sets ? undefined : place;
  return sets && !sets.includes(set) ? undefined : (entryOf(elsewhere, set) ?? place);
}

/**
 * Where and how high everybody sits: as the brief chose, or the set, and raised by the cushions and risers on their seat.
 * @param set null for the rig as a whole: what is aboard in some sets only raises nobody there
 */
export function sittingOf({ hull, parts, fittings, sets, brief: whole }: SittingInput, set: string | null = null): Sittings {
  const { seat, secondSeat } = hull;
  const { seatAt, raise, feetAt, second } = briefIn({ brief: whole, sets }, set);
  const near = (x: number): 'first' | 'second' =>
    secondSeat && Math.abs(x - (second?.at ?? secondSeat.x)) < Math.abs(x - (seatAt ?? seat.x)) ? 'second' : 'first';
  const raised = { first: raise, second: second?.raise ?? 0 };
  for (const [id, fitting] of Object.entries(fittings)) {
    const by = parts.get(id)?.body.raises;
    if (by === undefined || hasGone(fitting) || fitting.becomes) continue;
    const place = raiserIn(fitting, set);
    if (place?.on === 'deck') raised[near(place.x)] += by;
  }
  return {
    first: { at: seatAt, raise: raised.first },
    second: { at: second?.at ?? null, raise: raised.second },
    feet: feetAt,
  };
}

/** How everybody sits in one set: the brief as it is there, the hull as it is sat in, and who that makes. */
export interface Seating {
  readonly brief: Brief;
  readonly surface: HullSurface;
  readonly paddlers: readonly Paddler[];
  readonly reach: readonly { readonly name: string; readonly fore: number; readonly aft: number }[];
}

/** How everybody sits, as a whole and set by set; a set that says nothing else sits like the whole. */
export interface Seatings {
  readonly whole: Seating;
  /** In the set shown. */
  readonly shown: Seating;
  readonly of: (set: string | null) => Seating;
}

/** What seatings follow from. */
export interface SeatingsInput extends SittingInput, Pick<Plan, 'features'> {
  /** How one sits as a whole. */
  readonly sitting: Sittings;
  /** The hull as it is sat in as a whole. */
  readonly surface: HullSurface;
  readonly set: string | null;
}

const seatingOf = (surface: HullSurface, brief: Brief): Seating => ({
  brief,
  surface,
  paddlers: paddlers(surface, brief),
  reach: reachZones(surface, brief),
});

/** Seats everybody in every set. */
export function seat(input: SeatingsInput, memory: Memory): Seatings {
  const { hull, surface, sitting, sets, brief, features, set } = input;
  const whole = memory.last('whole', [surface, brief], () => seatingOf(surface, brief));
  const seats = new Map<string, Seating>();
  for (const id of Object.keys(sets)) {
    const here = sittingOf(input, id);
    const there = briefIn({ brief, sets }, id);
    if (there === brief && sameJson(here, sitting)) continue;
    const made = memory.last(`set ${id}`, [surface, brief, sets[id]?.sits, JSON.stringify(here)], () =>
      seatingOf(satIn(surface, withoutFeatures(seated(hull, here), new Set(featuresGone({ features })))), there),
    );
    seats.set(id, made);
  }
  const of = (one: string | null): Seating => (one === null ? whole : (seats.get(one) ?? whole));
  return { whole, shown: of(set), of };
}
