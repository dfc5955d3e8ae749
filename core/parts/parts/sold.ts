import { z } from 'zod';
import { partIdSchema, sizeSchema } from './measures';

/** What a part costs, and where it comes from. */
export const soldSchema = z.strictObject({
  priceCents: z.int().min(0).max(10_000_000),
  priced: z.iso.date(),
  supplier: z.string().max(60),
  leadDays: z.int().min(0).max(365),
  cutFrom: z
    .strictObject({ stock: partIdSchema, length: sizeSchema })
    .optional()
    .describe('a part cut to length, or a track that others ride on'),
});

const walkTextSchema = z.string().max(400);
const toldSchema = z.strictObject({ use: walkTextSchema, road: walkTextSchema, care: walkTextSchema });

/** What the owner is told of it at the handover. */
export const walkSchema = z.strictObject({ en: toldSchema, fr: toldSchema });
