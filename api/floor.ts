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
  outline: z.int().describe('which of the outlines'),
  place: floorPlaceSchema,
  promised: z.string().nullable(),
  progress: progressSchema,
});

/** A rig in the list of all. */
const listedRigSchema = rigSummarySchema.omit({ outline: true, progress: true }).extend({ next: z.string() });
const rigListSchema = z.object({ today: z.string(), rigs: z.array(listedRigSchema) });

const outlineSchema = z.array(z.tuple([z.number(), z.number()])).describe('x and half-breadth along a hull, mm');

export const floorSchema = z.object({
  shop: z.string(),
  today: z.string(),
  rigs: z.array(rigSummarySchema),
  /** Of the hulls of these rigs, each once. */
  outlines: z.array(outlineSchema),
});

export type FloorPlace = z.infer<typeof floorPlaceSchema>;
export type Progress = z.infer<typeof progressSchema>;
export type RigSummary = z.infer<typeof rigSummarySchema>;
export type Floor = z.infer<typeof floorSchema>;
export type ListedRig = z.infer<typeof listedRigSchema>;
export type RigList = z.infer<typeof rigListSchema>;

/** Rigs as they lie, and as a list. */
export const FLOOR_ROUTES = {
  floor: route({
    method: 'GET',
    path: '/api/floor',
    who: STAFF,
    says: 'Every rig in the shop where it lies, and those last handed over',
    answer: floorSchema,
  }),
  rigs: route({ method: 'GET', path: '/api/rigs', who: STAFF, says: 'Every rig there is', answer: rigListSchema }),
} as const;
