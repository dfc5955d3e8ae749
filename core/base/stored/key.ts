import { z } from 'zod';

/** What names a fitting, a set, a run: it comes from outside, and never reaches a prototype. */
export const keySchema = z.string().regex(/^[A-Za-z0-9][A-Za-z0-9-]{0,63}$/, 'letters, digits and hyphens');

/** What names a tie point: of the hull, or of a fitting. */
export const tieKeySchema = z
  .string()
  .regex(/^[A-Za-z0-9-]{1,64}\.[a-z0-9-]{1,64}$/, '`hull` or a fitting, a dot, and the tie point');
