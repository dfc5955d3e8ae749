import type { HullSurface } from './hull-surface';

const PIECES = 48;

/** Length of a polyline through the section from its gunwale down to a height. */
function along(hull: HullSurface, x: number, down: number, pieces: number): number {
  const section = hull.section(x);
  if (!section) return down;
  let sum = 0;
  let before = section.halfWidth(section.gunwale);
  for (let i = 1; i <= pieces; i++) {
    const half = section.halfWidth(section.gunwale - (down * i) / pieces);
    sum += Math.hypot(half - before, down / pieces);
    before = half;
  }
  return sum;
}

/**
 * What a tape laid on the side reads from the gunwale edge to a point so far down in height, at one station, mm.
 * Along the section, as a polyline bettered once by Richardson's rule.
 */
export function girthDown(hull: HullSurface, x: number, down: number): number {
  if (down <= 0) return 0;
  const [coarse, fine] = [along(hull, x, down, PIECES), along(hull, x, down, 2 * PIECES)];
  return (4 * fine - coarse) / 3;
}

/** The height under the gunwale at which a tape laid down the side reads so much: the inverse, by bisection. */
export function downOfGirth(hull: HullSurface, x: number, girth: number): number {
  // A girth is never shorter than the height it spans.
  let [low, high] = [0, girth];
  for (let i = 0; i < 40; i++) {
    const middle = (low + high) / 2;
    if (girthDown(hull, x, middle) < girth) low = middle;
    else high = middle;
  }
  return (low + high) / 2;
}
