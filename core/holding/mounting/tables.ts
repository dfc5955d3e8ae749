import { MM_PER_INCH, SOURCES, type Source } from '../../base/units';

const inch = (value: number): number => value * MM_PER_INCH;

/** What goes on behind: a plain nut with a lock washer's work done by sealant, or one that locks itself. */
export type NutKind = 'plain' | 'lock';

/** A machine thread with what is drilled and stacked for it, mm. */
export interface Thread {
  readonly name: string;
  readonly family: 'metric' | 'inch';
  readonly diameter: number;
  readonly pitch: number;
  /** Clearance hole: close or fine, and free or medium. */
  readonly close: number;
  readonly free: number;
  /** Greatest heights of its nuts: hexagon, and with a nylon insert. */
  readonly nuts: Readonly<Record<NutKind, number>>;
  /** Greatest thickness of its washer. */
  readonly washer: number;
  readonly washerDiameter: number;
  /** Tensile stress area, mm². */
  readonly stressArea: number;
  readonly sources: readonly Source[];
}

type Row = [
  name: string,
  diameter: number,
  pitch: number,
  close: number,
  free: number,
  plain: number,
  lock: number,
  washer: number,
  across: number,
  area: number,
];

/** Reads a row of a table whose lengths are in a unit of so many mm. */
const threadsOf =
  (family: Thread['family'], unit: number, sources: readonly Source[]) =>
  (...[name, diameter, pitch, close, free, plain, lock, washer, across, area]: Row): Thread => ({
    name,
    family,
    diameter: diameter * unit,
    pitch: pitch * unit,
    close: close * unit,
    free: free * unit,
    nuts: { plain: plain * unit, lock: lock * unit },
    washer: washer * unit,
    washerDiameter: across * unit,
    stressArea: area * unit * unit,
    sources,
  });
const metric = threadsOf('metric', 1, [SOURCES.iso273, SOURCES.iso4032, SOURCES.iso7089, SOURCES.stressAreas]);
const unified = threadsOf('inch', MM_PER_INCH, [
  SOURCES.inchClearance,
  SOURCES.asmeNuts,
  SOURCES.asmeWashers,
  SOURCES.stressAreas,
]);

/**
 * Threads in use: the one table of what is drilled, stacked and loaded for each, greatest heights throughout.
 * Metric: clearance ISO 273 fine and medium; nuts ISO 4032, self-locking ISO 7040; washers ISO 7089; stress areas
 * ISO 898-1. Inch: the usual tap-and-clearance chart; nuts ASME B18.2.2 and B18.6.3, self-locking ASME B18.16.6;
 * washers ASME B18.22.1; stress areas ASME B1.1. All from memory. M4's self-locking nut: common practice, no source.
 */
export const THREADS: readonly Thread[] = [
  metric('M4', 4, 0.7, 4.3, 4.5, 3.2, 5, 0.9, 9, 8.78),
  metric('M5', 5, 0.8, 5.3, 5.5, 4.7, 6.8, 1.1, 10, 14.2),
  metric('M6', 6, 1, 6.4, 6.6, 5.2, 8, 1.8, 12, 20.1),
  metric('M8', 8, 1.25, 8.4, 9, 6.8, 9.5, 1.8, 16, 36.6),
  unified('8-32', 0.164, 1 / 32, 0.1695, 0.177, 0.13, 0.234, 0.065, 0.375, 0.014),
  unified('10-24', 0.19, 1 / 24, 0.196, 0.201, 0.13, 0.249, 0.065, 0.438, 0.0175),
  unified('1/4-20', 0.25, 1 / 20, 0.257, 0.266, 0.226, 0.328, 0.08, 0.625, 0.0318),
  unified('5/16-18', 0.3125, 1 / 18, 0.323, 0.332, 0.273, 0.359, 0.08, 0.75, 0.0524),
];

/** The nearest thread of the other family, for a shop that keeps one family on a rig. */
const TWIN: Readonly<Record<string, string>> = { M4: '8-32', M5: '10-24', M6: '1/4-20', M8: '5/16-18' };

/** Finds a thread, in the shop's family when it prefers one; undefined when unknown. */
export function findThread(name: string, family?: 'metric' | 'inch'): Thread | undefined {
  const twin = Object.entries(TWIN).find(([m, i]) => (family === 'inch' ? m === name : i === name));
  const wanted = family && twin ? (family === 'inch' ? twin[1] : twin[0]) : name;
  return THREADS.find((t) => t.name === wanted) ?? THREADS.find((t) => t.name === name);
}

