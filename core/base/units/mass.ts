import { type Rounding, roundTo, type UnitSystem } from './length';

/** 1 lb = 0.45359237 kg exactly (NIST SP 811). */
export const KG_PER_POUND = 0.45359237;

/** Standard gravity, m/s², exactly (NIST SP 811). */
export const GRAVITY = 9.80665;

/** A pull as the mass that hangs on it, kg: riggers pull with a hanging scale. */
export const asHung = (newtons: number): number => newtons / GRAVITY;

/** Prints a mass to the tenth under ten, else whole: `1.3 lb`, `82 kg`. Limits are rounded to the careful side. */
export function printMass(kg: number, system: UnitSystem, how: Rounding = 'nearest'): string {
  const value = system === 'imperial' ? kg / KG_PER_POUND : kg;
  const marks = value < 10 ? 10 : 1;
  const rounded = roundTo(value * marks, how) / marks;
  return `${value < 10 ? rounded.toFixed(1) : rounded} ${system === 'imperial' ? 'lb' : 'kg'}`;
}
