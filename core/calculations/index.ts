import * as advice from '../advice/calculations';
import * as circuits from '../circuits/calculations';
import * as drilling from '../drilling/calculations';
import * as float from '../float/calculations';
import * as hull from '../hull/calculations';
import * as layout from '../layout/calculations';
import * as mounting from '../mounting/calculations';
import * as units from '../units/calculations';
import type { Calculation } from '../units';

const isCalculation = (v: unknown): v is Calculation => typeof v === 'object' && v !== null && 'calculation' in v && 'run' in v;

/** Every calculation that can be called by name, in the order of their names. A folder with calculations of its own is a line here. */
export const CALCULATIONS: ReadonlyMap<string, Calculation> = new Map(
  [advice, circuits, drilling, float, hull, layout, mounting, units]
    .flatMap((folder) => Object.values(folder).filter(isCalculation))
    .sort((a, b) => (a.calculation < b.calculation ? -1 : 1))
    .map((c) => [c.calculation, c]),
);
