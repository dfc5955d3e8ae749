import { z } from 'zod';
import { sizeSchema } from './measures';

/** The rods that stand in a part. */
export const rodsSchema = z.strictObject({
  count: z.int().min(1).max(12),
  depth: sizeSchema.describe('of the tube, mm'),
  lean: z.number().min(0).max(90).describe('degrees off the vertical'),
  out: z.number().min(-180).max(180).describe('which way it leans: 0 aft, 90 to port, −90 to starboard'),
  butt: sizeSchema.describe('how far the butt stands below the base, mm'),
});
