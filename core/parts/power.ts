import { z } from 'zod';

/** What a part draws, or stores: read by the wiring. */
export const powerSchema = z.strictObject({
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
      mostAmps: z.number().positive().max(500).optional().describe('it gives no more: its own protection switches it off, A'),
    })
    .optional(),
});
