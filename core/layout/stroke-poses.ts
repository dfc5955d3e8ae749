import type { ShopSettings } from '../parts/shop';
import type { HullSurface } from '../boat/hull';
import type { Brief } from '../rig';
import { BODY, hipOf, shoulderOf, type Paddler } from './paddler';
import type { Point } from '../base/units';
import { shouldersOf } from './reach';

export type Vector = readonly [number, number, number];

/** How a person paddles: hands at chest height or at eye height, with a paddle of some length. */
export interface Style {
  readonly stroke: Brief['stroke'];
  /** mm */
  readonly paddle: number;
}

export const styleOf = (brief: Brief, shop: ShopSettings): Style => ({
  stroke: brief.stroke,
  paddle: brief.paddle ?? shop.stroke.paddle,
});

/** Throat to tip of a blade (common practice, no source), mm. */
const BLADE = 480;
/** Half the breadth of a blade (common practice, no source), mm. */
const HALF_BLADE = 90;
/** The shaft passes so high over the gunwale edge (judgement); what is lower belongs to the knuckles, mm. */
export const OVER_GUNWALE = 50;
/** Hands stand a shoulder breadth and a half apart on the shaft (judgement), as a share of stature. */
const HANDS_APART = 3 * BODY.halfShoulders;

/** One moment of a stroke: both hands on the shaft, the blade at or in the water. */
export interface StrokePose {
  readonly phase: 'forward' | 'sweep' | 'recovery';
  /** −1 to port, 1 to starboard: the side whose blade is in use. */
  readonly side: -1 | 1;
  readonly upper: Vector;
  readonly lower: Vector;
  /** The ends of the paddle, and the throat of the blade in use. */
  readonly top: Vector;
  readonly throat: Vector;
  readonly tip: Vector;
  /** How deep the blade is in: 0 its tip touches, 1 to its throat. */
  readonly immersed: number;
  /** How far a hand is beyond where this body can have it, or the paddle short of the water, mm. */
  readonly misses: number;
}

const along = (from: Vector, to: Vector, share: number): Vector => [
  from[0] + share * (to[0] - from[0]),
  from[1] + share * (to[1] - from[1]),
  from[2] + share * (to[2] - from[2]),
];
const far = (a: Vector, b: Vector): number => Math.hypot(a[0] - b[0], a[1] - b[1], a[2] - b[2]);

/** The paddle in this person's hands, mm along the shaft from the upper hand. */
interface PaddleInHands {
  readonly arm: number;
  readonly shoulders: readonly Point[];
  readonly apart: number;
  readonly throat: number;
  readonly tip: number;
  readonly top: number;
}

function heldBy(p: Paddler, { paddle }: Style): PaddleInHands {
  const apart = Math.min(HANDS_APART * p.stature, paddle - 2 * BLADE - 100);
  const tip = (paddle + apart) / 2;
  return {
    arm: BODY.grip * p.stature,
    shoulders: shouldersOf(p),
    apart,
    tip,
    throat: tip - BLADE,
    top: (paddle - apart) / 2,
  };
}

/** Where the shaft meets the water, how deep the blade is in, and where the upper hand would like to be. */
interface Wanted {
  readonly phase: 'forward' | 'sweep';
  readonly side: -1 | 1;
  readonly x: number;
  readonly immersed: number;
  readonly hand: Vector;
}

/** How far the upper hand is from where the style has it: towards the side of the stroke, and up, mm. */
interface Shift {
  cross: number;
  up: number;
}

/** Steps in which the upper hand is raised, lowered or brought across, mm. */
const STEP = 25;

/**
 * Finds the hands for a blade that stands in the water at a place: the shaft runs from the upper hand to the water,
 * as long as the paddle; it clears the gunwale, the blade stands outside the hull, both hands are where the body can
 * have them. The upper hand starts where the style has it and moves from there as little as it must.
 *
 * @param last where the hand was in the pose before, tried first; it is left as this pose has it
 */
function poseOf(
  hull: HullSurface['edge'],
  p: Paddler,
  held: PaddleInHands,
  water: number,
  want: Wanted,
  last: Shift,
): StrokePose {
  const task: Task = {
    hull,
    held,
    want,
    water,
    reach: held.throat + BLADE * (1 - want.immersed),
    edge: hull.half(want.x) + HALF_BLADE,
    shoulder: shoulderOf(p, want.side > 0 ? 'port' : 'starboard'),
  };
  // Where the hand was a moment ago, then back towards where the style has it while that does.
  if (last.up > 0 && missOf(task, last, ENOUGH) < ENOUGH) {
    while (last.up > STEP / 2 && missOf(task, { ...last, up: last.up - STEP }, ENOUGH) < ENOUGH) last.up -= STEP;
    return posed(task, last, 0);
  }
  let best: Shift | undefined;
  let least = Infinity;
  for (let cross = 0; cross <= 0.12 * p.stature; cross += 2 * STEP)
    for (let up = 0; up <= 0.3 * p.stature; up += STEP)
      for (const way of up ? [1, -1] : [1]) {
        const shift = { cross, up: way * up };
        const miss = missOf(task, shift, least);
        if (miss >= least) continue;
        [best, least] = [shift, miss];
        if (miss >= ENOUGH) continue;
        Object.assign(last, shift);
        return posed(task, shift, 0);
      }
  return best && Number.isFinite(least) ? posed(task, best, least) : tooShort(task);
}

