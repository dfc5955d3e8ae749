import { catalogSchema, COLUMN_MEANINGS, partSchema, shopSettingsSchema, stockSchema } from '@plain-cleat/core/catalog';
import { benchReadingSchema, hullModelSchema } from '@plain-cleat/core/hull';
import { assemblySchema, changeSchema, keptFactSchema, newFactSchema, planSchema } from '@plain-cleat/core/rig';
import { z } from 'zod';
import { ROLES } from './route';
import { pinSchema, signInSchema, staffSchema } from './session';

export const FLOOR_PLACES = ['bench 1', 'bench 2', 'curing rack', 'yard', "owner's move", 'handed over', 'set aside'] as const;
export const floorPlaceSchema = z.enum(FLOOR_PLACES);

/** RFC 9457 problem details: names the field and what would be right. */
export const problemSchema = z.object({
  type: z.string(),
  title: z.string(),
  status: z.int(),
  detail: z.string(),
  field: z.string().optional(),
  faults: z.array(z.object({ field: z.string(), says: z.string() })).optional(),
  /** On a clash: what the plan holds now, and what the change wanted. */
  clash: z.object({ field: z.string(), found: z.unknown(), wanted: z.unknown(), version: z.int() }).optional(),
});

export const staffListSchema = z.array(
  staffSchema.extend({
    login: z.string(),
    hasPin: z.boolean(),
    ended: z.string().nullable().describe('when they left, ISO'),
  }),
);
/** What somebody signs in by; the same however it is typed. */
export const loginSchema = z
  .string()
  .trim()
  .toLowerCase()
  .regex(/^[a-z][a-z0-9.-]{1,58}$/, 'letters, digits, dots and hyphens, two at least, like mara');
const aName = 'a name of up to 80 letters, as it stands on papers';
export const staffNameSchema = z.string().trim().min(1, aName).max(80, aName);
/** Passwords are this long at least; how they are made up is their owner's affair (NIST SP 800-63B, from memory). */
export const newPasswordSchema = z.string().min(10, '10 characters at least').max(200, '200 characters at the most');
export const roleSchema = z.enum(ROLES, `one of ${ROLES.join(', ')}`);
export const addStaffSchema = z.strictObject({
  login: loginSchema,
  name: staffNameSchema,
  role: roleSchema,
  password: newPasswordSchema,
});
/** One thing of somebody that changes. */
export const changeStaffSchema = z.union([
  z.strictObject({ role: roleSchema }),
  z.strictObject({ password: newPasswordSchema }),
  z.strictObject({ pin: pinSchema.nullable() }),
  z.strictObject({ ended: z.boolean() }),
]);

export const hullSummarySchema = z.object({
  id: z.string(),
  revision: z.int(),
  maker: z.string(),
  name: z.string(),
  kind: z.string(),
  length: z.number(),
  beam: z.number(),
});
export const ownerSummarySchema = z.object({ id: z.string(), name: z.string(), email: z.string() });

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
});

export const progressSchema = z.object({
  done: z.int(),
  total: z.int(),
  next: z.string(),
  /** Unsettled findings by step. */
  toSettle: z.record(z.string(), z.int()),
  stops: z.int(),
});

export const rigSummarySchema = z.object({
  id: z.string(),
  number: z.string(),
  title: z.string(),
  owner: z.string(),
  hull: z.string(),
  outline: z.array(z.tuple([z.number(), z.number()])).describe('x and half-breadth along the hull, mm'),
  place: floorPlaceSchema,
  promised: z.string().nullable(),
  progress: progressSchema,
});

export const floorSchema = z.object({ shop: z.string(), today: z.string(), rigs: z.array(rigSummarySchema) });

export const loggedChangeSchema = z.object({
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
  facts: z.array(keptFactSchema),
  others: z.array(otherHoleSchema),
  catalog: catalogSchema.pick({ parts: true, consumables: true }),
  shop: shopSettingsSchema,
  today: z.string(),
  /** This person's own changes, latest last, for undo across reloads. */
  mine: z.array(loggedChangeSchema),
  signed: z.boolean(),
});

/** A manager's own login and password, typed for one act on whosever tablet: it signs nobody in. */
export const overrideSchema = signInSchema;
export const sendChangeSchema = z.strictObject({
  baseVersion: z.int().min(0),
  change: changeSchema,
  undoes: z.uuid().nullable(),
  /** For accepting what only a manager may: the acceptance then bears their name. */
  override: overrideSchema.optional(),
});
export const changedSchema = z.object({ version: z.int(), plan: planSchema, rebased: z.boolean(), repeated: z.boolean() });
export const sendFactsSchema = z.strictObject({
  facts: z.array(newFactSchema).min(1).max(500),
  /** For letting a step pass. */
  override: overrideSchema.optional(),
  /** Who kept them, when that is not who sends them. */
  keptBy: z.strictObject({ name: z.string().min(1).max(80), proof: z.string().max(400) }).optional(),
});
export const keptSchema = z.object({ factCount: z.int(), facts: z.array(keptFactSchema) });
export const moveRigSchema = z.strictObject({ place: floorPlaceSchema });
export const duplicateRigSchema = z.strictObject({ title: z.string().trim().min(1).max(120) });
export const ownerLinkSchema = z.object({ url: z.string(), expires: z.string() });
export const importedSchema = z.object({ id: z.string(), number: z.string() });
export const documentQuerySchema = z.object({
  units: z.enum(['imperial', 'metric']).default('imperial'),
  paper: z.enum(['A4', 'LETTER']).default('LETTER'),
  language: z.enum(['en', 'fr']).default('en'),
});

