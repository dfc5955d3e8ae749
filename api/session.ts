import { z } from 'zod';
import { ROLES, route, STAFF } from './route';
import { SESSION_WAYS } from './ways';

const none = z.object({});

/** How somebody likes it, on whatever device: units, light or dark, and in which language owners get their papers. */
export const preferences = z.strictObject({
  units: z.enum(['imperial', 'metric']),
  theme: z.enum(['device', 'light', 'dark']),
  papers: z.enum(['en', 'fr']),
});

export const staff = z.object({ id: z.string(), name: z.string(), role: z.enum(ROLES) });
export const session = z.object({
  staff: staff.nullable(),
  csrf: z.string().nullable(),
  apiVersion: z.int(),
  /** Says later whose work it was that a tablet kept while there was no network; it signs nobody in. */
  proof: z.string().nullable(),
  preferences: preferences.partial(),
});
export const signIn = z.strictObject({ login: z.string().min(1).max(60), password: z.string().min(1).max(200) });
/** What a rigger swaps in by. */
export const pin = z.string().regex(/^\d{4,8}$/, 'four to eight digits');
export const swap = z.strictObject({ staff: z.string().max(64), pin });
export const choosePin = z.strictObject({ password: z.string().min(1).max(200), pin });
export const crew = z.array(staff.extend({ hasPin: z.boolean() }));

export type Staff = z.infer<typeof staff>;
export type Preferences = z.infer<typeof preferences>;
export type Session = z.infer<typeof session>;
export type Crew = z.infer<typeof crew>;

/** Who works here and comes in: what a page needs before it shows anything else. */
export const SESSION_ROUTES = {
  session: route({ method: 'GET', path: SESSION_WAYS.session.path, who: 'anyone', says: 'Who is signed in', answer: session }),
  signIn: route({
    method: 'POST',
    path: SESSION_WAYS.signIn.path,
    who: 'anyone',
    says: 'Sign in',
    bytes: 10_000,
    body: signIn,
    answer: session,
  }),
  signOut: route({
    method: 'POST',
    path: SESSION_WAYS.signOut.path,
    who: STAFF,
    says: 'Sign out',
    bytes: 10_000,
    body: none,
    answer: session,
  }),
  crew: route({ method: 'GET', path: SESSION_WAYS.crew.path, who: STAFF, says: 'Who may swap on a shared tablet', answer: crew }),
  swap: route({
    method: 'POST',
    path: SESSION_WAYS.swap.path,
    who: STAFF,
    says: 'Another takes over this tablet, by PIN',
    bytes: 10_000,
    body: swap,
    answer: session,
  }),
  choosePin: route({
    method: 'POST',
    path: SESSION_WAYS.choosePin.path,
    who: STAFF,
    says: 'Choose a PIN for swapping',
    bytes: 10_000,
    body: choosePin,
    answer: none,
  }),
  prefer: route({
    method: 'POST',
    path: SESSION_WAYS.prefer.path,
    who: STAFF,
    says: 'Remember how somebody likes it',
    bytes: 10_000,
    body: preferences.partial(),
    answer: preferences.partial(),
  }),
};
