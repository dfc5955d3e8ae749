import type { Part } from '../../parts/parts';
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
/**
 * What a 12 V battery of an ampere-hour resists inside, full and warm, ohms; of more as much less. Makers seldom say: of 100 Ah
 * lithium 2 to 8 mΩ, lead 4 to 6 (makers' sheets, from memory, wide on purpose). The low end is for what a short circuit
 * reaches, the high end, with its protection in it, for how far it sags.
 */
const INSIDE: Readonly<Record<Battery['chemistry'], { readonly low: number; readonly high: number }>> = {
  'lead-acid': { low: 0.4, high: 0.6 },
  lithium: { low: 0.2, high: 0.8 },
};
/** The most volts that a charger holds a 12 V battery at (battery handbooks, from memory). */
const CHARGED_TO: Readonly<Record<Battery['chemistry'], number>> = { 'lead-acid': 14.8, lithium: 14.6 };
/** In the cold it resists so much more (judgement, by data sheets). */
const COLD: Readonly<Record<Battery['chemistry'], number>> = { 'lead-acid': 1.6, lithium: 2 };

/** How many batteries of 12 V it is as many volts as. */
const blocksOf = (volts: number): number => nominalVolts(volts) / 12;

/** What a battery resists inside, full and warm, ohms: by its maker, else the low or the high end of its kind. */
const insideOf = ({ ampHours, volts, chemistry, milliohms }: Battery, end: 'low' | 'high'): number =>
  milliohms === undefined ? (blocksOf(volts) * INSIDE[chemistry][end]) / ampHours : milliohms / 1000;

/** A battery as a source: its volts at rest and what it resists inside, ohms. */
export function sourceOf(battery: Battery, { full, cold }: Charge): { readonly volts: number; readonly ohms: number } {
  const { volts, chemistry } = battery;
  return {
    volts: blocksOf(volts) * AT_REST[chemistry][full ? 'full' : 'low'],
    ohms: insideOf(battery, 'high') * (cold ? COLD[chemistry] : 1),
  };
}

/** The same when it is shorted: full, warm, and as little inside as such batteries have. Its own electronics are no protection. */
export const shortedOf = (battery: Battery): { readonly volts: number; readonly ohms: number } => ({
  volts: sourceOf(battery, { full: true, cold: false }).volts,
  ohms: insideOf(battery, 'low'),
});

/** The highest volts it is charged at: what a fuse on it must open. */
export const chargedTo = ({ volts, chemistry }: Battery): number => blocksOf(volts) * CHARGED_TO[chemistry];
