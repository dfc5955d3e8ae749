import type { Mover } from '../parts';
import type { Hatch, HullMover, HullSurface } from '../hull';
import { cross, dot, type Point } from '../units';
import { extentOfBox } from './box';
import { bodyOfBox, directed, toHull, type Body, type Placed } from './frame';

/** What swings moves so far between two poses at the most, at the corner farthest from its hinge (judgement), mm. */
const STEP = 12;
/** No more poses than this a turn. */
const MOST = 120;

/** Something that turns, as the bodies it fills on its way, rest first. */
export interface Swept {
  readonly name: string;
  /** Followed when first asked for. */
  readonly poses: readonly Body[];
  /** The plan outline it lies over at rest, and its top there: what stands on it goes with it. */
  readonly rest: Body;
  /** The box of each pose. */
  readonly spans: readonly Bounds[];
  /** The box the whole way lies in. */
  readonly bounds: Bounds;
  /** A box it surely keeps within: about its hinge, as far as its farthest corner. */
  readonly within: Bounds;
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
  const out = { fore: Infinity, aft: -Infinity, port: Infinity, starboard: -Infinity, bottom: Infinity, top: -Infinity };
  const take = (x0: number, x1: number, y0: number, y1: number): void => {
    out.fore = Math.min(out.fore, x0);
    out.aft = Math.max(out.aft, x1);
    out.port = Math.min(out.port, y0);
    out.starboard = Math.max(out.starboard, y1);
  };
  for (const body of bodies) {
    if (body.box) take(...extentOfBox(body.box, 'x'), ...extentOfBox(body.box, 'y'));
    else for (const [x, y] of body.outline) take(x, x, y, y);
    out.bottom = Math.min(out.bottom, body.bottom);
    out.top = Math.max(out.top, body.top);
  }
  return out;
}

/** A point turned about an axis through `at` by an angle: Rodrigues' formula. */
export function turned(p: Point, at: Point, axis: Point, degrees: number): Point {
  const a = (degrees * Math.PI) / 180;
  const r = { x: p.x - at.x, y: p.y - at.y, z: p.z - at.z };
  const k = cross(axis, r);
  const along = dot(axis, r);
  const part = (i: 'x' | 'y' | 'z'): number => r[i] * Math.cos(a) + k[i] * Math.sin(a) + axis[i] * along * (1 - Math.cos(a));
  return { x: at.x + part('x'), y: at.y + part('y'), z: at.z + part('z') };
}

const ORIGIN: Point = { x: 0, y: 0, z: 0 };
const UNITS: Readonly<Record<'u' | 'v' | 'w', Point>> = {
  u: { x: 1, y: 0, z: 0 },
  v: { x: 0, y: 1, z: 0 },
  w: { x: 0, y: 0, z: 1 },
};

/** What turns, in a frame of its own: a part's, or the hull's. */
interface Turns {
  readonly name: string;
  readonly solid: Readonly<Record<'u' | 'v' | 'w', readonly [number, number]>>;
  readonly hinge: Point;
  readonly about: 'u' | 'v' | 'w';
  readonly turns: number;
  readonly both?: boolean;
  readonly strutKg?: number;
}

/** How far the farthest corner of what turns is from the line of its hinge, mm. */
function farthest({ solid, hinge, about }: Turns): number {
  const off = (of: 'u' | 'v' | 'w', at: number): number =>
    of === about ? 0 : Math.max(Math.abs(solid[of][0] - at), Math.abs(solid[of][1] - at));
  return Math.hypot(off('u', hinge.x), off('v', hinge.y), off('w', hinge.z));
}

/**
 * The way of a box that turns in a frame, carried to the hull pose by pose. It turns in the frame's own sense, so
 * that what is on port is the mirror of what is on starboard.
 */
