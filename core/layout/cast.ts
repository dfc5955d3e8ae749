import type { ShopSettings } from '../catalog';
import type { HullSurface } from '../hull';
import type { Brief } from '../rig';
import { distance, sideSign, type Point, type Side } from '../units';
import { middleOf, type Body, type Rod } from './frame';
import { paddlers, shoulderOf, stander } from './paddler';
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

/** Every back cast of this paddler: seated and standing, by hand and style. */
export function castSpaces(hull: HullSurface, brief: Brief, shop: ShopSettings, scale = 1): CastSpace[] {
  if (brief.cast === 'none') return [];
  const [seated] = paddlers(hull, brief, scale);
  const standing = stander(hull, brief, scale);
  const people = [brief.stands === 'stands' ? undefined : seated, standing].filter((p) => p !== undefined);
  const side: Side = brief.castHand === 'right' ? 'starboard' : 'port';
  const radius = brief.rodLength + shop.limits.cast;
  const styles = brief.cast === 'both' ? (['sidearm', 'overhead'] as const) : [brief.cast];
  return people.flatMap((p) =>
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

/** How far something standing at a place from `bottom` to `top` reaches over the lower bound of a cast, mm; undefined when it is clear. */
function inside(space: CastSpace, x: number, y: number, bottom: number, top: number): number | undefined {
  const far = Math.hypot(x - space.pivot.x, y - space.pivot.y);
  if (far > space.radius) return undefined;
  const towards = azimuthOf(space.pivot, x, y) * sideSign(space.side);
  const turned = ((towards % 360) + 360) % 360;
  if (turned < space.from || turned > space.to) return undefined;
  const low = space.pivot.z + far * slope(space.low);
  const high = space.pivot.z + far * slope(space.high);
  return top > low && bottom <= high ? Math.min(top, high) - low : undefined;
}

/** How far a body stands into a back cast: its height over the lower bound at the place that is worst, mm. */
export function snag(space: CastSpace, bodies: readonly Body[], rods: readonly Rod[]): number | undefined {
  let most: number | undefined;
  const take = (x: number, y: number, bottom: number, top: number): void => {
    const by = inside(space, x, y, bottom, top);
    if (by !== undefined && (most === undefined || by > most)) most = by;
  };
  for (const b of bodies) for (const [x, y] of placesOver(b.outline)) take(x, y, b.bottom, b.top);
  for (const r of rods) {
    const steps = Math.max(1, Math.ceil(distance(r.mouth, r.tip) / GRID));
    for (let i = 0; i <= steps; i++) {
      const p = along(r, i / steps);
      take(p.x, p.y, p.z, p.z);
    }
  }
  return most;
}

/** Places all over an outline: a grid inside it, and its edges. */
function* placesOver(outline: Body['outline']): Generator<readonly [number, number]> {
  const middle = middleOf({ outline });
  for (const [i, [ax, ay]] of outline.entries()) {
    const [bx, by] = outline[(i + 1) % outline.length] ?? [ax, ay];
    const along = Math.max(1, Math.ceil(Math.hypot(bx - ax, by - ay) / GRID));
    const inward = Math.max(1, Math.ceil(Math.hypot(middle.x - ax, middle.y - ay) / GRID));
    // The triangle of each edge with the middle, row by row.
    for (let k = 0; k < along; k++) {
      const [ex, ey] = [ax + ((bx - ax) * k) / along, ay + ((by - ay) * k) / along];
      for (let n = 0; n <= inward; n++) {
        const t = n / inward;
        yield [ex + t * (middle.x - ex), ey + t * (middle.y - ey)];
      }
    }
  }
}

const along = (r: Rod, t: number): Point => ({
  x: r.mouth.x + t * (r.tip.x - r.mouth.x),
  y: r.mouth.y + t * (r.tip.y - r.mouth.y),
  z: r.mouth.z + t * (r.tip.z - r.mouth.z),
});
