import { cross, dot, type Point } from '../units';
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
const reachOn = (box: PosedBox, n: Point): number =>
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
  const parted = (axis: Point): boolean => {
    const size = Math.hypot(axis.x, axis.y, axis.z);
    if (size < 1e-6) return false;
    const n = { x: axis.x / size, y: axis.y / size, z: axis.z / size };
    const depth = reachOn(a, n) + reachOn(b, n) - Math.abs(dot(between, n));
    least = Math.min(least, depth);
    return depth <= 0;
  };
  if (a.axes.some(parted) || b.axes.some(parted)) return 0;
  for (const p of a.axes) for (const q of b.axes) if (parted(cross(p, q))) return 0;
  return Math.max(0, least);
}

/** Whether a point lies in a box grown by a margin. */
export function inBox({ middle, axes, half }: PosedBox, p: Point, margin = 0): boolean {
  const r = { x: p.x - middle.x, y: p.y - middle.y, z: p.z - middle.z };
  return axes.every((axis, i) => Math.abs(dot(r, axis)) <= (half[i] ?? 0) + margin);
}

/** A box as what stands on the hull is told by: its outline from above and the heights it fills. */
export function shadowOfBox(box: PosedBox): { outline: [number, number][]; bottom: number; top: number } {
  const corners = cornersOfBox(box);
  const zs = corners.map((c) => c.z);
  return {
    outline: convexOutline(corners.map((c) => [c.x, c.y] as const)),
    bottom: Math.min(...zs),
    top: Math.max(...zs),
  };
}
