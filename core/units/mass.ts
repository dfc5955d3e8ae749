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

/** Reads `181 lb`, `82 kg` or a bare number in the system's unit; undefined when it is not a mass. */
export function parseMass(text: string, system: UnitSystem): number | undefined {
  const match = /^(\d+(?:\.\d+)?)\s*(lb|lbs|kg)?$/.exec(text.trim().toLowerCase());
  if (!match) return undefined;
  const unit = match[2] ?? (system === 'imperial' ? 'lb' : 'kg');
  return Number(match[1]) * (unit === 'kg' ? 1 : KG_PER_POUND);
}
