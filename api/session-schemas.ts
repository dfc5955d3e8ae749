import { z } from 'zod';
import { ROLES } from './route';

/** How somebody likes it, on whatever device: units, light or dark, how figures are typed, the language of owners' papers. */
export const preferencesSchema = z.strictObject({
  units: z.enum(['imperial', 'metric']),
  theme: z.enum(['device', 'light', 'dark']),
  papers: z.enum(['en', 'fr']),
  numbers: z
    .enum(['ask', 'point', 'comma'])
    .describe('how they write decimals; what reads two ways is asked about, or settled by it'),
  dates: z.enum(['ask', 'day first', 'month first']).describe('which figure of a date they write first'),
});

export const staffSchema = z.object({ id: z.string(), name: z.string(), role: z.enum(ROLES) });
export const sessionSchema = z.object({
  staff: staffSchema.nullable(),
  csrf: z.string().nullable(),
  apiVersion: z.int(),
  /** Says later whose work it was that a tablet kept while there was no network; it signs nobody in. */
  proof: z.string().nullable(),
  preferences: preferencesSchema.partial(),
});
export const signInSchema = z.strictObject({ login: z.string().min(1).max(60), password: z.string().min(1).max(200) });
/** What a rigger swaps in by. */
export const pinSchema = z.string().regex(/^\d{4,8}$/, 'four to eight digits');
export const switchUserSchema = z.strictObject({ staff: z.string().max(64), pin: pinSchema });
export const choosePinSchema = z.strictObject({ password: z.string().min(1).max(200), pin: pinSchema });
export const crewSchema = z.array(staffSchema.extend({ hasPin: z.boolean() }));

export type Staff = z.infer<typeof staffSchema>;
export type SignIn = z.infer<typeof signInSchema>;
export type SwitchUser = z.infer<typeof switchUserSchema>;
export type Preferences = z.infer<typeof preferencesSchema>;
export type Session = z.infer<typeof sessionSchema>;
export type Crew = z.infer<typeof crewSchema>;
