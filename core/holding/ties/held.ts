import type { HullSurface } from '../../boat/hull';
import { boxAbout, toHull, type Placed } from '../../layout';
import type { ShopSettings } from '../../parts/shop';
import { cross, dot, GRAVITY, type Point } from '../../base/units';
import { solve } from 'yalps';
import type { Lashing } from './straps';

/** A way a thing can come loose. */
const DIRECTIONS = ['up', 'forward', 'aft', 'to port', 'to starboard'] as const;
export type Direction = (typeof DIRECTIONS)[number];

/** How well a thing is held one way. */
export interface HeldAgainst {
  readonly way: Direction;
  /** What it has to bear that way, as a share of its weight: shock and tilt. */
  readonly asked: number;
  /** What it bears of that: 1 and more is held. */
  readonly bears: number;
}

type Limits = Pick<ShopSettings['limits'], 'pitch' | 'heel' | 'slip' | 'handTight' | 'tieHolds'>;

/** More than this many times what is asked is not worked out. */
const ENOUGH = 10;

const DIRECTION: Readonly<Record<Direction, Point>> = {
  up: { x: 0, y: 0, z: 1 },
  forward: { x: -1, y: 0, z: 0 },
  aft: { x: 1, y: 0, z: 0 },
  'to port': { x: 0, y: -1, z: 0 },
  'to starboard': { x: 0, y: 1, z: 0 },
};

const radians = (degrees: number): number => (degrees * Math.PI) / 180;

/** The tilt a boat has to bear one way; upside down for up. */
const tiltOf = (way: Direction, { pitch, heel }: Limits): number =>
  way === 'up' ? Math.PI : radians(way === 'forward' || way === 'aft' ? pitch : heel);

/** Something that pushes or pulls at a thing: where, and the unit vector of the force; so much at the most, N. */
interface Force {
  readonly at: Point;
  readonly along: Point;
  readonly most?: number;
}

/** What a thing weighs with all that is in it and on it, and where. */
export interface Load {
  readonly kg: number;
  readonly at: Point;
}

/** What a thing stands against: a wall beside it, seen from the thing. */
export interface Stop {
  readonly at: Point;
  /** The way it pushes back, a unit vector. */
  readonly pushes: Point;
}

/** A thing, what it weighs, the straps over it and what it stands against. */
interface Tied {
  readonly placed: Placed;
  readonly load: Load;
  readonly lashings: readonly Lashing[];
  readonly stops: readonly Stop[];
}

/**
 * How well a thing is held each way it could come loose: how many times what is asked its straps, the floor and the walls
 * beside it still balance. Straps only pull, the floor and walls only push, the floor rubs. What is asked is its weight
 * times the shock, tilted as far as the boat has to bear, for up the boat upside down.
 *
 * A strap drawn by hand pulls with so much at the most, unless the thing's going that way would stretch it: then with as
 * much as its tie points hold. A strap over a thing slides on it without friction, so that it pulls alike on both sides
 * (careful). Friction is a pyramid inside its cone (careful). A small linear program a way: the greatest load in balance.
 */
export function heldBy(tied: Tied, limits: Limits, shock: number): HeldAgainst[] {
  const { load } = tied;
  const foot = footOf(tied.placed);
  return DIRECTIONS.map((way): HeldAgainst => {
    const tilt = tiltOf(way, limits);
    const to = DIRECTION[way];
    // Upside down its weight is what pulls it out; else what of it still lies on the floor.
    const asked = way === 'up' ? shock : shock * Math.sin(tilt);
    const rest = way === 'up' ? 0 : Math.cos(tilt) * load.kg * GRAVITY;
    if (asked * load.kg <= 0) return { way, asked, bears: ENOUGH };
    const bears = greatest(tied, foot, { to, newtons: asked * load.kg * GRAVITY, rest }, limits);
    return { way, asked, bears };
  });
}

/** The corners a thing stands on. */
function footOf({ part, frame, fitting }: Placed): Point[] {
  const { u, v, w } = boxAbout(part.body);
  const foot = fitting.lift > 0 ? 0 : w[0];
  return [u[0], u[1]].flatMap((a) => [v[0], v[1]].map((b) => toHull(frame, a, b, foot)));
}

/** Most that a strap pulls with when a thing would go one way, N. */
function mostOf({ pulls }: Lashing, to: Point, { handTight, tieHolds }: Limits): number {
  const against = -pulls.reduce((sum, p) => sum + dot(p.along, to), 0);
  return against > STRETCHED ? Math.max(handTight, tieHolds) : handTight;
}
/** A strap is stretched by a way that lengthens it by so much of how far the thing goes (judgement). */
const STRETCHED = 0.2;

