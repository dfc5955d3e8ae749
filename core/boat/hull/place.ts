import { z } from 'zod';
import { keySchema } from '../../base/stored';

/** Along or across the boat, mm. */
export const coordinateSchema = z.number().min(-2000).max(10_000);
const headingSchema = z.number().min(-360).max(360).describe('degrees, 0 looks aft, positive turns to port seen from above');

/** How a thing can be laid down other than upright: its starboard side up, or its after end. */
export const LIES = ['on its side', 'on its end'] as const;

/** Where a fitting stands. */
export const placeSchema = z.discriminatedUnion('on', [
  z.strictObject({ on: z.literal('deck'), x: coordinateSchema, y: coordinateSchema, heading: headingSchema }),
  z.strictObject({ on: z.literal('track'), track: keySchema, x: coordinateSchema, heading: headingSchema }),
  z.strictObject({ on: z.literal('insert'), insert: keySchema, heading: headingSchema }),
  z.strictObject({ on: z.literal('scupper'), scupper: keySchema, heading: headingSchema }),
  z.strictObject({ on: z.literal('plate'), plate: keySchema.describe('a plate the maker drilled'), heading: headingSchema }),
  z.strictObject({ on: z.literal('rail'), rail: keySchema, x: coordinateSchema, heading: headingSchema }),
  z.strictObject({
    on: z.literal('fitting'),
    fitting: keySchema.describe('the fitting it stands on: it moves with that'),
    u: coordinateSchema.describe('aft of its middle, in its own frame, mm'),
    v: coordinateSchema.describe('to starboard of its middle, mm'),
    heading: headingSchema,
  }),
  z.strictObject({
    on: z.literal('space'),
    space: keySchema.describe('a room inside the hull: it stands on its floor'),
    x: coordinateSchema.describe('of the middle of what stands there'),
    y: coordinateSchema,
    heading: headingSchema,
    lies: z.enum(LIES).optional().describe('upright when left out'),
  }),
  z.strictObject({
    on: z.literal('side'),
    side: z.enum(['port', 'starboard']),
    x: coordinateSchema,
    down: z.number().min(0).max(2000).describe('down from the gunwale edge, mm'),
  }),
  z.strictObject({
    on: z.literal('bulkhead'),
    bulkhead: keySchema.describe('on the face of it that looks to the seat'),
    y: coordinateSchema,
    up: z.number().min(0).max(1500).describe('up from the inside of the bottom on the centre line, mm'),
  }),
]);

export type Place = z.infer<typeof placeSchema>;
