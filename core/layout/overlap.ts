import { boxOverlap } from './box';
import type { Body } from './placed';

type Outline = Body['outline'];

/** The least shift that parts two outlines along the normals of one of them; no more is looked at once they are parted. */
function leastShift(of: Outline, a: Outline, b: Outline): number {
  let least = Infinity;
  for (let i = 0; i < of.length && least > 0; i++) {
    const [p, q] = [of[i], of[(i + 1) % of.length]];
    if (!p || !q) continue;
    const size = Math.hypot(q[0] - p[0], q[1] - p[1]);
    if (size === 0) continue;
    const [nx, ny] = [(q[1] - p[1]) / size, (p[0] - q[0]) / size];
    let [a0, a1, b0, b1] = [Infinity, -Infinity, Infinity, -Infinity];
    for (const [x, y] of a) {
      const along = x * nx + y * ny;
      if (along < a0) a0 = along;
      if (along > a1) a1 = along;
    }
    for (const [x, y] of b) {
      const along = x * nx + y * ny;
      if (along < b0) b0 = along;
      if (along > b1) b1 = along;
    }
    // Either may be the one that slides past the other, also when one lies wholly within.
    least = Math.min(least, a1 - b0, b1 - a0);
  }
  return least;
}

/**
 * How far two convex outlines lie in each other: the shortest slide that parts them, mm; nought when
 * they do not touch. Separating axis theorem.
 */
export function planOverlap(a: Outline, b: Outline): number {
  const first = leastShift(a, a, b);
  return first <= 0 ? 0 : Math.max(0, Math.min(first, leastShift(b, a, b)));
}

/**
 * Overlap of two bodies: the shortest level slide that parts them, mm; nought when they do not touch. Boxes are
 * compared in their true pose, whatever way they lean; only what is no box by its outline and heights.
 */
export function bodyOverlap(a: Body, b: Body): number {
  if (Math.min(a.top, b.top) - Math.max(a.bottom, b.bottom) <= 0) return 0;
  if (a.box && b.box && boxOverlap(a.box, b.box) <= TOUCH) return 0;
  return planOverlap(a.outline, b.outline);
}

/** Boxes that share less than this only touch, mm. */
const TOUCH = 0.01;
