import { catalogSchema, materialsSchema } from '@plain-cleat/core/parts/catalog';
import { hullModelSchema } from '@plain-cleat/core/boat/hull';
import { partSchema } from '@plain-cleat/core/parts/parts';
import { changeSchema, savedFactSchema, newFactSchema, planSchema, briefSchema } from '@plain-cleat/core/rig';
import { shopSettingsSchema } from '@plain-cleat/core/parts/shop';
import { z } from 'zod';
import { floorPlaceSchema } from './floor';
import { ownerSummarySchema } from './owners';
import { rangeHashSchema } from './parts';
import { FRONT_DESK, STAFF, route } from './route';
import { signInSchema } from './session-schemas';

export const openRigSchema = z.strictObject({
  title: z.string().trim().min(1, 'say what the rig is for').max(120),
  owner: z.union([
    z.strictObject({ id: z.string().max(64) }),
    z.strictObject({
      name: z.string().trim().min(1, 'the name of who the rig is for').max(120),
      email: z.email('write it like name@place.example').or(z.literal('')),
    }),
  ]),
  hull: z.string().max(64).describe('id of the hull model'),
  ownHull: z.string().max(64).nullable().default(null).describe("a hull of the owner's that the shop has had before"),
  serial: z.string().max(60),
  promised: z.iso.date('write the date as 2026-06-12').nullable(),
  brief: briefSchema.partial().optional().describe('what was answered already when the hull was chosen'),
});

const loggedChangeSchema = z.object({
  id: z.string(),
  version: z.int(),
  undoes: z.string().nullable(),
  inverse: changeSchema,
});

const pointSchema = z.object({ x: z.number(), y: z.number(), z: z.number() });

/** A hole another rig of the same hull plans or uses. */
export const otherHoleSchema = z.object({
  rig: z.string(),
  label: z.string(),
  of: z.string(),
  at: pointSchema,
  bit: z.number(),
  fact: z.string().nullable(),
  held: z.boolean(),
});

export const rigSchema = z.object({
  id: z.string(),
  number: z.string(),
  owner: ownerSummarySchema,
  serial: z.string(),
  place: floorPlaceSchema,
  version: z.int(),
  factCount: z.int(),
  plan: planSchema,
  hull: hullModelSchema,
  facts: z.array(savedFactSchema),
  others: z.array(otherHoleSchema),
  /** The parts that it uses, each in its revision, and the materials. */
  catalog: catalogSchema.pick({ parts: true, consumables: true }),
  range: rangeHashSchema,
  shop: shopSettingsSchema,
  today: z.string(),
  /** This person's own changes, latest last, for undo across reloads. */
  mine: z.array(loggedChangeSchema),
  signed: z.boolean(),
});

/** What happened to a rig since somebody last looked. */
export const rigSinceSchema = z.object({
  version: z.int(),
  /** Every change after the version that is known, in their order; null when the rig is to be fetched anew. */
  changes: z.array(z.object({ version: z.int(), change: changeSchema })).nullable(),
  mine: z.array(loggedChangeSchema),
  /** The facts after so many that are known. */
  facts: z.array(savedFactSchema),
  factCount: z.int(),
  others: z.array(otherHoleSchema),
  place: floorPlaceSchema,
  signed: z.boolean(),
});

/** A manager's own login and password, typed for one act on whosever tablet: it signs nobody in. */
const overrideSchema = signInSchema;

/** Who kept something on a tablet, and the shop's proof of it. */
const savedBySchema = z.strictObject({ name: z.string().min(1).max(80), proof: z.string().max(400) });

export const sendChangeSchema = z.strictObject({
  baseVersion: z.int().min(0),
  change: changeSchema,
  undoes: z.uuid().nullable(),
  /** For accepting what only a manager may: the acceptance then bears their name. */
  override: overrideSchema.optional(),
  /** Who made it, when that is not who sends it. */
  keptBy: savedBySchema.optional(),
});

export const changedSchema = z.object({ version: z.int(), plan: planSchema, rebased: z.boolean(), repeated: z.boolean() });

