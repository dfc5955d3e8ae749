import { z } from 'zod';

const idSchema = z.string().regex(/^[a-z0-9][a-z0-9-]{0,63}$/, 'lower-case letters, digits and hyphens');
const sizeSchema = z.number().min(0).max(5000);
const offsetSchema = z.number().min(-3000).max(3000);
const textSchema = z.string().max(400);
const lengthSchema = sizeSchema;
const countSchema = z.int().min(0).max(40);
const minutesSchema = z.number().min(0).max(600);
const percentSchema = z.number().min(0.5).max(50);

/** A way of holding a fitting on the hull. */
export const HOLDS = [
  'loose',
  'clamp',
  'track',
  'insert',
  'scupper',
  'glue',
  'screw',
  'rivet',
  'well nut',
  'through',
  'pulled plate',
] as const;
export const holdSchema = z.enum(HOLDS);
export type Hold = z.infer<typeof holdSchema>;

/** A box of the part in its own frame: u aft, v to starboard, w up from the surface. */
export const solidSchema = z.strictObject({
  name: z.string().max(40),
  u: z.tuple([offsetSchema, offsetSchema]),
  v: z.tuple([offsetSchema, offsetSchema]),
  w: z.tuple([offsetSchema, offsetSchema]),
});
export type Solid = z.infer<typeof solidSchema>;

/** A box of the part that turns about an axis: a lid, an arm, a drive, a folding frame. */
export const moverSchema = z.strictObject({
  name: z.string().max(40),
  solid: solidSchema.describe('where it lies at rest, in the part’s frame'),
  about: z.enum(['u', 'v', 'w']).describe('the direction of its hinge'),
  hinge: z.strictObject({ u: offsetSchema, v: offsetSchema, w: offsetSchema }).describe('a point of the hinge'),
  turns: z.number().min(-360).max(360).describe('degrees from rest to its other end, right-handed about the axis'),
  both: z.boolean().optional().describe('it turns as far the other way'),
  strutKg: z.number().min(0).max(200).optional().describe('what its gas strut still lifts, at the middle of the lid'),
});
export type Mover = z.infer<typeof moverSchema>;

/** What of a part lies under the surface: the hole it is let into, and the tube or body below. */
export const recessSchema = z.strictObject({
  bore: z.number().min(5).max(300).describe('diameter of its hole, mm'),
  deep: sizeSchema.describe('how far it goes in along its axis, mm'),
  lean: z.number().min(0).max(80).describe('degrees its axis leans off square to the surface'),
  out: z.number().min(-180).max(180).describe('which way it leans above the surface: 0 aft, 90 to port, −90 to starboard'),
});
export type Recess = z.infer<typeof recessSchema>;

/** What two parts of a mount chain are joined by. Only the same kind and size meet. */
export const jointSchema = z.strictObject({
  kind: z.enum(['slot', 'thread', 'ball', 'socket', 'bolt pattern', 'rail']),
  size: z.string().min(1).max(24),
});
export type Joint = z.infer<typeof jointSchema>;

/** What a rig has so and so many of, and uses up. */
export const BUDGETS = ['rod sockets', 'ports', 'glands', 'channels'] as const;
const budgetSchema = z.partialRecord(z.enum(BUDGETS), z.int().min(0).max(40));

const kindOrPartSchema = z.string().min(1).max(64).describe('a kind of part, or the id of one');

const walkTextSchema = z.strictObject({ use: textSchema, road: textSchema, care: textSchema });

