import { z } from 'zod';
import { offsetSchema } from './measures';

/** A light that shows to others, or to those aboard. */
export const lightSchema = z.strictObject({
  shows: z.enum(['all round', 'port', 'starboard', 'both sides', 'stern', 'dim']),
  w: offsetSchema,
});

/** A lens that wants to see. */
export const lensSchema = z.strictObject({
  w: offsetSchema,
  field: z.number().min(5).max(360).describe('degrees wide, about the heading'),
});

/** A transducer. */
export const sonarSchema = z.strictObject({
  beam: z.enum(['down', 'side']),
  w: offsetSchema.describe('of its face; negative is below the base'),
});

/** A screen that is read. */
export const screenSchema = z.strictObject({
  w: offsetSchema,
  tilt: z.number().min(0).max(90).describe('degrees its face leans back'),
});