export const sendFactsSchema = z.strictObject({
  facts: z.array(newFactSchema).min(1).max(500),
  /** For letting a step pass. */
  override: overrideSchema.optional(),
  /** Who kept them, when that is not who sends them. */
  keptBy: savedBySchema.optional(),
});

export const savedFactsSchema = z.object({ factCount: z.int(), facts: z.array(savedFactSchema) });

export const moveRigSchema = z.strictObject({ place: floorPlaceSchema });

export const duplicateRigSchema = z.strictObject({ title: z.string().trim().min(1).max(120) });

export const importedSchema = z.object({ id: z.string(), number: z.string() });

/** What is newer than a plan was made with: the newest of each, null where nothing is; of its parts those that are newer. */
export const newerSchema = z.object({
  hull: hullModelSchema.nullable(),
  materials: materialsSchema.nullable(),
  shop: shopSettingsSchema.nullable(),
  parts: z.array(partSchema),
});

export type Override = z.infer<typeof overrideSchema>;
export type SendFacts = z.infer<typeof sendFactsSchema>;
export type OpenRig = z.infer<typeof openRigSchema>;
export type RigDocument = z.infer<typeof rigSchema>;
export type RigSince = z.infer<typeof rigSinceSchema>;
export type LoggedChange = z.infer<typeof loggedChangeSchema>;
export type SendChange = z.infer<typeof sendChangeSchema>;
export type Changed = z.infer<typeof changedSchema>;
export type SavedFacts = z.infer<typeof savedFactsSchema>;

/** Rigs: open, read, change, keep facts, files. */
export const RIGS_ROUTES = {
  newer: route({
    method: 'GET',
    path: '/api/rigs/:rig/newer',
    who: STAFF,
    says: 'Hull, parts, materials and settings newer than the plan was made with',
    answer: newerSchema,
  }),
  openRig: route({
    method: 'POST',
    path: '/api/rigs',
    who: FRONT_DESK,
    says: 'Open a rig for an owner',
    body: openRigSchema,
    answer: importedSchema,
  }),
  rig: route({
    method: 'GET',
    path: '/api/rigs/:rig',
    who: STAFF,
    says: 'One rig with all its workup needs',
    answer: rigSchema,
    asWritten: true,
  }),
  rigSince: route({
    method: 'GET',
    path: '/api/rigs/:rig/since',
    who: STAFF,
    says: 'What happened to a rig since a version and so many facts',
    query: z.object({ version: z.coerce.number().int().min(0), facts: z.coerce.number().int().min(0) }),
    answer: rigSinceSchema,
    asWritten: true,
  }),
  change: route({
    method: 'POST',
    path: '/api/rigs/:rig/changes',
    who: STAFF,
    says: 'Apply a change to the plan',
    bytes: 1_000_000,
    body: sendChangeSchema,
    answer: changedSchema,
    asWritten: true,
  }),
  facts: route({
    method: 'POST',
    path: '/api/rigs/:rig/facts',
    who: STAFF,
    says: 'Keep what happened on the boat',
    bytes: 2_000_000,
    body: sendFactsSchema,
    answer: savedFactsSchema,
  }),
  duplicate: route({
    method: 'POST',
    path: '/api/rigs/:rig/duplicate',
    who: FRONT_DESK,
    says: 'The same plan again, for the same owner, on a boat of its own',
    body: duplicateRigSchema,
    answer: importedSchema,
  }),
  move: route({
    method: 'POST',
    path: '/api/rigs/:rig/place',
    who: STAFF,
    says: 'Say where the hull lies',
    body: moveRigSchema,
    answer: moveRigSchema,
  }),
  exportRig: route({ method: 'GET', path: '/api/rigs/:rig/file', who: STAFF, says: 'The rig file', file: 'application/json' }),
  importRig: route({
    method: 'POST',
    path: '/api/rig-files',
    who: FRONT_DESK,
    says: 'Open a rig from a rig file',
    bytes: 4_400_000,
    body: z.object({ text: z.string().max(4_000_000, 'a rig file is under 4 MB') }),
    answer: importedSchema,
  }),
} as const;
