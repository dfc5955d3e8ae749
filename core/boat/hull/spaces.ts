import type { Point } from '../../base/units';
import type { Hatch, Space } from './schema';
import type { HullSurface } from './hull-surface';
import { type Room } from './room';

/** How a wall lies where it is looked at: flat, then steeper by 15° to upright, outward. */
const SLOPES = [0, 15, 30, 45, 60, 75, 90].map((degrees) => (degrees * Math.PI) / 180);
/** Places a section is drawn through, closer towards the keel. */
const DRAWN = 96;

/** The inside of the hull's skin at one station. */
export interface Skin {
  /** So far from the centre line it stands upright: the wall itself, mm; nought where there is no hull. */
  readonly edge: number;
  /** Its height at a distance from the centre line, mm over the lowest keel point; Infinity at the wall. */
  height(y: number): number;
}

const NO_HULL: Skin = { edge: 0, height: () => Infinity };

/**
 * The inside of the hull's skin at one station: as low as a ball of the wall's thickness lies everywhere over the outside.
 * The outside is drawn by chords, which lie a hair high.
 */
export function skinAt(hull: HullSurface, x: number): Skin {
  const section = hull.section(x);
  if (!section) return NO_HULL;
  const { wall } = hull.model;
  const { keel, gunwale } = section;
  const heights = Array.from({ length: DRAWN + 1 }, (_, k) => keel + (gunwale - keel) * (k / DRAWN) ** 2);
  const halves = heights.map((z) => section.halfWidth(z));
  const outside = (off: number): number => {
    if (off >= (halves[DRAWN] as number)) return Infinity;
    let [low, high] = [0, DRAWN];
    while (high - low > 1) {
      const middle = (low + high) >> 1;
      if ((halves[middle] as number) > off) high = middle;
      else low = middle;
    }
    const [a, b] = [halves[low] as number, halves[high] as number];
    const t = b > a ? Math.max(0, off - a) / (b - a) : 1;
    return (heights[low] as number) + t * ((heights[high] as number) - (heights[low] as number));
  };
  return {
    edge: Math.max(0, (halves[DRAWN] as number) - wall),
    height(y) {
      let most = -Infinity;
      for (const slope of SLOPES) {
        const z = outside(Math.abs(y) + wall * Math.sin(slope)) + wall * Math.cos(slope);
        if (z > most) most = z;
      }
      return most;
    },
  };
}

/** The height of the inside of the bottom on the centre line, mm over the lowest keel point: what a rule inside stands on. */
export const insideBottom = (hull: HullSurface, x: number): number => skinAt(hull, x).height(0);

/** A room's floor is looked up at so many mm: straight between, which lies a hair high where the hull is round. */
const GRID = 10;

const upTo = (most: number, t: number): number => Math.min(most, Math.max(0, t));

/** The floor of an area of the hull's inside, as a table made when it is first asked; beyond the area it goes on level. */
function floorTable(hull: HullSurface, { fore, aft, port, starboard }: Space): (x: number, y: number) => number {
  const [along, across] = [Math.max(1, Math.ceil((aft - fore) / GRID)), Math.max(1, Math.ceil((starboard - port) / GRID))];
  const [dx, dy] = [(aft - fore) / along, (starboard - port) / across];
  let made: { readonly skins: readonly Skin[]; readonly heights: Float64Array } | undefined;
  const make = (): NonNullable<typeof made> => {
    const skins = Array.from({ length: along + 1 }, (_, i) => skinAt(hull, fore + i * dx));
    const rows = skins.map((skin) => Array.from({ length: across + 1 }, (_, j) => skin.height(port + j * dy)));
    return { skins, heights: Float64Array.from(rows.flat()) };
  };
  return (x, y) => {
    const { skins, heights } = (made ??= make());
    const [u, v] = [upTo(along, (x - fore) / dx), upTo(across, (y - port) / dy)];
    const [i, j] = [Math.min(along - 1, Math.floor(u)), Math.min(across - 1, Math.floor(v))];
    const at = (k: number, l: number): number => heights[k * (across + 1) + l] as number;
    const [s, t] = [u - i, v - j];
    const one = at(i, j) + t * (at(i, j + 1) - at(i, j));
    const other = at(i + 1, j) + t * (at(i + 1, j + 1) - at(i + 1, j));
    const height = one + s * (other - one);
    return Number.isFinite(height) ? height : between(skins[i] as Skin, skins[i + 1] as Skin, s, port + v * dy);
  };
}

