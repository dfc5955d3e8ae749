import { z } from 'zod';
import { noneSchema, ROLES, route, STAFF } from './route';
import { SESSION_WAYS } from './ways';

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
export const swapSchema = z.strictObject({ staff: z.string().max(64), pin: pinSchema });
export const choosePinSchema = z.strictObject({ password: z.string().min(1).max(200), pin: pinSchema });
export const crewSchema = z.array(staffSchema.extend({ hasPin: z.boolean() }));

export type Staff = z.infer<typeof staffSchema>;
export type SignIn = z.infer<typeof signInSchema>;
export type Swap = z.infer<typeof swapSchema>;
export type Preferences = z.infer<typeof preferencesSchema>;
export type Session = z.infer<typeof sessionSchema>;
export type Crew = z.infer<typeof crewSchema>;

/** Who works here and comes in: what a page needs before it shows anything else. */
export const SESSION_ROUTES = {
  session: route({
    method: 'GET',
    path: SESSION_WAYS.session.path,
    who: 'anyone',
    says: 'Who is signed in',
    answer: sessionSchema,
  }),
  signIn: route({
    method: 'POST',
    path: SESSION_WAYS.signIn.path,
    who: 'anyone',
    says: 'Sign in',
    bytes: 10_000,
    body: signInSchema,
    answer: sessionSchema,
  }),
  signOut: route({
    method: 'POST',
    path: SESSION_WAYS.signOut.path,
    who: STAFF,
    says: 'Sign out',
    bytes: 10_000,
    body: noneSchema,
    answer: sessionSchema,
  }),
  crew: route({
    method: 'GET',
    path: SESSION_WAYS.crew.path,
    who: STAFF,
    says: 'Who may swap on a shared tablet',
    answer: crewSchema,
  }),
  swap: route({
    method: 'POST',
    path: SESSION_WAYS.swap.path,
    who: STAFF,
    says: 'Another takes over this tablet, by PIN',
    bytes: 10_000,
    body: swapSchema,
    answer: sessionSchema,
  }),
  choosePin: route({
    method: 'POST',
    path: SESSION_WAYS.choosePin.path,
    who: STAFF,
    says: 'Choose a PIN for swapping',
    bytes: 10_000,
    body: choosePinSchema,
    answer: noneSchema,
  }),
  prefer: route({
    method: 'POST',
    path: SESSION_WAYS.prefer.path,
    who: STAFF,
    says: 'Remember how somebody likes it',
    bytes: 10_000,
    body: preferencesSchema.partial(),
    answer: preferencesSchema.partial(),
  }),
};
