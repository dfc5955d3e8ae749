import { z } from 'zod';
import { STAFF, noneSchema, route } from './route';

export const ownerSummarySchema = z.object({ id: z.string(), name: z.string(), email: z.string() });

export const ownerLinkSchema = z.object({ url: z.string(), expires: z.string() });

export const makeLinkSchema = z.strictObject({ keep: z.boolean().default(false).describe('whether links made before go on') });

export const ownerPageSchema = z.object({
  shop: z.object({ name: z.string(), place: z.string() }),
  number: z.string(),
  title: z.string(),
  hull: z.string(),
  owner: z.string(),
  units: z.enum(['imperial', 'metric']),
  outline: z.array(z.tuple([z.number(), z.number()])),
  length: z.number(),
  stops: z.array(
    z.object({
      fitting: z.string(),
      letter: z.string(),
      name: z.object({ en: z.string(), fr: z.string() }),
      x: z.number(),
      y: z.number(),
      use: z.object({ en: z.string(), fr: z.string() }),
      road: z.object({ en: z.string(), fr: z.string() }),
      care: z.object({ en: z.string(), fr: z.string() }),
      cameWith: z.int().describe('holes it came aboard with'),
      holes: z.array(
        z.object({
          label: z.string(),
          reading: z.number(),
          from: z.string(),
          state: z.enum(['planned', 'drilled', 'drilled elsewhere', 'used again']),
        }),
      ),
      shown: z.boolean(),
    }),
  ),
  contents: z.array(
    z.object({ letter: z.string(), name: z.object({ en: z.string(), fr: z.string() }), things: z.array(z.string()) }),
  ),
  launch: z.array(
    z.object({
      letter: z.string(),
      name: z.object({ en: z.string(), fr: z.string() }),
      says: z.object({ en: z.string(), fr: z.string() }),
    }),
  ),
  launchMinutes: z.int(),
  controls: z.array(
    z.object({
      letter: z.string(),
      does: z.object({ en: z.string(), fr: z.string() }),
      hands: z.object({ en: z.string(), fr: z.string() }),
    }),
  ),
  older: z.array(z.object({ label: z.string(), reading: z.number(), from: z.string(), plugged: z.string().nullable() })),
  signedOn: z.string().nullable(),
});

export type OwnerSummary = z.infer<typeof ownerSummarySchema>;
export type OwnerPage = z.infer<typeof ownerPageSchema>;

/** Owners, and the page each reaches by a link. */
export const OWNERS_ROUTES = {
  owners: route({ method: 'GET', path: '/api/owners', who: STAFF, says: 'Owners', answer: z.array(ownerSummarySchema) }),
  makeLink: route({
    method: 'POST',
    path: '/api/rigs/:rig/owner-link',
    who: STAFF,
    says: "Make the owner's link; those before it end unless they are kept",
    body: makeLinkSchema,
    answer: ownerLinkSchema,
  }),
  revokeLink: route({
    method: 'DELETE',
    path: '/api/rigs/:rig/owner-link',
    who: STAFF,
    says: "Revoke the owner's links",
    answer: noneSchema,
  }),
  ownerPage: route({
    method: 'GET',
    path: '/api/owner/:token',
    who: 'owner link',
    says: "The owner's page",
    answer: ownerPageSchema,
  }),
} as const;
