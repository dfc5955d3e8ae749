import type { Mover } from '../parts/parts';
import type { Hatch, HullMover, HullSurface } from '../boat/hull';
import { cross, distance, dot, type Point } from '../base/units';
import { cornersOfBox, extentOfBox, type PosedBox } from './box';
import { bodyOfBox, directed, toHull } from './bodies';
import { type Body, type Placed } from './placed';

/** What swings moves so far between two poses at the most, at the corner farthest from its hinge (judgement), mm. */
const STEP = 12;
/** No more poses than this a turn. */
const MOST = 120;

/** Something that moves, as the bodies it fills on its way, rest first. */
export interface Swept {
  /** Of the hatch, of what moves on the hull, or the name of what moves on a part. */
  readonly id: string;
  readonly name: string;
  readonly motion: Motion;
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

/** How something moves: turned about an axis, shifted along, or both at once. */
export interface Motion {
  readonly at: Point;
  readonly axis: Point;
  /** From rest to its other end, degrees, right-handed about the axis. */
  readonly turns: number;
  /** How far it is shifted meanwhile. */
  readonly shift: Point;
  readonly both: boolean;
}

/** What moves, in a frame of its own: a part's, or the hull's. */
interface Moves {
  readonly id: string;
  readonly name: string;
  readonly solid: Readonly<Record<'u' | 'v' | 'w', readonly [number, number]>>;
  readonly hinge: Point;
  readonly about: 'u' | 'v' | 'w';
  readonly turns: number;
  readonly shift?: Point;
  readonly both?: boolean;
  readonly strutKg?: number;
}

/** The frame it moves in: where its points and directions are on the hull. */
interface Carried {
  readonly place: (p: Point) => Point;
  readonly direct: (d: Point) => Point;
}

/**
 * How it moves, told on the hull. It turns in its frame's own sense, so that what is on port is the mirror of what is on
 * starboard.
 */
function motionOf(m: Moves, { place, direct }: Carried): Motion {
  const [u, v, w] = [direct(UNITS.u), direct(UNITS.v), direct(UNITS.w)];
  const handed = Math.sign(dot(cross(u, v), w)) || 1;
  return {
    at: place(m.hinge),
    axis: direct(UNITS[m.about]),
    turns: handed * m.turns,
    shift: direct(m.shift ?? ORIGIN),
    both: m.both ?? false,
  };
}

/** How far along its way, from −1 to 1, each pose is: so many that no corner moves farther than a step between two. */
function stagesOf({ at, axis, turns, shift, both }: Motion, corners: readonly Point[]): number[] {
  const arm = Math.max(
    0,
    ...corners.map((p) => {
      const off = cross(axis, { x: p.x - at.x, y: p.y - at.y, z: p.z - at.z });
      return Math.hypot(off.x, off.y, off.z);
    }),
  );
  const far = (arm * Math.abs(turns) * Math.PI) / 180 + Math.hypot(shift.x, shift.y, shift.z);
  const steps = Math.min(MOST, Math.max(1, Math.ceil(far / STEP)));
  const oneWay = Array.from({ length: steps + 1 }, (_, i) => i / steps);
  return both ? [...oneWay, ...oneWay.slice(1).map((a) => -a)] : oneWay;
}

/** Where a point of what moves is at a stage of its way: 0 at rest, 1 at its other end. */
export function movedPoint({ at, axis, turns, shift }: Motion, p: Point, stage: number): Point {
  const { x, y, z } = turned(p, at, axis, turns * stage);
  return { x: x + stage * shift.x, y: y + stage * shift.y, z: z + stage * shift.z };
}

function movedBox(motion: Motion, box: PosedBox, stage: number): PosedBox {
  const turn = (direction: Point): Point => turned(direction, ORIGIN, motion.axis, motion.turns * stage);
  const [u, v, w] = box.axes;
  return {
    middle: movedPoint(motion, box.middle, stage),
    axes: [turn(u), turn(v), turn(w)],
    half: box.half,
  };
}

/** The way of a box that moves, pose by pose; followed when first asked for. */
function sweptBox(id: string, name: string, box: PosedBox, motion: Motion, strutKg?: number): Swept {
  const corners = cornersOfBox(box);
  let followed: Pick<Swept, 'poses' | 'spans' | 'bounds'> | undefined;
  const follow = (): Pick<Swept, 'poses' | 'spans' | 'bounds'> => {
    const poses = stagesOf(motion, corners).map((stage) => bodyOfBox(name, movedBox(motion, box, stage)));
    return { poses, spans: poses.map((p) => boundsOf([p])), bounds: boundsOf(poses) };
  };
  const way = (): Pick<Swept, 'poses' | 'spans' | 'bounds'> => (followed ??= follow());
  return {
    id,
    name,
    motion,
    rest: bodyOfBox(name, box),
    within: within(motion, corners),
    strutKg,
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

/** The box about a hinge that holds every corner of what moves by it, however it stands. */
function within({ at, shift }: Motion, corners: readonly Point[]): Bounds {
  const far = Math.max(...corners.map((p) => distance(p, at))) + Math.hypot(shift.x, shift.y, shift.z) + 1;
  return { fore: at.x - far, aft: at.x + far, port: at.y - far, starboard: at.y + far, bottom: at.z - far, top: at.z + far };
}

function swept(m: Moves, carried: Carried): Swept {
  const mean = ([a, b]: readonly [number, number]): number => (a + b) / 2;
  const half = ([a, b]: readonly [number, number]): number => Math.abs(b - a) / 2;
  const { place, direct } = carried;
  const box: PosedBox = {
    middle: place({ x: mean(m.solid.u), y: mean(m.solid.v), z: mean(m.solid.w) }),
    axes: [direct(UNITS.u), direct(UNITS.v), direct(UNITS.w)],
    half: [half(m.solid.u), half(m.solid.v), half(m.solid.w)],
  };
  return sweptBox(m.id, m.name, box, motionOf(m, carried), m.strutKg);
}

/** The way of something that rides on what moves: it goes as that goes. */
export const carriedBy = (by: Swept, { name, box }: Body): Swept | null => (box ? sweptBox(by.id, name, box, by.motion) : null);

/** What moves on a fitting: its lid, its arm, its folding frame, its spike. */
export function sweptBy(placed: Placed): Swept[] {
  const { frame, fitting, part } = placed;
  const place = (p: Point): Point => toHull(frame, p.x, p.y, p.z + fitting.lift);
  return (part.body.moves ?? []).map(({ hinge, slides, ...m }: Mover) =>
    swept(
      {
        ...m,
        id: m.name,
        hinge: { x: hinge.u, y: hinge.v, z: hinge.w },
        ...(slides ? { shift: { x: slides.u, y: slides.v, z: slides.w } } : {}),
      },
      { place, direct: (d) => directed(frame, d) },
    ),
  );
}

const same = (p: Point): Point => p;
const ON_THE_HULL: Carried = { place: same, direct: same };

/** What moves on the hull itself: hatch lids, stand-up bar, drive, rudder, a seat that slides. */
export function sweptByHull(hull: HullSurface): Swept[] {
  const { hatches, moving = [] } = hull.model;
  return [...hatches.flatMap((h) => lidOf(h) ?? []), ...moving.map(moverOf)];
}

function lidOf(h: Hatch): Swept | undefined {
  const { lid } = h;
  if (!lid) return undefined;
  // Right-handed about y lifts what lies ahead of its hinge; about x what lies to starboard of it.
  const sign = lid.hinge === 'fore' || lid.hinge === 'starboard' ? -1 : 1;
  const moves: Moves = {
    id: h.id,
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
  return swept(moves, ON_THE_HULL);
}

function moverOf({ from, to, about, slides, ...m }: HullMover): Swept {
  const solid = { u: [from.x, to.x], v: [from.y, to.y], w: [from.z, to.z] } as const;
  return swept({ ...m, solid, about: ({ x: 'u', y: 'v', z: 'w' } as const)[about], shift: slides }, ON_THE_HULL);
}
