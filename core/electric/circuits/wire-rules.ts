import type { ShopSettings } from '../../parts/shop';
import { MM_PER_INCH, SOURCES, type Source } from '../../base/units';
import {
  AMPACITY,
  awgArea,
  bundleFactor,
  circularMils,
  E11_LEAST,
  e11Mils,
  GAUGES,
  isoArea,
  ISO_AMPACITY,
  isoBundleFactor,
  type Awg,
} from './gauge';

/** By which standard wires are sized, and in which series they are sold. */
export type WireRules = Pick<ShopSettings['wiring'], 'standard' | 'series' | 'bundled'>;
type Series = WireRules['series'];

/** The metric section that is sold for each gauge: the next over it, mm². */
const METRIC: Readonly<Record<Awg, number>> = { 18: 1, 16: 1.5, 14: 2.5, 12: 4, 10: 6, 8: 10, 6: 16, 4: 25, 2: 35 };

/** The section of each gauge, mm². */
const BY_GAUGE = Object.fromEntries(GAUGES.map((g) => [g, awgArea(g)])) as Readonly<Record<Awg, number>>;

/** Conductor area of a size in its series, mm². */
export const areaOf = (awg: Awg, series: Series): number => (series === 'AWG' ? BY_GAUGE : METRIC)[awg];

/** A size as it is called in its series. */
export const gaugeWords = (awg: number | null, series: Series): string =>
  awg === null ? 'no gauge' : series === 'AWG' ? `${awg} AWG` : `${METRIC[awg as Awg] ?? awg} mm²`;

/** The consumable a wire is bought as. */
export const wireId = (awg: Awg, series: Series): string =>
  series === 'AWG' ? `wire-${awg}` : `wire-${String(METRIC[awg]).replace('.', '-')}mm2`;

/** In a hot room a wire carries so much of it: E-11 of 105 °C insulation inside engine spaces; ISO 13297 at 60 °C, of 105 °C insulation (from memory). */
const IN_THE_HEAT = { 'E-11': 0.85, 'ISO 10133': 0.85, 'ISO 13297': 0.75 } as const;

/** What a size carries in a bundle, A. Under ISO 13297 what lies between two sections of its table carries as the thinner. */
export function ampacityOf(awg: Awg, bundle: number, rules: WireRules, hot = false): number {
  return coolAmpacity(awg, bundle, rules) * (hot ? IN_THE_HEAT[rules.standard] : 1);
}

function coolAmpacity(awg: Awg, bundle: number, { standard, series, bundled }: WireRules): number {
  if (standard !== 'ISO 13297') return AMPACITY[awg] * (bundled === 'at any voltage' ? bundleFactor(bundle) : 1);
  const area = areaOf(awg, series);
  const amps = ISO_AMPACITY.reduce((most, [mm2, a]) => (mm2 <= area + 1e-9 ? a : most), 0);
  return amps * isoBundleFactor(bundle);
}

/** Volts lost along a conductor there and back by the standard's own constant. */
export function dropBy(
  { standard, series }: Pick<WireRules, 'standard' | 'series'>,
  awg: Awg,
  amps: number,
  roundTrip: number,
): number {
  const area = areaOf(awg, series);
  if (standard !== 'E-11') return isoArea(amps, roundTrip, area);
  return e11Mils(amps, roundTrip, series === 'AWG' ? E11_LEAST[awg] : circularMils(area));
}

/** The least section of a single conductor, mm²: ISO 13297 (from memory); E-11 leaves it to the shop here. */
export const leastArea = (standard: WireRules['standard']): number => (standard === 'ISO 13297' ? 1 : 0);

/** Where protection starts from: the terminal of a battery, or another source, a charger or a box. */
export type GuardedFrom = 'battery' | 'other';

/**
 * Protection stands so near the source, along the wire, mm. ABYC E-11: 7 in; where the wire is sheathed or enclosed all the way
 * to it, 72 in from a battery's terminal and 40 in from another source. ISO 13297: 200 mm. From memory.
 */
export function fuseWithin(standard: WireRules['standard'], enclosed = false, from: GuardedFrom = 'battery'): number {
  if (standard === 'ISO 13297') return 200;
  return (enclosed ? (from === 'battery' ? 72 : 40) : 7) * MM_PER_INCH;
}

/** Whether protection may be the next size over what a wire carries where none fits under it: E-11 alone allows that. */
export const mayBeOver = (standard: WireRules['standard']): boolean => standard !== 'ISO 13297';

/** The standard that protection and ampacity go by, as it is named in findings. */
export const standardWords = (standard: WireRules['standard']): string =>
  `${standard === 'ISO 13297' ? 'ISO 13297' : 'ABYC E-11'}, from memory`;

/** Where a size comes from. */
export const wireSources = ({ standard, series }: Pick<WireRules, 'standard' | 'series'>): readonly Source[] => [
  ...(standard === 'ISO 13297' ? [SOURCES.iso13297] : standard === 'E-11' ? [SOURCES.e11] : [SOURCES.iso10133, SOURCES.e11]),
  ...(series === 'AWG' ? [SOURCES.awg] : []),
  SOURCES.shop,
];