export const partSchema = z.strictObject({
  id: idSchema,
  name: z.string().min(1).max(80),
  french: z.string().min(1).max(80),
  kind: z.enum([
    'rod tube',
    'paddle clip',
    'net',
    'crate',
    'sounder',
    'camera',
    'light',
    'battery',
    'motor',
    'anchor',
    'track',
    'plate',
    'seat',
    'leash',
    'sampler',
    'gland',
    'switch',
    'board',
    'eye',
    'stowage',
    'safety',
    'paddle',
    'jacket',
    'signal',
    'ladder',
    'steering',
    'rudder',
    'drive',
    'pegs',
    'cooler',
    'mat',
    'mount',
    'bar',
    'flag',
    'cart',
  ]),
  massKg: z.number().min(0).max(100),
  base: z.strictObject({ length: sizeSchema, width: sizeSchema, thickness: sizeSchema }),
  solids: z.array(solidSchema).min(1).max(8),
  /** Holes through its base, in its own frame. */
  holes: z
    .array(
      z.strictObject({
        u: offsetSchema,
        v: offsetSchema,
        bore: sizeSchema.optional().describe('a hole of its own size, closed by the part itself, mm'),
      }),
    )
    .max(24),
  /** Thread of the fastener its holes take. */
  thread: z.string().max(12),
  /** Rivet grade its holes take, when it can be riveted. */
  rivet: z.string().max(4).optional(),
  holds: z.array(holdSchema).min(1),
  trackBolts: z.int().min(0).max(8),
  /** The head that goes into a slot; the usual M6 head when left out. */
  slotHead: z
    .strictObject({ neck: sizeSchema.describe('must pass the opening'), deep: sizeSchema.describe('must go into the depth') })
    .optional(),
  /** Its place in a mount chain: what it stands on, and what it offers to the next. */
  joins: z.strictObject({ foot: jointSchema.optional(), heads: z.array(jointSchema).max(6) }).optional(),
  moves: z.array(moverSchema).max(4).optional(),
  recess: recessSchema.optional(),
  bridges: z
    .strictObject({ least: sizeSchema, most: sizeSchema, over: sizeSchema.describe('its ends stand out beyond the slots') })
    .optional()
    .describe('a bar that stands on two tracks: how far apart they may be, mm'),
  rods: z
    .strictObject({
      count: z.int().min(1).max(12),
      depth: sizeSchema.describe('of the tube, mm'),
      lean: z.number().min(0).max(90).describe('degrees off the vertical'),
      out: z.number().min(-180).max(180).describe('which way it leans: 0 aft, 90 to port, −90 to starboard'),
      butt: sizeSchema.describe('how far the butt stands below the base, mm'),
    })
    .optional(),
  light: z
    .strictObject({ shows: z.enum(['all round', 'port', 'starboard', 'both sides', 'stern', 'dim']), w: offsetSchema })
    .optional(),
  lens: z
    .strictObject({ w: offsetSchema, field: z.number().min(5).max(360).describe('degrees wide, about the heading') })
    .optional(),
  sonar: z
    .strictObject({ beam: z.enum(['down', 'side']), w: offsetSchema.describe('of its face; negative is below the base') })
    .optional(),
  screen: z.strictObject({ w: offsetSchema, tilt: z.number().min(0).max(90).describe('degrees its face leans back') }).optional(),
  heat: z.enum(['shade', 'any']).optional().describe('shade: it stops in the sun on a hot day'),
  gives: budgetSchema.optional(),
  takes: budgetSchema.optional(),
  needs: z.array(kindOrPartSchema).max(8).optional(),
  excludes: z.array(kindOrPartSchema).max(8).optional(),
  replaces: z.array(kindOrPartSchema).max(8).optional().describe('what comes off the boat for it: listed, bagged, given back'),
  drains: z.boolean().optional().describe('water runs through it: it does not close a scupper'),
  afloat: z.enum(['floats', 'sinks']).optional().describe('what it does overboard by itself'),
  usedAt: sizeSchema.optional().describe('how far from its place it is used, mm: what a tether must allow'),
  reboards: z.enum(['strap', 'ladder', 'flip line']).optional(),
  spareFor: z.enum(['paddle', 'pedals', 'motor']).optional(),
  /** What its use pulls and pushes it with; the usual of its kind when left out. */
  load: z
    .strictObject({
      newtons: z.number().min(0).max(5000).describe('working pull or push'),
      lever: z.number().min(0).max(3000).describe('height over its base at which it acts, mm'),
      toward: z.enum(['any', 'out', 'aft', 'side']),
    })
    .optional(),
  clamps: z.strictObject({ least: sizeSchema, most: sizeSchema }).optional().describe('round rails it clamps on, diameter'),
  metal: z.enum(['stainless', 'aluminium', 'brass', 'plastic']).optional().describe('of its base'),
  madeHole: sizeSchema.optional().describe('diameter of the holes of its base as sold'),
  opening: sizeSchema.optional().describe('a hand gets into the hull through it: smaller side of the clear opening'),
  /** The slot others ride in, of a track that is screwed on. */
  slot: z.strictObject({ opening: sizeSchema, depth: sizeSchema, thread: z.string().max(12) }).optional(),
  /** A part cut to length, or a track that others ride on. */
  cutFrom: z.strictObject({ stock: idSchema, length: sizeSchema }).optional(),
  lever: z.boolean().describe('loads with leverage: wants a plate when bolted through'),
  use: z.enum(['always', 'hourly', 'stopped', 'ashore']),
  draw: z
    .strictObject({
      amps: z.number().positive().max(200),
      fuse: z.number().positive().max(200).optional().describe('the protection its maker states, A'),
      volts: z.number().positive().max(60),
      of: z.enum(['electronics', 'lights', 'motor', 'other']),
    })
    .optional(),
  battery: z
    .strictObject({
      ampHours: z.number().positive().max(500),
      volts: z.number().positive().max(60),
      chemistry: z.enum(['lithium', 'lead-acid']),
    })
    .optional(),
  comesOff: z.boolean().describe('comes off for the road'),
  priceCents: z.int().min(0).max(10_000_000),
  priced: z.iso.date(),
  supplier: z.string().max(60),
  leadDays: z.int().min(0).max(365),
  walk: z.strictObject({ en: walkTextSchema, fr: walkTextSchema }),
});
export type Part = z.infer<typeof partSchema>;

