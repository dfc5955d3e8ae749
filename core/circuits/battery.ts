import type { Part } from '../parts';
import { nominalVolts } from './gauge';

/** What a part stores. */
export type Battery = NonNullable<NonNullable<Part['power']>['battery']>;

/** How a battery stands when it is asked for current. */
export interface Charge {
  /** Full, or down to where a day ends: a fifth left. */
  readonly full: boolean;
  /** At the freezing point instead of 20 °C. */
  readonly cold: boolean;
}

/** Volts at rest of a 12 V battery, full and with a fifth left (battery handbooks, from memory). */
const AT_REST: Readonly<Record<Battery['chemistry'], { readonly full: number; readonly low: number }>> = {
  'lead-acid': { full: 12.7, low: 11.8 },
  lithium: { full: 13.4, low: 12.8 },
};
/** What a 12 V battery of an ampere-hour resists inside, its protection among it, ohms; of more as much less (judgement, by data sheets). */
const INSIDE: Readonly<Record<Battery['chemistry'], number>> = { 'lead-acid': 0.6, lithium: 0.8 };
/** In the cold it resists so much more (judgement, by data sheets). */
const COLD: Readonly<Record<Battery['chemistry'], number>> = { 'lead-acid': 1.6, lithium: 2 };

/** A battery as a source: its volts at rest and what it resists inside, ohms. */
export function sourceOf(
  { ampHours, volts, chemistry }: Battery,
  { full, cold }: Charge,
): { readonly volts: number; readonly ohms: number } {
  const blocks = nominalVolts(volts) / 12;
  return {
    volts: blocks * AT_REST[chemistry][full ? 'full' : 'low'],
    ohms: (blocks * INSIDE[chemistry] * (cold ? COLD[chemistry] : 1)) / ampHours,
  };
}
