import type { Part } from '../parts/parts';
import type { HullSurface } from '../boat/hull';
import type { Brief } from '../rig';
import { distance, type Point, type Side, sideSign } from '../base/units';
import { middleOf, type Placed } from './placed';
import { BODY, hipOf, paddlers, type Paddler, shoulderOf } from './paddler';

/** How far a seated paddler must go for a thing. */
export const REACH = ['at hand', 'half turn', 'out of reach'] as const;
export type ReachZone = (typeof REACH)[number];

/** The furthest zone that does for how often a thing is used. */
export const ZONE_FOR: Readonly<Record<Part['use']['often'], ReachZone>> = {
  always: 'at hand',
  hourly: 'half turn',
  stopped: 'out of reach',
  ashore: 'out of reach',
};

export interface Reached {
  readonly zone: ReachZone;
  /** How far beyond what an upright arm reaches, mm; nought at hand. */
  readonly beyond: number;
}

const LEAN = Math.PI / 6;
const TURN = Math.PI / 4;
/** Behind the shoulder by so much nobody sees the hand (judgement), as a share of stature. */
const BLIND = 0.08;

const BOTH: readonly Side[] = ['port', 'starboard'];

/** Shoulders of these sides with the trunk leaning 30° forward or to a side, or turned 45° (judgement). */
function stretched(p: Paddler, sides: readonly Side[]): Point[] {
  const hip = hipOf(p);
  const trunk = BODY.shoulderOverHip * p.stature;
  const half = BODY.halfShoulders * p.stature;
  return sides.map(sideSign).flatMap((sign) => {
    const leaning = (dx: number, dy: number): Point => ({
      x: hip.x + dx * trunk * Math.sin(LEAN),
      y: sign * half + dy * trunk * Math.sin(LEAN),
      z: hip.z + trunk * Math.cos(LEAN),
    });
    const turned = (way: number): Point => ({
      x: hip.x + way * sign * half * Math.sin(TURN),
      y: sign * half * Math.cos(TURN),
      z: hip.z + trunk,
    });
    return [leaning(-1, 0), leaning(0, -1), leaning(0, 1), turned(-1), turned(1)];
  });
}

/**
 * How a point is reached from the seat: a sphere of a closed grip about each shoulder, upright; then
 * leaning or turned. Behind the shoulders it is a half turn at best.
 *
 * @param sides the hands that may take it; either when left out
 */
export function reachOf(p: Paddler, point: Point, sides: readonly Side[] = BOTH): Reached {
  const arm = BODY.grip * p.stature;
  const beyondOf = (shoulders: readonly Point[]): number =>
    Math.max(0, Math.min(...shoulders.map((s) => distance(s, point))) - arm);
  const upright = beyondOf(sides.map((side) => shoulderOf(p, side)));
  const blind = point.x - p.seatX > BLIND * p.stature;
  if (upright === 0 && !blind) return { zone: 'at hand', beyond: 0 };
  if (beyondOf(stretched(p, sides)) === 0) return { zone: 'half turn', beyond: upright };
  return { zone: 'out of reach', beyond: upright };
}

/** The further of two: the zone first, then how far beyond the hand. */
const further = (a: Reached, b: Reached): number => REACH.indexOf(a.zone) - REACH.indexOf(b.zone) || a.beyond - b.beyond;

/** How one person reaches a point from whichever of their seat heights is worst: on one day they sit at both. */
export const reachedAtWorst = (seats: readonly Paddler[], at: Point, sides?: readonly Side[]): Reached | undefined =>
  seats
    .map((p) => reachOf(p, at, sides))
    .sort(further)
    .at(-1);

/** Everybody who sits in a boat: each by the heights they sit at. */
export const byPerson = (people: readonly Paddler[]): Paddler[][] =>
  [...new Set(people.map((p) => p.seatX))].map((x) => people.filter((p) => p.seatX === x));

/** Whoever reaches it best, from whichever of their seat heights is worst. */
export const reachedBy = (people: readonly Paddler[], at: Point): Reached | undefined =>
  byPerson(people)
    .flatMap((seats) => reachedAtWorst(seats, at) ?? [])
    .sort(further)[0];

/** Where a hand takes a fitting: the middle of its highest body. */
export function graspOf({ bodies, frame }: Pick<Placed, 'bodies' | 'frame'>): Point {
  const [first, ...others] = bodies;
  if (!first) return frame.origin;
  const top = others.reduce((a, b) => (b.top > a.top ? b : a), first);
  // A tall thing is taken at the height that suits the hand.
  return { ...middleOf(top), z: Math.min(top.top, frame.origin.z + SUITS) };
}
/** So high over its foot a tall thing is taken (judgement), mm. */
const SUITS = 350;

/** Where the shoulders of a seated body can be: upright, leaning, turned. */
export const shouldersOf = (p: Paddler): Point[] => [shoulderOf(p, 'port'), shoulderOf(p, 'starboard'), ...stretched(p, BOTH)];

/**
 * The same from the water beside the hull: one arm over the gunwale edge, swimmer upright, shoulders at the surface.
 * @param x where the swimmer is along the boat; abreast of the point when left out
 */
export function reachedFromWater(
  hull: HullSurface,
  p: Paddler,
  point: Point,
  { side, waterline, x = point.x }: { readonly side: Side; readonly waterline: number; readonly x?: number },
): number {
  const edge = { x, y: sideSign(side) * (hull.halfBreadth(x) + 0.08 * p.stature), z: waterline };
  return Math.max(0, distance(edge, point) - (BODY.upperArm + BODY.forearmAndHand) * p.stature);
}

/**
 * Reach along the boat from the seat, for the reach lane: where a hand gets to on the gunwale, by the very rule the
 * judgement uses, at the seat heights of the brief.
 */
export function reachZones(hull: HullSurface, brief: Brief): { name: string; fore: number; aft: number }[] {
  const people = paddlers(hull, brief).filter((p) => p.seatX === hull.model.seat.x);
  const zoneAt = (x: number): ReachZone => {
    const point = { x, y: 0.8 * hull.halfBreadth(x), z: hull.gunwale(x) };
    const zones = people.map((p) => REACH.indexOf(reachOf(p, point).zone));
    return REACH[Math.max(0, ...zones)] ?? 'out of reach';
  };
  const { seat } = hull.model;
  const out: { name: string; fore: number; aft: number }[] = [];
  const [from, to] = [Math.max(0, seat.x - brief.stature), Math.min(hull.length, seat.x + brief.stature)];
  for (let x = from; x < to; x += LANE_STEP) {
    const zone = zoneAt(x + LANE_STEP / 2);
    const name = zone === 'half turn' && x < seat.x ? 'leaning' : zone;
    const last = out.at(-1);
    if (last?.name === name) last.aft = x + LANE_STEP;
    else out.push({ name, fore: x, aft: x + LANE_STEP });
  }
  return out.filter((z) => z.name !== 'out of reach');
}

/** The lane is looked up at so many mm. */
const LANE_STEP = 10;
