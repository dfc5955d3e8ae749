import type { ShopSettings } from '../parts/shop';
import type { HullModel, HullSurface } from '../boat/hull';
import type { Brief } from '../rig';
import { sideSign, type Point, type Side } from '../base/units';
import type { Body } from './placed';

/** Body lengths as fractions of stature: Drillis & Contini 1966, in Winter, Biomechanics (from memory). */
export const BODY = {
  hipOverSeat: 0.05,
  shoulderOverHip: 0.288,
  eyeOverHip: 0.406,
  shoulderStanding: 0.818,
  eyeStanding: 0.936,
  halfShoulders: 0.129,
  upperArm: 0.186,
  forearmAndHand: 0.254,
  grip: 0.386,
  leg: 0.53,
  halfHips: 0.0955,
} as const;

/** Somebody in the boat. */
export interface Paddler {
  readonly stature: number;
  readonly seatX: number;
  /** Top of the loaded seat, or the deck under the feet of one who stands. */
  readonly seatZ: number;
  /** The back leans so far aft of upright, degrees; upright when left out. */
  readonly recline?: number;
  readonly stands?: boolean;
}

/** The hip joint over the seat. */
export const hipOf = (p: Paddler): Point => ({ x: p.seatX, y: 0, z: p.seatZ + BODY.hipOverSeat * p.stature });

/** So far over the hip joint, up along the back as it leans. */
function upTheBack(p: Paddler, share: number): { readonly x: number; readonly z: number } {
  const lean = ((p.recline ?? 0) * Math.PI) / 180;
  const up = share * p.stature;
  return { x: p.seatX + up * Math.sin(lean), z: hipOf(p).z + up * Math.cos(lean) };
}

/** The shoulder joint on one side, seated against the back or standing. */
export const shoulderOf = (p: Paddler, side: Side): Point => ({
  ...upTheBack(p, BODY.shoulderOverHip),
  y: sideSign(side) * BODY.halfShoulders * p.stature,
  ...(p.stands ? { x: p.seatX, z: p.seatZ + BODY.shoulderStanding * p.stature } : {}),
});

export const eyeOf = (p: Paddler): Point =>
  p.stands ? { x: p.seatX, y: 0, z: p.seatZ + BODY.eyeStanding * p.stature } : { ...upTheBack(p, BODY.eyeOverHip), y: 0 };

/** Trunk and head as one upright body, for what they hide. */
export function trunkOf(p: Paddler): Body {
  const r = BODY.halfShoulders * p.stature;
  const deep = r * 0.55;
  const head = eyeOf(p).x - p.seatX;
  const round = Array.from({ length: 8 }, (_, i): [number, number] => {
    const a = ((i + 0.5) * Math.PI) / 4;
    // A back that leans takes all the room from the hip to the head.
    return [p.seatX + deep * Math.cos(a) + (Math.cos(a) > 0 ? head : 0), r * Math.sin(a)];
  });
  return {
    name: p.stands ? 'standing paddler' : 'paddler',
    outline: round,
    bottom: p.stands ? p.seatZ : hipOf(p).z,
    top: eyeOf(p).z + 0.064 * p.stature,
  };
}

/** How thick a trunk is from breast to back, half, as a share of stature: half a head's height (judgement). */
export const BACK = 0.065;

/** A leaning back is followed in so many pieces. */
const PIECES = 4;

/** Hips, trunk and head of one who sits, no wider than the hips, from the seat up: the room nothing else can have. Arms move out of the way. */
export function seatedBodies(p: Paddler): Body[] {
  const [deep, wide] = [BACK * p.stature, BODY.halfHips * p.stature];
  const top = eyeOf(p).z + BACK * p.stature;
  const tall = (top - p.seatZ) / PIECES;
  return Array.from({ length: PIECES }, (_, i): Body => {
    const bottom = p.seatZ + i * tall;
    const share = Math.max(0, bottom + tall / 2 - hipOf(p).z) / p.stature;
    const { x } = upTheBack(p, share);
    return {
      name: 'paddler',
      outline: [
        [x - deep, -wide],
        [x + deep, -wide],
        [x + deep, wide],
        [x - deep, wide],
      ],
      bottom,
      top: bottom + tall,
    };
  });
}

/** Seats to check: low to paddle, high to stand from, or both on the same day; and the second seat. */
export function paddlers(hull: HullSurface, brief: Brief, scale = 1): Paddler[] {
  const { seat, secondSeat } = hull.model;
  const at = (s: HullModel['seat'], stature: number, recline = 0): Paddler[] =>
    (brief.seat === 'both' ? [s.low, s.high] : [s[brief.seat]]).map((seatZ) => ({
      stature: stature * scale,
      seatX: s.x,
      seatZ,
      recline,
    }));
  const { second } = brief;
  const aft = second && secondSeat ? at(secondSeat, second.stature, second.recline) : [];
  return [...at(seat, brief.stature, brief.recline), ...aft];
}

/** The one who stands, on the deck just ahead of the seat; undefined for those who sit. */
export function stander(hull: HullSurface, brief: Brief, scale = 1): Paddler | undefined {
  if (brief.stands === 'sits') return undefined;
  const x = hull.model.seat.x - 0.2 * brief.stature;
  return { stature: brief.stature * scale, seatX: x, seatZ: hull.spot(x, 0).z, stands: true };
}

/** Everybody, seated as they sit, and who stands. */
export const everybody = (hull: HullSurface, brief: Brief, scale = 1): Paddler[] => {
  const up = stander(hull, brief, scale);
  return [...paddlers(hull, brief, scale), ...(up ? [up] : [])];
};

/** A verdict at the nominal body and at the ends of its band: stop when the nominal is hit, look when only the band is. */
export function overBand<T>(
  shop: Pick<ShopSettings, 'stroke'>,
  judge: (scale: number) => T | undefined,
): { readonly hit: T; readonly nominal: boolean } | undefined {
  const nominal = judge(1);
  if (nominal !== undefined) return { hit: nominal, nominal: true };
  const near = judge(1 - shop.stroke.body) ?? judge(1 + shop.stroke.body);
  return near === undefined ? undefined : { hit: near, nominal: false };
}
