import { cross, dot, type Point } from '../base/units';
import { convexOutline } from './outline';

/** A box in any pose: its middle, three unit axes square to each other, half its size along each. */
export interface PosedBox {
  readonly middle: Point;
  readonly axes: readonly [Point, Point, Point];
  readonly half: readonly [number, number, number];
}

/** The eight corners. */
export function cornersOfBox({ middle, axes, half }: PosedBox): Point[] {
  const [u, v, w] = axes;
  return [-half[0], half[0]].flatMap((a) =>
    [-half[1], half[1]].flatMap((b) =>
      [-half[2], half[2]].map((c) => ({
        x: middle.x + a * u.x + b * v.x + c * w.x,
        y: middle.y + a * u.y + b * v.y + c * w.y,
        z: middle.z + a * u.z + b * v.z + c * w.z,
      })),
    ),
  );
}

/** Half the length of a box's shadow on a direction. */
export const reachOn = (box: PosedBox, n: Point): number =>
  box.half[0] * Math.abs(dot(box.axes[0], n)) +
  box.half[1] * Math.abs(dot(box.axes[1], n)) +
  box.half[2] * Math.abs(dot(box.axes[2], n));

/**
 * How deep two boxes lie in each other: the shortest shift that parts them, mm; nought when they do not touch.
 * Separating axes of two oriented boxes: three of each and their nine cross products.
 */
export function boxOverlap(a: PosedBox, b: PosedBox): number {
  const between = { x: b.middle.x - a.middle.x, y: b.middle.y - a.middle.y, z: b.middle.z - a.middle.z };
  let least = Infinity;
  for (const axis of a.axes) if ((least = Math.min(least, depthAlong(axis, 1, a, b, between))) <= 0) return 0;
  for (const axis of b.axes) if ((least = Math.min(least, depthAlong(axis, 1, a, b, between))) <= 0) return 0;
  for (const p of a.axes)
    for (const q of b.axes) {
      const axis = cross(p, q);
      const size = Math.sqrt(dot(axis, axis));
      // Edges side by side give no direction of their own.
      if (size > 1e-6 && (least = Math.min(least, depthAlong(axis, size, a, b, between))) <= 0) return 0;
    }
  return least;
}

/** How deep the shadows of two boxes lie in each other along a direction of some length. */
const depthAlong = (axis: Point, size: number, a: PosedBox, b: PosedBox, between: Point): number =>
  (reachOn(a, axis) + reachOn(b, axis) - Math.abs(dot(between, axis))) / size;

/** Least and most of a box along one axis of the hull. */
export function extentOfBox({ middle, axes: [u, v, w], half }: PosedBox, along: 'x' | 'y' | 'z'): readonly [number, number] {
  const [a, b, c] = [half[0] * Math.abs(u[along]), half[1] * Math.abs(v[along]), half[2] * Math.abs(w[along])];
  return [middle[along] - a - b - c, middle[along] + a + b + c];
}

/** A box's outline from above. */
export const outlineOfBox = (box: PosedBox): [number, number][] =>
  convexOutline(cornersOfBox(box).map((c) => [c.x, c.y] as const));

/** How closely the edges of a thing are looked at, mm. */
const ALONG_AN_EDGE = 50;

/** The corners of a box in their order, round each of its axes; the same at its other end are so many further on. */
const RINGS = [
  { ring: [0, 1, 3, 2], beyond: 4 },
  { ring: [0, 1, 5, 4], beyond: 2 },
  { ring: [0, 2, 6, 4], beyond: 1 },
] as const;

/** A line straight up through a thing: where, and from which height to which. */
export interface Upright {
  readonly x: number;
  readonly y: number;
  readonly low: number;
  readonly high: number;
}

/** Points along a straight edge, its first end among them, its last not. */
function alongEdge(a: Point, b: Point): Point[] {
  const n = Math.max(1, Math.ceil(Math.hypot(b.x - a.x, b.y - a.y, b.z - a.z) / ALONG_AN_EDGE));
  return Array.from({ length: n }, (_, k) => ({
    x: a.x + (k / n) * (b.x - a.x),
    y: a.y + (k / n) * (b.y - a.y),
    z: a.z + (k / n) * (b.z - a.z),
  }));
}

/** The rim of a box: of one that stands upright the lines round its sides, of one that leans the points of its edges. */
export function rimOf(box: PosedBox): Upright[] {
  const corners = cornersOfBox(box);
  const corner = (i: number): Point => corners[i] as Point;
  const upright = RINGS.find((_, k) => Math.abs((box.axes[k] as Point).z) > UPRIGHT);
  if (upright) {
    const [low, high] = extentOfBox(box, 'z');
    const { ring } = upright;
    return ring.flatMap((i, n) =>
      alongEdge(corner(i), corner(ring[(n + 1) % 4] as number)).map(({ x, y }) => ({ x, y, low, high })),
    );
  }
  return RINGS.flatMap(({ ring, beyond }) =>
    ring.flatMap((i) =>
      [...alongEdge(corner(i), corner(i + beyond)), corner(i + beyond)].map(({ x, y, z }) => ({ x, y, low: z, high: z })),
    ),
  );
}

/** An axis so near the vertical stands upright: 0.03 mm off in a metre. */
const UPRIGHT = 1 - 1e-9;

/** How closely the underside of a thing is looked at, mm. */
const OVER_A_FACE = 20;

/** Points all over the underside of a box, its edges among them, and whether that lies level. */
export function undersideOf({ middle, axes, half }: PosedBox): { readonly points: readonly Point[]; readonly level: boolean } {
  const steepest = Math.max(...axes.map((axis) => Math.abs(axis.z)));
  const k = axes.findIndex((axis) => Math.abs(axis.z) === steepest) as 0 | 1 | 2;
  const [i, j] = ([0, 1, 2] as const).filter((n) => n !== k) as [0 | 1 | 2, 0 | 1 | 2];
  const shares = (n: 0 | 1 | 2): number[] => {
    const steps = Math.max(1, Math.ceil((2 * half[n]) / OVER_A_FACE));
    return Array.from({ length: steps + 1 }, (_, s) => ((2 * s) / steps - 1) * half[n]);
  };
  const down = -Math.sign(axes[k].z) * half[k];
  const at = (c: 'x' | 'y' | 'z', a: number, b: number): number =>
    middle[c] + a * axes[i][c] + b * axes[j][c] + down * axes[k][c];
  const across = shares(j);
  const points = shares(i).flatMap((a) => across.map((b) => ({ x: at('x', a, b), y: at('y', a, b), z: at('z', a, b) })));
  return { points, level: steepest > UPRIGHT };
}
