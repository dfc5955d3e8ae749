import { z } from 'zod';
import { calculation, SOURCES } from '../base/units';
import { fairHull, hullModelSchema } from '../boat/hull';
import { planOverlap } from './overlap';
import { reachOf } from './reach';
import { floorGrid, standingRoom } from './standing';
import { BODY } from './paddler';

const outline = z
  .array(z.tuple([z.number(), z.number()]))
  .min(3)
  .max(64);

export const outlineOverlap = calculation(
  'outline-overlap',
  'The shortest slide that parts two convex outlines',
  z.strictObject({ a: outline, b: outline }),
  [SOURCES.closedForm],
  ({ a, b }) => ({ mm: planOverlap(a, b) }),
);

export const bodyLengths = calculation(
  'body-lengths',
  'Body lengths from stature',
  z.strictObject({ stature: z.number().min(1000).max(2300) }),
  [SOURCES.bodies],
  ({ stature }) => Object.fromEntries(Object.entries(BODY).map(([name, fraction]) => [name, fraction * stature])),
);

const point = z.strictObject({ x: z.number(), y: z.number(), z: z.number() });

export const reachFromSeat = calculation(
  'reach-from-seat',
  'How a point is reached from the seat, and by how much it is beyond the hand',
  z.strictObject({
    stature: z.number().min(1000).max(2300),
    seatX: z.number().min(0).max(9000),
    seatZ: z.number().min(0).max(2000),
    point,
  }),
  [SOURCES.bodies],
  ({ point: at, ...paddler }) => reachOf(paddler, at),
);

export const roomToStand = calculation(
  'room-to-stand',
  'The largest clear, level deck of an empty hull',
  z.strictObject({ hull: hullModelSchema }),
  [SOURCES.closedForm],
  ({ hull }) => {
    const grid = floorGrid(fairHull(hull));
    const room = grid && standingRoom(grid, []);
    return room ? { ...room, disc: room.disc() } : null;
  },
);
