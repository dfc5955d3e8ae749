import type { Battery } from './battery';

/** Hours that a battery's ampere-hours are stated over (common practice, no source). */
const STATED_OVER = 20;
/** How much less it gives the harder it is drawn on: Peukert's exponent (battery handbooks, from memory: 1.2 to 1.3, and about 1.05). */
export const EXPONENT: Readonly<Record<Battery['chemistry'], number>> = { 'lead-acid': 1.25, lithium: 1.05 };
/** The share of it that a day may take (common practice, no source: lead-acid to half, lithium to 80 or 90 %). */
export const USABLE: Readonly<Record<Battery['chemistry'], number>> = { 'lead-acid': 0.5, lithium: 0.85 };

/** Hours a battery gives a steady current from full to empty, by Peukert; never more than its ampere-hours say. */
export const hoursToEmpty = (ampHours: number, exponent: number, amps: number): number =>
  Math.min(ampHours / amps, STATED_OVER * (ampHours / (amps * STATED_OVER)) ** exponent);

/** Hours it gives a steady current until a day's share of it is taken; Infinity for nothing drawn. */
export const hoursOf = ({ ampHours, chemistry }: Pick<Battery, 'ampHours' | 'chemistry'>, amps: number): number =>
  amps > 0 ? USABLE[chemistry] * hoursToEmpty(ampHours, EXPONENT[chemistry], amps) : Infinity;
