import type { Mover, Solid } from '../catalog';
import type { Hatch, HullMover, HullSurface } from '../hull';
import type { Point } from '../units';
import { toHull, type Body, type Placed } from './frame';

/** Steps between two poses of what swings (judgement), degrees. */
const STEP = 7.5;

/** Something that turns, as the bodies it fills on its way, rest first. */
export interface Swept {
  readonly name: string;
  readonly poses: readonly Body[];
  /** The plan outline it lies over at rest, and its top there: what stands on it goes with it. */
  readonly rest: Body;
  /** The box the whole way lies in. */
  readonly bounds: Bounds;
  readonly strutKg?: number;
}

export interface Bounds {
  readonly fore: number;
  readonly aft: number;
  readonly port: number;
  readonly starboard: number;
  readonly bottom: number;
  readonly top: number;
}

/** A quick first look: whether two boxes touch. */
export const near = (a: Bounds, b: Bounds): boolean =>
  a.fore < b.aft && b.fore < a.aft && a.port < b.starboard && b.port < a.starboard && a.bottom < b.top && b.bottom < a.top;

/** The box some bodies lie in. */
export function boundsOf(bodies: readonly Body[]): Bounds {
  const xs = bodies.flatMap((b) => b.outline.map(([x]) => x));
  const ys = bodies.flatMap((b) => b.outline.map(([, y]) => y));
  return {
    fore: Math.min(...xs),
    aft: Math.max(...xs),
    port: Math.min(...ys),
    starboard: Math.max(...ys),
    bottom: Math.min(...bodies.map((b) => b.bottom)),
    top: Math.max(...bodies.map((b) => b.top)),
  };
}

type Vector = readonly [number, number, number];

const cross = (a: Vector, b: Vector): Vector => [a[1] * b[2] - a[2] * b[1], a[2] * b[0] - a[0] * b[2], a[0] * b[1] - a[1] * b[0]];

/** A point turned about an axis through `at` by an angle: Rodrigues' formula. */
export function turned(p: Point, at: Point, axis: Vector, degrees: number): Point {
  const a = (degrees * Math.PI) / 180;
  const r: Vector = [p.x - at.x, p.y - at.y, p.z - at.z];
  const k = cross(axis, r);
  const along = axis[0] * r[0] + axis[1] * r[1] + axis[2] * r[2];
  const part = (i: 0 | 1 | 2): number => r[i] * Math.cos(a) + k[i] * Math.sin(a) + axis[i] * along * (1 - Math.cos(a));
  return { x: at.x + part(0), y: at.y + part(1), z: at.z + part(2) };
}

/** The convex outline of points in plan, by Andrew's monotone chain. */
export function convexOutline(points: readonly (readonly [number, number])[]): [number, number][] {
  const sorted = [...points].sort((a, b) => a[0] - b[0] || a[1] - b[1]);
  const half = (all: readonly (readonly [number, number])[]): [number, number][] => {
    const out: [number, number][] = [];
    for (const [x, y] of all) {
      for (;;) {
        const [b, a] = [out.at(-1), out.at(-2)];
        if (!a || !b || (b[0] - a[0]) * (y - a[1]) - (b[1] - a[1]) * (x - a[0]) > 1e-9) break;
        out.pop();
      }
      out.push([x, y]);
    }
    return out.slice(0, -1);
  };
  return [...half(sorted), ...half([...sorted].reverse())];
}

function bodyOfCorners(name: string, corners: readonly Point[]): Body {
  const zs = corners.map((c) => c.z);
  return { name, outline: convexOutline(corners.map((c) => [c.x, c.y] as const)), bottom: Math.min(...zs), top: Math.max(...zs) };
}

function sweepCorners(name: string, corners: readonly Point[], at: Point, axis: Vector, turns: number): Body[] {
  const steps = Math.max(1, Math.ceil(Math.abs(turns) / STEP));
  return Array.from({ length: steps + 1 }, (_, i) =>
    bodyOfCorners(
      name,
      corners.map((c) => turned(c, at, axis, (turns * i) / steps)),
    ),
  );
}

const cornersOf = (box: Pick<Solid, 'u' | 'v' | 'w'>, carry: (u: number, v: number, w: number) => Point): Point[] =>
  box.u.flatMap((u) => box.v.flatMap((v) => box.w.map((w) => carry(u, v, w))));

function swept(name: string, corners: Point[], at: Point, axis: Vector, turns: number, strutKg?: number): Swept {
  const poses = sweepCorners(name, corners, at, axis, turns);
  return { name, poses, rest: bodyOfCorners(name, corners), bounds: boundsOf(poses), strutKg };
}

/** What turns on a fitting: its lid, its arm, its folding frame. */
export function sweptBy(placed: Placed): Swept[] {
  const { frame, fitting, part } = placed;
  return (part.moves ?? []).map((m: Mover) => {
    const carry = (u: number, v: number, w: number): Point => toHull(frame, u, v, w + fitting.lift);
    const d = frame[m.about];
    return swept(m.name, cornersOf(m.solid, carry), carry(m.hinge.u, m.hinge.v, m.hinge.w), [d.x, d.y, d.z], m.turns, m.strutKg);
  });
}

/** What turns on the hull itself: hatch lids, stand-up bar, drive, rudder. */
export function sweptByHull(hull: HullSurface): Swept[] {
  const { hatches, moving = [] } = hull.model;
  return [...hatches.flatMap((h) => lidOf(h) ?? []), ...moving.map(moverOf)];
}

function lidOf(h: Hatch): Swept | undefined {
  const { lid } = h;
  if (!lid) return undefined;
  const corners = cornersOf({ u: [h.fore, h.aft], v: [h.port, h.starboard], w: [h.height, h.height + lid.thick] }, (x, y, z) => ({
    x,
    y,
    z,
  }));
  const at = {
    x: lid.hinge === 'fore' ? h.fore : h.aft,
    y: lid.hinge === 'port' ? h.port : h.starboard,
    z: h.height,
  };
  // Right-handed about y lifts what lies ahead of its hinge; about x what lies to starboard of it.
  const ways: Record<typeof lid.hinge, readonly [Vector, number]> = {
    fore: [[0, 1, 0], -1],
    aft: [[0, 1, 0], 1],
    port: [[1, 0, 0], 1],
    starboard: [[1, 0, 0], -1],
  };
  const [axis, sign] = ways[lid.hinge];
  return swept(`lid of the ${h.name}`, corners, at, axis, sign * lid.turns, lid.strutKg);
}

function moverOf(m: HullMover): Swept {
  const corners = cornersOf({ u: [m.from.x, m.to.x], v: [m.from.y, m.to.y], w: [m.from.z, m.to.z] }, (x, y, z) => ({ x, y, z }));
  const axis: Vector = [Number(m.about === 'x'), Number(m.about === 'y'), Number(m.about === 'z')];
  return swept(m.name, corners, m.hinge, axis, m.turns);
}