/** Nearer than this a hand is where it can be, mm. */
const ENOUGH = 0.5;

/** One blade to set in the water, and what bounds the hands that hold it. */
interface Task {
  readonly hull: HullSurface['edge'];
  readonly held: PaddleInHands;
  readonly want: Wanted;
  readonly water: number;
  /** From the upper hand to the water along the shaft. */
  readonly reach: number;
  /** Least distance of the blade from the centre line. */
  readonly edge: number;
  readonly shoulder: Point;
}

/** The upper hand shifted so, and where the shaft then meets the water; undefined when it is too short to. */
function shaftOf({ want, water, reach }: Task, { cross, up }: Shift): readonly [hand: Vector, meets: Vector] | undefined {
  const { side, hand, x } = want;
  const [hx, hy, hz] = [hand[0], hand[1] + side * cross, hand[2] + up];
  const across = reach ** 2 - (x - hx) ** 2 - (water - hz) ** 2;
  return across < 0
    ? undefined
    : [
        [hx, hy, hz],
        [x, hy + side * Math.sqrt(across), water],
      ];
}

/** How far hands, blade and shaft then are from where they can be, mm; no more is looked at once it is `enough`. */
function missOf(task: Task, shift: Shift, enough: number): number {
  const shaft = shaftOf(task, shift);
  if (!shaft) return Infinity;
  const [hand, meets] = shaft;
  const { held, want, reach, edge, shoulder, hull } = task;
  const hands = Math.max(
    0,
    edge - want.side * meets[1],
    Math.hypot(hand[0] - shoulder.x, hand[1] - shoulder.y, hand[2] - shoulder.z) - held.arm,
    beyond(held, along(hand, meets, held.apart / reach)),
  );
  return hands >= enough ? hands : Math.max(hands, underGunwale(hull, hand, meets, want.side, enough));
}

/** The pose of a shaft through two points so far apart. */
function poseAlong(held: PaddleInHands, want: Wanted, hand: Vector, meets: Vector, apart: number, misses: number): StrokePose {
  const { phase, side, immersed } = want;
  const throat = apart - BLADE * (1 - immersed);
  return {
    phase,
    side,
    upper: hand,
    lower: along(hand, meets, held.apart / apart),
    top: along(hand, meets, -held.top / apart),
    throat: along(hand, meets, throat / apart),
    tip: along(hand, meets, (throat + BLADE) / apart),
    immersed,
    misses,
  };
}

function posed(task: Task, shift: Shift, misses: number): StrokePose {
  const [hand, meets] = shaftOf(task, shift) ?? [task.want.hand, task.want.hand];
  return poseAlong(task.held, task.want, hand, meets, task.reach, misses);
}

/** The blade cannot reach the water from any place the hand can be: the pose of a longer paddle, and how much is missing. */
function tooShort({ held, want, water, edge, reach }: Task): StrokePose {
  const meets: Vector = [want.x, want.side * edge, water];
  const whole = far(want.hand, meets);
  return poseAlong(held, want, want.hand, meets, whole, Math.max(1, whole - reach));
}

/** How far a hand is beyond every place a shoulder can be, less the arm, mm. */
function beyond({ shoulders, arm }: PaddleInHands, [x, y, z]: Vector): number {
  let least = Infinity;
  for (const s of shoulders) least = Math.min(least, (s.x - x) ** 2 + (s.y - y) ** 2 + (s.z - z) ** 2);
  return Math.sqrt(least) - arm;
}

/** How far the shaft passes too low over the edge of the hull, mm; no more is looked at once it is `enough`. */
function underGunwale(hull: HullSurface['edge'], hand: Vector, meets: Vector, side: -1 | 1, enough: number): number {
  let worst = 0;
  let before = NaN;
  let underBefore = 0;
  for (let i = 0; i <= 12 && worst < enough; i++) {
    const t = i / 12;
    const x = hand[0] + t * (meets[0] - hand[0]);
    const inside = hull.half(x) - side * (hand[1] + t * (meets[1] - hand[1]));
    const under = hull.gunwale(x) + OVER_GUNWALE - (hand[2] + t * (meets[2] - hand[2]));
    if (inside >= 0) worst = Math.max(worst, under);
    else if (before > 0) worst = Math.max(worst, underBefore + (before / (before - inside)) * (under - underBefore));
    before = inside;
    underBefore = under;
  }
  return worst;
}

const PHASES = 16;
/** How deep the blade is through a stroke: in over the first sixth, out over the last. */
const depthAt = (t: number): number => (t <= 0 || t >= 1 ? 0 : Math.min(1, 2 * Math.sin(Math.PI * t)));

