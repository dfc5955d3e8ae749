import { z } from 'zod';
import { askedForSchema, holdSchema, HOLDS, partIdSchema, sizeSchema } from '../parts';

const countSchema = z.int().min(0).max(40);
const minutesSchema = z.number().min(0).max(600);
const percentSchema = z.number().min(0.5).max(50);

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
    lineMinutes: z.number().min(0).max(240).describe('to cut, lead and tie one line'),
    takeOff: z.number().min(0).max(3).describe('taking a thing off, as a share of the minutes of mounting it'),
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
    standard: z.enum(['E-11', 'ISO 10133', 'ISO 13297']).describe('ISO 10133 for the drop alone, with the ampacity of E-11'),
    series: z.enum(['AWG', 'mm²']).describe('how wires are sold: in mm² each gauge is the next section over it'),
    dropPercent: z.strictObject({
      electronics: percentSchema,
      lights: percentSchema,
      motor: percentSchema,
      other: percentSchema,
      charging: percentSchema.describe('of a charge cable at the charger’s current'),
    }),
    hot: z
      .array(z.string().trim().min(1).max(60))
      .max(20)
      .describe('rooms of hulls that get hot, by their names: a cable that lies there carries less'),
    leastAwg: z.strictObject({ motor: z.int().min(2).max(18), other: z.int().min(2).max(18) }),
    bundled: z.enum(['at any voltage', 'from 50 V']).describe('from which voltage on conductors of a bundle carry less'),
    meter: z.boolean().describe('the simulated bench meter counts as one: for a demo and for nothing else'),
    readings: z.boolean().describe('a circuit is tested by what a meter reads, not by a tick'),
    checks: z.boolean().describe('it is also rung through, motors run both ways, lights looked at'),
    loop: z.number().min(0).max(2000).describe('service loop at each end, mm'),
    slackPercent: z.number().min(0).max(50),
    follows: z.number().min(0).max(3).describe('a cable to what turns or slides has a loop of so many times what that moves'),
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
    standing: sizeSchema.describe('side of the clear square a stander wants, mm'),
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
    lidKg: z.number().min(0).max(200).describe('a hatch lid bears so much while its seal keeps tight'),
    dogKg: z.number().min(1).max(100).describe('a dog aboard is taken to weigh'),
    childKg: z.number().min(5).max(80).describe('a child aboard is taken to weigh'),
    aloneKg: z.number().min(1).max(200).describe('what one person lifts to a roof'),
    carryKgMetres: z.number().min(1).max(1_000_000).describe('one person carries so much weight times way, kg·m'),
    cartKg: z.number().min(1).max(1000).describe('a cart by scupper posts bears so much'),
    cradleKg: z.number().min(1).max(1000).describe('a cradle cart bears so much'),
    tubeDeep: z.number().min(0).max(1).describe('least share of the rod’s handle that stands in its tube'),
    screen: z.number().min(0).max(180).describe('degrees off its face at which a screen can still be read'),
    handle: sizeSchema.describe('length of a rod’s handle, mm'),
    pitch: z.number().min(0).max(60).describe('degrees the boat pitches that what is inside must bear'),
    heel: z.number().min(0).max(60).describe('degrees it heels'),
    handTight: z.number().min(20).max(2000).describe('a strap drawn by hand pulls with, N'),
    tieHolds: z.number().min(50).max(10_000).describe('a tie point holds, N'),
    dearCents: z.int().min(0).max(10_000_000).describe('what costs so much on a pole, a clamp or a magnet wants a second hold'),
    slip: z.number().min(0.05).max(1.5).describe('friction of what lies loose inside, wet'),
    sailing: z.number().min(0).max(45).describe('degrees a side-looking beam needs clear under the hull'),
  }),
  /** Lists of rules the shop keeps for the events its owners go to. */
  rules: z
    .array(
      z.strictObject({
        id: partIdSchema,
        name: z.string().min(1).max(80),
        rules: z
          .array(
            z.discriminatedUnion('rule', [
              z.strictObject({
                rule: z.literal('aboard'),
                what: askedForSchema,
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
