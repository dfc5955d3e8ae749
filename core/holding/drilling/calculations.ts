import { z } from 'zod';
import { shopSettingsSchema } from '../../parts/shop';
import { calculation, SOURCES } from '../../base/units';
import { toleranceBudget } from './behind';
import { bitFor } from './bits';

export const bitSize = calculation(
  'bit-size',
  'The bit of the shop for a clearance hole',
  z.strictObject({ mm: z.number().positive().max(100), family: z.enum(['metric', 'inch']) }),
  [SOURCES.inchClearance],
  ({ mm, family }) => bitFor(mm, family),
);

export const tolerance = calculation(
  'tolerance',
  'How far a hole may be off, by root of squares',
  shopSettingsSchema.shape.drilling.pick({ tape: true, hull: true, wander: true }),
  [SOURCES.shop],
  (d) => ({ mm: toleranceBudget(d) }),
);
