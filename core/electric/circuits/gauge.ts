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

/**
 * Amps of a single conductor with 105 °C insulation outside engine spaces by its section, mm²: ISO 10133 and 13297 (from memory).
 * What is thinner carries nothing by it.
 */
export const ISO_AMPACITY: readonly (readonly [mm2: number, amps: number])[] = [
  [0.75, 16],
  [1, 20],
  [1.5, 25],
  [2.5, 35],
  [4, 45],
  [6, 60],
  [10, 90],
  [16, 130],
  [25, 170],
  [35, 210],
];

/** Derating for conductors in one bundle, ISO 13297 (from memory). */
export function isoBundleFactor(conductors: number): number {
  if (conductors <= 3) return 1;
  if (conductors <= 6) return 0.7;
  return conductors <= 24 ? 0.6 : 0.5;
}

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

/** The nominal volts of a system: 12, 24, 36 or 48 for what charges to a little more; a drop is a share of these. */
export const nominalVolts = (volts: number): number => (volts < 10 ? volts : 12 * Math.max(1, Math.round(volts / 12.9)));
