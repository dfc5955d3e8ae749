import type { HullSurface } from '../hull';
import type { Run } from '../rig';
import { distance, sideSign, type Point, type Side } from '../units';

/** Depth below and inset from the gunwale of each lane, mm (judgement). */
const LANE = { inside: { inset: 60, down: 70 }, outside: { inset: -5, down: 25 } } as const;

/** Where each lane runs. */
const LANES: Readonly<Record<Run['lane'], { readonly where: 'inside' | 'outside'; readonly side: Side }>> = {
  'inside port': { where: 'inside', side: 'port' },
  'inside starboard': { where: 'inside', side: 'starboard' },
  'outside port': { where: 'outside', side: 'port' },
  'outside starboard': { where: 'outside', side: 'starboard' },
};

/** Whether a lane runs inside the hull or outside, and on which side. */
export const laneOf = (lane: Run['lane']): { readonly where: 'inside' | 'outside'; readonly side: Side } => LANES[lane];

/** The point of a run's lane at x. */
export function lanePoint(hull: HullSurface, lane: Run['lane'], x: number): Point {
  const { where, side } = laneOf(lane);
  const { inset, down } = LANE[where];
  const edge = hull.gunwalePoint(x, side);
  const out = Math.max(0, Math.abs(edge.y) - inset);
  return { x: edge.x, y: sideSign(side) * out, z: Math.max(hull.keel(x), edge.z - down) };
}

/** Points every so often along a lane, so that the path follows the hull's curve. */
function* along(hull: HullSurface, lane: Run['lane'], from: number, to: number): Generator<Point> {
  const steps = Math.max(1, Math.ceil(Math.abs(to - from) / 40));
  for (let i = 0; i <= steps; i++) yield lanePoint(hull, lane, from + ((to - from) * i) / steps);
}

/**
 * The path of a run from source to load: to the lane, along it, through the rigger's waypoints in
 * their order, and off to the load. With no waypoints the lane is joined abreast of each end.
 */
export function routePath(hull: HullSurface, run: Run, from: Point, to: Point): Point[] {
  const via = run.via.length ? run.via : [{ at: 'lane', x: from.x } as const, { at: 'lane', x: to.x } as const];
  const path: Point[] = [from];
  let lastLane: number | null = null;
  for (const w of via) {
    if (w.at === 'point') {
      path.push({ x: w.x, y: w.y, z: Math.max(hull.keel(w.x), hull.spot(w.x, w.y).z - 20) });
      lastLane = null;
    } else {
      path.push(...(lastLane === null ? [lanePoint(hull, run.lane, w.x)] : along(hull, run.lane, lastLane, w.x)));
      lastLane = w.x;
    }
  }
  return [...path, to];
}

/** From where to where a run lies in its lane, mm from the bow. */
export function laneSpan({ via }: Pick<Run, 'via'>, from: number, to: number): readonly [number, number] {
  const xs = via.length ? via.flatMap((w) => (w.at === 'lane' ? [w.x] : [])) : [from, to];
  // What only passes points lies beside nothing.
  return xs.length ? [Math.min(...xs), Math.max(...xs)] : [NaN, NaN];
}

/** Length of a path, mm. */
export const pathLength = (path: readonly Point[]): number =>
  path.reduce((sum, p, i) => sum + (i ? distance(path[i - 1] ?? p, p) : 0), 0);
