import { z } from 'zod';
import { offsetSchema, partIdSchema, sizeSchema } from './measures';

/** What a line meets at a tie point: it turns in an eye or over a sheave, or is held by a cleat, a jam cleat or a reel. */
const LEADS = ['eye', 'pulley', 'cleat', 'jam cleat', 'reel'] as const;
export type LeadKind = (typeof LEADS)[number];

const leadSchema = z.strictObject({
  as: z.enum(LEADS),
  takes: sizeSchema.describe('thickest cord that goes in, mm'),
  over: sizeSchema.describe('diameter that a cord turns over, mm'),
});
export type Lead = z.infer<typeof leadSchema>;

/** Where something can be tied to a part: the eye of it, a hole of a crate, a ring. */
const partTieSchema = z.strictObject({
  id: partIdSchema,
  name: z.string().min(1).max(40),
  u: offsetSchema,
  v: offsetSchema,
  w: offsetSchema,
  leads: leadSchema.optional().describe('how a line is led or held here; an eye when left out'),
  rides: z.string().max(40).optional().describe('it goes with this of what moves on the part'),
});
export const partTiesSchema = z.array(partTieSchema).min(1).max(24);