/** Material sold by piece or length that follows from the plan. */
export const consumableSchema = z.strictObject({
  id: idSchema,
  name: z.string().min(1).max(80),
  french: z.string().min(1).max(80),
  unit: z.enum(['each', 'metre', 'cartridge']),
  priceCents: z.int().min(0).max(1_000_000),
  supplier: z.string().max(60),
});
export type Consumable = z.infer<typeof consumableSchema>;

/** What the shop cuts parts and plates from: bars by length, boards by length and width. */
export const stockSchema = z.strictObject({
  id: idSchema,
  name: z.string().min(1).max(80),
  kind: z.enum(['bar', 'board']),
  length: sizeSchema,
  width: sizeSchema.describe('of a board; nought for a bar'),
  thickness: sizeSchema.describe('of a board'),
  priceCents: z.int().min(0).max(1_000_000),
});
export type Stock = z.infer<typeof stockSchema>;

export const catalogSchema = z.strictObject({
  format: z.literal('plain-cleat/catalog'),
  revision: z.int().min(1),
  parts: z.array(partSchema).max(20_000),
  consumables: z.array(consumableSchema).max(2000),
  stocks: z.array(stockSchema).max(200).optional(),
});
export type Catalog = z.infer<typeof catalogSchema>;

/** Whether clocks know a time zone by this name. */
function isTimeZone(name: string): boolean {
  try {
    return new Intl.DateTimeFormat('en', { timeZone: name }) instanceof Intl.DateTimeFormat;
  } catch {
    return false;
  }
}

