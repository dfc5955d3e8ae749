import { z } from 'zod';
import { partIdSchema } from './measures';

/** Cable lengths, mm. */
export const cableLengthSchema = z.number().min(50).max(20_000);

/** What signal cables are plugged into on a part. */
const jackSchema = z.strictObject({
  family: z.string().trim().min(1).max(24).describe('only the same family mates'),
  ways: z.int().min(1).max(12).describe('how many cables it takes'),
  network: z.literal(true).optional().describe('it joins screens and what they share; left out: one part to one other'),
  cables: z
    .array(z.strictObject({ length: cableLengthSchema, material: partIdSchema.describe('what it is bought as from the stores') }))
    .max(8)
    .optional()
    .describe('the lengths its cables are sold in, plugs on both ends'),
});

/** What a part says to others, or is told by them, over cables that feed nothing. */
export const signalSchema = z.strictObject({
  jacks: z.array(jackSchema).min(1).max(6),
  cable: cableLengthSchema
    .optional()
    .describe('it comes with a signal cable so long, mm: that is not cut, what is over is coiled'),
  senses: z.literal(true).optional().describe('what it senses is shown on another part'),
  grounded: z.literal(true).optional().describe('the ground of its signals is the minus of its feed'),
});

export type Signal = z.infer<typeof signalSchema>;
export type Jack = Signal['jacks'][number];
