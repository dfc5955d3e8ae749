import { mm, say, tell, type Sentence } from '../../base/units';
import { z } from 'zod';
import { monotone, type Curve } from './monotone';
import { natural } from './natural';
import type { Station } from './schema';
import { chordParameters } from './surface';

/** The columns of an offsets file. */
export const OFFSET_COLUMNS = ['x', 'port', 'starboard', 'gunwale', 'keel'] as const;

/** What was measured on the bench at one place along the boat, mm. */
export const tapeReadingSchema = z.strictObject({
  x: z.number().min(0).max(10_000).describe('aft of the bow tip'),
  port: z.number().min(0).max(2000).describe('centre line to the port gunwale edge'),
  starboard: z.number().min(0).max(2000).describe('centre line to the starboard gunwale edge'),
  gunwale: z.number().min(0).max(2000).describe('height of the gunwale over the lowest keel point'),
  keel: z.number().min(0).max(2000).describe('height of the keel over its lowest point'),
});
export type TapeReading = z.infer<typeof tapeReadingSchema>;

/** What is wrong with a list of readings, by row and column, in words that say what would be right. */
export interface ReadingFault {
  readonly row: number;
  readonly column: keyof TapeReading;
  readonly says: Sentence;
}

/** A reading that looks wrong beside its neighbours, or port beside starboard. */
interface Suspect {
  readonly row: number;
  readonly what: 'half-breadth' | 'gunwale' | 'sides differ';
  /** How far it is off what its neighbours say, or port from starboard, mm. */
  readonly by: number;
}

export interface Faired {
  readonly stations: Station[];
  readonly fairing: 'monotone' | 'natural';
  /** Why that curve. */
  readonly because: string;
  readonly suspects: readonly Suspect[];
}

/** Off by more than this a reading is looked at again (judgement), mm. */
const OFF = 15;
const NEAR_END = 45;
/** Fewer stations say too little of each other to doubt one (judgement). */
const JUDGED = 8;
/** Stations far apart say less of each other (judgement), mm per mm between the neighbours. */
const SPREAD = 0.04;
/** Hulls are not quite symmetric; more than this is a reading gone wrong (judgement), mm. */
const SIDES = 12;

/** Faults that keep readings from making a hull: too few, out of order, or standing on each other. */
export function readingFaults(readings: readonly TapeReading[]): ReadingFault[] {
  const faults: ReadingFault[] = [];
  if (readings.length < 4)
    faults.push({ row: readings.length, column: 'x', says: say`four stations at least: both ends and two between` });
  readings.forEach((r, row) => {
    const before = readings[row - 1];
    if (before && r.x === before.x) faults.push({ row, column: 'x', says: say`another station stands at ${mm(r.x)}` });
    else if (before && r.x < before.x)
      faults.push({ row, column: 'x', says: say`out of order: ${mm(r.x)} comes after ${mm(before.x)}; enter them bow to stern` });
    if (r.gunwale <= r.keel) faults.push({ row, column: 'gunwale', says: say`the gunwale stands over the keel` });
  });
  if (readings.length >= 4 && readings.every((r) => r.port + r.starboard < 10))
    faults.push({ row: 0, column: 'port', says: say`no station has any breadth` });
  return faults;
}

const mean = (r: TapeReading): number => (r.port + r.starboard) / 2;

/** Whether a curve leaves the range of the two readings it runs between by more than a millimetre. */
function overshoots(curve: Curve, values: readonly number[]): boolean {
  return curve.knots.slice(1).some((to, i) => {
    const from = curve.knots[i] ?? to;
    const [a, b] = [values[i] ?? 0, values[i + 1] ?? 0];
    // Near the widest station a fair curve rises a little over both its neighbours.
    const spare = 1 + 0.03 * Math.max(...values);
    return Array.from({ length: 9 }, (_, k) => curve.value(from + ((to - from) * (k + 1)) / 10)).some(
      (v) => v > Math.max(a, b) + spare || v < Math.min(a, b) - 1,
    );
  });
}

/** How far each inner value is off what the others say: a natural spline through all but it. */
function offOthers(xs: readonly number[], values: readonly number[]): number[] {
  return values.map((value, i) => {
    if (i === 0 || i === values.length - 1 || values.length < JUDGED) return 0;
    const others = xs.flatMap((x, k) => (k === i ? [] : [x]));
    const curve = natural(
      others,
      values.filter((_, k) => k !== i),
    );
    return value - curve.value(xs[i] ?? 0);
  });
}

function suspectsOf(readings: readonly TapeReading[]): Suspect[] {
  const xs = readings.map((r) => r.x);
  const of = (what: Suspect['what'], values: readonly number[]): Suspect[] => {
    const off = offOthers(xs, values);
    const sizes = off.map(Math.abs).sort((a, b) => a - b);
    const usual = sizes[Math.floor(sizes.length / 2)] ?? 0;
    // Beside an end the outline turns sharply, and its neighbours say less.
    const allowed = (row: number): number => (row === 1 || row === off.length - 2 ? NEAR_END : Math.max(least(row), 3 * usual));
    const least = (row: number): number => Math.min(2 * OFF, Math.max(OFF, SPREAD * ((xs[row + 1] ?? 0) - (xs[row - 1] ?? 0))));
    const wrong = off.flatMap((by, row) => (Math.abs(by) > allowed(row) ? [{ row, what, by }] : []));
    // One bad reading also throws its neighbours off: the worst of a run is the one.
    return wrong.filter((s) => !wrong.some((o) => Math.abs(o.row - s.row) === 1 && Math.abs(o.by) > Math.abs(s.by)));
  };
  const sides = readings.flatMap((r, row): Suspect[] =>
    Math.abs(r.port - r.starboard) > SIDES ? [{ row, what: 'sides differ', by: r.port - r.starboard }] : [],
  );
  return [
    ...of('half-breadth', readings.map(mean)),
    ...of(
      'gunwale',
      readings.map((r) => r.gunwale),
    ),
    ...sides,
  ].sort((a, b) => a.row - b.row);
}

/**
 * Fairs bench readings into stations. Port and starboard are averaged. A natural spline is used where it
 * does not overshoot, since it is the fairer curve; else the monotone cubic, which invents nothing.
 *
 * @param section fullness and flare of the sections, which a tape does not give
 * @throws RangeError when `readingFaults` has any
 */
export function fairReadings(readings: readonly TapeReading[], section: { fullness: number; flare: number }): Faired {
  const [fault] = readingFaults(readings);
  if (fault) throw new RangeError(`station ${fault.row + 1}, ${fault.column}: ${tell(fault.says, 'metric')}`);
  const breadths = readings.map(mean);
  const t = chordParameters(readings.map((r) => ({ x: r.x, halfBreadth: mean(r) })));
  const bad = overshoots(natural(t, breadths), breadths);
  return {
    stations: readings.map((r) => ({ x: r.x, halfBreadth: mean(r), gunwale: r.gunwale, keel: r.keel, ...section })),
    fairing: bad ? 'monotone' : 'natural',
    because: bad
      ? 'A natural spline would bulge past the readings; the monotone cubic invents nothing between them.'
      : 'The readings are smooth enough for a natural spline, the fairer curve.',
    suspects: suspectsOf(readings),
  };
}

/** The outline between readings, for drawing and for reading any place off. */
export const outlineOf = (faired: Pick<Faired, 'stations' | 'fairing'>): Curve => {
  const t = chordParameters(faired.stations);
  const fair = faired.fairing === 'natural' ? natural : monotone;
  return fair(
    t,
    faired.stations.map((s) => s.halfBreadth),
  );
};
