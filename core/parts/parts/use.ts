import { z } from 'zod';
import { sizeSchema } from './measures';

/** How often a thing is used, the most first. */
export const OFTEN = ['always', 'hourly', 'stopped', 'ashore'] as const;

/** The same in words. */
export const OFTEN_WORDS = {
  always: 'every few minutes',
  hourly: 'every hour',
  stopped: 'when stopped',
  ashore: 'ashore',
} as const satisfies Readonly<Record<(typeof OFTEN)[number], string>>;

/** How a part is used on the water. */
export const useSchema = z.strictObject({
  often: z.enum(OFTEN),
  byHand: z.boolean().describe('it is taken in hand; else one looks at it, or it works by itself'),
  comesOff: z.boolean().describe('comes off for the road'),
  afloat: z.enum(['floats', 'sinks']).optional().describe('what it does overboard by itself'),
  usedAt: sizeSchema.optional().describe('how far from its place it is used, mm: what a tether must allow'),
  propels: z.enum(['motor', 'pedals']).optional().describe('it drives the boat, by a propeller or fins'),
  reboards: z.enum(['strap', 'ladder', 'flip line']).optional(),
  spareFor: z.enum(['paddle', 'pedals', 'motor']).optional(),
  heat: z.enum(['shade', 'any']).optional().describe('shade: it stops in the sun on a hot day'),
});
