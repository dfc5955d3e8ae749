import type { Part, Recess, Solid } from '../parts/parts';
import { deckPatch, insideBottom, sidePatch, tangentsAt, type HullSurface, type Rail } from '../boat/hull';
import type { Fitting, Place } from '../rig';
import { cross, distance, type Point } from '../base/units';
import { bridged, twinTrack } from './bridge';
import { extentOfBox, outlineOfBox, type PosedBox } from './box';
import { frameInRoom } from './in-room';

/** A fitting's local frame: origin and tangents of the surface, u aft, v to starboard or down a side, w out of the hull. */
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

/** Three unit axes square to each other. */
export type Axes = Pick<Frame, 'u' | 'v' | 'w'>;

/** Axes turned on their surface; a positive heading turns the after end to port. */
function turn({ u, v, w }: Axes, degrees: number): Axes {
  const [c, s] = [Math.cos((degrees * Math.PI) / 180), Math.sin((degrees * Math.PI) / 180)];
  const mix = (a: number, b: number): Point => ({ x: a * u.x + b * v.x, y: a * u.y + b * v.y, z: a * u.z + b * v.z });
  return { u: mix(c, -s), v: mix(s, c), w };
}

const LEVEL: Axes = { u: { x: 1, y: 0, z: 0 }, v: { x: 0, y: 1, z: 0 }, w: { x: 0, y: 0, z: 1 } };
const axes = (degrees: number): Axes => turn(LEVEL, degrees);

/** The highest solid of a part under a point of its frame, else its base, mm over its own foot. */
function standsAt(part: Part, u: number, v: number): number {
  const under = part.body.solids.filter((s) => u >= s.u[0] && u <= s.u[1] && v >= s.v[0] && v <= s.v[1]).map((s) => s.w[1]);
  return under.length ? Math.max(...under) : part.body.base.thickness;
}

/**
 * The frame of a place on the hull.
 *
 * @param below the fitting it stands on, when it stands on one
 * @param body what stands there: in a room it is that which the floor carries
 * @returns undefined when the hull has no such track, insert or scupper, or there is no such fitting
 */
