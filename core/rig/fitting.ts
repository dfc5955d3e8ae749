import { z } from 'zod';
import { placeSchema } from '../boat/hull';
import { HAND_NAMES, HOLDS, laterRevisionSchema, OFTEN } from '../parts/parts';
import { keySchema, ofOwner, tieKeySchema } from '../base/stored';

export const mountSchema = z.strictObject({
  hold: z.enum(HOLDS),
  plate: z.boolean().describe('backing plate behind a through-bolted base'),
  reason: ofOwner(z.string().max(200).describe('why the rigger overruled the advice, or empty')),
});

/** How what is aboard came to be there. */
const CAME_FROM = ['maker', 'earlier rig', 'found'] as const;
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
const strapSchema = z.strictObject({ from: tieKeySchema, to: tieKeySchema });

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
export type Strap = z.infer<typeof strapSchema>;
export type Mount = z.infer<typeof mountSchema>;
export type Fitting = z.infer<typeof fittingSchema>;