/** Bolt lengths sold, mm (common practice, no source). */
export const LENGTHS = {
  metric: [10, 12, 16, 20, 25, 30, 35, 40, 45, 50, 60],
  inch: [0.5, 0.625, 0.75, 1, 1.25, 1.5, 1.75, 2, 2.5, 3].map(inch),
} as const;

/** A rubber well nut: the hole it swells in, and how long its body is, mm (common practice, no source). */
export interface WellNut {
  readonly hole: number;
  readonly body: number;
  readonly grip: number;
}

const wellNut = (hole: number, body: number, grip: number): WellNut => ({ hole: inch(hole), body, grip });
const [SMALL, USUAL, LARGE, LARGEST] = [
  wellNut(5 / 16, 14, 6),
  wellNut(3 / 8, 16, 8),
  wellNut(1 / 2, 21, 10),
  wellNut(5 / 8, 26, 12),
];

export const WELL_NUTS: Readonly<Record<string, WellNut>> = {
  M4: SMALL,
  '8-32': SMALL,
  M5: USUAL,
  '10-24': USUAL,
  M6: LARGE,
  '1/4-20': LARGE,
  M8: LARGEST,
  '5/16-18': LARGEST,
};

/** A self-tapping screw in place of a machine thread: its size, and its pilot in plastic, mm (common practice, no source). */
export const SCREWS: Readonly<Record<string, { readonly name: string; readonly diameter: number; readonly pilot: number }>> = {
  M4: { name: 'No. 8', diameter: 4.2, pilot: 3.2 },
  '8-32': { name: 'No. 8', diameter: 4.2, pilot: 3.2 },
  M5: { name: 'No. 10', diameter: 4.8, pilot: 3.6 },
  '10-24': { name: 'No. 10', diameter: 4.8, pilot: 3.6 },
  M6: { name: 'No. 14', diameter: 6.3, pilot: 4.8 },
  '1/4-20': { name: 'No. 14', diameter: 6.3, pilot: 4.8 },
};

/** Lengths self-tapping screws are sold in, mm (common practice, no source). */
export const SCREW_LENGTHS = [10, 13, 16, 19, 25, 32, 38] as const;

/** A blind rivet grade: first figure 1/32 in of diameter, the rest 1/16 in of greatest grip (IFI-114). */
export interface Rivet {
  readonly grade: string;
  readonly diameter: number;
  readonly drill: number;
  /** Its number or letter drill: the next sixty-fourth up would let it turn. */
  readonly drillName: string;
  readonly leastGrip: number;
  readonly greatestGrip: number;
}

const DRILL: Readonly<Record<string, readonly [name: string, inches: number]>> = {
  '4': ['#30', 0.1285],
  '5': ['#20', 0.161],
  '6': ['#11', 0.191],
  '8': ['F', 0.257],
};

/**
 * Reads a rivet grade such as `64`: 3/16 in, grip to 1/4 in. Least grip is the greatest of the size
 * below. Source: IFI-114, from memory. Undefined when the grade is unknown.
 */
export function readRivet(grade: string): Rivet | undefined {
  const match = /^([4568])(\d{1,2})$/.exec(grade);
  const first = match?.[1];
  const grip = Number(match?.[2]);
  const drill = first ? DRILL[first] : undefined;
  if (!first || !drill || !(grip >= 2 && grip <= 20 && grip % 2 === 0)) return undefined;
  const below = grip - 2;
  return {
    grade,
    diameter: inch(Number(first) / 32),
    drill: inch(drill[1]),
    drillName: drill[0],
    leastGrip: below === 0 ? 0 : inch(below / 16),
    greatestGrip: inch(grip / 16),
  };
}

/** The rivet of the diameter of `grade` whose grip range takes the stack; undefined when none is sold. */
export function rivetFor(grade: string, stack: number): Rivet | undefined {
  const first = grade.charAt(0);
  for (let grip = 2; grip <= 12; grip += 2) {
    const rivet = readRivet(`${first}${grip}`);
    if (rivet && stack <= rivet.greatestGrip + 1e-9) return rivet;
  }
  return undefined;
}
