import {
  crewMasses,
  passengers,
  peopleKg,
  floatBy,
  immersed,
  shellCentre,
  slicesOf,
  waterAt,
  type Floating,
  type Slices,
} from '../../water/float';
import { fairHull, satIn, seated, type HullModel, type HullSurface } from '../../boat/hull';
import { seatForLegs } from '../../layout';
import type { Brief } from '../../rig';
import type { ShopSettings } from '../../parts/shop';

/** What is asked of a hull before one is chosen: the answers of a brief that matter to it, and a guess of the gear. */
export interface HullAsk {
  readonly brief: Brief;
  readonly gearKg: number;
}

/** A hull looked at for a brief, with what is worked out of it once. */
export interface Considered extends HullAsk {
  readonly hull: HullModel;
  readonly drawn: HullSurface;
  readonly limits: ShopSettings['limits'];
  /** Under its rating with crew and gear, kg. */
  readonly reserveKg: number;
  /** Where its seat may stand for these legs; undefined for nowhere. */
  readonly legs: ReturnType<typeof seatForLegs>;
  /** They stand, or both. */
  readonly stands: boolean;
  /** How it floats with crew and gear, seated. */
  readonly float: Floating;
  /** Metacentric height as they use it, mm: an estimate. */
  readonly steady: number;
  /** Length on the water, mm. */
  readonly waterline: number;
}

/** Gear stands in the tank well, else behind the seat, mm over it and aft of it (judgement). */
const IN_A_WELL = 150;
const BEHIND = 600;

/** Metacentric height of a floating: centre of buoyancy over the keel, and the water plane's second moment over the volume. */
export function metacentric(slices: Slices, float: Floating): number {
  const f = immersed(slices, float.level, float.slope);
  return f.volume === 0 ? 0 : f.up / f.volume + f.across / f.volume - float.centre.z;
}

/** How long the boat is on the water, mm. */
function waterlineOf(hull: HullSurface, float: Floating): number {
  const STEP = 10;
  const wet = Array.from({ length: Math.ceil(hull.length / STEP) }, (_, i) => (i + 0.5) * STEP).filter(
    (x) => hull.keel(x) < waterAt(float, x),
  );
  return wet.length * STEP;
}

/** A hull with the seat where their legs fit, the crew in it and the gear behind. */
export function consider(hull: HullModel, { brief, gearKg }: HullAsk, { limits }: ShopSettings): Considered {
  const drawn = fairHull(hull);
  const legs = seatForLegs(brief.stature, hull);
  const at = legs ? Math.min(legs.aft, Math.max(legs.fore, hull.seat.x)) : hull.seat.x;
  const model = seated(hull, {
    first: { at: Math.abs(at - hull.seat.x) < 1 ? null : at, raise: brief.raise },
    second: { at: null, raise: 0 },
    feet: null,
  });
  const surface = satIn(drawn, model);
  const slices = slicesOf(drawn);
  const well = hull.decks.find((d) => d.kind === 'tank well');
  const gearAt = well
    ? { x: (well.fore + well.aft) / 2, y: 0, z: well.height + IN_A_WELL }
    : { x: hull.seat.x + BEHIND, y: 0, z: drawn.gunwale(hull.seat.x) };
  const still = [
    { kg: hull.massKg, at: shellCentre(drawn) },
    { kg: gearKg, at: gearAt },
  ];
  const stands = brief.stands !== 'sits';
  const aboard = passengers(surface, [], brief, limits);
  const floatOf = (how: Brief['stands']): Floating =>
    floatBy(slices, [...still, ...aboard, ...crewMasses(surface, { ...brief, stands: how })]);
  const float = floatOf('sits');
  return {
    hull,
    drawn,
    brief,
    gearKg,
    limits,
    reserveKg: hull.capacityKg - peopleKg(brief, limits) - gearKg,
    legs,
    stands,
    float,
    steady: metacentric(slices, stands ? floatOf('stands') : float),
    waterline: waterlineOf(drawn, float),
  };
}
