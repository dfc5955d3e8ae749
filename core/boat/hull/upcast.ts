import { isObject } from '../../base/stored';
import type { HullModel } from './schema';

/** What moves on a hull of before: a drive was known by its name alone. */
const toldApart = (moving: unknown): unknown =>
  isObject(moving) && moving.drives === undefined && typeof moving.name === 'string' && /drive/i.test(moving.name)
    ? { ...moving, drives: true }
    : moving;

/** A compartment of before as a room of the same middle and litres: nobody had measured its floor. */
function roomOf(compartment: unknown): unknown {
  if (!isObject(compartment) || !isObject(compartment.opening)) return compartment;
  const { x, y, height, opening, ...rest } = compartment;
  const [at, across, over] = [x as number, y as number, height as number];
  const [long, wide] = [opening.long as number, opening.wide as number];
  const deep = (1e6 * (rest.litres as number)) / Math.max(1, long * wide);
  return {
    ...rest,
    fore: at - long / 2,
    aft: at + long / 2,
    port: across - wide / 2,
    starboard: across + wide / 2,
    floor: over - deep / 2,
    top: over + deep / 2,
    moulded: true,
    hatches: [],
  };
}

/** Tie points of before stood in their rooms; they are the hull's. */
function tiesOf(spaces: unknown): { spaces: unknown; ties: readonly unknown[] } {
  if (!Array.isArray(spaces)) return { spaces, ties: [] };
  const parted = spaces.map((space: unknown) => {
    if (!isObject(space) || !Array.isArray(space.ties)) return { space, ties: [] };
    const { ties, ...rest } = space;
    return { space: rest, ties: ties.map((tie: unknown) => (isObject(tie) ? { ...tie, room: rest.id } : tie)) };
  });
  return { spaces: parted.map((p) => p.space), ties: parted.flatMap((p) => p.ties) };
}

/** A stored hull of any version as one of this version; anything else is left for the schema to refuse. */
export function upcastHull(stored: unknown): HullModel {
  if (!isObject(stored)) return stored as unknown as HullModel;
  const { compartments, spaces: rooms, ...hull } = stored;
  const { spaces, ties } = tiesOf(Array.isArray(compartments) ? compartments.map(roomOf) : rooms);
  return {
    ...hull,
    ...(Array.isArray(hull.moving) ? { moving: hull.moving.map(toldApart) } : {}),
    ...(spaces === undefined ? {} : { spaces }),
    ...(ties.length ? { ties } : {}),
  } as unknown as HullModel;
}
