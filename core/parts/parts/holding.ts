import { z } from 'zod';
import { sizeSchema, threadSchema } from './measures';

/** A way of holding a fitting on the hull. */
export const HOLDS = [
  'loose',
  'strap',
  'clamp',
  'track',
  'insert',
  'scupper',
  'glue',
  'screw',
  'rivet',
  'well nut',
  'through',
  'pulled plate',
  'stud',
  'cable tie',
  'hook and loop',
  'magnet',
] as const;
export const holdSchema = z.enum(HOLDS);
export type Hold = z.infer<typeof holdSchema>;

const newtonsSchema = z.number().min(0).max(5000);

/** How a part can be held, and what its use asks of what holds it: read by the mounting. */
export const holdingSchema = z.strictObject({
  ways: z.array(holdSchema).min(1),
  trackBolts: z.int().min(0).max(8),
  slotHead: z
    .strictObject({ neck: sizeSchema.describe('must pass the opening'), deep: sizeSchema.describe('must go into the depth') })
    .optional()
    .describe('the head that goes into a slot; the usual M6 head when left out'),
  slot: z
    .strictObject({ opening: sizeSchema, depth: sizeSchema, thread: threadSchema })
    .optional()
    .describe('the slot others ride in, of a track that is screwed on'),
  clamps: z.strictObject({ least: sizeSchema, most: sizeSchema }).optional().describe('round rails it clamps on, diameter'),
  magnet: newtonsSchema.optional().describe('what its magnet holds straight out on clean steel, N'),
  metal: z.enum(['stainless', 'aluminium', 'brass', 'plastic']).optional().describe('of its base'),
  lever: z.boolean().describe('loads with leverage: wants a plate when bolted through'),
  usual: z
    .strictObject({ newtons: newtonsSchema, height: z.number().min(0).max(1).describe('as a share of the height of the part') })
    .describe('what things of its kind are usually pulled with, and where'),
  load: z
    .strictObject({
      newtons: newtonsSchema,
      lever: z.number().min(0).max(3000).describe('height over its base at which it acts, mm'),
      toward: z.enum(['any', 'out', 'aft', 'side']),
    })
    .optional()
    .describe('what its use pulls and pushes it with, where that is known; else the usual'),
});
