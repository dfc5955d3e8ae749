import { z } from 'zod';
import { keySchema } from '../base/stored';

/** What a leg of a day is done by. */
export const DOINGS = ['motor', 'paddle', 'stopped', 'held by motor'] as const;

const againstSchema = z.number().min(-60).max(60);

/** A leg of a day on the water. */
const legSchema = z.strictObject({
  does: z.enum(DOINGS),
  minutes: z.int().min(1).max(1440),
  kmh: z.number().min(0).max(15).describe('over the ground; nought where it stands'),
  wind: againstSchema.optional().describe('from ahead, km/h; negative from behind'),
  stream: z.number().min(-15).max(15).optional().describe('against, km/h; negative with'),
});

/** A day on the water: when it begins, its legs, when it is dark, and what is known of the motor. */
export const daySchema = z.strictObject({
  starts: z.int().min(0).max(1439).describe('minutes after midnight'),
  legs: z.array(legSchema).min(1, 'a day has a leg at least').max(40),
  dark: z.strictObject({ from: z.int().min(0).max(1439), to: z.int().min(0).max(1439) }).describe('minutes after midnight'),
  cold: z.literal(true).optional().describe('at the freezing point instead of 20 °C'),
  /** The share of the day that a fitting is on, where it is not what its kind usually is. */
  duty: z.record(keySchema, z.number().min(0).max(1)),
  readings: z
    .array(z.strictObject({ kmh: z.number().positive().max(15), amps: z.number().positive().max(200) }))
    .max(20)
    .describe('what this motor draws on this boat at a speed in still water'),
});
export type Day = z.infer<typeof daySchema>;
export type Leg = Day['legs'][number];
