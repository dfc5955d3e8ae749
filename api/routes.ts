import { z } from 'zod';
import { route, STAFF, type Role } from './route';
import * as s from './schemas';

const DESK: readonly Role[] = ['front desk', 'manager'];
const none = z.object({});

/** Every route of the server: method, path, who may call it, what goes in and comes out. */
export const ROUTES = {
  health: route({
    method: 'GET',
    path: '/healthz',
    who: 'anyone',
    says: 'Whether the server and its database answer',
    answer: z.object({ ok: z.boolean() }),
  }),
  openApi: route({
    method: 'GET',
    path: '/api/openapi.json',
    who: 'anyone',
    says: 'This interface as an OpenAPI document',
    answer: z.unknown(),
  }),
  session: route({ method: 'GET', path: '/api/session', who: 'anyone', says: 'Who is signed in', answer: s.session }),
  signIn: route({ method: 'POST', path: '/api/sign-in', who: 'anyone', says: 'Sign in', body: s.signIn, answer: s.session }),
  signOut: route({ method: 'POST', path: '/api/sign-out', who: STAFF, says: 'Sign out', body: none, answer: s.session }),
  floor: route({ method: 'GET', path: '/api/floor', who: STAFF, says: 'Every rig where it lies', answer: s.floor }),
  hulls: route({
    method: 'GET',
    path: '/api/hull-models',
    who: STAFF,
    says: 'The hulls the shop knows',
    answer: z.array(s.hullSummary),
  }),
  owners: route({ method: 'GET', path: '/api/owners', who: STAFF, says: 'Owners', answer: z.array(s.ownerSummary) }),
  openRig: route({
    method: 'POST',
    path: '/api/rigs',
    who: DESK,
    says: 'Open a rig for an owner',
    body: s.openRig,
    answer: s.imported,
  }),
  rig: route({ method: 'GET', path: '/api/rigs/:rig', who: STAFF, says: 'One rig with all its workup needs', answer: s.rig }),
  change: route({
    method: 'POST',
    path: '/api/rigs/:rig/changes',
    who: STAFF,
    says: 'Apply a change to the plan',
    body: s.sendChange,
    answer: s.changed,
  }),
  facts: route({
    method: 'POST',
    path: '/api/rigs/:rig/facts',
    who: STAFF,
    says: 'Keep what happened on the boat',
    body: s.sendFacts,
    answer: s.kept,
  }),
  move: route({
    method: 'POST',
    path: '/api/rigs/:rig/place',
    who: STAFF,
    says: 'Say where the hull lies',
    body: s.moveRig,
    answer: s.moveRig,
  }),
  events: route({
    method: 'GET',
    path: '/api/events',
    who: STAFF,
    says: 'News of the rigs being watched, as server-sent events',
    query: z.object({ rigs: z.string().max(2000) }),
    file: 'text/event-stream',
  }),
  exportRig: route({ method: 'GET', path: '/api/rigs/:rig/file', who: STAFF, says: 'The rig file', file: 'application/json' }),
  importRig: route({
    method: 'POST',
    path: '/api/rig-files',
    who: DESK,
    says: 'Open a rig from a rig file',
    body: z.object({ text: z.string().max(4_000_000, 'a rig file is under 4 MB') }),
    answer: s.imported,
  }),
  parts: route({
    method: 'GET',
    path: '/api/rigs/:rig/parts.csv',
    who: STAFF,
    says: 'Parts list as CSV',
    query: s.documentQuery,
    file: 'text/csv',
  }),
  drillSheet: route({
    method: 'GET',
    path: '/api/rigs/:rig/drill-sheet.pdf',
    who: STAFF,
    says: 'Drill sheet',
    query: s.documentQuery,
    file: 'application/pdf',
  }),
  quote: route({
    method: 'GET',
    path: '/api/rigs/:rig/quote.pdf',
    who: STAFF,
    says: 'Quote',
    query: s.documentQuery,
    file: 'application/pdf',
  }),
  ownersBook: route({
    method: 'GET',
    path: '/api/rigs/:rig/owners-book.pdf',
    who: STAFF,
    says: "Owner's book",
    query: s.documentQuery,
    file: 'application/pdf',
  }),
  makeLink: route({
    method: 'POST',
    path: '/api/rigs/:rig/owner-link',
    who: STAFF,
    says: "Make the owner's link",
    body: none,
    answer: s.ownerLink,
  }),
  revokeLink: route({
    method: 'DELETE',
    path: '/api/rigs/:rig/owner-link',
    who: STAFF,
    says: "Revoke the owner's links",
    answer: none,
  }),
  ownerPage: route({
    method: 'GET',
    path: '/api/owner/:token',
    who: 'owner link',
    says: "The owner's page",
    answer: s.ownerPage,
  }),
} as const;

export type RouteName = keyof typeof ROUTES;
