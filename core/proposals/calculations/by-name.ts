import * as advice from '../../checks/advice/calculations';
import * as circuits from '../../electric/circuits/calculations';
import * as drilling from '../../holding/drilling/calculations';
import * as float from '../../water/float/calculations';
import * as hull from '../../boat/hull/calculations';
import * as layout from '../../layout/calculations';
import * as mounting from '../../holding/mounting/calculations';
import * as units from '../../base/units/calculations';
import type { Calculation } from '../../base/units';

const isCalculation = (v: unknown): v is Calculation => typeof v === 'object' && v !== null && 'calculation' in v && 'run' in v;

/** Every calculation that can be called by name, in the order of their names. A folder with calculations of its own is a line here. */
export const CALCULATIONS: ReadonlyMap<string, Calculation> = new Map(
  [advice, circuits, drilling, float, hull, layout, mounting, units]
    .flatMap((folder) => Object.values(folder).filter(isCalculation))
    .sort((a, b) => (a.calculation < b.calculation ? -1 : 1))
    .map((c) => [c.calculation, c]),
);
