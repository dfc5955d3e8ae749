import { z } from 'zod';
import { offsetSchema } from './measures';

/** What is done afloat that asks for hands. */
const ACTIVITIES = ['paddling', 'pedalling', 'motoring', 'trolling', 'casting', 'landing', 'filming'] as const;
export type Activity = (typeof ACTIVITIES)[number];

export const HAND_NAMES = ['left', 'right'] as const;
export type Hand = (typeof HAND_NAMES)[number];

const duringSchema = z.array(z.enum(ACTIVITIES)).max(ACTIVITIES.length);

/** What a hand does with a part: a control, a net, a camera. */
export const controlSchema = z.strictObject({
  does: z.string().min(1).max(60).describe('what it is for, as a legend says it'),
  french: z.string().min(1).max(60),
  held: duringSchema.describe('while these are done it stays in the hand'),
  touched: duringSchema.describe('while these are done a hand goes to it and lets go again'),
  hand: z.enum(HAND_NAMES).optional().describe('the hand it is made for; either when left out'),
  at: z
    .strictObject({ u: offsetSchema, v: offsetSchema, w: offsetSchema })
    .optional()
    .describe('where the hand goes, in the part’s own frame; the middle of its top when left out'),
});
