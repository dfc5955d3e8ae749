import { z } from 'zod';
import { offsetSchema, sizeSchema, threadSchema } from './measures';

/** The holes of a part's base: read by the drilling. */
export const holesSchema = z.strictObject({
  at: z
    .array(
      z.strictObject({
        u: offsetSchema,
        v: offsetSchema,
        bore: sizeSchema.optional().describe('a hole of its own size, closed by the part itself, mm'),
      }),
    )
    .max(24)
    .describe('in its own frame'),
  thread: threadSchema.describe('of the fastener they take'),
  rivet: z.string().max(4).optional().describe('rivet grade they take, when it can be riveted'),
  made: sizeSchema.optional().describe('diameter of the holes of its base as sold'),
});
