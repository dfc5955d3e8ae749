import { boxOverlap } from './box';
import type { Body } from './frame';

type Outline = Body['outline'];

function* normals(outline: Outline): Generator<readonly [number, number]> {
  for (let i = 0; i < outline.length; i++) {
    const a = outline[i];
    const b = outline[(i + 1) % outline.length];
    if (!a || !b) continue;
    const size = Math.hypot(b[0] - a[0], b[1] - a[1]);
    if (size > 0) yield [(b[1] - a[1]) / size, (a[0] - b[0]) / size];
  }
}

function shadow(outline: Outline, [nx, ny]: readonly [number, number]): readonly [number, number] {
  const along = outline.map(([x, y]) => x * nx + y * ny);
  return [Math.min(...along), Math.max(...along)];
}

/**
 * How far two convex outlines lie in each other: the shortest slide that parts them, mm; nought when
 * they do not touch. Separating axis theorem.
 */
export function planOverlap(a: Outline, b: Outline): number {
  let least = Infinity;
  for (const outline of [a, b]) {
    for (const normal of normals(outline)) {
      const [a0, a1] = shadow(a, normal);
      const [b0, b1] = shadow(b, normal);
      // Either may be the one that slides past the other, also when one lies wholly within.
      least = Math.min(least, a1 - b0, b1 - a0);
      if (least <= 0) return 0;
    }
  }
  return least;
}

/**
 * Overlap of two bodies: the shortest level slide that parts them, mm; nought when they do not touch. Boxes are
 * compared in their true pose, whatever way they lean; only what is no box by its outline and heights.
 */
export function bodyOverlap(a: Body, b: Body): number {
  if (Math.min(a.top, b.top) - Math.max(a.bottom, b.bottom) <= 0) return 0;
  const level = planOverlap(a.outline, b.outline);
  if (level === 0 || !a.box || !b.box) return level;
  return boxOverlap(a.box, b.box) > TOUCH ? level : 0;
}

/** Boxes that share less than this only touch, mm. */
const TOUCH = 0.01;
