import { z } from 'zod';
import { calculation, SOURCES } from '../units';
import { planOverlap } from './overlap';
import { BODY } from './paddler';

const outline = z
  .array(z.tuple([z.number(), z.number()]))
  .min(3)
  .max(64);

export const outlineOverlap = calculation(
  'outline-overlap',
  'The shortest slide that parts two convex outlines',
  z.strictObject({ a: outline, b: outline }),
  [SOURCES.closedForm],
  ({ a, b }) => ({ mm: planOverlap(a, b) }),
);

export const bodyLengths = calculation(
  'body-lengths',
  'Body lengths from stature',
  z.strictObject({ stature: z.number().min(1000).max(2300) }),
  [SOURCES.bodies],
  ({ stature }) => Object.fromEntries(Object.entries(BODY).map(([name, fraction]) => [name, fraction * stature])),
);
