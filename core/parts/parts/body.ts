import { z } from 'zod';
import { offsetSchema, sizeSchema } from './measures';

/** A box of the part in its own frame: u aft, v to starboard, w up from the surface. */
const solidSchema = z.strictObject({
  name: z.string().max(40),
  u: z.tuple([offsetSchema, offsetSchema]),
  v: z.tuple([offsetSchema, offsetSchema]),
  w: z.tuple([offsetSchema, offsetSchema]),
});
export type Solid = z.infer<typeof solidSchema>;

/** A box of the part that turns about an axis, or slides: a lid, an arm, a drive, a folding frame, a spike. */
const moverSchema = z.strictObject({
  name: z.string().max(40),
  solid: solidSchema.describe('where it lies at rest, in the part’s frame'),
  about: z.enum(['u', 'v', 'w']).describe('the direction of its hinge'),
  hinge: z.strictObject({ u: offsetSchema, v: offsetSchema, w: offsetSchema }).describe('a point of the hinge'),
  turns: z.number().min(-360).max(360).describe('degrees from rest to its other end, right-handed about the axis'),
  slides: z
    .strictObject({ u: offsetSchema, v: offsetSchema, w: offsetSchema })
    .optional()
    .describe('how far it is shifted from rest to its other end, mm: a spike let down, an arm drawn out'),
  both: z.boolean().optional().describe('it turns as far the other way'),
  strutKg: z.number().min(0).max(200).optional().describe('what its gas strut still lifts, at the middle of the lid'),
});
export type Mover = z.infer<typeof moverSchema>;

/** What of a part lies under the surface: the hole it is let into, and the tube or body below. */
const recessSchema = z.strictObject({
  bore: z.number().min(5).max(300).describe('diameter of its hole, mm'),
  deep: sizeSchema.describe('how far it goes in along its axis, mm'),
  lean: z.number().min(0).max(80).describe('degrees its axis leans off square to the surface'),
  out: z.number().min(-180).max(180).describe('which way it leans above the surface: 0 aft, 90 to port, −90 to starboard'),
});
export type Recess = z.infer<typeof recessSchema>;

/** What a part fills and weighs: read by the layout. */
export const bodySchema = z.strictObject({
  massKg: z.number().min(0).max(100),
  base: z.strictObject({ length: sizeSchema, width: sizeSchema, thickness: sizeSchema }),
  solids: z.array(solidSchema).min(1).max(8),
  moves: z.array(moverSchema).max(4).optional(),
  recess: recessSchema.optional(),
  bridges: z
    .strictObject({ least: sizeSchema, most: sizeSchema, over: sizeSchema.describe('its ends stand out beyond the slots') })
    .optional()
    .describe('a bar that stands on two tracks: how far apart they may be, mm'),
  drains: z.boolean().optional().describe('water runs through it: it does not close a scupper'),
  opening: sizeSchema.optional().describe('a hand gets into the hull through it: smaller side of the clear opening'),
  raises: z.number().min(1).max(500).optional().describe('whoever sits on it sits so much higher, mm'),
  carries: z.boolean().optional().describe('others are stood on it: a crate, a bar, a base with a flat top'),
  place: z
    .enum(['worn', 'underfoot', 'sat on', 'beside the seat', 'at the feet'])
    .optional()
    .describe(
      'it is on somebody, lies under what stands on it, is the seat, belongs where things come aboard, or the feet work it',
    ),
  waterKg: z.number().min(0).max(200).optional().describe('it is filled with so much water afloat, kg'),
  bears: z.enum(['child', 'dog']).optional().describe('who is on it afloat'),
});
