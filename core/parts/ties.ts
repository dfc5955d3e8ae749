import { z } from 'zod';
import { offsetSchema, partIdSchema } from './measures';

/** Where something can be tied to a part: the eye of it, a hole of a crate, a ring. */
const partTieSchema = z.strictObject({
  id: partIdSchema,
  name: z.string().min(1).max(40),
  u: offsetSchema,
  v: offsetSchema,
  w: offsetSchema,
});
export const partTiesSchema = z.array(partTieSchema).min(1).max(24);
