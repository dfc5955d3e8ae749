import type { ShopSettings } from '../parts/shop';
import type { HullSurface } from '../boat/hull';
import type { Brief } from '../rig';
import { along, far, inHands, poseOf, type PaddleInHands, type Shift, type StrokePose, type Vector } from './paddle-pose';
import { BODY, hipOf, type Paddler } from './paddler';

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
  const about = { hull: hull.edge, held: inHands(p, style.paddle), water };
  const side = -1;
  const last: Shift = { cross: 0, up: 0 };
  const handZ = hip.z + (style.stroke === 'low' ? 0.2 : BODY.eyeOverHip) * h;
  const forwardAt = (x: number, t: number): StrokePose => {
    const hand: Vector = [hip.x - (0.2 + 0.13 * t) * h, -side * BODY.halfShoulders * h * (1 - t), handZ];
    return poseOf(about, p, { phase: 'forward', side, x, immersed: depthAt(t), hand }, last);
  };
  const sweepAt = (x: number): StrokePose => {
    const hand: Vector = [hip.x - 0.25 * h, -side * 0.05 * h, hip.z + 0.12 * h];
    return poseOf(about, p, { phase: 'sweep', side, x, immersed: 1, hand }, last);
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
  return [...forward, ...sweep, ...between(forward, forward.map(mirrored), about.held)];
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
