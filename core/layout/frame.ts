import type { Part, Solid } from '../catalog';
import type { HullSurface } from '../hull';
import type { Fitting, Place } from '../rig';
import { sideSign, type Point } from '../units';

/** A fitting's local frame: origin on the surface, u aft, v to starboard, w up off the surface. */
export interface Frame {
  readonly origin: Point;
  readonly u: Point;
  readonly v: Point;
  readonly w: Point;
  readonly surface: string;
  readonly wall: number;
  /** The origin lies beyond the gunwale edge. */
  readonly off: boolean;
}

const axes = (degrees: number): Pick<Frame, 'u' | 'v' | 'w'> => {
  const a = (degrees * Math.PI) / 180;
  return {
    u: { x: Math.cos(a), y: -Math.sin(a), z: 0 },
    v: { x: Math.sin(a), y: Math.cos(a), z: 0 },
    w: { x: 0, y: 0, z: 1 },
  };
};

/** The frame of a place on the hull; undefined when the hull has no such track or insert. */
export function frameOf(hull: HullSurface, place: Place): Frame | undefined {
  const { model } = hull;
  switch (place.on) {
    case 'deck': {
      const spot = hull.spot(place.x, place.y);
      const origin = { x: place.x, y: place.y, z: spot.z };
      return { origin, ...axes(place.heading), surface: spot.name, wall: spot.wall, off: spot.off };
    }
    case 'track': {
      const track = model.tracks.find((t) => t.id === place.track);
      if (!track) return undefined;
      const origin = { x: place.x, y: track.y, z: track.height };
      const off = place.x < track.fore || place.x > track.aft;
      return { origin, ...axes(place.heading), surface: track.name, wall: model.wall, off };
    }
    case 'insert': {
      const insert = model.inserts.find((i) => i.id === place.insert);
      if (!insert) return undefined;
      const origin = { x: insert.x, y: insert.y, z: insert.height };
      return { origin, ...axes(place.heading), surface: insert.name, wall: model.wall, off: false };
    }
    case 'side': {
      const sign = sideSign(place.side);
      const origin = hull.sidePoint(place.x, place.side, place.down);
      const off = place.x < 0 || place.x > hull.length;
      return {
        origin,
        u: { x: 1, y: 0, z: 0 },
        v: { x: 0, y: 0, z: -1 },
        w: { x: 0, y: sign, z: 0 },
        surface: `${place.side} side`,
        wall: model.wall,
        off,
      };
    }
  }
}

/** Carries a point of the frame to hull coordinates. */
export function toHull(frame: Frame, u: number, v: number, w: number): Point {
  const axis = (k: 'x' | 'y' | 'z'): number => frame.origin[k] + u * frame.u[k] + v * frame.v[k] + w * frame.w[k];
  return { x: axis('x'), y: axis('y'), z: axis('z') };
}

/** A solid standing on the hull: its outline in plan and the heights it fills. */
export interface Body {
  readonly name: string;
  /** Four corners in plan, in order. */
  readonly outline: readonly (readonly [number, number])[];
  readonly bottom: number;
  readonly top: number;
}

function bodyOf(
  frame: Frame,
  solid: Readonly<Omit<Solid, 'u' | 'v' | 'w'>> & Readonly<Record<'u' | 'v' | 'w', readonly [number, number]>>,
  lift: number,
): Body {
  const corners = solid.u.flatMap((u) => solid.v.flatMap((v) => solid.w.map((w) => toHull(frame, u, v, w + lift))));
  const zs = corners.map((c) => c.z);
  const flat = Math.abs(frame.w.z) > 0.5;
  const plan = (u: number, v: number): [number, number] => {
    const p = toHull(frame, u, v, 0);
    return [p.x, p.y];
  };
  const [u0, u1] = solid.u;
  const [v0, v1] = solid.v;
  const xs = corners.map((c) => c.x);
  const ys = corners.map((c) => c.y);
  const [left, right, low, high] = [Math.min(...xs), Math.max(...xs), Math.min(...ys), Math.max(...ys)];
  return {
    name: solid.name,
    outline: flat
      ? [plan(u0, v0), plan(u1, v0), plan(u1, v1), plan(u0, v1)]
      : [
          [left, low],
          [right, low],
          [right, high],
          [left, high],
        ],
    bottom: Math.min(...zs),
    top: Math.max(...zs),
  };
}

/** A fitting put on the hull: part, frame and the bodies it fills. */
export interface Placed {
  readonly id: string;
  readonly fitting: Fitting;
  readonly part: Part;
  readonly frame: Frame;
  readonly bodies: readonly Body[];
}

/** The post under a raised fitting stands in the way like anything else (judgement: 40 mm square). */
const RISER = { name: 'riser', u: [-20, 20], v: [-20, 20] } as const satisfies Omit<Solid, 'w'>;

/** Places one fitting; undefined when its part or place does not exist. */
export function placeFitting(hull: HullSurface, id: string, fitting: Fitting, part: Part | undefined): Placed | undefined {
  const frame = frameOf(hull, fitting.place);
  if (!frame || !part) return undefined;
  const bodies = part.solids.map((s) => bodyOf(frame, s, fitting.lift));
  if (fitting.lift > 0) bodies.push(bodyOf(frame, { ...RISER, w: [0, fitting.lift] }, 0));
  return { id, fitting, part, frame, bodies };
}

/** Bow to stern, then port to starboard: the order of every list. */
export const bowToStern = (a: { frame: Frame; id: string }, b: { frame: Frame; id: string }): number =>
  a.frame.origin.x - b.frame.origin.x || a.frame.origin.y - b.frame.origin.y || (a.id < b.id ? -1 : 1);
