import { z } from 'zod';
import { sizeSchema } from './measures';

/** What a part is at the end of a line: an anchor by its weight, a pole pushed into the bottom, a drogue by its mouth. */
export const moorsSchema = z.discriminatedUnion('as', [
  z.strictObject({ as: z.literal('anchor'), kg: z.number().positive().max(20).describe('without its line') }),
  z.strictObject({ as: z.literal('stake'), long: sizeSchema }),
  z.strictObject({ as: z.literal('drogue'), across: sizeSchema.describe('diameter of its mouth, mm') }),
]);
