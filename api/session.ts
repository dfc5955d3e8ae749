import { noneSchema, route, STAFF } from './route';
import { SESSION_ENDPOINTS } from './endpoints';
import { sessionSchema, signInSchema, crewSchema, switchUserSchema, choosePinSchema, preferencesSchema } from './session-schemas';

/** Who works here and comes in: what a page needs before it shows anything else. */
export const SESSION_ROUTES = {
  session: route({
    method: 'GET',
    path: SESSION_ENDPOINTS.session.path,
    who: 'anyone',
    says: 'Who is signed in',
    answer: sessionSchema,
  }),
  signIn: route({
    method: 'POST',
    path: SESSION_ENDPOINTS.signIn.path,
    who: 'anyone',
    says: 'Sign in',
    bytes: 10_000,
    body: signInSchema,
    answer: sessionSchema,
  }),
  signOut: route({
    method: 'POST',
    path: SESSION_ENDPOINTS.signOut.path,
    who: STAFF,
    says: 'Sign out',
    bytes: 10_000,
    body: noneSchema,
    answer: sessionSchema,
  }),
  crew: route({
    method: 'GET',
    path: SESSION_ENDPOINTS.crew.path,
    who: STAFF,
    says: 'Who may swap on a shared tablet',
    answer: crewSchema,
  }),
  switchUser: route({
    method: 'POST',
    path: SESSION_ENDPOINTS.switchUser.path,
    who: STAFF,
    says: 'Another takes over this tablet, by PIN',
    bytes: 10_000,
    body: switchUserSchema,
    answer: sessionSchema,
  }),
  choosePin: route({
    method: 'POST',
    path: SESSION_ENDPOINTS.choosePin.path,
    who: STAFF,
    says: 'Choose a PIN for swapping',
    bytes: 10_000,
    body: choosePinSchema,
    answer: noneSchema,
  }),
  prefer: route({
    method: 'POST',
    path: SESSION_ENDPOINTS.prefer.path,
    who: STAFF,
    says: 'Remember how somebody likes it',
    bytes: 10_000,
    body: preferencesSchema.partial(),
    answer: preferencesSchema.partial(),
  }),
};
