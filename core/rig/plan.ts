import { z } from 'zod';
import { coordinateSchema, LIES, placeSchema, type Place } from '../boat/hull';
import {
  HAND_NAMES,
  HOLDS,
  laterRevisionSchema,
  OFTEN,
  type Part,
  type PartRef,
  ownPartSchema,
  partOfSheet,
} from '../parts/parts';
import { SETTINGS_GROUPS, type SettingsGroup } from '../parts/shop';
import { briefSchema, sitsSchema, USUAL_BRIEF } from './brief';
import { keySchema, ofOwner, ofShop, tieKeySchema } from '../base/stored';
import { MEASURE_UNITS } from '../base/units';
import { daySchema } from './day';
import { lineSchema } from './line';

export const mountSchema = z.strictObject({
  hold: z.enum(HOLDS),
  plate: z.boolean().describe('backing plate behind a through-bolted base'),
  reason: ofOwner(z.string().max(200).describe('why the rigger overruled the advice, or empty')),
});

/** How what is aboard came to be there. */
export const CAME_FROM = ['maker', 'earlier rig', 'found'] as const;
/** What the plan does with what came aboard, when it is not simply used. */
export const BECOMES = ['left', 'replaced', 'removed', 'gone'] as const;

/** The same in words. */
export const BECOMES_WORDS = {
  left: 'left unused',
  replaced: 'replaced',
  removed: 'taken off',
  gone: 'not there',
} as const satisfies Readonly<Record<(typeof BECOMES)[number], string>>;

/** Who in the boat uses a thing. */
export const USERS = ['first', 'second'] as const;
/** Where a thing that comes off for the road rides. */
export const RIDES = ['car', 'boat', 'bag', 'trailer', 'home'] as const;

/** The same in words. */
export const RIDES_WORDS = {
  car: 'in the car',
  boat: 'inside the boat',
  bag: 'in its bag',
  trailer: 'on the trailer',
  home: 'stays at home',
} as const satisfies Readonly<Record<(typeof RIDES)[number], string>>;

export const SUPPLIERS = ['shop', "owner's own", 'home-made', 'gift'] as const;

/** A strap from one tie point to another: of the hull, of a fitting, or of the thing itself; over it when of neither. */
export const strapSchema = z.strictObject({ from: tieKeySchema, to: tieKeySchema });

/** What the plan does with what came aboard. */
export const becomesSchema = z
  .strictObject({
    is: z.enum(BECOMES).describe('left: stays and is not used; gone: only its holes are left'),
    for: keySchema.optional().describe('the fitting that takes its place'),
  })
  .describe('what the plan does with what came aboard; used when left out');

const nthHoleSchema = z.string().regex(/^\d{1,2}$/);
/** A hole of the hull: the fact it is known by, or its name where it came with a thing aboard. */
const oldHoleSchema = z.union([z.uuid(), z.string().regex(/^came\.[A-Za-z0-9-]{1,64}\.\d{1,2}$/)]);

