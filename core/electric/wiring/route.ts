import type { HullSurface } from '../../boat/hull';
import type { Run, Waypoint } from '../../rig';
import { distance, sideSign, type Point, type Side } from '../../base/units';

type LaneName = Run['lane'];

/** Where a lane runs: inside the hull or outside, on which side, how far in from the gunwale edge and down from it, mm (judgement). */
interface Lane {
  readonly where: 'inside' | 'outside';
  readonly side: Side | null;
  readonly inset: number;
  readonly down: number;
}

const LANE_AT: Readonly<Record<LaneName, Lane>> = {
  'inside port': { where: 'inside', side: 'port', inset: 60, down: 70 },
  'inside starboard': { where: 'inside', side: 'starboard', inset: 60, down: 70 },
  'under gunwale port': { where: 'inside', side: 'port', inset: 25, down: 30 },
  'under gunwale starboard': { where: 'inside', side: 'starboard', inset: 25, down: 30 },
  'under deck': { where: 'inside', side: null, inset: 0, down: 15 },
  'outside port': { where: 'outside', side: 'port', inset: -5, down: 25 },
  'outside starboard': { where: 'outside', side: 'starboard', inset: -5, down: 25 },
};

/** Whether a lane runs inside the hull or outside, and on which side; null on the centre line. */
export const laneOf = (lane: LaneName): Pick<Lane, 'where' | 'side'> => LANE_AT[lane];

/** The same lane on the other side; null for the one on the centre line. */
export function otherLane(lane: LaneName): LaneName | null {
  const here = LANE_AT[lane];
  const twin = Object.entries(LANE_AT).find(
    ([name, l]) => name !== lane && here.side !== null && l.side !== null && l.where === here.where && l.down === here.down,
  );
  return (twin?.[0] as LaneName | undefined) ?? null;
}

/** The point of a lane at x. */
export function lanePoint(hull: HullSurface, lane: LaneName, x: number): Point {
  const { side, inset, down } = LANE_AT[lane];
  if (side === null) {
    const { z, wall } = hull.spot(x, 0);
    return { x, y: 0, z: Math.max(hull.keel(x), z - wall - down) };
  }
  const edge = hull.gunwalePoint(x, side);
  const out = Math.max(0, Math.abs(edge.y) - inset);
  return { x: edge.x, y: sideSign(side) * out, z: Math.max(hull.keel(x), edge.z - down) };
}

/** Points every so often along a lane, so that the path follows the hull's curve. */
function* along(hull: HullSurface, lane: LaneName, from: number, to: number): Generator<Point> {
  const steps = Math.max(1, Math.ceil(Math.abs(to - from) / 40));
  for (let i = 0; i <= steps; i++) yield lanePoint(hull, lane, from + ((to - from) * i) / steps);
}

/** From where to where a cable lies in a lane, mm from the bow. */
export interface Stretch {
  readonly lane: LaneName;
  readonly from: number;
  readonly to: number;
}

/** A straight piece of a cable, and whether it is inside the hull. */
export interface Leg {
  readonly from: Point;
  readonly to: Point;
  readonly inside: boolean;
  /** In its lane, where it is held; else it hangs from one hold to the next. */
  readonly held: boolean;
  /** The gland that it ends at. */
  readonly gland?: string;
}

/** A cable as it is routed. */
export interface Routed {
  readonly path: readonly Point[];
  readonly legs: readonly Leg[];
  readonly lies: readonly Stretch[];
  /** The glands it goes through, in order. */
  readonly glands: readonly string[];
}

/**
 * The path of a run from source to load: to the lane, along it, through the rigger's waypoints in
 * their order, and off to the load. With no waypoints the lane is joined abreast of each end.
 * @param glandAt where a gland stands; undefined where it is not aboard
 */
export function routeRun(
  hull: HullSurface,
  run: Pick<Run, 'lane' | 'via'>,
  from: Point,
  to: Point,
  glandAt: (fitting: string) => Point | undefined = () => undefined,
): Routed {
  const via: readonly Waypoint[] = run.via.length ? run.via : [from.x, to.x].map((x) => ({ at: 'lane', x }));
  const path: Point[] = [from];
  const legs: Leg[] = [];
  const lies: Stretch[] = [];
  const glands: string[] = [];
  let lane = via.find((w) => w.at === 'lane')?.lane ?? run.lane;
  let last: number | null = null;
  const go = (p: Point, held: boolean, gland?: string): void => {
    const before = path.at(-1) ?? p;
    if (distance(before, p) > 1e-9)
      legs.push({
        from: before,
        to: p,
        inside: LANE_AT[lane].where === 'inside',
        held,
        ...(gland === undefined ? {} : { gland }),
      });
    path.push(p);
  };
  for (const w of via) {
    if (w.at === 'point') {
      // Under the deck it is stuck to, or on it.
      const off = LANE_AT[lane].where === 'inside' ? -20 : 5;
      go({ x: w.x, y: w.y, z: Math.max(hull.keel(w.x), hull.spot(w.x, w.y).z + off) }, true);
      last = null;
    } else if (w.at === 'gland') {
      const at = glandAt(w.fitting);
      if (!at) continue;
      go(at, true, w.fitting);
      glands.push(w.fitting);
      last = null;
    } else {
      const next = w.lane ?? lane;
      const stays: boolean = next === lane && last !== null;
      lane = next;
      if (stays && last !== null) {
        for (const p of along(hull, lane, last, w.x)) go(p, true);
        lies.push({ lane, from: Math.min(last, w.x), to: Math.max(last, w.x) });
      } else go(lanePoint(hull, lane, w.x), false);
      last = w.x;
    }
  }
  go(to, false);
  return { path, legs, lies, glands };
}
