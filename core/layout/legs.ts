import type { HullSurface } from '../boat/hull';
import { distance, sideSign, type Point, type Side } from '../base/units';
import type { Body } from './placed';
import { BACK, BODY, eyeOf, hipOf, shoulderOf, type Paddler } from './paddler';
import { legSpan } from './sitting';
import type { Bounds } from './sweep';

/** Joint to joint as shares of stature: thigh, shank down to the sole, ankle over the sole, foot. Drillis & Contini 1966, in Winter, Biomechanics (from memory). */
const LEG = { thigh: 0.245, shank: 0.285, ankle: 0.039, foot: 0.152 } as const;
/** How thick a leg is, half, mm (judgement). */
const THICK = { thigh: 60, shank: 45, foot: 40 } as const;
/** Hip joints and heels stand so far off the centre line, mm (judgement). */
const OUT = { hip: 90, heel: 150 } as const;
/** Knees are held so far off the centre line: whichever suits what stands there, mm (judgement). */
const KNEES = [200, 250, 300] as const;
/** Half the way a turning pedal makes, mm, and how high its axle stands over the floor (judgement). */
const CRANK = 110;
const AXLE = 200;
/** Phases of a turn of the pedals. */
const PHASES = 8;

const BOTH: readonly Side[] = ['port', 'starboard'];

/** A round limb: from joint to joint, as thick as a radius, mm. */
export interface Limb {
  readonly from: Point;
  readonly to: Point;
  readonly radius: number;
}

/** One leg in each way its knee can be held; of a pedalling one all phases of the turn together. */
export interface Leg {
  readonly side: Side;
  readonly ways: readonly (readonly Limb[])[];
}

/** The floor that heels stand on: the cockpit's, also under a foredeck. */
function floorAt({ model, spot }: HullSurface, x: number, y: number): number {
  const well = model.decks.find((d) => d.kind === 'cockpit');
  const own = spot(x, y).z;
  return well ? Math.min(own, well.height) : own;
}

/** Where the sole stands: pegs or pedals as they are set, nearest to what these legs like. */
function soleOf({ model }: HullSurface, p: Paddler): number {
  const { least, most } = legSpan(p.stature);
  const likes = p.seatX - (least + most) / 2;
  const feet = Math.abs(p.seatX - model.seat.x) < 1 ? model.feet : undefined;
  return feet ? Math.min(feet.aft, Math.max(feet.fore, likes)) : likes;
}

/** The knee between hip and ankle, held so far out, bent up; straight where the leg is too short to bend. */
function kneeOf(hip: Point, ankle: Point, thigh: number, shank: number, out: number): Point {
  const far = distance(hip, ankle);
  const along = Math.min(thigh, (thigh ** 2 - shank ** 2 + far ** 2) / (2 * far));
  const bend = Math.sqrt(Math.max(0, thigh ** 2 - along ** 2));
  const share = along / far;
  const on = { x: hip.x + share * (ankle.x - hip.x), y: hip.y + share * (ankle.y - hip.y), z: hip.z + share * (ankle.z - hip.z) };
  const aside = Math.max(-bend, Math.min(bend, out - Math.abs(on.y)));
  const up = Math.sqrt(Math.max(0, bend ** 2 - aside ** 2));
  // Square to the way from hip to ankle, upwards.
  const flat = Math.hypot(ankle.x - hip.x, ankle.z - hip.z) || 1;
  const forward = Math.sign(ankle.x - hip.x) || -1;
  return {
    x: on.x - (up * forward * (ankle.z - hip.z)) / flat,
    y: Math.sign(hip.y) * (Math.abs(on.y) + aside),
    z: on.z + (up * Math.abs(ankle.x - hip.x)) / flat,
  };
}

/** The limbs of one leg with its sole there. */
function limbsOf(p: Paddler, side: Side, sole: { x: number; y: number; z: number }, out: number): Limb[] {
  const hip = { ...hipOf(p), y: sideSign(side) * OUT.hip };
  const ankle = { ...sole, x: sole.x + THICK.foot, z: sole.z + LEG.ankle * p.stature };
  const knee = kneeOf(hip, ankle, LEG.thigh * p.stature, (LEG.shank - LEG.ankle) * p.stature, out);
  const toes = { ...sole, z: sole.z + LEG.foot * p.stature };
  return [
    { from: hip, to: knee, radius: THICK.thigh },
    { from: knee, to: ankle, radius: THICK.shank },
    { from: ankle, to: toes, radius: THICK.foot },
  ];
}

