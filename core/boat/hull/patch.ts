import { dot, sideSign, type Point, type Side } from '../../base/units';
import type { HullSurface } from './hull-surface';

/**
 * A smooth piece of the outside, continued beyond its own edges so that a sheet of paper on it has no steps:
 * one deck area, the flat between decks and gunwale, or one side.
 */
export interface Patch {
  /** As in `SurfaceSpot`, or the side. */
  readonly name: string;
  /** How far a point stands off the patch, along z over a deck, along y outside a side, mm. */
  off(p: Point): number;
  /** The point of the patch over, or beside, this one. */
  onto(p: Point): Point;
  /** Unit vector out of the hull. */
  normal(p: Point): Point;
}

/** Tangents at a place: aft, and to starboard on deck or down a side; both of length one and square to the normal. */
export interface Tangents {
  readonly aft: Point;
  readonly across: Point;
  readonly normal: Point;
}

const STEP = 0.5;
const scaled = (p: Point, k: number): Point => ({ x: p.x * k, y: p.y * k, z: p.z * k });
const unit = (p: Point): Point => scaled(p, 1 / Math.hypot(p.x, p.y, p.z));
const plus = (p: Point, q: Point, k: number): Point => ({ x: p.x + k * q.x, y: p.y + k * q.y, z: p.z + k * q.z });

/** The deck patch under a point of the plan: the area it lies on as one plane, or the height of the gunwale. */
export function deckPatch(hull: HullSurface, x: number, y: number): Patch {
  const { name, deck } = hull.spot(x, y);
  const slope = deck ? deck.rise / Math.max(1, deck.aft - deck.fore) : 0;
  const height = (at: number): number => (deck ? deck.height + slope * (at - deck.fore) : hull.gunwale(at));
  const rise = (at: number): number => (deck ? slope : (height(at + STEP) - height(at - STEP)) / (2 * STEP));
  return {
    name,
    off: (p) => p.z - height(p.x),
    onto: (p) => ({ ...p, z: height(p.x) }),
    normal: (p) => unit({ x: -rise(p.x), y: 0, z: 1 }),
  };
}

/** One side of the hull, continued straight above its gunwale edge. */
export function sidePatch(hull: HullSurface, side: Side): Patch {
  const sign = sideSign(side);
  const half = (x: number, z: number): number => {
    const section = hull.section(Math.min(hull.length, Math.max(0, x)));
    if (!section) return 0;
    const over = z - section.gunwale;
    if (over <= 0) return section.halfWidth(z);
    const edge = section.halfWidth(section.gunwale);
    return edge + (over * (edge - section.halfWidth(section.gunwale - STEP))) / STEP;
  };
  return {
    name: `${side} side`,
    off: (p) => sign * p.y - half(p.x, p.z),
    onto: (p) => ({ ...p, y: sign * half(p.x, p.z) }),
    normal: ({ x, z }) =>
      unit({
        x: -(half(x + STEP, z) - half(x - STEP, z)) / (2 * STEP),
        y: sign,
        z: -(half(x, z + STEP) - half(x, z - STEP)) / (2 * STEP),
      }),
  };
}

/** The tangents of a patch at a point: aft is as the boat runs, laid onto the surface. */
export function tangentsAt(patch: Patch, at: Point): Tangents {
  const normal = patch.normal(at);
  const aft = unit({ x: 1 - normal.x * normal.x, y: -normal.x * normal.y, z: -normal.x * normal.z });
  // Across is to starboard on a deck and down on either side.
  const turned = {
    x: normal.y * aft.z - normal.z * aft.y,
    y: normal.z * aft.x - normal.x * aft.z,
    z: normal.x * aft.y - normal.y * aft.x,
  };
  const onSide = Math.abs(normal.y) > Math.abs(normal.z);
  return { aft, across: onSide && turned.z > 0 ? scaled(turned, -1) : turned, normal };
}

/** Puts a point back on the patch along a direction. */
function putBack(patch: Patch, p: Point, normal: Point): Point {
  let q = p;
  for (let i = 0; i < 6; i++) {
    const off = patch.off(q);
    if (Math.abs(off) < 1e-9) break;
    const slope = (patch.off(plus(q, normal, 0.01)) - off) / 0.01;
    q = plus(q, normal, -off / slope);
  }
  return q;
}

/** A free particle held on the surface: each step goes straight on and is put back along the normal. */
function walk(patch: Patch, from: Point, way: Point, steps: number): Point {
  let before = from;
  let at = putBack(patch, plus(from, way, 1 / steps), patch.normal(from));
  for (let i = 1; i < steps; i++) {
    const next = putBack(patch, { x: 2 * at.x - before.x, y: 2 * at.y - before.y, z: 2 * at.z - before.z }, patch.normal(at));
    before = at;
    at = next;
  }
  return at;
}

const STEPS = 12;

/**
 * Where a string pulled tight over the surface ends: from a point, in the direction of a tangent vector, as far
 * as that vector is long. Good to a few thousandths of a millimetre over a sheet of paper.
 */
export function alongSurface(patch: Patch, from: Point, way: Point): Point {
  // The error of the walk falls with the square of its step, so two walks give a better one (Richardson).
  const [coarse, fine] = [walk(patch, from, way, STEPS), walk(patch, from, way, 2 * STEPS)];
  const better = (k: 'x' | 'y' | 'z'): number => (4 * fine[k] - coarse[k]) / 3;
  return patch.onto({ x: better('x'), y: better('y'), z: better('z') });
}

/**
 * How far and which way it is over the surface to a point: the tangent vector whose string ends there. Laid on
 * paper, these vectors are the patch unrolled about `from`: true in distance and direction from there, exact
 * everywhere on a surface that unrolls without stretching.
 *
 * @throws RangeError where the surface bends too much for a sheet of paper
 */
export function overSurface(patch: Patch, from: Point, to: Point): Point {
  const normal = patch.normal(from);
  const flat = (p: Point): Point => {
    const up = dot(p, normal);
    return { x: p.x - up * normal.x, y: p.y - up * normal.y, z: p.z - up * normal.z };
  };
  let way = flat({ x: to.x - from.x, y: to.y - from.y, z: to.z - from.z });
  for (let i = 0; i < 60; i++) {
    const end = alongSurface(patch, from, way);
    const miss = flat({ x: to.x - end.x, y: to.y - end.y, z: to.z - end.z });
    way = { x: way.x + miss.x, y: way.y + miss.y, z: way.z + miss.z };
    if (Math.hypot(miss.x, miss.y, miss.z) < 1e-6) return way;
  }
  throw new RangeError('the surface bends too much here to be laid on paper');
}

/** Distance between two points over the surface, mm. */
export function distanceOver(patch: Patch, a: Point, b: Point): number {
  const way = overSurface(patch, a, b);
  return Math.hypot(way.x, way.y, way.z);
}
