import type { ShopSettings } from '../parts/shop';
import type { HullSurface } from '../boat/hull';
import { handednessOf, type Brief } from '../rig';
import { distance, sideSign, type Point, type Side } from '../base/units';
import { middleOf, type Body, type Rod } from './placed';
import { paddlers, shoulderOf, stander } from './paddler';
import { byPerson } from './reach';
import { azimuthOf } from './sight';

/** The space a back cast sweeps: directions, heights and radius about the casting shoulder. */
export interface CastSpace {
  readonly style: 'sidearm' | 'overhead';
  readonly pivot: Point;
  readonly side: Side;
  /** Degrees from right ahead towards the casting side. */
  readonly from: number;
  readonly to: number;
  /** Slopes of its lower and upper bound, degrees over the shoulder. */
  readonly low: number;
  readonly high: number;
  readonly radius: number;
}

/** Sidearm starts so far ahead of abeam (judgement), degrees. */
const AHEAD_OF_ABEAM = 30;
const SIDEARM = { low: -12, high: 25 } as const;
/** Overhead: a narrow fan over the stern, high (judgement). */
const OVERHEAD = { half: 15, low: 30, high: 90 } as const;

/** Every back cast of those aboard: seated and standing, each by their hand, in every style. */
export function castSpaces(hull: HullSurface, brief: Brief, shop: ShopSettings, scale = 1): CastSpace[] {
  if (brief.cast === 'none') return [];
  const seated = paddlers(hull, brief, scale);
  const [first, second] = byPerson(seated);
  const standing = stander(hull, brief, scale);
  const sideOf = (person: 'first' | 'second'): Side => (handednessOf(brief, person).castHand === 'right' ? 'starboard' : 'port');
  const people = [
    ...[...(brief.stands === 'stands' ? [] : (first ?? [])), ...(standing ? [standing] : [])].map((p) => ({
      p,
      side: sideOf('first'),
    })),
    ...(second ?? []).map((p) => ({ p, side: sideOf('second') })),
  ];
  const radius = brief.rodLength + shop.limits.cast;
  const styles = brief.cast === 'both' ? (['sidearm', 'overhead'] as const) : [brief.cast];
  return people.flatMap(({ p, side }) =>
    styles.map((style): CastSpace => {
      const shared = { style, side, pivot: shoulderOf(p, side), radius };
      return style === 'sidearm'
        ? { ...shared, from: 90 - AHEAD_OF_ABEAM, to: 180 - shop.limits.astern, ...SIDEARM }
        : { ...shared, from: 180 - OVERHEAD.half, to: 180 + OVERHEAD.half, low: OVERHEAD.low, high: OVERHEAD.high };
    }),
  );
}

const slope = (degrees: number): number => (degrees >= 90 ? Infinity : Math.tan((degrees * Math.PI) / 180));

/** Bodies and rods are looked at every so many mm. */
const GRID = 20;

/** A cast as it is asked about many places: its bounds as slopes, its directions on the casting side. */
interface Fan extends Pick<CastSpace, 'pivot' | 'radius' | 'from' | 'to'> {
  readonly sign: number;
  readonly low: number;
  readonly high: number;
}

const fanOf = ({ pivot, radius, from, to, side, low, high }: CastSpace): Fan => ({
  pivot,
  radius,
  from,
  to,
  sign: sideSign(side),
  low: slope(low),
  high: slope(high),
});

/** How far something standing at a place from `bottom` to `top` reaches over the lower bound of a cast, mm; −Infinity when it is clear. */
function inside(fan: Fan, x: number, y: number, bottom: number, top: number): number {
  const far = Math.hypot(x - fan.pivot.x, y - fan.pivot.y);
  // At the pivot itself there is no direction; the places beside it tell.
  if (far > fan.radius || far === 0) return -Infinity;
  const low = fan.pivot.z + far * fan.low;
  const high = fan.pivot.z + far * fan.high;
  if (top <= low || bottom > high) return -Infinity;
  const turned = (((azimuthOf(fan.pivot, x, y) * fan.sign) % 360) + 360) % 360;
  return turned < fan.from || turned > fan.to ? -Infinity : Math.min(top, high) - low;
}

/** A quick first look: whether anything within so far of a place, at these heights, can be in a cast at all. */
function mayMeet(
  fan: Fan,
  { x, y }: { x: number; y: number },
  within: number,
  { bottom, top }: Pick<Body, 'bottom' | 'top'>,
): boolean {
  const far = Math.hypot(x - fan.pivot.x, y - fan.pivot.y);
  const [least, most] = [Math.max(0, far - within), Math.min(fan.radius, far + within)];
  if (least > fan.radius) return false;
  const bound = (at: number, tan: number): number => fan.pivot.z + (at === 0 ? 0 : at * tan);
  if (top <= Math.min(bound(least, fan.low), bound(most, fan.low))) return false;
  if (bottom > Math.max(bound(least, fan.high), bound(most, fan.high))) return false;
  if (far <= within) return true;
  const off = (Math.asin(within / far) * 180) / Math.PI;
  const turned = (((azimuthOf(fan.pivot, x, y) * fan.sign) % 360) + 360) % 360;
  return [-360, 0, 360].some((round) => turned + off + round >= fan.from && turned - off + round <= fan.to);
}

/** How far a body stands into a back cast: its height over the lower bound at the place that is worst, mm. */
export function snag(space: CastSpace, bodies: readonly Body[], rods: readonly Rod[]): number | undefined {
  const fan = fanOf(space);
  let most = -Infinity;
  for (const body of bodies) {
    const { outline, bottom, top } = body;
    const middle = middleOf({ outline });
    let within = 0;
    for (const [x, y] of outline) within = Math.max(within, Math.hypot(x - middle.x, y - middle.y));
    if (mayMeet(fan, middle, within + 1e-6, body)) most = Math.max(most, over(fan, outline, middle, bottom, top));
  }
  for (const r of rods) {
    const steps = Math.max(1, Math.ceil(distance(r.mouth, r.tip) / GRID));
    for (let i = 0; i <= steps; i++) {
      const p = along(r, i / steps);
      most = Math.max(most, inside(fan, p.x, p.y, p.z, p.z));
    }
  }
  return most === -Infinity ? undefined : most;
}

/** The worst of the places all over an outline: a grid inside it, and its edges. */
function over(fan: Fan, outline: Body['outline'], middle: { x: number; y: number }, bottom: number, top: number): number {
  let most = -Infinity;
  for (const [i, [ax, ay]] of outline.entries()) {
    const [bx, by] = outline[(i + 1) % outline.length] ?? [ax, ay];
    const steps = Math.max(1, Math.ceil(Math.hypot(bx - ax, by - ay) / GRID));
    const inward = Math.max(1, Math.ceil(Math.hypot(middle.x - ax, middle.y - ay) / GRID));
    // The triangle of each edge with the middle, row by row.
    for (let k = 0; k < steps; k++) {
      const [ex, ey] = [ax + ((bx - ax) * k) / steps, ay + ((by - ay) * k) / steps];
      for (let n = 0; n <= inward; n++) {
        const t = n / inward;
        most = Math.max(most, inside(fan, ex + t * (middle.x - ex), ey + t * (middle.y - ey), bottom, top));
      }
    }
  }
  return most;
}

const along = (r: Rod, t: number): Point => ({
  x: r.mouth.x + t * (r.tip.x - r.mouth.x),
  y: r.mouth.y + t * (r.tip.y - r.mouth.y),
  z: r.mouth.z + t * (r.tip.z - r.mouth.z),
});