function swept(m: Turns, place: (p: Point) => Point, direct: (d: Point) => Point): Swept {
  const axis = UNITS[m.about];
  const mean = ([a, b]: readonly [number, number]): number => (a + b) / 2;
  const half = ([a, b]: readonly [number, number]): number => Math.abs(b - a) / 2;
  const middle = { x: mean(m.solid.u), y: mean(m.solid.v), z: mean(m.solid.w) };
  const pose = (degrees: number): Body =>
    bodyOfBox(m.name, {
      middle: place(turned(middle, m.hinge, axis, degrees)),
      axes: [
        direct(turned(UNITS.u, ORIGIN, axis, degrees)),
        direct(turned(UNITS.v, ORIGIN, axis, degrees)),
        direct(turned(UNITS.w, ORIGIN, axis, degrees)),
      ],
      half: [half(m.solid.u), half(m.solid.v), half(m.solid.w)],
    });
  const steps = Math.min(MOST, Math.max(1, Math.ceil((farthest(m) * Math.abs(m.turns) * Math.PI) / 180 / STEP)));
  const oneWay = Array.from({ length: steps + 1 }, (_, i) => (m.turns * i) / steps);
  const angles = m.both ? [...oneWay, ...oneWay.slice(1).map((a) => -a)] : oneWay;
  let followed: Pick<Swept, 'poses' | 'spans' | 'bounds'> | undefined;
  const follow = (): Pick<Swept, 'poses' | 'spans' | 'bounds'> => {
    const poses = angles.map(pose);
    return { poses, spans: poses.map((p) => boundsOf([p])), bounds: boundsOf(poses) };
  };
  const way = (): Pick<Swept, 'poses' | 'spans' | 'bounds'> => (followed ??= follow());
  return {
    name: m.name,
    rest: pose(0),
    within: within(m, place(m.hinge)),
    strutKg: m.strutKg,
    get poses() {
      return way().poses;
    },
    get spans() {
      return way().spans;
    },
    get bounds() {
      return way().bounds;
    },
  };
}

/** The box about a hinge that holds every corner of what turns on it, however it stands. */
function within({ solid, hinge }: Turns, at: Point): Bounds {
  const off = (of: 'u' | 'v' | 'w', from: number): number =>
    Math.max(Math.abs(solid[of][0] - from), Math.abs(solid[of][1] - from));
  const far = Math.hypot(off('u', hinge.x), off('v', hinge.y), off('w', hinge.z)) + 1;
  return { fore: at.x - far, aft: at.x + far, port: at.y - far, starboard: at.y + far, bottom: at.z - far, top: at.z + far };
}

/** What turns on a fitting: its lid, its arm, its folding frame. */
export function sweptBy(placed: Placed): Swept[] {
  const { frame, fitting, part } = placed;
  const place = (p: Point): Point => toHull(frame, p.x, p.y, p.z + fitting.lift);
  return (part.body.moves ?? []).map((m: Mover) =>
    swept({ ...m, hinge: { x: m.hinge.u, y: m.hinge.v, z: m.hinge.w } }, place, (d) => directed(frame, d)),
  );
}

const same = (p: Point): Point => p;

/** What turns on the hull itself: hatch lids, stand-up bar, drive, rudder. */
export function sweptByHull(hull: HullSurface): Swept[] {
  const { hatches, moving = [] } = hull.model;
  return [...hatches.flatMap((h) => lidOf(h) ?? []), ...moving.map(moverOf)];
}

function lidOf(h: Hatch): Swept | undefined {
  const { lid } = h;
  if (!lid) return undefined;
  // Right-handed about y lifts what lies ahead of its hinge; about x what lies to starboard of it.
  const sign = lid.hinge === 'fore' || lid.hinge === 'starboard' ? -1 : 1;
  const turns: Turns = {
    name: `lid of the ${h.name}`,
    solid: { u: [h.fore, h.aft], v: [h.port, h.starboard], w: [h.height, h.height + lid.thick] },
    hinge: {
      x: lid.hinge === 'fore' ? h.fore : h.aft,
      y: lid.hinge === 'port' ? h.port : h.starboard,
      z: h.height,
    },
    about: lid.hinge === 'fore' || lid.hinge === 'aft' ? 'v' : 'u',
    turns: sign * lid.turns,
    strutKg: lid.strutKg,
  };
  return swept(turns, same, same);
}

function moverOf({ from, to, about, ...m }: HullMover): Swept {
  const solid = { u: [from.x, to.x], v: [from.y, to.y], w: [from.z, to.z] } as const;
  return swept({ ...m, solid, about: ({ x: 'u', y: 'v', z: 'w' } as const)[about] }, same, same);
}
