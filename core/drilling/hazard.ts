import { distanceToSegment, type Hazard } from '../hull';
import type { Point } from '../units';

const between = (v: number, a: number, b: number): number => Math.max(0, Math.min(a, b) - v, v - Math.max(a, b));

/** Distance from a point to a hazard's surface, mm; nought inside. */
export function distanceToHazard(p: Point, hazard: Hazard): number {
  if (hazard.shape === 'box') {
    const { from, to } = hazard;
    return Math.hypot(between(p.x, from.x, to.x), between(p.y, from.y, to.y), between(p.z, from.z, to.z));
  }
  let least = Infinity;
  hazard.path.forEach((a, i) => {
    const b = hazard.path[i + 1];
    if (b) least = Math.min(least, distanceToSegment(p, a, b));
  });
  return Math.max(0, least - hazard.radius);
}
