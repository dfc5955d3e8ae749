import { nominalVolts } from '../circuits';
import type { Fitted } from '../../holding/fitted';

export const idOf = (item: Fitted): string => item.placed.id;
export const xOf = (item: Fitted): number => item.placed.frame.origin.x;
export const nameOf = (item: Fitted): string => item.placed.part.name;
/** Nominal volts of a battery. */
export const voltsOf = (item: Fitted): number => nominalVolts(item.placed.part.power?.battery?.volts ?? 0);

/** Whether a battery is of the kind and the volts that a charger is for, and takes what it gives. */
export function isChargedBy({ placed: { part } }: Fitted, charger: Fitted): boolean {
  const { battery } = part.power ?? {};
  const { suits, volts, amps = 0 } = charger.placed.part.power?.charges ?? {};
  if (!battery || (volts !== undefined && nominalVolts(volts) !== nominalVolts(battery.volts))) return false;
  return (suits === undefined || suits === battery.chemistry) && amps <= (battery.takes ?? Infinity);
}

/** What comes before the first comma of a name, short enough for a label. */
export const shortName = (item: Fitted): string => (nameOf(item).split(',')[0] ?? '').slice(0, 36);
/** The nearest along the boat. */
export const nearest = <T>(x: number, of: readonly T[], at: (one: T) => number): T | undefined =>
  [...of].sort((a, b) => Math.abs(at(a) - x) - Math.abs(at(b) - x))[0];