export function frameOf(hull: HullSurface, place: Place, below?: Placed, body?: Part['body']): Frame | undefined {
  const { model } = hull;
  switch (place.on) {
    case 'deck': {
      const spot = hull.spot(place.x, place.y);
      const origin = { x: place.x, y: place.y, z: spot.z };
      const { aft, across, normal } = tangentsAt(deckPatch(hull, place.x, place.y), origin);
      const turned = turn({ u: aft, v: across, w: normal }, place.heading);
      return { origin, ...turned, surface: spot.name, wall: spot.wall, off: spot.off };
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
    case 'plate': {
      const plate = model.plates?.find((p) => p.id === place.plate);
      if (!plate) return undefined;
      const origin = { x: plate.x, y: plate.y, z: plate.height };
      return { origin, ...axes(place.heading), surface: plate.name, wall: model.wall, off: false };
    }
    case 'rail': {
      const rail = model.rails?.find((r) => r.id === place.rail);
      if (!rail) return undefined;
      const origin = onRail(rail, place.x);
      return { origin, ...axes(place.heading), surface: rail.name, wall: 0, off: origin.x !== place.x };
    }
    case 'scupper': {
      const scupper = model.scuppers.find((s) => s.id === place.scupper);
      if (!scupper) return undefined;
      const spot = hull.spot(scupper.x, scupper.y);
      const origin = { x: scupper.x, y: scupper.y, z: spot.z };
      return { origin, ...axes(place.heading), surface: `scupper in the ${spot.name}`, wall: spot.wall, off: false };
    }
    case 'fitting': {
      if (!below) return undefined;
      const origin = toHull(below.frame, place.u, place.v, standsAt(below.part, place.u, place.v) + below.fitting.lift);
      // What is held on a side stands level on it all the same.
      const turned = 'heading' in below.place ? below.place.heading : 0;
      const upon = below.frame.w.z > 0.5 ? turn(below.frame, place.heading) : axes(turned + place.heading);
      return {
        origin,
        ...upon,
        surface: below.part.name,
        wall: below.part.body.base.thickness,
        off: below.frame.off,
      };
    }
    case 'space':
      return frameInRoom(hull, place, axes(place.heading), body);
    case 'bulkhead': {
      const wall = model.hazards.find((h) => h.id === place.bulkhead);
      if (wall?.shape !== 'box') return undefined;
      const [fore, aft] = [Math.min(wall.from.x, wall.to.x), Math.max(wall.from.x, wall.to.x)];
      // A rigger works on it from the side of the seat.
      const abaft = (fore + aft) / 2 > model.seat.x;
      const x = abaft ? fore : aft;
      const origin = { x, y: place.y, z: insideBottom(hull, x) + place.up };
      const off =
        place.y < Math.min(wall.from.y, wall.to.y) ||
        place.y > Math.max(wall.from.y, wall.to.y) ||
        origin.z > Math.max(wall.from.z, wall.to.z);
      const way = abaft ? -1 : 1;
      const square: Axes = { u: { x: 0, y: 0, z: -way }, v: { x: 0, y: 1, z: 0 }, w: { x: way, y: 0, z: 0 } };
      return { origin, ...square, surface: wall.name, wall: aft - fore, off };
    }
    case 'side': {
      const origin = hull.sidePoint(place.x, place.side, place.down);
      const off = place.x < 0 || place.x > hull.length;
      const { aft, across, normal } = tangentsAt(sidePatch(hull, place.side), origin);
      return { origin, u: aft, v: across, w: normal, surface: `${place.side} side`, wall: model.wall, off };
    }
  }
}

/** The top of a rail at x; its nearer end beyond them. */
export function onRail(rail: Rail, x: number): Point {
  const { from, to } = rail;
  const t = to.x === from.x ? 0 : Math.min(1, Math.max(0, (x - from.x) / (to.x - from.x)));
  const at = (k: 'x' | 'y' | 'z'): number => from[k] + t * (to[k] - from[k]);
  return { x: t > 0 && t < 1 ? x : at('x'), y: at('y'), z: at('z') + rail.diameter / 2 };
}

/** Carries a point of the frame to hull coordinates. */
export const toHull = ({ origin, u: a, v: b, w: c }: Frame, u: number, v: number, w: number): Point => ({
  x: origin.x + u * a.x + v * b.x + w * c.x,
  y: origin.y + u * a.y + v * b.y + w * c.y,
  z: origin.z + u * a.z + v * b.z + w * c.z,
});

/** A solid standing on the hull: its outline in plan and the heights it fills. */
export interface Body {
  readonly name: string;
  /** The box itself, in its true pose; outline and heights are its shadow. Left out for what is no box. */
  readonly box?: PosedBox;
  /** Its outline in plan, convex, corners in order. */
  readonly outline: readonly (readonly [number, number])[];
  readonly bottom: number;
  readonly top: number;
}

/** A square in plan about a point, for what is slim or round. */
export const squareAt = (x: number, y: number, half: number): Body['outline'] => [
  [x - half, y - half],
  [x + half, y - half],
  [x + half, y + half],
  [x - half, y + half],
];

/** The middle of a body in plan: the mean of its corners. */
export function middleOf({ outline }: Pick<Body, 'outline'>): { x: number; y: number } {
  const mean = (axis: 0 | 1): number => outline.reduce((sum, p) => sum + p[axis], 0) / outline.length;
  return { x: mean(0), y: mean(1) };
}

/** A box as a body; its outline is drawn when it is first asked for. */
export function bodyOfBox(name: string, box: PosedBox): Body {
  const [bottom, top] = extentOfBox(box, 'z');
  let drawn: Body['outline'] | undefined;
  return {
    name,
    box,
    bottom,
    top,
    get outline() {
      return (drawn ??= outlineOfBox(box));
    },
  };
}

/** A slim square bar from one point to another: a rod, a line, a bundle of wire. @param half half its thickness, mm */
export function slimBody(from: Point, to: Point, half: number, name = 'line'): Body {
  const long = distance(from, to) || 1;
  const w = { x: (to.x - from.x) / long, y: (to.y - from.y) / long, z: (to.z - from.z) / long };
  const flat = Math.hypot(w.x, w.y);
  const u = flat < 1e-9 ? { x: 1, y: 0, z: 0 } : { x: -w.y / flat, y: w.x / flat, z: 0 };
  const middle = { x: (from.x + to.x) / 2, y: (from.y + to.y) / 2, z: (from.z + to.z) / 2 };
  return bodyOfBox(name, { middle, axes: [u, cross(w, u), w], half: [half, half, long / 2] });
}

/** A direction of the frame in hull coordinates. */
export const directed = ({ u, v, w }: Axes, d: Point): Point => ({
  x: d.x * u.x + d.y * v.x + d.z * w.x,
  y: d.x * u.y + d.y * v.y + d.z * w.y,
  z: d.x * u.z + d.y * v.z + d.z * w.z,
});

/** A box of a frame as a body, raised by `lift`. */
export function bodyOf(
  frame: Frame,
  solid: Readonly<Omit<Solid, 'u' | 'v' | 'w'>> & Readonly<Record<'u' | 'v' | 'w', readonly [number, number]>>,
  lift: number,
): Body {
  const mean = ([a, b]: readonly [number, number]): number => (a + b) / 2;
  const half = ([a, b]: readonly [number, number]): number => (b - a) / 2;
  return bodyOfBox(solid.name, {
    middle: toHull(frame, mean(solid.u), mean(solid.v), mean(solid.w) + lift),
    axes: [frame.u, frame.v, frame.w],
    half: [half(solid.u), half(solid.v), half(solid.w)],
  });
}

/** The way a recess goes in, in its part's frame: leaning aft above the surface it runs forward below it. */
export function recessAxis({ lean, out }: Recess): Point {
  const [l, o] = [(lean * Math.PI) / 180, (out * Math.PI) / 180];
  return { x: -Math.sin(l) * Math.cos(o), y: Math.sin(l) * Math.sin(o), z: -Math.cos(l) };
}

/** What of a recessed part lies under its surface: a square about its tube, leaning as that does. */
function boreOf(frame: Frame, recess: Recess, lift: number): Body {
  const { bore, deep } = recess;
  const down = recessAxis(recess);
  const o = (recess.out * Math.PI) / 180;
  const across = { x: Math.sin(o), y: Math.cos(o), z: 0 };
  const along = {
    x: down.y * across.z - down.z * across.y,
    y: down.z * across.x - down.x * across.z,
    z: down.x * across.y - down.y * across.x,
  };
  return bodyOfBox('below the deck', {
    middle: toHull(frame, (down.x * deep) / 2, (down.y * deep) / 2, (down.z * deep) / 2 + lift),
    axes: [directed(frame, along), directed(frame, across), directed(frame, down)],
    half: [bore / 2, bore / 2, deep / 2],
  });
}

/** A rod standing in a tube: from its butt to its tip, leaving the tube at its mouth. */
export interface Rod {
  readonly butt: Point;
  readonly mouth: Point;
  readonly tip: Point;
}

/** A rod from the mouth of its tube to its tip, in pieces so short that their boxes are as good as the rod, as bodies. */
export function rodBodies({ mouth, tip }: Rod): Body[] {
  const pieces = Math.max(1, Math.ceil(distance(mouth, tip) / ROD_PIECE));
  const at = (i: number): Point => {
    const t = i / pieces;
    return { x: mouth.x + t * (tip.x - mouth.x), y: mouth.y + t * (tip.y - mouth.y), z: mouth.z + t * (tip.z - mouth.z) };
  };
  return Array.from({ length: pieces }, (_, i) => slimBody(at(i), at(i + 1), ROD_HALF, 'rod'));
}
/** A rod is looked at piece by piece, and is so thick with its rings, half, mm (judgement). */
const ROD_PIECE = 60;
const ROD_HALF = 8;

/** A fitting put on the hull: part, frame and the bodies it fills. */
export interface Placed {
  readonly id: string;
  readonly fitting: Fitting;
  /** Where it stands here: its own place, or the one it takes in a set. */
  readonly place: Place;
  readonly part: Part;
  readonly frame: Frame;
  readonly bodies: readonly Body[];
  readonly rods: readonly Rod[];
  /** The fitting it stands on. */
  readonly below?: Placed;
}

/** How often a fitting is used: as this rig says, else as its part usually is. What it weighs, sweeps and snags does not hang on it. */
export const usedHow = ({ fitting, part }: Pick<Placed, 'fitting' | 'part'>): Part['use']['often'] =>
  fitting.often ?? part.use.often;

/** Whether a fitting comes off for the road: as this rig says, else as its part does. */
export const comesOff = ({ fitting, part }: Pick<Placed, 'fitting' | 'part'>): boolean => fitting.comesOff ?? part.use.comesOff;

/** The post under a raised fitting stands in the way like anything else (judgement: 40 mm square). */
const RISER = { name: 'riser', u: [-20, 20], v: [-20, 20] } as const satisfies Omit<Solid, 'w'>;
/** Tubes of one holder stand side by side, so far apart (common practice, no source), mm. */
const TUBES_APART = 80;
/** A holder on the side stands its tube so far off the wall (judgement), mm. */
const OFF_WALL = 40;

export interface Placing {
  readonly place?: Place;
  readonly below?: Placed;
  readonly rodLength?: number;
}

/** Places one fitting; undefined when its part or place does not exist. */
export function placeFitting(
  hull: HullSurface,
  id: string,
  fitting: Fitting,
  sold: Part | undefined,
  { place = fitting.place, below, rodLength = 0 }: Placing = {},
): Placed | undefined {
  const own = frameOf(hull, place, below, sold?.body);
  if (!own || !sold) return undefined;
  const twin = place.on === 'track' && sold.body.bridges ? twinTrack(hull.model, place) : undefined;
  const frame = twin ? { ...own, ...LEVEL, origin: twin.middle } : own;
  const part = twin ? bridged(sold, twin.apart) : sold;
  const bodies = part.body.solids.map((s) => bodyOf(frame, s, fitting.lift));
  if (part.body.recess) bodies.push(boreOf(frame, part.body.recess, fitting.lift));
  if (fitting.lift > 0) bodies.push(bodyOf(frame, { ...RISER, w: [0, fitting.lift] }, 0));
  return { id, fitting, place, part, frame, bodies, rods: rodsOf(frame, place, fitting, part, rodLength), below };
}

function rodsOf(frame: Frame, place: Place, fitting: Fitting, part: Part, length: number): Rod[] {
  const { rods } = part;
  // No rod stands in what is left unused.
  if (!rods || length <= 0 || fitting.becomes?.is === 'left') return [];
  const lean = ((rods.lean + (fitting.lean ?? 0)) * Math.PI) / 180;
  const out = (rods.out * Math.PI) / 180;
  // On the hull's side a holder still stands upright: its rods lean off the vertical, not off the wall.
  const onSide = place.on === 'side';
  const starboard = onSide ? { x: 0, y: 1, z: 0 } : frame.v;
  const component = (k: 'x' | 'y' | 'z'): number =>
    Math.sin(lean) * Math.cos(out) * frame.u[k] -
    Math.sin(lean) * Math.sin(out) * starboard[k] +
    (k === 'z' ? Math.cos(lean) : 0);
  const along = { x: component('x'), y: component('y'), z: component('z') };
  return Array.from({ length: rods.count }, (_, i): Rod => {
    const v = (i - (rods.count - 1) / 2) * TUBES_APART;
    const foot = onSide ? toHull(frame, v, 0, OFF_WALL) : toHull(frame, 0, v, fitting.lift);
    const at = (far: number): Point => ({
      x: foot.x + along.x * far,
      y: foot.y + along.y * far,
      z: foot.z - rods.butt + along.z * far,
    });
    return { butt: at(0), mouth: at(rods.depth), tip: at(length) };
  });
}

/** Whether one fitting stands on the other, or on something that does. */
export function standsOn(above: Placed, below: Placed): boolean {
  for (let next = above.below; next; next = next.below) if (next.id === below.id) return true;
  return false;
}

/** Bow to stern, then port to starboard: the order of every list. */
export const bowToStern = (a: { frame: Frame; id: string }, b: { frame: Frame; id: string }): number =>
  a.frame.origin.x - b.frame.origin.x || a.frame.origin.y - b.frame.origin.y || (a.id < b.id ? -1 : 1);
