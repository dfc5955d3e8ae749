import { z } from 'zod';
import { partIdSchema } from './measures';

/** What of a part takes things: a crate, a box, a pocket. */
const containerSchema = z.strictObject({
  id: partIdSchema,
  name: z.string().min(1).max(60),
  litres: z.number().min(0).max(500),
  dry: z.boolean(),
  shut: z.boolean().describe('a lid or flap keeps in it what is put there'),
  fabric: z.boolean().optional().describe('what is sharp cuts it'),
});
export const containsSchema = z.array(containerSchema).min(1).max(8);
