import { z } from 'zod';
import { ofShop } from '../../base/stored';

/** One thing a part is made of: pipe, board, ties. */
const materialSchema = z.strictObject({
  what: ofShop(z.string().trim().min(1, 'say what it is').max(80)),
  count: z.number().min(0.01).max(999),
  cents: z.int().min(0).max(10_000_000).describe('of one'),
});

/** What a part is made of at the bench, and in how many minutes. */
export const madeSchema = z.strictObject({
  minutes: z.number().min(0).max(2400),
  of: z.array(materialSchema).max(30),
});
export type Made = z.infer<typeof madeSchema>;

/** What the materials of a made part cost, cents, each line rounded. */
export const materialCents = ({ of }: Pick<Made, 'of'>): number =>
  of.reduce((sum, { count, cents }) => sum + Math.round(count * cents), 0);
