import type { HullSurface } from '../boat/hull';
import { distance, sideSign, type Point } from '../base/units';
import type { Line } from '../rig';

/** How closely the hull is looked at under a taut line, mm. */
const STEP = 15;

/** A point of an upper hull: how far along, how high. */
export interface Over {
  readonly s: number;
  readonly h: number;
}

/**
 * A string drawn taut over some ground from the first point to the last: the upper convex hull of all, which is the shortest
 * way that goes nowhere under a point.
 * @param ground in order of s
 */
export function tautOver(ground: readonly Over[]): Over[] {
  const out: Over[] = [];
  for (const p of ground) {
    for (;;) {
      const [a, b] = [out.at(-2), out.at(-1)];
      // The last one lies under the string from the one before it to this: it is not touched.
      if (!a || !b || (b.s - a.s) * (p.h - a.h) < (p.s - a.s) * (b.h - a.h)) break;
      out.pop();
    }
    out.push(p);
  }
  return out;
}

/**
 * A line drawn taut from one point to another: over the deck, in the upright plane through both; or outside, round the widest
 * of the side in plan. Nothing of it lies in the hull.
 * @returns its corners, the ends among them; where it bears on the hull there is one
 */
export function tautBetween(hull: HullSurface, way: Line['way'], from: Point, to: Point): Point[] {
  if (way === 'over the deck') return overDeck(hull, from, to);
  return roundSide(hull, way === 'outside port' ? 'port' : 'starboard', from, to);
}

const mix = (a: number, b: number, t: number): number => a + (b - a) * t;

/** Points between two, evenly, without them. */
function between<T>(length: number, make: (t: number) => T): T[] {
  const steps = Math.max(1, Math.ceil(length / STEP));
  return Array.from({ length: steps - 1 }, (_, i) => make((i + 1) / steps));
}

function overDeck(hull: HullSurface, from: Point, to: Point): Point[] {
  const far = Math.hypot(to.x - from.x, to.y - from.y);
  if (far < 1) return [from, to];
  const at = (t: number): Over => {
    const [x, y] = [mix(from.x, to.x, t), mix(from.y, to.y, t)];
    const { z, off } = hull.spot(x, y);
    return { s: t * far, h: off ? -Infinity : z };
  };
  const ground = between(far, at).filter((p) => p.h > -Infinity);
  return tautOver([{ s: 0, h: from.z }, ...ground, { s: far, h: to.z }]).map(({ s, h }) => ({
    x: mix(from.x, to.x, s / far),
    y: mix(from.y, to.y, s / far),
    z: h,
  }));
}

function roundSide(hull: HullSurface, side: 'port' | 'starboard', from: Point, to: Point): Point[] {
  const [a, b] = from.x <= to.x ? [from, to] : [to, from];
  const sign = sideSign(side);
  const far = b.x - a.x;
  if (far < 1) return [from, to];
  const edge = between(far, (t): Over => {
    const x = mix(a.x, b.x, t);
    return { s: x, h: hull.halfBreadth(x) };
  });
  const corners = tautOver([{ s: a.x, h: sign * a.y }, ...edge, { s: b.x, h: sign * b.y }]);
  const run = corners.reduce((sum, p, i) => sum + (i ? step(corners[i - 1], p) : 0), 0);
  let gone = 0;
  const path = corners.map((p, i): Point => {
    gone += i ? step(corners[i - 1], p) : 0;
    const level = mix(a.z, b.z, run > 0 ? gone / run : 0);
    // Where it bears on the side it lies against it, no higher than the edge.
    const touches = i > 0 && i < corners.length - 1;
    return { x: p.s, y: sign * p.h, z: touches ? Math.min(level, hull.gunwale(p.s)) : level };
  });
  return from.x <= to.x ? path : path.reverse();
}

const step = (a: Over | undefined, b: Over): number => (a ? Math.hypot(b.s - a.s, b.h - a.h) : 0);

/** By how much a line turns at a point, radians: nought straight on, π straight back. */
export function turnAt(before: Point, at: Point, after: Point): number {
  const [a, b] = [distance(before, at), distance(at, after)];
  if (a < 1e-9 || b < 1e-9) return 0;
  const along =
    ((at.x - before.x) * (after.x - at.x) + (at.y - before.y) * (after.y - at.y) + (at.z - before.z) * (after.z - at.z)) /
    (a * b);
  return Math.acos(Math.min(1, Math.max(-1, along)));
}
