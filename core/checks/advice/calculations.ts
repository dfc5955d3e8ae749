import { z } from 'zod';
import { boltGroup, pullThrough, rocking } from '../../holding/mounting';
import { calculation, SOURCES } from '../../base/units';

const number = z.number().min(-1e7).max(1e7);
const spot = z.strictObject({ u: number, v: number });

export const fastenerLoads = calculation(
  'bolt-group',
  'What each fastener of a group carries of a force on its base',
  z.strictObject({
    spots: z.array(spot).min(1).max(24),
    force: z.strictObject({ u: number, v: number, w: number, at: z.strictObject({ u: number, v: number, w: number }) }),
    base: z.strictObject({ length: number, width: number }),
  }),
  [SOURCES.machineDesign],
  ({ spots, force, base }) => boltGroup(spots, force, base),
);

export const wallShear = calculation(
  'pull-through',
  'Shear of a wall about the rim of a washer, MPa',
  z.strictObject({ newtons: z.number().min(0), rim: z.number().positive(), wall: z.number().positive() }),
  [SOURCES.machineDesign],
  ({ newtons, rim, wall }) => ({ mpa: pullThrough(newtons, rim, wall) }),
);

export const baseRocks = calculation(
  'rocking',
  'How far a stiff base rocks on a flexible wall, degrees',
  z.strictObject({
    moment: z.number().min(0).describe('N·mm'),
    hub: z.number().positive().describe('half the smaller side of the base, mm'),
    wall: z.number().positive(),
    modulus: z.number().positive().describe('MPa'),
    panel: z.number().positive().describe('radius of flat wall, mm'),
  }),
  [SOURCES.plates],
  ({ moment, hub, wall, modulus, panel }) => ({ degrees: rocking(moment, hub, wall, modulus, panel) }),
);
