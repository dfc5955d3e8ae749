import { z } from 'zod';
import { offsetSchema } from './measures';

/** How a part is kept inside the hull. */
export const insideSchema = z.strictObject({
  usual: z.boolean().describe('its usual place is inside: it is offered a room first'),
  dry: z.boolean().describe('it wants to be dry'),
  soft: z.boolean().optional().describe('it gives: no rigid box has to pass an opening'),
  vents: z.boolean().optional().describe('it gives off gas or heat: it wants air where it is shut in'),
  touched: z
    .strictObject({
      what: z.enum(['reset', 'plug', 'switch', 'lid']),
      u: offsetSchema,
      v: offsetSchema,
      w: offsetSchema,
    })
    .optional()
    .describe('what a hand goes to, and where it is in the part’s own frame'),
});