/** The height close to the wall, between two sections: as far out in each as there, by the breadth it has there. */
function between(before: Skin, after: Skin, s: number, y: number): number {
  const edge = before.edge + s * (after.edge - before.edge);
  if (Math.abs(y) >= edge) return Infinity;
  const [one, other] = [before.height((y / edge) * before.edge), after.height((y / edge) * after.edge)];
  return Number.isFinite(one) && Number.isFinite(other) ? one + s * (other - one) : Infinity;
}

/** Cells a room is measured by, mm. */
const CELL = 20;

/** The rooms of a hull by their ids. What they hold is worked out when it is first asked for. */
export const roomsOf = (hull: HullSurface): ReadonlyMap<string, Room> =>
  new Map(hull.model.spaces?.map((space) => [space.id, roomOf(hull, space)]));

function roomOf(hull: HullSurface, space: Space): Room {
  const skin = floorTable(hull, space);
  const own = space.floor ?? -Infinity;
  const floor = (x: number, y: number): number => (space.moulded ? own : Math.max(own, skin(x, y)));
  const ceiling = (x: number, y: number): number => {
    if (space.moulded && space.top !== undefined) return space.top;
    const { z, wall } = hull.spot(x, y);
    return Math.min(space.top ?? Infinity, z - wall);
  };
  let measured: { litres: number; middle: Point } | undefined;
  const measure = (): { litres: number; middle: Point } => (measured ??= measureRoom(hull, space, { floor, ceiling }));
  return {
    space,
    hatches: hull.model.hatches.filter((h) => space.hatches.includes(h.id)),
    floor,
    ceiling,
    get litres() {
      return space.litres ?? measure().litres;
    },
    get middle() {
      return boxed(space) ?? measure().middle;
    },
  };
}

/** The middle of a room with square walls of its own, between its floor and its own ceiling. */
const boxed = ({ moulded, floor, top, fore, aft, port, starboard }: Space): Point | null =>
  moulded && floor !== undefined && top !== undefined
    ? { x: (fore + aft) / 2, y: (port + starboard) / 2, z: (floor + top) / 2 }
    : null;

function measureRoom(
  hull: HullSurface,
  { fore, aft, port, starboard }: Space,
  { floor, ceiling }: Pick<Room, 'floor' | 'ceiling'>,
): { litres: number; middle: Point } {
  const [across, along] = [Math.ceil((starboard - port) / CELL), Math.ceil((aft - fore) / CELL)];
  const [dx, dy] = [(aft - fore) / along, (starboard - port) / across];
  let [all, sx, sy, sz] = [0, 0, 0, 0];
  const take = (x: number, y: number, low: number, high: number, sign = 1): void => {
    const size = sign * Math.max(0, high - low) * dx * dy;
    all += size;
    sx += size * x;
    sy += size * y;
    if (size) sz += (size * (low + high)) / 2;
  };
  for (let i = 0; i < along; i++)
    for (let j = 0; j < across; j++) {
      const [x, y] = [fore + (i + 0.5) * dx, port + (j + 0.5) * dy];
      const [low, high] = [floor(x, y), ceiling(x, y)];
      if (high <= low) continue;
      take(x, y, low, high);
      for (const { from, to, hazard } of hull.hazards)
        if (hazard.shape === 'box' && x > from.x && x < to.x && y > from.y && y < to.y)
          take(x, y, Math.max(low, from.z), Math.min(high, to.z), -1);
    }
  return all > 0
    ? { litres: all / 1e6, middle: { x: sx / all, y: sy / all, z: sz / all } }
    : { litres: 0, middle: { x: (fore + aft) / 2, y: (port + starboard) / 2, z: 0 } };
}

/** The middle of an opening. */
export const mouthOf = ({ fore, aft, port, starboard, height }: Hatch): Point => ({
  x: (fore + aft) / 2,
  y: (port + starboard) / 2,
  z: height,
});

/** The clear opening of a hatch: its shape, and its sides along and across the boat, mm. */
export function clearOf({ fore, aft, port, starboard, opens, shape = 'rectangle' }: Hatch): {
  readonly shape: 'rectangle' | 'circle' | 'stadium';
  readonly along: number;
  readonly across: number;
} {
  const [long, wide] = [aft - fore, starboard - port];
  if (shape === 'circle') return { shape, along: opens, across: opens };
  const rim = Math.max(0, (Math.min(long, wide) - opens) / 2);
  return { shape, along: long - 2 * rim, across: wide - 2 * rim };
}
