import { z } from 'zod';
import { coordinateSchema, LIES, placeSchema, type Place } from '../boat/hull';
import { type Part, type PartRef, ownPartSchema, partOfSheet } from '../parts/parts';
import { SETTINGS_GROUPS, type SettingsGroup } from '../parts/shop';
import { briefSchema, sitsSchema, USUAL_BRIEF } from './brief';
import { keySchema, ofOwner, ofShop } from '../base/stored';
import { MEASURE_UNITS } from '../base/units';
import { daySchema } from './day';
import { lineSchema } from './line';
import { fittingSchema, becomesSchema, type Fitting } from './fitting';
import { runSchema } from './run';

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
