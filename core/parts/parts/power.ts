import { z } from 'zod';
import { cableLengthSchema } from './signal';

const CHEMISTRIES = ['lithium', 'lead-acid'] as const;
/** Where what comes in through a port comes from, besides a charger ashore. */
const CHARGES_FROM = ['tow', 'sun'] as const;

/** Threads of posts and main studs that cables are put on, mm. */
const STUDS = [4, 5, 6, 8, 10] as const;
export type Stud = (typeof STUDS)[number];

const wattHoursSchema = z.number().positive().max(5000);
const ampsSchema = z.number().positive().max(500);

/** What a part draws, stores, passes on or lets in: read by the circuits. */
export const powerSchema = z.strictObject({
  draw: z
    .strictObject({
      amps: z.number().positive().max(200),
      stallAmps: ampsSchema.optional().describe('a motor held fast takes so much, A'),
      fuse: z.number().positive().max(200).optional().describe('the protection its maker states, A'),
      volts: z.number().positive().max(60),
      of: z.enum(['electronics', 'lights', 'motor', 'other']),
      switched: z.literal(true).optional().describe('it has a switch of its own'),
      pumps: z.literal(true).optional().describe('it pumps: its feed is brown'),
      usb: z.literal(true).optional().describe('what runs on a battery of its own is charged from it'),
    })
    .optional(),
  battery: z
    .strictObject({
      ampHours: z.number().positive().max(500),
      volts: z.number().positive().max(60),
      chemistry: z.enum(CHEMISTRIES),
      mostAmps: ampsSchema.optional().describe('it gives no more: its own protection switches it off, A'),
      takes: ampsSchema.optional().describe('it is charged with no more, A'),
      milliohms: z.number().positive().max(500).optional().describe('what its maker says it resists inside, full and warm, mΩ'),
    })
    .optional(),
  passes: z
    .strictObject({
      amps: ampsSchema.describe('all that it carries at once, A'),
      ways: z.int().min(1).max(24).describe('how many ways out it has'),
      wayAmps: ampsSchema.optional().describe('what each way carries, A; all of it when left out'),
      fused: z.literal(true).optional().describe('each way has a fuse of its own'),
      switched: z.literal(true).optional().describe('each way is switched by itself'),
      kills: z.literal(true).optional().describe('a lanyard pulls it off'),
    })
    .optional()
    .describe('it hands on what it is fed: a switch, a fuse block, a relay box, a bus'),
  plug: z
    .strictObject({
      family: z.string().trim().min(1).max(24).describe('only the same family mates'),
      amps: ampsSchema.describe('what it is rated, A'),
    })
    .optional()
    .describe('the plug or socket that it is connected by'),
  cable: cableLengthSchema.optional().describe('it comes with a cable so long, mm: that is not cut, what is over is coiled'),
  gauge: z.int().min(2).max(18).optional().describe('of the cable that it comes with, AWG'),
  stud: z
    .literal(STUDS)
    .optional()
    .describe('thread of the posts or main studs its cables are put on, M4 to M10; left out: as is usual for what it is'),
  charges: z
    .strictObject({
      amps: ampsSchema.describe('all that comes in through it, A'),
      from: z
        .enum(CHARGES_FROM)
        .optional()
        .describe('the plug of the towing car, through a converter; the sun, by a panel; left out: a charger ashore'),
      watts: z.number().positive().max(2000).optional().describe('of a panel in full sun square to it'),
      volts: z
        .number()
        .positive()
        .max(60)
        .optional()
        .describe('nominal, of what it charges; left out of a port that takes any charger'),
      limits: z.literal(true).optional().describe('its output limits itself: shorted, no more than its amps come out of it'),
      suits: z.enum(CHEMISTRIES).optional().describe('it charges this kind alone; either when left out'),
    })
    .refine((c) => c.from !== 'sun' || c.watts !== undefined, {
      path: ['watts'],
      message: 'say what the panel gives in full sun',
    })
    .optional()
    .describe('a battery is charged through it: a port, a converter, a panel'),
  own: z
    .strictObject({
      wattHours: wattHoursSchema,
      watts: z.number().positive().max(500).describe('what it draws while it runs'),
      usb: z.literal(true).optional().describe('it runs on while it is plugged into USB'),
      card: z
        .strictObject({ gigabytes: z.number().positive().max(8000), megabits: z.number().positive().max(2000) })
        .optional()
        .describe('its card, and the megabits a second it writes'),
    })
    .optional()
    .describe('it runs on a battery of its own'),
  sealed: z
    .enum(['no', 'spray', 'under water'])
    .optional()
    .describe('what water it is sealed against; left out: nobody has said, and nothing is judged'),
  bank: z
    .strictObject({ wattHours: wattHoursSchema })
    .optional()
    .describe('what runs on a battery of its own is charged from it'),
});