export const fittingSchema = z.strictObject({
  part: keySchema,
  revision: laterRevisionSchema.optional().describe('of the part'),
  place: placeSchema,
  lift: z.number().min(0).max(1500).describe('raised over its surface on a riser, mm'),
  mount: mountSchema,
  suppliedBy: z.enum(SUPPLIERS),
  note: ofOwner(z.string().max(400)),
  lean: z.number().min(-90).max(90).optional().describe('degrees its rods or mast lean more than the part itself'),
  /** The sets it belongs to; every set when left out. */
  sets: z.array(keySchema).max(20).optional(),
  /** Where it stands in a set that has it elsewhere. */
  elsewhere: z.record(keySchema, placeSchema).optional(),
  group: keySchema.optional().describe('fittings of one group move as one'),
  locked: z.boolean().optional().describe('stays where it is until unlocked'),
  swap: keySchema.optional().describe('shares a plate with the others of this name: one at a time'),
  tether: z
    .strictObject({
      to: keySchema.nullable().describe('the fitting that holds it; null is the hull beside it'),
      length: z.number().min(0).max(6000),
    })
    .optional(),
  straps: z.array(strapSchema).max(8).optional().describe('where its straps go, when it is held by straps'),
  float: z.boolean().optional().describe('has a float added'),
  often: z.enum(OFTEN).optional().describe('how often it is used here; as its part usually is when left out'),
  comesOff: z.boolean().optional().describe('whether it comes off for the road here; as its part does when left out'),
  rides: z.enum(RIDES).optional().describe('where it rides when it comes off for the road'),
  by: z.enum(USERS).optional().describe('who uses it; whoever reaches it best when left out'),
  hand: z.enum(HAND_NAMES).optional().describe('the hand that is to use it here; the one that is free when left out'),
  aboard: z
    .strictObject({
      from: z.enum(CAME_FROM),
      place: placeSchema,
      hold: z.enum(HOLDS),
      holes: z.record(nthHoleSchema, z.uuid()).optional().describe('its holes, counted from 1, that a fact tells of'),
      tether: z.number().min(0).max(6000).optional().describe('how long the tether is that came on it, mm'),
    })
    .optional()
    .describe('it was on the boat when that came in, and how it stood there'),
  becomes: becomesSchema.optional(),
  travels: z.boolean().optional().describe('moves between the boats of its owner'),
  length: z.number().min(100).max(3000).optional().describe('a track cut to so much of its stock, mm'),
  /** Old holes of the hull that its own holes, counted from 1, use again: the fact of each. */
  uses: z.record(nthHoleSchema, oldHoleSchema).optional(),
  of: z
    .strictObject({ assembly: keySchema, version: z.int().min(1) })
    .optional()
    .describe('the assembly it is the base of'),
});

/** Where a cable can lie along the boat. */
export const LANES = [
  'inside port',
  'inside starboard',
  'under gunwale port',
  'under gunwale starboard',
  'under deck',
  'outside port',
  'outside starboard',
] as const;

/** What a cable passes on its way: its lane at some place, or another lane from there on; a point; a gland. */
const waypointSchema = z.discriminatedUnion('at', [
  z.strictObject({
    at: z.literal('lane'),
    x: coordinateSchema,
    lane: z.enum(LANES).optional().describe('the lane from here on; the one before, or the run’s, when left out'),
  }),
  z.strictObject({ at: z.literal('point'), x: coordinateSchema, y: coordinateSchema }),
  z.strictObject({ at: z.literal('gland'), fitting: keySchema.describe('the gland it goes through') }),
]);
export type Waypoint = z.infer<typeof waypointSchema>;

/**
 * Which conductors a cable has: both, what goes out, what comes back, or a plus to the next battery's minus; or none that
 * feeds: a signal cable, from plug to plug.
 */
export const CONDUCTORS = ['both', 'plus', 'minus', 'series', 'signal'] as const;

/** Kinds of protection that a rigger may ask for. */
export const GUARDS = ['blade fuse', 'breaker', 'strip fuse', 'class T fuse'] as const;

const guardSchema = z.union([
  z.literal('none').describe('what stands before it protects it too'),
  z.strictObject({
    is: z.enum(GUARDS).nullable().describe('null lets the core choose the kind'),
    amps: z.number().positive().max(500).nullable().describe('null lets the core choose the rating, A'),
    along: z.number().min(0).max(20_000).describe('along the wire from where it starts, mm'),
    enclosed: z.literal(true).optional().describe('sheathed or enclosed all the way from where it starts to the protection'),
    bothEnds: z.literal(true).optional().describe('of a charge cable: another stands at the charger’s end'),
  }),
]);

/** Where a cable lies: its ends, and its way between them. */
const layingSchema = z.strictObject({
  from: keySchema.describe('fitting that feeds it'),
  to: keySchema.describe('fitting that it feeds'),
  lane: z.enum(LANES),
  via: z.array(waypointSchema).max(40),
});