/** Names of the six balances: of forces and of moments. */
const SIX = ['x', 'y', 'z', 'mx', 'my', 'mz'] as const;

/** What a force adds to each balance, N and N·m about the load. */
function adds(at: Point, along: Point, about: Point): Record<(typeof SIX)[number], number> {
  const arm = { x: (at.x - about.x) / 1000, y: (at.y - about.y) / 1000, z: (at.z - about.z) / 1000 };
  const m = cross(arm, along);
  return { ...along, mx: m.x, my: m.y, mz: m.z };
}

/** What would tear a thing loose: which way, how hard, and what still holds it down meanwhile, N. */
interface Pull {
  readonly to: Point;
  readonly newtons: number;
  readonly rest: number;
}

function greatest(
  { placed, load: { at: centre }, lashings, stops }: Tied,
  foot: readonly Point[],
  { to, newtons, rest }: Pull,
  limits: Limits,
): number {
  const { u, v, w } = placed.frame;
  const variables: Record<string, Record<string, number>> = {
    // Scaled so that all figures of the program are of one size.
    times: { ...scaled(adds(centre, to, centre), 1), bears: 1, enough: 1 },
  };
  const constraints: Record<string, { equal?: number; max?: number; min?: number }> = { enough: { max: ENOUGH } };
  for (const k of SIX) constraints[k] = { equal: k === 'z' ? rest / newtons : 0 };
  const push = (name: string, { at, along, most }: Force, more: Record<string, number> = {}): void => {
    variables[name] = { ...adds(at, along, centre), ...more };
    if (most === undefined) return;
    variables[name][`most ${name}`] = 1;
    constraints[`most ${name}`] = { max: most / newtons };
  };
  lashings.forEach((l, i) => {
    const all = l.pulls.map((p) => adds(p.at, p.along, centre));
    const sum = Object.fromEntries(SIX.map((k) => [k, all.reduce((total, one) => total + one[k], 0)]));
    variables[`strap ${i}`] = { ...sum, [`most strap ${i}`]: 1 };
    constraints[`most strap ${i}`] = { max: mostOf(l, to, limits) / newtons };
  });
  foot.forEach((at, i) => {
    const rubs = `rubs ${i}`;
    push(`floor ${i}`, { at, along: w }, { [rubs]: -limits.slip });
    constraints[rubs] = { max: 0 };
    for (const [name, axis] of [
      ['u', u],
      ['v', v],
    ] as const)
      for (const sign of [1, -1])
        push(`rub ${i} ${name}${sign}`, { at, along: { x: sign * axis.x, y: sign * axis.y, z: sign * axis.z } }, { [rubs]: 1 });
  });
  stops.forEach(({ at, pushes }, i) => push(`stop ${i}`, { at, along: pushes }));
  const { status, result } = solve({ direction: 'maximize', objective: 'bears', constraints, variables });
  return status === 'optimal' ? result : 0;
}

const scaled = <K extends string>(all: Record<K, number>, by: number): Record<K, number> =>
  Object.fromEntries(Object.entries<number>(all).map(([k, value]) => [k, value * by])) as Record<K, number>;

/** A wall so near stops a thing (judgement), mm. */
const BESIDE = 30;
/** A wall so high over the foot of a thing is one (judgement), mm. */
const HIGH = 40;

/**
 * The walls that a thing on deck stands against: where the deck just beyond it rises over its foot, as the rim of a well
 * does. Two points of each side, at its foot.
 */
export function stopsOf(hull: HullSurface, placed: Placed): Stop[] {
  if (placed.place.on !== 'deck') return [];
  const { u, v } = boxAbout(placed.part.body);
  const { frame } = placed;
  const foot = frame.origin.z;
  const sides = [
    { out: [-1, 0], ends: [v[0], v[1]].map((b) => [u[0], b] as const) },
    { out: [1, 0], ends: [v[0], v[1]].map((b) => [u[1], b] as const) },
    { out: [0, -1], ends: [u[0], u[1]].map((a) => [a, v[0]] as const) },
    { out: [0, 1], ends: [u[0], u[1]].map((a) => [a, v[1]] as const) },
  ] as const;
  return sides.flatMap(({ out: [a, b], ends }) => {
    const back = {
      x: -(a * frame.u.x + b * frame.v.x),
      y: -(a * frame.u.y + b * frame.v.y),
      z: -(a * frame.u.z + b * frame.v.z),
    };
    const walls = ends.map(([p, q]) => {
      const beyond = toHull(frame, p + a * BESIDE, q + b * BESIDE, 0);
      return hull.spot(beyond.x, beyond.y).z - foot > HIGH;
    });
    if (!walls.every(Boolean)) return [];
    return ends.map(([p, q]): Stop => ({ at: toHull(frame, p, q, 0), pushes: back }));
  });
}
