import type { HullSurface } from '../boat/hull';
import type { Point } from '../base/units';
import { BODY, shoulderOf, type Paddler } from './paddler';
import { shouldersOf } from './reach';

export type Vector = readonly [number, number, number];

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

export const along = (from: Vector, to: Vector, share: number): Vector => [
  from[0] + share * (to[0] - from[0]),
  from[1] + share * (to[1] - from[1]),
  from[2] + share * (to[2] - from[2]),
];
export const far = (a: Vector, b: Vector): number => Math.hypot(a[0] - b[0], a[1] - b[1], a[2] - b[2]);

/** The paddle in this person's hands, mm along the shaft from the upper hand. */
export interface PaddleInHands {
  readonly arm: number;
  readonly shoulders: readonly Point[];
  readonly apart: number;
  readonly throat: number;
  readonly tip: number;
  readonly top: number;
}

/** The paddle as this person holds it. @param paddle its length, mm */
export function inHands(p: Paddler, paddle: number): PaddleInHands {
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
export interface Shift {
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
export function poseOf(about: About, p: Paddler, want: Wanted, last: Shift): StrokePose {
  const { hull, held } = about;
  const task: Task = {
    ...about,
    want,
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

/** The edge of the hull, the paddle in hands, and how high the water stands at the seat, mm. */
interface About {
  readonly hull: HullSurface['edge'];
  readonly held: PaddleInHands;
  readonly water: number;
}

/** One blade to set in the water, and what bounds the hands that hold it. */
interface Task extends About {
  readonly want: Wanted;
  /** From the upper hand to the water along the shaft. */
  readonly reach: number;
  /** Least distance of the blade from the centre line. */
  readonly edge: number;
  readonly shoulder: Point;
}

/** A shaft from the upper hand to where it meets the water, and how far that is, mm. */
interface Shaft {
  readonly hand: Vector;
  readonly meets: Vector;
  readonly apart: number;
}

/** The upper hand shifted so, and where the shaft then meets the water; undefined when it is too short to. */
function shaftOf({ want, water, reach }: Task, { cross, up }: Shift): Shaft | undefined {
  const { side, hand, x } = want;
  const [hx, hy, hz] = [hand[0], hand[1] + side * cross, hand[2] + up];
  const across = reach ** 2 - (x - hx) ** 2 - (water - hz) ** 2;
  return across < 0 ? undefined : { hand: [hx, hy, hz], meets: [x, hy + side * Math.sqrt(across), water], apart: reach };
}

/** How far hands, blade and shaft then are from where they can be, mm; no more is looked at once it is `enough`. */
function missOf(task: Task, shift: Shift, enough: number): number {
  const shaft = shaftOf(task, shift);
  if (!shaft) return Infinity;
  const { hand, meets } = shaft;
  const { held, want, reach, edge, shoulder, hull } = task;
  const hands = Math.max(
    0,
    edge - want.side * meets[1],
    Math.hypot(hand[0] - shoulder.x, hand[1] - shoulder.y, hand[2] - shoulder.z) - held.arm,
    beyond(held, along(hand, meets, held.apart / reach)),
  );
  return hands >= enough ? hands : Math.max(hands, underGunwale(hull, shaft, want.side, enough));
}

/** The pose of a shaft. */
function poseAlong(held: PaddleInHands, want: Wanted, { hand, meets, apart }: Shaft, misses: number): StrokePose {
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
  const { hand } = task.want;
  return poseAlong(task.held, task.want, shaftOf(task, shift) ?? { hand, meets: hand, apart: task.reach }, misses);
}

/** The blade cannot reach the water from any place the hand can be: the pose of a longer paddle, and how much is missing. */
function tooShort({ held, want, water, edge, reach }: Task): StrokePose {
  const meets: Vector = [want.x, want.side * edge, water];
  const apart = far(want.hand, meets);
  return poseAlong(held, want, { hand: want.hand, meets, apart }, Math.max(1, apart - reach));
}

/** How far a hand is beyond every place a shoulder can be, less the arm, mm. */
function beyond({ shoulders, arm }: PaddleInHands, [x, y, z]: Vector): number {
  let least = Infinity;
  for (const s of shoulders) least = Math.min(least, (s.x - x) ** 2 + (s.y - y) ** 2 + (s.z - z) ** 2);
  return Math.sqrt(least) - arm;
}

/** How far the shaft passes too low over the edge of the hull, mm; no more is looked at once it is `enough`. */
function underGunwale(hull: HullSurface['edge'], { hand, meets }: Shaft, side: -1 | 1, enough: number): number {
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