/** A cable from what feeds to what is fed. */
export const runSchema = layingSchema.extend({
  awg: z.int().min(2).max(18).nullable().describe('null lets the core choose the gauge'),
  way: z.int().min(1).max(24).optional().describe('the way it leaves by, counted from 1, where what feeds it has several'),
  has: z.enum(CONDUCTORS).optional().describe('both when left out'),
  guard: guardSchema.optional().describe('left out: at a battery as the core chooses, elsewhere none'),
  name: ofOwner(z.string().trim().min(1).max(40).describe('what its way is called on the box')).optional(),
  loop: z.number().min(0).max(3000).optional().describe('so much more for what moves on its way, mm'),
  aboard: layingSchema
    .extend({
      awg: z.int().min(2).max(18).optional().describe('left out of a signal cable'),
      cut: z.number().min(0).max(40_000).describe('how long each conductor of it is, mm'),
    })
    .optional()
    .describe('it lay in the boat when that came in, and how it lay there: a new one when left out'),
  proposed: z.literal(true).optional().describe('as it was proposed: a new proposal may replace it'),
});

/** A named set of the same rig: all-day, trolling, guest, travel. */
export const rigSetSchema = z.strictObject({
  name: ofOwner(z.string().trim().min(1).max(40)),
  order: z.int().min(0).max(99),
  sits: sitsSchema.optional(),
});

/** What a stowed thing does to what lies beside it. */
export const TRAITS = ['wet', 'sharp'] as const;

/** A thing stowed inside the boat or on the paddler, or a place kept for later. */
export const stowedSchema = z.strictObject({
  in: keySchema.describe('the room inside, or which container of the fitting'),
  of: keySchema.optional().describe('the fitting that it is in: a crate, a box, a life jacket'),
  what: ofOwner(z.string().trim().min(1, 'say what goes in there').max(120)),
  kg: z.number().min(0).max(100),
  litres: z.number().min(0).max(500),
  wantsDry: z.boolean(),
  is: z.array(z.enum(TRAITS)).max(2).optional(),
  use: z.enum(['always', 'hourly', 'stopped', 'ashore']),
  later: z.boolean().describe('a place kept for what is planned'),
});

/** A photo of the owner's; its bytes are kept beside the plan. */
export const photoSchema = z.strictObject({
  name: ofOwner(z.string().max(120)),
  width: z.int().min(1).max(20_000),
  height: z.int().min(1).max(20_000),
  x: coordinateSchema.nullable().describe('where along the boat it belongs'),
  caption: ofOwner(z.string().max(200)),
});

export const SCUPPER_PLANS = ['open', 'plugged'] as const;

export const wishSchema = z.strictObject({
  text: ofOwner(z.string().min(1).max(200)),
  part: keySchema.nullable().describe('the part it was matched to, or null'),
  count: z.int().min(1).max(999).optional(),
  cents: z.int().min(0).max(100_000_000).optional().describe("the owner's own price"),
});

export const tapeSchema = z.strictObject({ datum: ofShop(z.string().max(80)), run: z.enum(['taut', 'centre', 'gunwale']) });

export const acceptanceSchema = z.strictObject({
  reason: ofOwner(z.string().min(3).max(400)),
  by: ofShop(z.string().max(80)),
  severity: z.enum(['stop', 'look', 'note']).optional().describe('what it was when it was accepted'),
  measure: z
    .strictObject({ amount: z.number(), unit: z.enum(MEASURE_UNITS), worse: z.enum(['more', 'less']) })
    .optional()
    .describe('how bad it was then: it lapses when it gets worse'),
  unproven: z.literal(true).optional().describe('it came in a file: nobody here accepted it, and it does not count'),
  size: z.number().optional().describe('the same before measures were kept: the first figure that was said, mm, kg or km/h'),
});

/** The most of each list that one rig holds: more than any boat, few enough to be worked up at once. */
export const PLAN_LIMITS = {
  fittings: 150,
  runs: 200,
  lines: 60,
  wishes: 300,
  sets: 24,
  stowage: 150,
  photos: 60,
  scuppers: 60,
  features: 120,
  own: 60,
  accepted: 600,
} as const;

/** Why a list is too long, or null. */
export function tooMany(list: keyof typeof PLAN_LIMITS, entries: object): string | null {
  const [count, most] = [Object.keys(entries).length, PLAN_LIMITS[list]];
  return count > most ? `${count} ${list}; a rig holds ${most} at the most` : null;
}

const limited = <T extends z.ZodType>(list: keyof typeof PLAN_LIMITS, of: T) =>
  z.record(list === 'accepted' ? z.string().max(160) : keySchema, of).superRefine((entries, check) => {
    const says = tooMany(list, entries);
    if (says) check.addIssue({ code: 'custom', message: says });
  });

