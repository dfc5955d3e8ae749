import { z } from 'zod';
import { partIdSchema, partSchema, sizeSchema, type Part } from '../parts';

/** Material sold by piece or length that follows from the plan. */
export const consumableSchema = z.strictObject({
  id: partIdSchema,
  name: z.string().min(1).max(80),
  french: z.string().min(1).max(80),
  unit: z.enum(['each', 'metre', 'cartridge']),
  priceCents: z.int().min(0).max(1_000_000),
  supplier: z.string().max(60),
});
export type Consumable = z.infer<typeof consumableSchema>;

/** What the shop cuts from: bars and reels by length, boards by length and width. A reel is named as what is on it is sold. */
export const stockSchema = z.strictObject({
  id: partIdSchema,
  name: z.string().min(1).max(80),
  kind: z.enum(['bar', 'board', 'reel']),
  length: z.number().min(1).max(400_000),
  width: sizeSchema.describe('of a board; nought else'),
  thickness: sizeSchema.describe('of a board'),
  priceCents: z.int().min(0).max(1_000_000),
});

export type Stock = z.infer<typeof stockSchema>;

export const catalogSchema = z.strictObject({
  format: z.literal('plain-cleat/catalog'),
  revision: z.int().min(1),
  parts: z.array(partSchema).max(20_000),
  consumables: z.array(consumableSchema).max(2000),
  stocks: z.array(stockSchema).max(200).optional(),
});
export interface Catalog extends z.infer<typeof catalogSchema> {
  parts: Part[];
}

/** What the shop sells by length or piece and what it cuts from, in one revision. */
export const materialsSchema = catalogSchema.pick({ revision: true, consumables: true, stocks: true });
export type Materials = z.infer<typeof materialsSchema>;
