import { z } from 'zod';
import { coordinateSchema } from '../boat/hull';
import { keySchema, ofOwner } from '../base/stored';

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
export type Run = z.infer<typeof runSchema>;
export type GuardKind = (typeof GUARDS)[number];
export type Conductors = (typeof CONDUCTORS)[number];
/** The conductors of a cable that feeds. */
export type Feeding = Exclude<Conductors, 'signal'>;