const revisionSchema = z.int().min(1);

/** What we mean to do. Facts never stand in here. */
export const planSchema = z.strictObject({
  id: keySchema,
  title: ofOwner(z.string().min(1).max(120), 'a forgotten rig'),
  opened: z.iso.date(),
  promised: z.iso.date().nullable(),
  pins: z.strictObject({
    hull: z.strictObject({ id: keySchema, revision: z.int().min(1) }),
    materials: revisionSchema,
    shop: z.record(z.enum(SETTINGS_GROUPS), revisionSchema),
  }),
  brief: briefSchema,
  tape: tapeSchema,
  day: daySchema.nullable().describe('a day on the water; the usual one of the brief when null'),
  fittings: limited('fittings', fittingSchema),
  runs: limited('runs', runSchema),
  lines: limited('lines', lineSchema),
  wishes: limited('wishes', wishSchema),
  sets: limited('sets', rigSetSchema),
  stowage: limited('stowage', stowedSchema),
  photos: limited('photos', photoSchema),
  scuppers: limited('scuppers', z.enum(SCUPPER_PLANS)).describe('open when not named'),
  features: limited('features', becomesSchema).describe('of the hull itself, by name: used when not named'),
  own: limited('own', ownPartSchema).describe('parts made at the bench or brought, of this rig alone'),
  accepted: limited('accepted', acceptanceSchema),
  /** Letters frozen at the first print or quote; null while they still follow the places. */
  letters: z.record(keySchema, ofShop(z.string().max(4))).nullable(),
});

export { keySchema, LIES, placeSchema, type Place };
export type Strap = z.infer<typeof strapSchema>;
export type Mount = z.infer<typeof mountSchema>;
export type Fitting = z.infer<typeof fittingSchema>;
export type Run = z.infer<typeof runSchema>;
export type GuardKind = (typeof GUARDS)[number];
export type Conductors = (typeof CONDUCTORS)[number];
/** The conductors of a cable that feeds. */
export type Feeding = Exclude<Conductors, 'signal'>;
export type Wish = z.infer<typeof wishSchema>;
export type RigSet = z.infer<typeof rigSetSchema>;
export type Tape = z.infer<typeof tapeSchema>;
export type Stowed = z.infer<typeof stowedSchema>;
export type Photo = z.infer<typeof photoSchema>;
export type Acceptance = z.infer<typeof acceptanceSchema>;
export type Plan = z.infer<typeof planSchema>;

/** A plan pinned to a hull, the materials and all the shop's settings in one revision each; parts are pinned by who uses them. */
export const pinsTo = (hull: Plan['pins']['hull'], materials: number, shop: number): Plan['pins'] => ({
  hull: { id: hull.id, revision: hull.revision },
  materials,
  shop: everyGroupAt(shop),
});

/** Every group of settings in one revision. */
export const everyGroupAt = (revision: number): Plan['pins']['shop'] =>
  Object.fromEntries(SETTINGS_GROUPS.map((g) => [g, revision])) as Record<SettingsGroup, number>;

/** The parts a plan's fittings are, each in its revision. */
export const partsOf = ({ fittings }: Pick<Plan, 'fittings'>): PartRef[] => Object.values(fittings).map(partRef);

/** The parts of a plan's own, made at the bench or brought; priced on the day it was opened. */
export const ownParts = ({ own, opened }: Pick<Plan, 'own' | 'opened'>): Part[] =>
  Object.entries(own).map(([key, sheet]) => partOfSheet(key, sheet, opened));

/** The part that a fitting is, in its revision. */
export const partRef = ({ part: id, revision }: Pick<Fitting, 'part' | 'revision'>): PartRef => ({ id, revision });

/** The plan of a rig just opened. */
export function openPlan(start: Pick<Plan, 'id' | 'title' | 'opened' | 'promised' | 'pins'>): Plan {
  return {
    ...start,
    brief: USUAL_BRIEF,
    tape: { datum: 'bow', run: 'centre' },
    day: null,
    fittings: {},
    runs: {},
    lines: {},
    wishes: {},
    sets: {},
    stowage: {},
    photos: {},
    scuppers: {},
    features: {},
    own: {},
    accepted: {},
    letters: null,
  };
}
