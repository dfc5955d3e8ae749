import { z } from 'zod';
import { fairHull, hullModel } from '../hull';
import { calculation, SOURCES } from '../units';
import { evenKeel, FRESH_WATER, volume } from './even-keel';

export const waterline = calculation(
  'waterline',
  'The level waterline of a mass on a hull',
  z.strictObject({
    hull: hullModel,
    massKg: z.number().positive().max(5000),
    density: z.number().min(900).max(1100).default(FRESH_WATER),
  }),
  [SOURCES.closedForm],
  ({ hull, massKg, density }) => {
    const surface = fairHull(hull);
    const level = evenKeel(surface, massKg, density);
    return { ...level, litres: volume(surface, level.waterline) };
  },
);
