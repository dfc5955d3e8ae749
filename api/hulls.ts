import { tapeReadingSchema, hullModelSchema } from '@plain-cleat/core/boat/hull';
import { savedFactSchema } from '@plain-cleat/core/rig';
import { shopSettingsSchema } from '@plain-cleat/core/parts/shop';
import { z } from 'zod';
import { savedFactsSchema, otherHoleSchema, sendFactsSchema } from './rigs';
import { STAFF, route } from './route';

export const hullSummarySchema = z.object({
  id: z.string(),
  revision: z.int(),
  maker: z.string(),
  name: z.string(),
  kind: z.string(),
  traits: z.array(z.string()),
  length: z.number(),
  beam: z.number(),
});

export const saveHullModelSchema = z.strictObject({
  model: hullModelSchema,
  expects: z.int().min(0).describe('the revision it was made from; nought for a new hull'),
});

export const readHullFileSchema = z.strictObject({
  kind: z.enum(['csv', 'svg', 'dxf']),
  text: z.string().min(1, 'the file is empty').max(2_000_000, 'an outline is under 2 MB'),
  heights: z.strictObject({ gunwale: z.number().min(1).max(2000), keel: z.number().min(0).max(1000) }),
});

export const hullReadingsSchema = z.object({ readings: z.array(tapeReadingSchema) });

export const describeHullSchema = z.strictObject({
  serial: z.string().trim().max(60),
  year: z.int().min(1950, 'a year like 2024').max(2100, 'a year like 2024').nullable(),
  colour: z.string().trim().max(40),
  notes: z.string().max(1000),
});

export const ownHullSchema = describeHullSchema.extend({
  id: z.string(),
  owner: z.object({ id: z.string(), name: z.string() }),
  model: z.string(),
  facts: z.int(),
  rigs: z.array(z.object({ id: z.string(), number: z.string() })),
});

/** A hull with all that happened to it, over its rigs and years. */
export const hullLedgerSchema = z.object({
  hull: ownHullSchema,
  model: hullModelSchema,
  facts: z.array(savedFactSchema),
  holes: z.array(otherHoleSchema),
  shop: shopSettingsSchema,
});

export const readFoundSchema = z.strictObject({
  text: z.string().min(1, 'the list is empty').max(200_000, 'a list is under 200 kB'),
  units: z.enum(['imperial', 'metric']),
});

export const foundListSchema = z.object({
  holes: z.array(
    z.object({
      label: z.string(),
      datum: z.string(),
      reading: z.number(),
      offCentre: z.number(),
      down: z.number().nullable(),
      bit: z.number(),
      plugged: z.string(),
      says: z.string(),
    }),
  ),
  faults: z.array(z.object({ line: z.int(), column: z.string(), says: z.string() })),
});

export type HullSummary = z.infer<typeof hullSummarySchema>;
export type HullLedger = z.infer<typeof hullLedgerSchema>;
export type FoundList = z.infer<typeof foundListSchema>;
export type OwnHull = z.infer<typeof ownHullSchema>;
export type DescribeHull = z.infer<typeof describeHullSchema>;
export type HullReadings = z.infer<typeof hullReadingsSchema>;

/** The hull library, and the boats of owners. */
export const HULLS_ROUTES = {
  hulls: route({
    method: 'GET',
    path: '/api/hull-models',
    who: STAFF,
    says: 'The hulls the shop knows',
    answer: z.array(hullSummarySchema),
  }),
  hullModel: route({
    method: 'GET',
    path: '/api/hull-models/:hull',
    who: STAFF,
    says: 'The newest revision of a hull',
    answer: hullModelSchema,
  }),
  saveHullModel: route({
    method: 'POST',
    path: '/api/hull-models',
    who: STAFF,
    says: 'Keep a new hull, or a new revision of one',
    bytes: 1_000_000,
    body: saveHullModelSchema,
    answer: hullModelSchema,
  }),
  readHullFile: route({
    method: 'POST',
    path: '/api/hull-files',
    who: STAFF,
    says: 'Bench readings from offsets or a drawn outline',
    bytes: 4_300_000,
    body: readHullFileSchema,
    answer: hullReadingsSchema,
  }),
  offsetsCsv: route({ method: 'GET', path: '/api/hull-models/:hull/offsets.csv', who: STAFF, says: 'Offsets', file: 'text/csv' }),
  outlineSvg: route({
    method: 'GET',
    path: '/api/hull-models/:hull/outline.svg',
    who: STAFF,
    says: 'The outline as a drawing',
    file: 'image/svg+xml',
  }),
  outlineDxf: route({
    method: 'GET',
    path: '/api/hull-models/:hull/outline.dxf',
    who: STAFF,
    says: 'The outline for a machine',
    file: 'image/vnd.dxf',
  }),
  ownHulls: route({ method: 'GET', path: '/api/hulls', who: STAFF, says: "Owners' hulls", answer: z.array(ownHullSchema) }),
  hullLedger: route({
    method: 'GET',
    path: '/api/hulls/:own/ledger',
    who: STAFF,
    says: 'A hull with all its holes, over its rigs and years',
    answer: hullLedgerSchema,
  }),
  hullFacts: route({
    method: 'POST',
    path: '/api/hulls/:own/facts',
    who: STAFF,
    says: 'Keep what was found on a hull or done to it under no rig',
    bytes: 1_000_000,
    body: sendFactsSchema,
    answer: savedFactsSchema,
  }),
  readFound: route({
    method: 'POST',
    path: '/api/found-holes',
    who: STAFF,
    says: 'Read a list of holes found on a used boat',
    bytes: 450_000,
    body: readFoundSchema,
    answer: foundListSchema,
  }),
  describeHull: route({
    method: 'POST',
    path: '/api/hulls/:own',
    who: STAFF,
    says: 'Serial, year, colour and notes of a hull',
    body: describeHullSchema,
    answer: describeHullSchema,
  }),
} as const;
