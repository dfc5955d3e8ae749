import type { Part } from '../parts/parts';
import { deckPatch, insideBottom, sidePatch, tangentsAt, type HullSurface, type Rail } from '../boat/hull';
import type { Fitting, Place } from '../rig';
import { type Point } from '../base/units';
import { bridged, twinTrack } from './bridge';
import { frameInRoom } from './in-room';
import { type Axes, type Placed, type Frame, type Rod } from './placed';
import { toHull, bodyOf, boreOf, RISER } from './bodies';

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

type On<K extends Place['on']> = Extract<Place, { on: K }>;

/** What a frame on some place is made from. */
interface Standing<P extends Place> {
  readonly hull: HullSurface;
  readonly place: P;
  /** The fitting it stands on, when it stands on one. */
  readonly below: Placed | undefined;
  /** What stands there: in a room it is that which the floor carries. */
  readonly body: Part['body'] | undefined;
}

/** Level on something of the hull that has a place of its own. */
const level = (
  there: { readonly name: string; readonly x: number; readonly y: number; readonly height: number },
  heading: number,
  wall: number,
): Frame => ({
  ...{ origin: { x: there.x, y: there.y, z: there.height }, ...axes(heading) },
  ...{ surface: there.name, wall, off: false },
});

/** On a bulkhead a rigger works from the side of the seat. */
function onBulkhead({ hull, place }: Standing<On<'bulkhead'>>): Frame | undefined {
  const wall = hull.model.hazards.find((h) => h.id === place.bulkhead);
  if (wall?.shape !== 'box') return undefined;
  const [fore, aft] = [Math.min(wall.from.x, wall.to.x), Math.max(wall.from.x, wall.to.x)];
  const abaft = (fore + aft) / 2 > hull.model.seat.x;
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

function onFitting({ place, below }: Standing<On<'fitting'>>): Frame | undefined {
  if (!below) return undefined;
  const origin = toHull(below.frame, place.u, place.v, standsAt(below.part, place.u, place.v) + below.fitting.lift);
  // What is held on a side stands level on it all the same.
  const turned = 'heading' in below.place ? below.place.heading : 0;
  const upon = below.frame.w.z > 0.5 ? turn(below.frame, place.heading) : axes(turned + place.heading);
  const { name, body } = below.part;
  return { origin, ...upon, surface: name, wall: body.base.thickness, off: below.frame.off };
}

/** The frame of each kind of place. */
const FRAMES: { readonly [K in Place['on']]: (standing: Standing<On<K>>) => Frame | undefined } = {
  deck: ({ hull, place }) => {
    const spot = hull.spot(place.x, place.y);
    const origin = { x: place.x, y: place.y, z: spot.z };
    const { aft, across, normal } = tangentsAt(deckPatch(hull, place.x, place.y), origin);
    const turned = turn({ u: aft, v: across, w: normal }, place.heading);
    return { origin, ...turned, surface: spot.name, wall: spot.wall, off: spot.off };
  },
  track: ({ hull: { model }, place }) => {
    const track = model.tracks.find((t) => t.id === place.track);
    const off = !!track && (place.x < track.fore || place.x > track.aft);
    return track && { ...level({ ...track, x: place.x }, place.heading, model.wall), off };
  },
  insert: ({ hull: { model }, place }) => {
    const insert = model.inserts.find((i) => i.id === place.insert);
    return insert && level(insert, place.heading, model.wall);
  },
  plate: ({ hull: { model }, place }) => {
    const plate = model.plates?.find((p) => p.id === place.plate);
    return plate && level(plate, place.heading, model.wall);
  },
  rail: ({ hull: { model }, place }) => {
    const rail = model.rails?.find((r) => r.id === place.rail);
    if (!rail) return undefined;
    const origin = onRail(rail, place.x);
    return { origin, ...axes(place.heading), surface: rail.name, wall: 0, off: origin.x !== place.x };
  },
  scupper: ({ hull, place }) => {
    const scupper = hull.model.scuppers.find((s) => s.id === place.scupper);
    if (!scupper) return undefined;
    const spot = hull.spot(scupper.x, scupper.y);
    return level({ ...scupper, name: `scupper in the ${spot.name}`, height: spot.z }, place.heading, spot.wall);
  },
  fitting: onFitting,
  space: ({ hull, place, body }) => frameInRoom(hull, place, axes(place.heading), body),
  bulkhead: onBulkhead,
  side: ({ hull, place }) => {
    const origin = hull.sidePoint(place.x, place.side, place.down);
    const off = place.x < 0 || place.x > hull.length;
    const { aft, across, normal } = tangentsAt(sidePatch(hull, place.side), origin);
    return { origin, u: aft, v: across, w: normal, surface: `${place.side} side`, wall: hull.model.wall, off };
  },
};

/**
 * The frame of a place on the hull.
 *
 * @param below the fitting it stands on, when it stands on one
 * @param body what stands there: in a room it is that which the floor carries
 * @returns undefined when the hull has no such track, insert or scupper, or there is no such fitting
 */
export const frameOf = (hull: HullSurface, place: Place, below?: Placed, body?: Part['body']): Frame | undefined =>
  (FRAMES[place.on] as (standing: Standing<Place>) => Frame | undefined)({ hull, place, below, body });

/** The top of a rail at x; its nearer end beyond them. */
export function onRail(rail: Rail, x: number): Point {
  const { from, to } = rail;
  const t = to.x === from.x ? 0 : Math.min(1, Math.max(0, (x - from.x) / (to.x - from.x)));
  const at = (k: 'x' | 'y' | 'z'): number => from[k] + t * (to[k] - from[k]);
  return { x: t > 0 && t < 1 ? x : at('x'), y: at('y'), z: at('z') + rail.diameter / 2 };
}
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
