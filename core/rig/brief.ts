import { z } from 'zod';
import { ofOwner } from '../base/stored';
import { coordinateSchema } from '../boat/hull';
import { HAND_NAMES } from '../parts/parts';
import { keySchema } from '../base/stored';

const choice = <const T extends readonly [string, ...string[]]>(values: T) => z.array(z.enum(values)).max(values.length);

export const WATERS = ['pond', 'river', 'lake', 'inshore', 'offshore', 'night'] as const;
export const WORK = ['survey', 'handline', 'rods', 'camera', 'camping', 'guiding', 'day trips'] as const;
export const PROPULSION = ['paddle', 'pedals', 'motor'] as const;
export const CARRIES = ['cooler', 'crate', 'dog', 'child', 'camera', 'screens'] as const;

const bodySchema = z.strictObject({
  stature: z.number().min(1000).max(2300).describe('mm'),
  weightKg: z.number().min(10).max(250),
});
const sitting = {
  at: coordinateSchema.describe('x of the hip; as the hull is drawn when left out'),
  raise: z.number().min(0).max(400).describe('the seat is set so much higher than drawn, mm'),
  recline: z.number().min(0).max(45).describe('the back leans so far aft of upright, degrees'),
  castHand: z.enum(HAND_NAMES).describe('the hand that casts; as the first paddler of the brief when left out'),
  reelHand: z.enum(HAND_NAMES).describe('the hand that reels; as the first paddler of the brief when left out'),
};

/** Where the boat is got to the water, and how. */
export const GROUNDS = ['hard', 'grass', 'sand', 'stones', 'steps', 'ramp'] as const;
export const CARRIED_BY = ['carried', 'scupper cart', 'cradle', 'own wheels', 'trailer'] as const;

/** The same in words. */
export const GROUND_WORDS = {
  hard: 'hard ground',
  grass: 'grass',
  sand: 'sand',
  stones: 'stones',
  steps: 'steps',
  ramp: 'a ramp',
} as const satisfies Readonly<Record<(typeof GROUNDS)[number], string>>;
export const BY_WORDS = {
  carried: 'carried',
  'scupper cart': 'on a cart by its scupper posts',
  cradle: 'on a cradle cart',
  'own wheels': 'on its own wheels',
  trailer: 'on the trailer',
} as const satisfies Readonly<Record<(typeof CARRIED_BY)[number], string>>;

export const briefSchema = z.strictObject({
  waters: choice(WATERS),
  work: choice(WORK),
  stature: z.number().min(1000).max(2300).describe('mm'),
  weightKg: z.number().min(20).max(250),
  hand: z.enum(HAND_NAMES),
  seat: z.enum(['low', 'high', 'both']),
  seatAt: coordinateSchema.nullable().describe('x of the hip; null as the hull is drawn'),
  raise: sitting.raise,
  recline: sitting.recline,
  feetAt: coordinateSchema.nullable().describe('where pegs or pedals stand, x of the sole; null while they are not set'),
  propulsion: choice(PROPULSION),
  holes: z.enum(['none', 'few', 'as needed']),
  wires: z.enum(['inside', 'outside', 'pod']),
  road: z.enum(['roof', 'trailer', 'truck bed']),
  budgetCents: z.int().min(0).max(100_000_000).nullable(),
  tier: z.enum(['bare', 'working', 'everything']),
  notes: ofOwner(z.string().max(2000)),
  stands: z.enum(['sits', 'stands', 'both']),
  castHand: z.enum(HAND_NAMES),
  reelHand: z.enum(HAND_NAMES),
  cast: z.enum(['none', 'sidearm', 'overhead', 'both']),
  rodSide: z.enum(['away', 'same']).describe('rods on the other side than the casting hand, or on the same'),
  stroke: z.enum(['low', 'high']),
  paddle: z.number().min(1500).max(3500).nullable().describe("mm; null takes the shop's usual"),
  second: bodySchema.extend(z.object(sitting).partial().shape).nullable().describe('a second paddler'),
  way: z.strictObject({
    metres: z.number().min(0).max(20_000).describe('from where it comes off the car to the water; nought while nobody asked'),
    ground: z.enum(GROUNDS),
    by: z.enum(CARRIED_BY),
    minutes: z.int().min(1).max(600).nullable().describe('the time there is to rig up; null when there is enough'),
  }),
  boats: z.enum(['one boat', 'gear moves']),
  borrowed: z.boolean().describe('goes back as it came: undrilled'),
  lifts: z.enum(['alone', 'two']),
  distanceKm: z.number().min(0).max(200),
  carries: choice(CARRIES),
  rods: z.int().min(0).max(20),
  rodLength: z.number().min(500).max(5000).describe('mm'),
  leash: z.enum(['always', 'declined']),
  backUp: choice(PROPULSION).describe('what else can bring them home'),
  rules: z.array(keySchema).max(10).describe('lists of event rules the rig is checked against'),
  later: ofOwner(z.string().max(1000).describe('what the owner plans for later')),
  ownGear: ofOwner(z.string().max(1000)),
  forgotten: z.boolean().optional().describe('the owner asked to be forgotten: the body figures are nobody’s'),
});

const sitterSchema = z
  .strictObject({ body: bodySchema, ...sitting })
  .partial()
  .describe('what is another than in the brief: a guest’s body, where and how they sit');

/** How one sits in a set, where that is another than in the brief. */
export const sitsSchema = z.strictObject({
  first: sitterSchema.optional(),
  second: sitterSchema.nullable().optional().describe('null: nobody sits there'),
  feetAt: coordinateSchema.optional(),
});

export type Brief = z.infer<typeof briefSchema>;
export type Sits = z.infer<typeof sitsSchema>;

/** A brief with the answers most owners give, so that nothing starts empty. */
export const USUAL_BRIEF: Brief = {
  waters: ['lake'],
  work: ['day trips'],
  stature: 1750,
  weightKg: 80,
  hand: 'right',
  seat: 'low',
  seatAt: null,
  raise: 0,
  recline: 0,
  feetAt: null,
  propulsion: ['paddle'],
  holes: 'few',
  wires: 'inside',
  road: 'roof',
  budgetCents: null,
  tier: 'working',
  notes: '',
  stands: 'sits',
  castHand: 'right',
  reelHand: 'left',
  cast: 'none',
  rodSide: 'away',
  stroke: 'low',
  paddle: null,
  second: null,
  way: { metres: 0, ground: 'grass', by: 'carried', minutes: null },
  boats: 'one boat',
  borrowed: false,
  lifts: 'two',
  distanceKm: 8,
  carries: [],
  rods: 0,
  rodLength: 2100,
  leash: 'always',
  backUp: [],
  rules: [],
  later: '',
  ownGear: '',
};