/** The same on the other side of the boat. */
function mirrored(pose: StrokePose): StrokePose {
  const over = ([x, y, z]: Vector): Vector => [x, -y, z];
  const { upper, lower, top, throat, tip, side } = pose;
  return {
    ...pose,
    side: side > 0 ? -1 : 1,
    upper: over(upper),
    lower: over(lower),
    top: over(top),
    throat: over(throat),
    tip: over(tip),
  };
}

/**
 * The poses of a forward stroke and of a sweep on both sides, and of the paddle on its way across between them. Hull
 * and body are the same on both, so that one side is the mirror of the other.
 */
export function strokePoses(hull: HullSurface, p: Paddler, style: Style, water: number): StrokePose[] {
  const port = portPoses(hull, p, style, water);
  return [...port, ...port.map(mirrored)];
}

/**
 * The poses of a forward stroke and of a sweep to port, and of the paddle on its way across from there.
 * The blade's tip touches the water at catch and exit and is in to its throat through the pull; the fractions of
 * stature are judgement, not measurement.
 *
 * @param water height of the water at the seat over the lowest keel point, mm
 */
export function portPoses(hull: HullSurface, p: Paddler, style: Style, water: number): StrokePose[] {
  const h = p.stature;
  const hip = hipOf(p);
  const held = heldBy(p, style);
  const { edge } = hull;
  const side = -1;
  const last: Shift = { cross: 0, up: 0 };
  const handZ = hip.z + (style.stroke === 'low' ? 0.2 : BODY.eyeOverHip) * h;
  const forwardAt = (x: number, t: number): StrokePose => {
    const hand: Vector = [hip.x - (0.2 + 0.13 * t) * h, -side * BODY.halfShoulders * h * (1 - t), handZ];
    return poseOf(edge, p, held, water, { phase: 'forward', side, x, immersed: depthAt(t), hand }, last);
  };
  const sweepAt = (x: number): StrokePose => {
    const hand: Vector = [hip.x - 0.25 * h, -side * 0.05 * h, hip.z + 0.12 * h];
    return poseOf(edge, p, held, water, { phase: 'sweep', side, x, immersed: 1, hand }, last);
  };
  const start = catchAt(hip.x, h, (x) => forwardAt(x, 0).misses === 0);
  const end = hip.x + 0.04 * h;
  const phases = Array.from({ length: PHASES + 1 }, (_, i) => i / PHASES);
  const forward = phases.map((t) => forwardAt(start + t * (end - start), t));
  // A sweep goes as far round as the hands do.
  const sweep = phases
    .filter((_, i) => i % 2 === 0)
    .map((t) => sweepAt(start + t * (end + 0.2 * h - start)))
    .filter((pose) => pose.misses === 0);
  return [...forward, ...sweep, ...between(forward, forward.map(mirrored), held)];
}

/** As far ahead of the hip as the blade can be set in. */
function catchAt(hip: number, h: number, can: (x: number) => boolean): number {
  for (let ahead = 0.6; ahead > 0.24; ahead -= 0.04) if (can(hip - ahead * h)) return hip - ahead * h;
  return hip - 0.4 * h;
}

/** From the exit on one side to the catch on the other: each hand goes straight to where it is next. */
function between(from: readonly StrokePose[], to: readonly StrokePose[], held: PaddleInHands): StrokePose[] {
  const [exit, next] = [from.at(-1), to[0]];
  if (!exit || !next) return [];
  return [0.25, 0.5, 0.75].map((t): StrokePose => {
    // The hand that was low comes up, the one that was high goes down.
    const [upper, lower] = [along(exit.lower, next.upper, t), along(exit.upper, next.lower, t)];
    const apart = far(upper, lower) || 1;
    const at = (mm: number): Vector => along(upper, lower, mm / apart);
    const spare = (held.apart - apart) / 2;
    return {
      phase: 'recovery',
      side: next.side,
      upper,
      lower,
      top: at(-held.top - spare),
      throat: at(apart + held.throat - held.apart + spare),
      tip: at(apart + held.tip - held.apart + spare),
      immersed: 0,
      misses: 0,
    };
  });
}

/** What a paddle lacks for this hull, seat and body. */
export interface PaddleLack {
  /** How far a hand would be beyond its reach, or the blade short of the water, mm. */
  readonly by: number;
  /** The shortest paddle that does, mm; null when none up to 3.2 m does. */
  readonly wanted: number | null;
}

/** Whether the paddle is long enough for the beam, the seat and the body; null when it is. */
export function paddleLack(hull: HullSurface, p: Paddler, style: Style, water: number): PaddleLack | null {
  const worst = (paddle: number): number =>
    Math.max(...portPoses(hull, p, { ...style, paddle }, water).map((pose) => (pose.phase === 'forward' ? pose.misses : 0)));
  const by = worst(style.paddle);
  if (by === 0) return null;
  for (let paddle = Math.ceil((style.paddle + 1) / 50) * 50; paddle <= 3200; paddle += 50)
    if (worst(paddle) === 0) return { by, wanted: paddle };
  return { by, wanted: null };
}