/**
 * The legs of one who sits: thigh, shank and foot as round limbs from hip to knee to heel, toes up. Pegs and wells hold the
 * heels still; pedals carry them round a circle. Assumes legs out ahead, knees 200 to 300 mm off the centre line; who sits
 * otherwise, astride or cross-legged, is not in it.
 */
export function legsOf(hull: HullSurface, p: Paddler): Leg[] {
  if (p.stands) return [];
  const x = soleOf(hull, p);
  const pedals = hull.model.feet?.kind === 'pedals' && Math.abs(p.seatX - hull.model.seat.x) < 1;
  return BOTH.map((side): Leg => {
    const y = sideSign(side) * Math.min(OUT.heel, Math.max(60, hull.halfBreadth(x) - 120));
    const floor = floorAt(hull, x, y);
    const soles = pedals
      ? Array.from({ length: PHASES }, (_, i) => {
          const a = (2 * Math.PI * i) / PHASES;
          return { x: x + CRANK + CRANK * Math.cos(a), y, z: floor + AXLE - LEG.ankle * p.stature + CRANK * Math.sin(a) };
        })
      : [{ x, y, z: floor }];
    return { side, ways: KNEES.map((out) => soles.flatMap((sole) => limbsOf(p, side, sole, out))) };
  });
}

/** Back and head of somebody as round limbs, from hip to neck and about the head. */
export function uprightLimbs(p: Paddler): Limb[] {
  const eye = eyeOf(p);
  const neck = { ...shoulderOf(p, 'port'), y: 0 };
  const hip = p.stands ? { x: p.seatX, y: 0, z: p.seatZ + BODY.leg * p.stature } : hipOf(p);
  return [
    { from: hip, to: neck, radius: BACK * p.stature },
    { from: eye, to: eye, radius: HEAD * p.stature },
  ];
}
/** How thick a head is, half, as a share of stature (judgement). */
const HEAD = 0.065;

/** The box a limb lies in. */
const spanOf = ({ from, to, radius }: Limb): Bounds => ({
  fore: Math.min(from.x, to.x) - radius,
  aft: Math.max(from.x, to.x) + radius,
  port: Math.min(from.y, to.y) - radius,
  starboard: Math.max(from.y, to.y) + radius,
  bottom: Math.min(from.z, to.z) - radius,
  top: Math.max(from.z, to.z) + radius,
});

/** Limbs are looked at every so many mm. */
const GRID = 15;

/** How far a point lies from a body, mm; nought inside. */
function farFrom({ outline, bottom, top }: Body, p: Point): number {
  const up = Math.max(bottom - p.z, p.z - top, 0);
  let inside = true;
  let flat = Infinity;
  let turn = 0;
  outline.forEach(([ax, ay], i) => {
    const [bx, by] = outline[(i + 1) % outline.length] ?? [ax, ay];
    const [dx, dy] = [bx - ax, by - ay];
    const size = dx * dx + dy * dy;
    const t = size === 0 ? 0 : Math.max(0, Math.min(1, ((p.x - ax) * dx + (p.y - ay) * dy) / size));
    flat = Math.min(flat, Math.hypot(p.x - ax - t * dx, p.y - ay - t * dy));
    const way = Math.sign(dx * (p.y - ay) - dy * (p.x - ax));
    if (way !== 0) {
      if (turn !== 0 && way !== turn) inside = false;
      turn = way;
    }
  });
  return Math.hypot(inside ? 0 : flat, up);
}

/** How far bodies stand into a limb that nothing may touch within so much, mm; nought when clear. */
export function intoLimb(limb: Limb, bodies: readonly Body[], clear: number): number {
  const { from, to, radius } = limb;
  const span = spanOf(limb);
  const steps = Math.max(1, Math.ceil(distance(from, to) / GRID));
  let most = 0;
  for (const body of bodies) {
    if (body.bottom > span.top + clear || body.top < span.bottom - clear) continue;
    for (let i = 0; i <= steps; i++) {
      const t = i / steps;
      const p = { x: from.x + t * (to.x - from.x), y: from.y + t * (to.y - from.y), z: from.z + t * (to.z - from.z) };
      most = Math.max(most, radius + clear - farFrom(body, p));
    }
  }
  return most;
}

/** How far bodies stand into the legs of one who sits, each knee held where it is least in the way, mm. */
export const intoLegs = (legs: readonly Leg[], bodies: readonly Body[], clear: number): number =>
  Math.max(
    0,
    ...legs.map(({ ways }) => Math.min(...ways.map((limbs) => Math.max(...limbs.map((limb) => intoLimb(limb, bodies, clear)))))),
  );
