import { stockSchema } from '@plain-cleat/core/parts/catalog';
import { z } from 'zod';
import { STAFF, route } from './route';

const lengthSchema = z.object({ id: z.string(), rig: z.string(), stock: z.string(), says: z.string(), length: z.number() });
const remnantSchema = z.object({ id: z.string(), stock: z.string(), length: z.number(), width: z.number() });

/** All the shop has to cut, what from, and what lies on the shelf. */
export const cutsSchema = z.object({
  stocks: z.array(stockSchema),
  bars: z.array(lengthSchema),
  reels: z.array(lengthSchema).describe('wires and cords, each off the reel that its stock names'),
  plates: z.array(
    z.object({
      id: z.string(),
      rig: z.string(),
      says: z.string(),
      long: z.number(),
      wide: z.number(),
      holes: z.array(z.object({ u: z.number(), v: z.number(), bore: z.number() })),
      outline: z.array(z.tuple([z.number(), z.number()])).describe('from its middle, closed'),
    }),
  ),
  remnants: z.array(remnantSchema),
  kerf: z.number(),
});

const leftSchema = z.number().min(1).max(400_000);

/** A cut plan as it was sawn: what was cut, which remnants went, what is left. */
export const saveCutsSchema = z.strictObject({
  pieces: z.array(z.string().max(160)).min(1).max(2000),
  used: z.array(z.string().max(64)).max(500),
  left: z.array(z.strictObject({ stock: z.string().max(64), length: leftSchema, width: z.number().min(0).max(10_000) })).max(500),
});

export type Cuts = z.infer<typeof cutsSchema>;
export type SaveCuts = z.infer<typeof saveCutsSchema>;

/** What the shop has to cut. */
export const CUTS_ROUTES = {
  cuts: route({
    method: 'GET',
    path: '/api/cuts',
    who: STAFF,
    says: 'All the shop has to cut, and what lies on the shelf',
    answer: cutsSchema,
  }),
  saveCuts: route({
    method: 'POST',
    path: '/api/cuts',
    who: STAFF,
    says: 'Keep what was cut, and what is left of it',
    body: saveCutsSchema,
    answer: cutsSchema,
  }),
} as const;
