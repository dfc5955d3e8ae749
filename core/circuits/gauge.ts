import { SOURCES, type Source } from '../units';
import { chooseFuse, type Asked } from './protection';

/** American wire gauges in use. */
export const GAUGES = [18, 16, 14, 12, 10, 8, 6, 4, 2] as const;
export type Awg = (typeof GAUGES)[number];

/** Conductor diameter of a gauge, mm: 0.127 · 92^((36 − n)/39), ASTM B258 (from memory). */
export const awgDiameter = (awg: number): number => 0.127 * 92 ** ((36 - awg) / 39);

/** Conductor area of a gauge, mm². */
export const awgArea = (awg: number): number => (Math.PI / 4) * awgDiameter(awg) ** 2;

/** Circular mils of an area: one is the area of a circle a thousandth of an inch across. */
export const circularMils = (mm2: number): number => mm2 / ((Math.PI / 4) * 0.0254 ** 2);

/** Least conductor areas ABYC E-11 accepts, circular mils (from memory). */
export const E11_LEAST: Readonly<Record<Awg, number>> = {
  18: 1537,
  16: 2336,
  14: 3702,
  12: 5833,
  10: 9343,
  8: 14_810,
  6: 25_910,
  4: 37_360,
  2: 62_450,
};

/** Ampacity of a single conductor with 105 °C insulation outside engine spaces, A: ABYC E-11 (from memory). */
export const AMPACITY: Readonly<Record<Awg, number>> = { 18: 20, 16: 25, 14: 35, 12: 45, 10: 60, 8: 80, 6: 120, 4: 160, 2: 210 };

/** Derating for current-carrying conductors in one bundle, ABYC E-11 (from memory). */
export function bundleFactor(conductors: number): number {
  if (conductors <= 2) return 1;
  if (conductors === 3) return 0.7;
  if (conductors <= 6) return 0.6;
  return conductors <= 24 ? 0.5 : 0.4;
}

/** Area a drop asks for by ABYC E-11, circular mils: 10.75·I·L/E, L in feet there and back (from memory). */
export const e11Mils = (amps: number, roundTripMm: number, dropVolts: number): number =>
  (10.75 * amps * (roundTripMm / 304.8)) / dropVolts;

/** Area a drop asks for by ISO 10133, mm²: 0.0164·I·L/E, L in metres there and back (from memory). */
export const isoArea = (amps: number, roundTripMm: number, dropVolts: number): number =>
  (0.0164 * amps * (roundTripMm / 1000)) / dropVolts;

/** Voltage lost along a conductor there and back by the chosen standard's own constant, V. */
export function dropVolts(standard: WireStandard, awg: Awg, amps: number, roundTripMm: number): number {
  return standard === 'E-11'
    ? (10.75 * amps * (roundTripMm / 304.8)) / E11_LEAST[awg]
    : (0.0164 * amps * (roundTripMm / 1000)) / awgArea(awg);
}

export type WireStandard = 'E-11' | 'ISO 10133';

export interface GaugeAsk {
  readonly standard: WireStandard;
  readonly amps: number;
  readonly volts: number;
  /** Conductor length there and back, mm. */
  readonly roundTrip: number;
  readonly dropPercent: number;
  readonly conductorsInBundle: number;
  /** The shop's thinnest for this class. */
  readonly leastAwg: number;
  /** A motor's full thrust is short; everything else counts as continuous. */
  readonly motor?: boolean;
  /** The protection the load's maker states, A. */
  readonly ownFuse?: number;
}

export interface GaugeChoice {
  readonly awg: Awg | null;
  /** The thinnest gauge each rule alone allows; null when none in the table does. */
  readonly byHeat: Awg | null;
  readonly byDrop: Awg | null;
  readonly byShop: Awg | null;
  /** The thinnest that some protection sold both lets the load through and guards. */
  readonly byFuse: Awg | null;
  readonly ruled: 'heat' | 'drop' | 'shop' | 'protection';
  readonly sources: readonly Source[];
}

/** The thinnest gauge that something allows; null when none in the table is allowed. */
export const thinnest = (allows: (awg: Awg) => boolean): Awg | null => GAUGES.find(allows) ?? null;

/** Whether a gauge keeps the drop within its class. */
export function dropAllows(ask: GaugeAsk, awg: Awg): boolean {
  const allowed = (ask.volts * ask.dropPercent) / 100;
  return ask.standard === 'E-11'
    ? E11_LEAST[awg] >= e11Mils(ask.amps, ask.roundTrip, allowed)
    : awgArea(awg) >= isoArea(ask.amps, ask.roundTrip, allowed);
}

/** Amps a gauge carries in this bundle. */
export const derated = (awg: Awg, conductors: number): number => AMPACITY[awg] * bundleFactor(conductors);

/** What a load asks for, by whether it is a motor. */
const askedBy = ({ amps, motor = false }: Pick<GaugeAsk, 'amps' | 'motor'>): Asked =>
  motor ? { steady: 0, thrust: amps } : { steady: amps, thrust: 0 };

/** Which rule a gauge was chosen by; where two ask for the same the physical one is named. */
export function ruledBy(
  { byHeat, byDrop, byShop }: Pick<GaugeChoice, 'byHeat' | 'byDrop' | 'byShop'>,
  awg: Awg | null,
): GaugeChoice['ruled'] {
  if (byHeat === null || byHeat === awg) return 'heat';
  if (byDrop === null || byDrop === awg) return 'drop';
  return byShop === awg ? 'shop' : 'protection';
}

/** The thinnest gauge that heat, drop, the shop and its protection all allow, and which of them ruled: a wire is chosen with its fuse. */
export function chooseGauge(ask: GaugeAsk): GaugeChoice {
  const byHeat = thinnest((g) => derated(g, ask.conductorsInBundle) >= ask.amps);
  const byDrop = thinnest((g) => dropAllows(ask, g));
  const byShop = thinnest((g) => g <= ask.leastAwg);
  const byFuse = thinnest((g) => {
    const { rating, over } = chooseFuse(askedBy(ask), derated(g, ask.conductorsInBundle), ask.ownFuse);
    return rating !== null && !over;
  });
  const all = [byHeat, byDrop, byShop, byFuse];
  const awg = all.includes(null) ? null : (Math.min(...all.map((g) => g ?? 0)) as Awg);
  return {
    awg,
    byHeat,
    byDrop,
    byShop,
    byFuse,
    ruled: ruledBy({ byHeat, byDrop, byShop }, awg),
    sources: [ask.standard === 'E-11' ? SOURCES.e11 : SOURCES.iso10133, SOURCES.awg, SOURCES.shop],
  };
}

/** The nominal volts of a system: 12, 24, 36 or 48 for what charges to a little more; a drop is a share of these. */
export const nominalVolts = (volts: number): number => (volts < 10 ? volts : 12 * Math.max(1, Math.round(volts / 12.9)));
