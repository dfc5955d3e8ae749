import { z } from 'zod';
import { fairHull, hullModelSchema } from '../../boat/hull';
import { calculation, SOURCES } from '../../base/units';
import { floatBy, FRESH_WATER, slicesOf, stabilityOf, trimDegrees, waterAt } from './floating';

const mass = z.strictObject({
  kg: z.number().min(0).max(5000),
  x: z.number().min(-2000).max(12_000),
  y: z.number().min(-2000).max(2000).default(0),
  z: z.number().min(-2000).max(5000),
});

export const floating = calculation(
  'floating',
  'Sinkage and trim of a hull under weights at their places, with its balance figures',
  z.strictObject({
    hull: hullModelSchema,
    masses: z.array(mass).min(1).max(500),
    density: z.number().min(900).max(1100).default(FRESH_WATER),
  }),
  [SOURCES.closedForm],
  ({ hull, masses, density }) => {
    const surface = fairHull(hull);
    const slices = slicesOf(surface);
    const f = floatBy(
      slices,
      masses.map(({ kg, ...at }) => ({ kg, at })),
      density,
    );
    return {
      ...f,
      trim: trimDegrees(f),
      bow: waterAt(f, 0),
      stern: waterAt(f, surface.length),
      ...stabilityOf(slices, f),
    };
  },
);