export const templatesQuerySchema = documentQuerySchema.extend({
  fitting: z.string().max(80).optional().describe('one fitting alone; all that drill when left out'),
});
export const templateQuerySchema = documentQuerySchema.extend({
  fitting: z.string().max(80),
  part: z.coerce.number().int().min(1).max(40).default(1).describe('which of the sheets it is split into'),
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
export const hullReadingsSchema = z.object({ readings: z.array(benchReadingSchema) });

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
  facts: z.array(keptFactSchema),
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

const remnantSchema = z.object({ id: z.string(), stock: z.string(), length: z.number(), width: z.number() });
/** All the shop has to cut, what from, and what lies on the shelf. */
export const cutsSchema = z.object({
  stocks: z.array(stockSchema),
  bars: z.array(z.object({ id: z.string(), stock: z.string(), says: z.string(), length: z.number() })),
  plates: z.array(
    z.object({
      id: z.string(),
      says: z.string(),
      long: z.number(),
      wide: z.number(),
      holes: z.array(z.object({ u: z.number(), v: z.number(), bore: z.number() })),
      outline: z.array(z.tuple([z.number(), z.number()])).describe('from its middle, closed'),
    }),
  ),
  remnants: z.array(remnantSchema),
  kerf: z.number(),
});
const pieceSchema = z.number().min(1).max(10_000);
/** A cut plan as it was sawn: what was cut, which remnants went, what is left. */
export const keepCutsSchema = z.strictObject({
  pieces: z.array(z.string().max(160)).min(1).max(2000),
  used: z.array(z.string().max(64)).max(500),
  left: z
    .array(z.strictObject({ stock: z.string().max(64), length: pieceSchema, width: z.number().min(0).max(10_000) }))
    .max(500),
});

const columnMeaningSchema = z.enum(COLUMN_MEANINGS);
export const wishSheetSchema = z.object({
  headings: z.array(z.string()),
  columns: z.array(columnMeaningSchema.nullable()),
  rows: z.array(z.array(z.string())),
  dropped: z.int().describe('rows beyond what is read'),
});
export const rememberHeadingSchema = z.strictObject({
  heading: z.string().min(1).max(80),
  meaning: columnMeaningSchema.nullable(),
});

export const keepAssemblySchema = z.strictObject({
  assembly: assemblySchema,
  expects: z.int().min(0).describe('the version it was made from; nought for a new one'),
});

export const keepShopSchema = z.strictObject({
  settings: shopSettingsSchema,
  expects: z.int().min(1).describe('the revision they were made from'),
});
/** What is newer than a plan was made with; null where nothing is. */
export const newerSchema = z.object({
  hull: hullModelSchema.nullable(),
  catalog: catalogSchema.nullable(),
  shop: shopSettingsSchema.nullable(),
});

/** What an assembly is built from, without a boat. */
export const storesListSchema = z.object({
  parts: z.array(partSchema),
  hulls: z.array(hullModelSchema),
  shop: shopSettingsSchema,
});

/** A photo may bring an id of its own: sent twice, kept once. */
export const addPhotoSchema = z.object({ id: z.uuid().optional() });
export const addedPhotoSchema = z.object({ id: z.string(), name: z.string(), width: z.int(), height: z.int() });

export const backupsSchema = z.object({ last: z.string().nullable().describe('ISO, null when there is none') });
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
  older: z.array(z.object({ label: z.string(), reading: z.number(), from: z.string(), plugged: z.string().nullable() })),
  signedOn: z.string().nullable(),
});

export type StoresList = z.infer<typeof storesListSchema>;
export type Newer = z.infer<typeof newerSchema>;
export type Problem = z.infer<typeof problemSchema>;
export type Override = z.infer<typeof overrideSchema>;
export type StaffList = z.infer<typeof staffListSchema>;
export type AddStaff = z.infer<typeof addStaffSchema>;
export type ChangeStaff = z.infer<typeof changeStaffSchema>;
export type Backups = z.infer<typeof backupsSchema>;
export type SendFacts = z.infer<typeof sendFactsSchema>;
export type FloorPlace = z.infer<typeof floorPlaceSchema>;
export type HullSummary = z.infer<typeof hullSummarySchema>;
export type OwnerSummary = z.infer<typeof ownerSummarySchema>;
export type OpenRig = z.infer<typeof openRigSchema>;
export type Progress = z.infer<typeof progressSchema>;
export type RigSummary = z.infer<typeof rigSummarySchema>;
export type Floor = z.infer<typeof floorSchema>;
export type RigDocument = z.infer<typeof rigSchema>;
export type LoggedChange = z.infer<typeof loggedChangeSchema>;
export type SendChange = z.infer<typeof sendChangeSchema>;
export type Changed = z.infer<typeof changedSchema>;
export type KeptFacts = z.infer<typeof keptSchema>;
export type OwnerPage = z.infer<typeof ownerPageSchema>;
export type HullLedger = z.infer<typeof hullLedgerSchema>;
export type FoundList = z.infer<typeof foundListSchema>;
export type Cuts = z.infer<typeof cutsSchema>;
export type KeepCuts = z.infer<typeof keepCutsSchema>;
export type OwnHull = z.infer<typeof ownHullSchema>;
export type DescribeHull = z.infer<typeof describeHullSchema>;
export type WishSheet = z.infer<typeof wishSheetSchema>;
export type AddedPhoto = z.infer<typeof addedPhotoSchema>;
export type HullReadings = z.infer<typeof hullReadingsSchema>;
export type DocumentQuery = z.infer<typeof documentQuerySchema>;
