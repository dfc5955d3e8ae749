import {
  assembly,
  benchReading,
  catalog,
  change,
  COLUMN_MEANINGS,
  hullModel,
  keptFact,
  newFact,
  part,
  plan,
  shopSettings,
  stock,
} from '@plain-cleat/core';
import { z } from 'zod';
import { ROLES } from './route';
import { signIn, staff } from './session';

export const FLOOR_PLACES = ['bench 1', 'bench 2', 'curing rack', 'yard', "owner's move", 'handed over', 'set aside'] as const;
export const floorPlace = z.enum(FLOOR_PLACES);

/** RFC 9457 problem details: names the field and what would be right. */
export const problem = z.object({
  type: z.string(),
  title: z.string(),
  status: z.int(),
  detail: z.string(),
  field: z.string().optional(),
  faults: z.array(z.object({ field: z.string(), says: z.string() })).optional(),
  /** On a clash: what the plan holds now, and what the change wanted. */
  clash: z.object({ field: z.string(), found: z.unknown(), wanted: z.unknown(), version: z.int() }).optional(),
});

export const staffList = z.array(
  staff.extend({
    login: z.string(),
    hasPin: z.boolean(),
    ended: z.string().nullable().describe('when they left, ISO'),
  }),
);
export const addStaff = z.strictObject({
  login: z.string().max(200),
  name: z.string().max(200),
  role: z.enum(ROLES),
  password: z.string().max(200),
});
/** One thing of somebody that changes. */
export const changeStaff = z.union([
  z.strictObject({ role: z.enum(ROLES) }),
  z.strictObject({ password: z.string().max(200) }),
  z.strictObject({ pin: z.string().max(20).nullable() }),
  z.strictObject({ ended: z.boolean() }),
]);

export const hullSummary = z.object({
  id: z.string(),
  revision: z.int(),
  maker: z.string(),
  name: z.string(),
  kind: z.string(),
  length: z.number(),
  beam: z.number(),
});
export const ownerSummary = z.object({ id: z.string(), name: z.string(), email: z.string() });