/** A shop's own settings: what it charges, how it works, what it deems enough. */
export const shopSettingsSchema = z.strictObject({
  revision: z.int().min(1),
  name: z.string().min(1).max(80),
  place: z.string().max(120),
  timeZone: z.string().max(40).refine(isTimeZone, 'a time zone of the world, such as Europe/Dublin'),
  currency: z.string().length(3),
  units: z.enum(['imperial', 'metric']),
  taxPercent: z.number().min(0).max(40),
  taxOnLabor: z.boolean(),
  labor: z.strictObject({
    centsPerHour: z.int().min(0).max(100_000),
    setUpMinutes: z.number().min(0).max(600),
    /** Minutes a mount, by method, without its holes. */
    mount: z.record(holdSchema, minutesSchema),
    holeMinutes: z.number().min(0).max(120),
    plateMinutes: z.number().min(0).max(240),
    runMinutesPerMetre: z.strictObject({ inside: minutesSchema, outside: minutesSchema }),
    terminationMinutes: z.number().min(0).max(120),
    circuitTestMinutes: z.number().min(0).max(120),
    awkward: z.number().min(1).max(5).describe('factor where nothing reaches behind'),
  }),
  drilling: z.strictObject({
    threads: z.enum(['metric', 'inch']),
    pilot: z.number().min(1).max(6).describe('pilot bit, mm'),
    stepUp: z.number().min(1.2).max(10).describe('a bit is at most so many times the one before it'),
    hazardMargin: z.number().min(0).max(100).describe('least distance to what is behind, mm'),
    depthBehind: z.number().min(5).max(100).describe('room a bit, bolt and nut need behind, mm'),
    tape: z.number().min(0).max(20),
    hull: z.number().min(0).max(20),
    wander: z.number().min(0).max(20),
    riggerStature: z.number().min(1200).max(2300),
    knownWithin: z.number().min(0).max(50).describe('a known distance may differ so much from the drawing, mm'),
    agree: z.boolean().describe('the owner agrees to the taped layout before the first hole'),
    farFromPlan: z.number().min(1).max(500).describe('a reading so far from the plan is asked about, mm'),
    reuseWithin: z.number().min(0).max(5).describe('an old hole serves when it is so near, mm'),
    barWithin: z.number().min(0.1).max(3).describe('a printed check bar may be so far off, mm'),
    flatWithin: z
      .number()
      .min(0.05)
      .max(5)
      .describe('flattening a template may cost so much, mm; beyond it the template is split'),
  }),
  /** How this shop holds things, and what it asks of a mount. */
  holding: z.strictObject({
    shock: z.number().min(1).max(10).describe('factor on the working pull'),
    rock: z.number().min(0.1).max(20).describe('a base may rock so far under its working pull, degrees'),
    habit: z.array(holdSchema).max(HOLDS.length).describe('which way the shop prefers of equals, first first'),
    sealant: z.enum(['neutral-cure silicone', 'marine adhesive', 'butyl tape']),
    nut: z.enum(['lock', 'plain']).describe('what goes on behind: a nut that locks itself, or a plain one'),
    spares: z.number().min(0).max(1).describe('share of fasteners picked over what the plan counts'),
    plate: z.number().min(1).max(50).describe('thickness of the board plates are cut from, mm'),
    kerf: z.number().min(0).max(10).describe('width of the saw cut, mm'),
    pitch: z.number().min(30).max(600).describe('holes of a track are no farther apart, mm'),
    end: z.number().min(8).max(150).describe('its end holes lie so far in, mm'),
    heat: z.number().min(0).max(100).describe('between the coldest and the hottest a boat lies in, K'),
  }),
  wiring: z.strictObject({
    standard: z.enum(['E-11', 'ISO 10133']),
    dropPercent: z.strictObject({
      electronics: percentSchema,
      lights: percentSchema,
      motor: percentSchema,
      other: percentSchema,
    }),
    leastAwg: z.strictObject({ motor: z.int().min(2).max(18), other: z.int().min(2).max(18) }),
    /** Others' wires that run in the same bundle; 1 means a pair alone. */
    conductorsInBundle: z.int().min(1).max(40),
    loop: z.number().min(0).max(2000).describe('service loop at each end, mm'),
    slackPercent: z.number().min(0).max(50),
    cutTo: z.number().min(1).max(500).describe('cut lengths are rounded up to this, mm'),
  }),
  stroke: z.strictObject({
    paddle: z.number().min(1500).max(3500).describe('paddle length, mm'),
    hand: z.number().min(0).max(200).describe('clearance about a hand, mm'),
    shaft: z.number().min(0).max(200).describe('clearance about the shaft, mm'),
    body: z.number().min(0).max(0.2).describe('body band, 0.05 is five percent either way'),
  }),
  /** What this shop deems enough when it judges a layout. */
  limits: z.strictObject({
    cast: z.number().min(0).max(2000).describe('what hangs from a rod tip, mm'),
    astern: z.number().min(0).max(90).describe('a sidearm cast stops this short of dead astern, degrees'),
    standing: lengthSchema.describe('side of the clear square a stander wants, mm'),
    rods: z
      .strictObject({ light: countSchema, usual: countSchema, large: countSchema })
      .describe('rods a hull carries comfortably'),
    list: z.number().min(0).max(1).describe('share of the gear weight to one side that is too much'),
    stern: z
      .number()
      .min(0)
      .max(1)
      .describe('the after part of the length, as a share: how much gear stands in it is said when the stern is deep'),
    trim: z.number().min(0.1).max(15).describe('one end may float so much deeper than the other, degrees'),
    aloneKg: z.number().min(1).max(200).describe('what one person lifts to a roof'),
    tubeDeep: z.number().min(0).max(1).describe('least share of the rod’s handle that stands in its tube'),
    screen: z.number().min(0).max(180).describe('degrees off its face at which a screen can still be read'),
    handle: lengthSchema.describe('length of a rod’s handle, mm'),
    sailing: z.number().min(0).max(45).describe('degrees a side-looking beam needs clear under the hull'),
  }),
  /** Lists of rules the shop keeps for the events its owners go to. */
  rules: z
    .array(
      z.strictObject({
        id: idSchema,
        name: z.string().min(1).max(80),
        rules: z
          .array(
            z.discriminatedUnion('rule', [
              z.strictObject({
                rule: z.literal('aboard'),
                what: kindOrPartSchema,
                reach: z.enum(['anywhere', 'half turn', 'at hand']),
                says: z.string().min(1).max(120),
              }),
              z.strictObject({ rule: z.literal('most rods'), count: z.int().min(0).max(40), says: z.string().min(1).max(120) }),
              z.strictObject({ rule: z.literal('white light'), says: z.string().min(1).max(120) }),
            ]),
          )
          .min(1)
          .max(40),
      }),
    )
    .max(60),
  cureHours: z.number().min(0).max(240),
  quoteDays: z.int().min(1).max(365),
});
export type ShopSettings = z.infer<typeof shopSettingsSchema>;
