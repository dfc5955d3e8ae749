import { distanceToSegment, type BoxedHazard, type Hazard } from '../../boat/hull';
import type { Point } from '../../base/units';

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

/** The least that any point of a straight way can be from a hazard's surface, mm: a quick first look. */
export function gapToHazard(a: Point, b: Point, { from, to }: BoxedHazard): number {
  const x = Math.max(0, from.x - Math.max(a.x, b.x), Math.min(a.x, b.x) - to.x);
  const y = Math.max(0, from.y - Math.max(a.y, b.y), Math.min(a.y, b.y) - to.y);
  const z = Math.max(0, from.z - Math.max(a.z, b.z), Math.min(a.z, b.z) - to.z);
  return Math.sqrt(x * x + y * y + z * z);
}
