import { z } from 'zod';

/** What a rig has so and so many of, and uses up. */
export const BUDGETS = ['rod sockets', 'ports', 'glands', 'channels'] as const;
const budgetSchema = z.partialRecord(z.enum(BUDGETS), z.int().min(0).max(40));

/** What parts and rules ask for: a word that parts answer to, or the id of one. */
export const askedForSchema = z.string().min(1).max(64).describe('a word that parts answer to, or the id of one');

/** What a part needs, rules out, uses up or stands in for. */
export const goesWithSchema = z.strictObject({
  answersTo: z.array(z.string().min(1).max(64)).max(8).describe('what needs and rules may call it by, besides its id'),
  gives: budgetSchema.optional(),
  takes: budgetSchema.optional(),
  needs: z.array(askedForSchema).max(8).optional(),
  excludes: z.array(askedForSchema).max(8).optional(),
  replaces: z.array(askedForSchema).max(8).optional().describe('what comes off the boat for it: listed, bagged, given back'),
});
