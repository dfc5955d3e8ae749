import type { BoxedHazard, HullSurface } from '../../boat/hull';
import { bodyOverlap, boundsOf, near, slimBody, type Swept } from '../../layout';
import { betweenPieces, distance, onTheWay, type Piece, type Point } from '../../base/units';
import type { Leg } from './route';

/** Whether a straight way goes through a box grown by a margin, by the slabs of its three axes. */
function throughBox({ from, to }: Piece, box: { readonly from: Point; readonly to: Point }, margin = 0): boolean {
  let [enter, leave] = [0, 1];
  for (const k of ['x', 'y', 'z'] as const) {
    const [low, high] = [Math.min(box.from[k], box.to[k]) - margin, Math.max(box.from[k], box.to[k]) + margin];
    const step = to[k] - from[k];
    if (Math.abs(step) < 1e-9) {
      if (from[k] <= low || from[k] >= high) return false;
      continue;
    }
    const [a, b] = [(low - from[k]) / step, (high - from[k]) / step];
    enter = Math.max(enter, Math.min(a, b));
    leave = Math.min(leave, Math.max(a, b));
  }
  return enter < leave;
}

/** Whether a straight way goes through foam, a well, a bulkhead or a tube, or nearer to it than a margin. */
export function throughHazard(way: Piece, { hazard, from, to }: BoxedHazard, margin = 0): boolean {
  if (!throughBox(way, { from, to }, margin)) return false;
  if (hazard.shape === 'box') return true;
  return hazard.path.some((end, i) => {
    const start = hazard.path[i - 1];
    return start !== undefined && betweenPieces(way, { from: start, to: end }) < hazard.radius + margin;
  });
}

/** What of the hull's inside some pieces of a cable go through. */
export const hazardsOn = (hull: HullSurface, legs: readonly Leg[]): BoxedHazard[] =>
  hull.hazards.filter((h) => legs.some((leg) => leg.inside && throughHazard(leg, h)));

/** Whether a straight way stays inside the skin and under the deck, looked at every so often. */
export function staysInside(hull: HullSurface, way: Piece): boolean {
  const steps = Math.max(1, Math.ceil(distance(way.from, way.to) / 40));
  for (let i = 0; i <= steps; i++) {
    const { x, y, z } = onTheWay(way, i / steps);
    const { z: deck, off } = hull.spot(x, y);
    const section = hull.section(x);
    if (off || !section || z > deck + 1 || Math.abs(y) > section.halfWidth(z) + 1) return false;
  }
  return true;
}

/** Half the thickness of a bundle (judgement), mm. */
const BUNDLE = 6;

/** Whether a straight way passes where something moves, as thick as a bundle. */
export function inAWay(way: Piece, movers: readonly Swept[]): boolean {
  const body = slimBody(way.from, way.to, BUNDLE);
  const bounds = boundsOf([body]);
  return movers.some(
    (m) => near(m.within, bounds) && near(m.bounds, bounds) && m.poses.some((pose) => bodyOverlap(pose, body) > 0),
  );
}
