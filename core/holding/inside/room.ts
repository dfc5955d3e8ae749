import { distanceToSegment, liesIn, type BoxedHazard, type HullSurface, type Room } from '../../boat/hull';
import { boxOverlap, extentOfBox, rimOf, type Body, type Placed, type PosedBox, type Upright } from '../../layout';
import { dot, type Point } from '../../base/units';

/** What a thing inside stands into, and how far, mm. */
export interface Trespass {
  readonly by: number;
  readonly into: string;
}

/** Less than this only touches, mm. */
const TOUCH = 0.5;

/** The room a placed thing stands in, itself or on what stands there; undefined for what is not inside. */
export function roomAbout(hull: HullSurface, placed: Placed): Room | undefined {
  let at: Placed | undefined = placed;
  while (at && at.place.on !== 'space') at = at.below;
  return at?.place.on === 'space' ? hull.rooms.get(at.place.space) : undefined;
}

/** The id of that room; null for what is not inside. */
export const roomIdOf = (hull: HullSurface, placed: Placed): string | null => roomAbout(hull, placed)?.space.id ?? null;

/** Whether a thing stands inside the hull. */
export const isInside = (placed: Placed): boolean =>
  placed.place.on === 'space' || placed.place.on === 'bulkhead' || (placed.below !== undefined && isInside(placed.below));

/** The room under a point of the plan: the smallest of those that lie there. */
export function roomAt(hull: HullSurface, at: { readonly x: number; readonly y: number }): Room | undefined {
  const size = ({ space: s }: Room): number => (s.aft - s.fore) * (s.starboard - s.port);
  return [...hull.rooms.values()].filter(({ space: s }) => !s.worn && liesIn(s, at.x, at.y)).sort((a, b) => size(a) - size(b))[0];
}

/** How far towards the centre line the foot of a line must come to stand over the floor there, mm. */
function intoTheSide({ floor }: Room, { x, y, low }: Upright): number {
  let [free, met] = [0, Math.abs(y)];
  const high = low + TOUCH;
  if (floor(x, 0) > high) return met;
  while (met - free > 0.1) {
    const middle = (free + met) / 2;
    if (floor(x, middle) > high) met = middle;
    else free = middle;
  }
  return Math.abs(y) - free;
}

/** How far a line stands into the walls, the floor or the ceiling of a room. */
function wallAt(room: Room, p: Upright): Trespass | null {
  const { space } = room;
  const ends: Trespass[] = [
    { by: Math.max(space.fore - p.x, p.x - space.aft), into: `the end of the ${space.name}` },
    { by: Math.max(space.port - p.y, p.y - space.starboard), into: `the side of the ${space.name}` },
    { by: p.high - room.ceiling(p.x, p.y), into: space.top === undefined ? 'the deck over it' : `the top of the ${space.name}` },
  ];
  const under = room.floor(p.x, p.y) - p.low;
  if (under > TOUCH) ends.push({ by: Math.min(under, space.moulded ? Infinity : intoTheSide(room, p)), into: 'the hull itself' });
  return worst(ends);
}

const worst = (all: readonly Trespass[]): Trespass | null =>
  all.reduce<Trespass | null>((most, one) => (one.by > TOUCH && one.by > (most?.by ?? 0) ? one : most), null);

/** How far what fills the hull reaches into a box, mm. */
function hazardIn(box: PosedBox, { hazard, from, to }: BoxedHazard): number {
  for (const k of ['x', 'y', 'z'] as const) {
    const [low, high] = extentOfBox(box, k);
    if (low > to[k] || high < from[k]) return 0;
  }
  if (hazard.shape === 'box') {
    const half = (k: 'x' | 'y' | 'z'): number => (to[k] - from[k]) / 2;
    const middle = { x: from.x + half('x'), y: from.y + half('y'), z: from.z + half('z') };
    const axes = [
      { x: 1, y: 0, z: 0 },
      { x: 0, y: 1, z: 0 },
      { x: 0, y: 0, z: 1 },
    ] as const;
    return boxOverlap(box, { middle, axes, half: [half('x'), half('y'), half('z')] });
  }
  let nearest = Infinity;
  hazard.path.forEach((a, i) => {
    const b = hazard.path[i + 1];
    if (b) nearest = Math.min(nearest, fromBox(box, a, b));
  });
  return Math.max(0, hazard.radius - nearest);
}

/** How closely a tube is followed, mm. */
const ALONG_A_TUBE = 4;

/** The least distance of a straight piece of tube from a box, mm; nought inside. */
function fromBox({ middle, axes, half }: PosedBox, a: Point, b: Point): number {
  const reach = Math.hypot(...half);
  if (distanceToSegment(middle, a, b) > reach + 100) return Infinity;
  const n = Math.max(1, Math.ceil(Math.hypot(b.x - a.x, b.y - a.y, b.z - a.z) / ALONG_A_TUBE));
  let least = Infinity;
  for (let i = 0; i <= n; i++) {
    const t = i / n;
    const off = {
      x: a.x + t * (b.x - a.x) - middle.x,
      y: a.y + t * (b.y - a.y) - middle.y,
      z: a.z + t * (b.z - a.z) - middle.z,
    };
    const beyond = axes.map((axis, k) => Math.max(0, Math.abs(dot(axis, off)) - (half[k] as number)));
    least = Math.min(least, Math.hypot(...beyond));
  }
  return least;
}

/** The boxes of what is placed. */
export const boxesOf = ({ bodies }: { readonly bodies: readonly Body[] }): PosedBox[] => bodies.flatMap((b) => b.box ?? []);

/** Everything a thing stands into, found one after another. */
function* met(hull: HullSurface, room: Room, bodies: readonly Body[]): Generator<Trespass> {
  for (const box of boxesOf({ bodies })) {
    for (const p of rimOf(box)) {
      const wall = wallAt(room, p);
      if (wall) yield wall;
    }
    for (const boxed of hull.hazards) {
      const by = hazardIn(box, boxed);
      if (by > TOUCH) yield { by, into: boxed.hazard.name };
    }
  }
}

/** How far a thing stands into the walls of its room, or into what fills the hull there; null when it fits. */
export const trespassOf = (hull: HullSurface, room: Room, bodies: readonly Body[]): Trespass | null =>
  worst([...met(hull, room, bodies)]);

/** Whether it fits: the first that it stands into is enough. */
export const fitsIn = (hull: HullSurface, room: Room, bodies: readonly Body[]): boolean =>
  met(hull, room, bodies).next().done === true;
