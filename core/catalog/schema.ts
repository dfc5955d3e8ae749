import { z } from 'zod';

const id = z.string().regex(/^[a-z0-9][a-z0-9-]{0,63}$/, 'lower-case letters, digits and hyphens');
const size = z.number().min(0).max(5000);
const offset = z.number().min(-3000).max(3000);
const text = z.string().max(400);

/** A way of holding a fitting on the hull. */
export const HOLDS = ['track', 'through', 'rivet', 'insert', 'loose'] as const;
export const hold = z.enum(HOLDS);
export type Hold = z.infer<typeof hold>;

/** A box of the part in its own frame: u aft, v to starboard, w up from the surface. */
export const solid = z.strictObject({
  name: z.string().max(40),
  u: z.tuple([offset, offset]),
  v: z.tuple([offset, offset]),
  w: z.tuple([offset, offset]),
});
export type Solid = z.infer<typeof solid>;

const walkText = z.strictObject({ use: text, road: text, care: text });

export const part = z.strictObject({
  id,
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
  ]),
  massKg: z.number().min(0).max(100),
  base: z.strictObject({ length: size, width: size, thickness: size }),
  solids: z.array(solid).min(1).max(8),
  /** Holes through its base, in its own frame. */
  holes: z
    .array(
      z.strictObject({
        u: offset,
        v: offset,
        bore: size.optional().describe('a hole of its own size, closed by the part itself, mm'),
      }),
    )
    .max(24),
  /** Thread of the fastener its holes take. */
  thread: z.string().max(12),
  /** Rivet grade its holes take, when it can be riveted. */
  rivet: z.string().max(4).optional(),
  holds: z.array(hold).min(1),
  trackBolts: z.int().min(0).max(8),
  lever: z.boolean().describe('loads with leverage: wants a plate when bolted through'),
  use: z.enum(['always', 'hourly', 'stopped', 'ashore']),
  draw: z
    .strictObject({
      amps: z.number().positive().max(200),
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
  walk: z.strictObject({ en: walkText, fr: walkText }),
});
export type Part = z.infer<typeof part>;

/** Material sold by piece or length that follows from the plan. */
export const consumable = z.strictObject({
  id,
  name: z.string().min(1).max(80),
  french: z.string().min(1).max(80),
  unit: z.enum(['each', 'metre', 'cartridge']),
  priceCents: z.int().min(0).max(1_000_000),
  supplier: z.string().max(60),
});
export type Consumable = z.infer<typeof consumable>;

export const catalog = z.strictObject({
  format: z.literal('plain-cleat/catalog'),
  revision: z.int().min(1),
  parts: z.array(part).max(20_000),
  consumables: z.array(consumable).max(2000),
});
export type Catalog = z.infer<typeof catalog>;

/** A shop's own settings: what it charges, how it works, what it deems enough. */
export const shopSettings = z.strictObject({
  revision: z.int().min(1),
  name: z.string().min(1).max(80),
  place: z.string().max(120),
  timeZone: z.string().max(40),
  currency: z.string().length(3),
  units: z.enum(['imperial', 'metric']),
  taxPercent: z.number().min(0).max(40),
  taxOnLabor: z.boolean(),
  labor: z.strictObject({
    centsPerHour: z.int().min(0).max(100_000),
    setUpMinutes: z.number().min(0).max(600),
    /** Minutes a mount, by method, without its holes. */
    mount: z.strictObject({ track: z.number(), through: z.number(), rivet: z.number(), insert: z.number(), loose: z.number() }),
    holeMinutes: z.number().min(0).max(120),
    plateMinutes: z.number().min(0).max(240),
    runMinutesPerMetre: z.strictObject({ inside: z.number(), outside: z.number() }),
    terminationMinutes: z.number().min(0).max(120),
    circuitTestMinutes: z.number().min(0).max(120),
    awkward: z.number().min(1).max(5).describe('factor where nothing reaches behind'),
  }),
  drilling: z.strictObject({
    threads: z.enum(['metric', 'inch']),
    pilot: z.number().min(1).max(6).describe('pilot bit, mm'),
    hazardMargin: z.number().min(0).max(100).describe('least distance to what is behind, mm'),
    depthBehind: z.number().min(5).max(100).describe('room a bit, bolt and nut need behind, mm'),
    tape: z.number().min(0).max(20),
    hull: z.number().min(0).max(20),
    wander: z.number().min(0).max(20),
    riggerStature: z.number().min(1200).max(2300),
  }),
  wiring: z.strictObject({
    standard: z.enum(['E-11', 'ISO 10133']),
    dropPercent: z.strictObject({ electronics: z.number(), lights: z.number(), motor: z.number(), other: z.number() }),
    leastAwg: z.strictObject({ motor: z.int(), other: z.int() }),
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
  cureHours: z.number().min(0).max(240),
  quoteDays: z.int().min(1).max(365),
});
export type ShopSettings = z.infer<typeof shopSettings>;
