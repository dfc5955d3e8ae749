import { z } from 'zod';
import { STAFF, route } from './route';

const FLOOR_PLACES = ['bench 1', 'bench 2', 'curing rack', 'yard', "owner's move", 'handed over', 'set aside'] as const;

export const floorPlaceSchema = z.enum(FLOOR_PLACES);

const progressSchema = z.object({
  done: z.int(),
  total: z.int(),
  next: z.string(),
  /** Unsettled findings by step. */
  toSettle: z.record(z.string(), z.int()),
  stops: z.int(),
});

const rigSummarySchema = z.object({
  id: z.string(),
  number: z.string(),
  title: z.string(),
  owner: z.string(),
  hull: z.string(),
  outline: z.array(z.tuple([z.number(), z.number()])).describe('x and half-breadth along the hull, mm'),
  place: floorPlaceSchema,
  promised: z.string().nullable(),
  progress: progressSchema,
});

export const floorSchema = z.object({ shop: z.string(), today: z.string(), rigs: z.array(rigSummarySchema) });

export type FloorPlace = z.infer<typeof floorPlaceSchema>;
export type Progress = z.infer<typeof progressSchema>;
export type RigSummary = z.infer<typeof rigSummarySchema>;
export type Floor = z.infer<typeof floorSchema>;

/** Every rig where it lies. */
export const FLOOR_ROUTES = {
  floor: route({ method: 'GET', path: '/api/floor', who: STAFF, says: 'Every rig where it lies', answer: floorSchema }),
} as const;
