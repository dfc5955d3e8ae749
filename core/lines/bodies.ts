import { bodyOfBox, type Body } from '../layout';
import { cross, distance, type Point } from '../units';

/** A line's stretches as slim boxes, as thick as its cord. */
export const bodiesAlong = (path: readonly Point[], diameter: number): Body[] =>
  path.flatMap((to, i) => {
    const from = path[i - 1];
    return from && distance(from, to) > 1 ? [slim(from, to, diameter / 2)] : [];
  });

/** A slim box from one point to another. */
export function slim(from: Point, to: Point, half: number, name = 'line'): Body {
  const long = distance(from, to) || 1;
  const w = { x: (to.x - from.x) / long, y: (to.y - from.y) / long, z: (to.z - from.z) / long };
  const flat = Math.hypot(w.x, w.y);
  const u = flat < 1e-9 ? { x: 1, y: 0, z: 0 } : { x: -w.y / flat, y: w.x / flat, z: 0 };
  const middle = { x: (from.x + to.x) / 2, y: (from.y + to.y) / 2, z: (from.z + to.z) / 2 };
  return bodyOfBox(name, { middle, axes: [u, cross(w, u), w], half: [half, half, long / 2] });
}
