import type { ShopSettings } from '../catalog';
import type { HullSurface } from '../hull';
import type { Brief } from '../rig';
import { sideSign, type Point, type Side } from '../units';
import type { Body, Rod } from './frame';
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

/** How far a point stands over the lower bound of a cast, mm; undefined when it is clear of it. */
function inside(space: CastSpace, p: Point): number | undefined {
  const far = Math.hypot(p.x - space.pivot.x, p.y - space.pivot.y);
  if (far > space.radius) return undefined;
  const towards = azimuthOf(space.pivot, p.x, p.y) * sideSign(space.side);
  const turned = ((towards % 360) + 360) % 360;
  if (turned < space.from || turned > space.to) return undefined;
  const over = p.z - space.pivot.z;
  const [low, high] = [far * slope(space.low), far * slope(space.high)];
  return over > low && over <= high ? over - low : undefined;
}

/** How far a body stands into a back cast: its height over the lower bound at the place that is worst, mm. */
export function snag(space: CastSpace, bodies: readonly Body[], rods: readonly Rod[]): number | undefined {
  const points = [
    ...bodies.flatMap((b) => b.outline.flatMap(([x, y]) => heights(b).map((z): Point => ({ x, y, z })))),
    ...rods.flatMap((r) => [0, 0.25, 0.5, 0.75, 1].map((t): Point => along(r, t))),
  ];
  const hits = points.map((p) => inside(space, p)).filter((n) => n !== undefined);
  return hits.length ? Math.max(...hits) : undefined;
}

/** A tall body is met anywhere between foot and top. */
function heights(b: Body): number[] {
  const steps = Math.max(1, Math.ceil((b.top - b.bottom) / 100));
  return Array.from({ length: steps + 1 }, (_, i) => b.bottom + ((b.top - b.bottom) * i) / steps);
}

const along = (r: Rod, t: number): Point => ({
  x: r.mouth.x + t * (r.tip.x - r.mouth.x),
  y: r.mouth.y + t * (r.tip.y - r.mouth.y),
  z: r.mouth.z + t * (r.tip.z - r.mouth.z),
});