export const openRig = z.strictObject({
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

export const progress = z.object({
  done: z.int(),
  total: z.int(),
  next: z.string(),
  /** Unsettled findings by step. */
  toSettle: z.record(z.string(), z.int()),
  stops: z.int(),
});

export const rigSummary = z.object({
  id: z.string(),
  number: z.string(),
  title: z.string(),
  owner: z.string(),
  hull: z.string(),
  outline: z.array(z.tuple([z.number(), z.number()])).describe('x and half-breadth along the hull, mm'),
  place: floorPlace,
  promised: z.string().nullable(),
  progress,
});

export const floor = z.object({ shop: z.string(), today: z.string(), rigs: z.array(rigSummary) });

export const loggedChange = z.object({ id: z.string(), version: z.int(), undoes: z.string().nullable(), inverse: change });

const point = z.object({ x: z.number(), y: z.number(), z: z.number() });
/** A hole another rig of the same hull plans or uses. */
export const otherHole = z.object({
  rig: z.string(),
  label: z.string(),
  of: z.string(),
  at: point,
  bit: z.number(),
  fact: z.string().nullable(),
  held: z.boolean(),
});
export const rig = z.object({
  id: z.string(),
  number: z.string(),
  owner: ownerSummary,
  serial: z.string(),
  place: floorPlace,
  version: z.int(),
  factCount: z.int(),
  plan,
  hull: hullModel,
  facts: z.array(keptFact),
  others: z.array(otherHole),
  catalog: catalog.pick({ parts: true, consumables: true }),
  shop: shopSettings,
  today: z.string(),
  /** This person's own changes, latest last, for undo across reloads. */
  mine: z.array(loggedChange),
  signed: z.boolean(),
});

/** A manager's own login and password, typed for one act on whosever tablet: it signs nobody in. */
export const override = signIn;
export const sendChange = z.strictObject({
  baseVersion: z.int().min(0),
  change,
  undoes: z.uuid().nullable(),
  /** For accepting what only a manager may: the acceptance then bears their name. */
  override: override.optional(),
});
export const changed = z.object({ version: z.int(), plan, rebased: z.boolean(), repeated: z.boolean() });
export const sendFacts = z.strictObject({
  facts: z.array(newFact).min(1).max(500),
  /** For letting a step pass. */
  override: override.optional(),
  /** Who kept them, when that is not who sends them. */
  keptBy: z.strictObject({ name: z.string().min(1).max(80), proof: z.string().max(400) }).optional(),
});
export const kept = z.object({ factCount: z.int(), facts: z.array(keptFact) });
export const moveRig = z.strictObject({ place: floorPlace });
export const duplicateRig = z.strictObject({ title: z.string().trim().min(1).max(120) });
export const ownerLink = z.object({ url: z.string(), expires: z.string() });
export const imported = z.object({ id: z.string(), number: z.string() });
export const documentQuery = z.object({
  units: z.enum(['imperial', 'metric']).default('imperial'),
  paper: z.enum(['A4', 'LETTER']).default('LETTER'),
  language: z.enum(['en', 'fr']).default('en'),
});

export const templatesQuery = documentQuery.extend({
  fitting: z.string().max(80).optional().describe('one fitting alone; all that drill when left out'),
});
export const templateQuery = documentQuery.extend({
  fitting: z.string().max(80),
  part: z.coerce.number().int().min(1).max(40).default(1).describe('which of the sheets it is split into'),
});

export const saveHullModel = z.strictObject({
  model: hullModel,
  expects: z.int().min(0).describe('the revision it was made from; nought for a new hull'),
});

export const readHullFile = z.strictObject({
  kind: z.enum(['csv', 'svg', 'dxf']),
  text: z.string().min(1, 'the file is empty').max(2_000_000, 'an outline is under 2 MB'),
  heights: z.strictObject({ gunwale: z.number().min(1).max(2000), keel: z.number().min(0).max(1000) }),
});
export const hullReadings = z.object({ readings: z.array(benchReading) });

export const describeHull = z.strictObject({
  serial: z.string().trim().max(60),
  year: z.int().min(1950, 'a year like 2024').max(2100, 'a year like 2024').nullable(),
  colour: z.string().trim().max(40),
  notes: z.string().max(1000),
});
export const ownHull = describeHull.extend({
  id: z.string(),
  owner: z.object({ id: z.string(), name: z.string() }),
  model: z.string(),
  facts: z.int(),
  rigs: z.array(z.object({ id: z.string(), number: z.string() })),
});

/** A hull with all that happened to it, over its rigs and years. */
export const hullLedger = z.object({
  hull: ownHull,
  model: hullModel,
  facts: z.array(keptFact),
  holes: z.array(otherHole),
  shop: shopSettings,
});
export const readFound = z.strictObject({
  text: z.string().min(1, 'the list is empty').max(200_000, 'a list is under 200 kB'),
  units: z.enum(['imperial', 'metric']),
});
export const foundList = z.object({
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

const remnant = z.object({ id: z.string(), stock: z.string(), length: z.number(), width: z.number() });
/** All the shop has to cut, what from, and what lies on the shelf. */
export const cuts = z.object({
  stocks: z.array(stock),
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
  remnants: z.array(remnant),
  kerf: z.number(),
});
const piece = z.number().min(1).max(10_000);
/** A cut plan as it was sawn: what was cut, which remnants went, what is left. */
export const keepCuts = z.strictObject({
  pieces: z.array(z.string().max(160)).min(1).max(2000),
  used: z.array(z.string().max(64)).max(500),
  left: z.array(z.strictObject({ stock: z.string().max(64), length: piece, width: z.number().min(0).max(10_000) })).max(500),
});

const columnMeaning = z.enum(COLUMN_MEANINGS);
export const wishSheet = z.object({
  headings: z.array(z.string()),
  columns: z.array(columnMeaning.nullable()),
  rows: z.array(z.array(z.string())),
  dropped: z.int().describe('rows beyond what is read'),
});
export const rememberHeading = z.strictObject({ heading: z.string().min(1).max(80), meaning: columnMeaning.nullable() });

export const keepAssembly = z.strictObject({
  assembly,
  expects: z.int().min(0).describe('the version it was made from; nought for a new one'),
});

export const keepShop = z.strictObject({
  settings: shopSettings,
  expects: z.int().min(1).describe('the revision they were made from'),
});
/** What is newer than a plan was made with; null where nothing is. */
export const newer = z.object({
  hull: hullModel.nullable(),
  catalog: catalog.nullable(),
  shop: shopSettings.nullable(),
});

/** What an assembly is built from, without a boat. */
export const storesList = z.object({ parts: z.array(part), hulls: z.array(hullModel), shop: shopSettings });

/** A photo may bring an id of its own: sent twice, kept once. */
export const addPhoto = z.object({ id: z.uuid().optional() });
export const addedPhoto = z.object({ id: z.string(), name: z.string(), width: z.int(), height: z.int() });

export const backups = z.object({ last: z.string().nullable().describe('ISO, null when there is none') });
export const makeLink = z.strictObject({ keep: z.boolean().default(false).describe('whether links made before go on') });
export const ownerPage = z.object({
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

export type StoresList = z.infer<typeof storesList>;
export type Newer = z.infer<typeof newer>;
export type Problem = z.infer<typeof problem>;
export type Override = z.infer<typeof override>;
export type StaffList = z.infer<typeof staffList>;
export type AddStaff = z.infer<typeof addStaff>;
export type ChangeStaff = z.infer<typeof changeStaff>;
export type Backups = z.infer<typeof backups>;
export type SendFacts = z.infer<typeof sendFacts>;
export type FloorPlace = z.infer<typeof floorPlace>;
export type HullSummary = z.infer<typeof hullSummary>;
export type OwnerSummary = z.infer<typeof ownerSummary>;
export type OpenRig = z.infer<typeof openRig>;
export type Progress = z.infer<typeof progress>;
export type RigSummary = z.infer<typeof rigSummary>;
export type Floor = z.infer<typeof floor>;
export type RigDocument = z.infer<typeof rig>;
export type LoggedChange = z.infer<typeof loggedChange>;
export type SendChange = z.infer<typeof sendChange>;
export type Changed = z.infer<typeof changed>;
export type KeptFacts = z.infer<typeof kept>;
export type OwnerPage = z.infer<typeof ownerPage>;
export type HullLedger = z.infer<typeof hullLedger>;
export type FoundList = z.infer<typeof foundList>;
export type Cuts = z.infer<typeof cuts>;
export type KeepCuts = z.infer<typeof keepCuts>;
export type OwnHull = z.infer<typeof ownHull>;
export type DescribeHull = z.infer<typeof describeHull>;
export type WishSheet = z.infer<typeof wishSheet>;
export type AddedPhoto = z.infer<typeof addedPhoto>;
export type HullReadings = z.infer<typeof hullReadings>;
export type DocumentQuery = z.infer<typeof documentQuery>;
