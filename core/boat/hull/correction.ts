import { datums, findDatum, reading, type TapeRun } from './datum';
import type { HullSurface } from './hull-surface';

/** A distance measured on this very boat, between two places of the drawing. */
export interface KnownDistance {
  readonly from: string;
  readonly to: string;
  readonly run: TapeRun;
  readonly reading: number;
}

/** One known distance beside what the drawing says. */
export interface Compared extends KnownDistance {
  readonly expected: number;
  /** Measured less drawn, mm. */
  readonly off: number;
  readonly fromX: number;
  readonly toX: number;
}

/** How far this boat's places lie aft of where the drawing has them. */
export interface Correction {
  readonly known: readonly Compared[];
  /** What the tape reads more than the drawing says, from one place to another, mm. */
  between(fromX: number, toX: number): number;
}

/** No boat differs from its drawing until it is measured. */
export const NO_CORRECTION: Correction = { known: [], between: () => 0 };

const latest = (all: readonly KnownDistance[]): KnownDistance[] => [
  ...new Map(all.map((k) => [`${k.from} ${k.to} ${k.run}`, k])).values(),
];

/**
 * The datum's correction from distances measured on the boat itself: the first hook is held still, each
 * measured place moves by what it is off, and between them the boat is taken to stretch evenly.
 *
 * The later of two readings of one distance counts. Readings a different way of running are taken along the
 * boat all the same: the difference is of second order. Beyond the last known place the last one holds.
 */
export function correctionOf(hull: HullSurface, readings: readonly KnownDistance[]): Correction {
  if (readings.length === 0) return NO_CORRECTION;
  const known = latest(readings).map((k): Compared => {
    const [from, to] = [findDatum(hull, k.from), findDatum(hull, k.to)];
    const expected = reading(hull, from, k.run, to.at);
    return { ...k, expected, off: k.reading - expected, fromX: from.at.x, toX: to.at.x };
  });
  const moved = new Map<number, number>();
  let open = [...known];
  while (open.length) {
    const next = open.find((k) => moved.has(k.fromX) || moved.has(k.toX)) ?? open[0];
    if (!next) break;
    open = open.filter((k) => k !== next);
    const aft = Math.sign(next.toX - next.fromX) * next.off;
    const start = moved.get(next.fromX);
    if (start !== undefined) moved.set(next.toX, start + aft);
    else if (moved.has(next.toX)) moved.set(next.fromX, (moved.get(next.toX) ?? 0) - aft);
    else {
      moved.set(next.fromX, 0);
      moved.set(next.toX, aft);
    }
  }
  const points = [...moved].sort(([a], [b]) => a - b);
  const at = (x: number): number => {
    const after = points.findIndex(([px]) => px >= x);
    const [hi, lo] = [points[after], points[after - 1]];
    if (after < 0) return points.at(-1)?.[1] ?? 0;
    if (!hi || !lo) return hi?.[1] ?? 0;
    return lo[1] + ((hi[1] - lo[1]) * (x - lo[0])) / (hi[0] - lo[0]);
  };
  return {
    known,
    between: (fromX, toX) => Math.sign(toX - fromX) * (at(toX) - at(fromX)),
  };
}

/**
 * Distances worth measuring on this hull before the first hole: from the bow to a place a tape can really be
 * put on, best the after edge of the first hatch, and to the stern; far apart, so that what is between is caught.
 */
export function knownPlaces(hull: HullSurface): { from: string; to: string }[] {
  const between = datums(hull).filter((d) => d.id !== 'bow' && d.id !== 'stern');
  const first = between.find((d) => d.end === 'aft' && d.at.x > hull.length * 0.15) ?? between[0];
  return [first?.id, 'stern'].flatMap((to) => (to ? [{ from: 'bow', to }] : []));
}

/** Two readings of one place, from bow and from stern, that do not make the length together. */
export interface SumFault {
  readonly to: string;
  /** How far they miss it, mm; positive when they are too long together. */
  readonly off: number;
}

/**
 * A reading from the other end must sum to the length: what bow and stern readings of a place are off must
 * together be what the whole length is off.
 *
 * @param within how far two tapes may miss, mm
 */
export function sumFaults(known: readonly Compared[], within: number): SumFault[] {
  const find = (from: string, to: string): Compared | undefined => known.find((k) => k.from === from && k.to === to);
  const whole = find('bow', 'stern')?.off ?? find('stern', 'bow')?.off ?? 0;
  return known
    .filter((k) => k.from === 'bow' && k.to !== 'stern')
    .flatMap((k): SumFault[] => {
      const other = find('stern', k.to);
      const off = other ? k.off + other.off - whole : 0;
      return Math.abs(off) > within ? [{ to: k.to, off }] : [];
    });
}
