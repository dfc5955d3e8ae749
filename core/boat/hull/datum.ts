import { distance, sideOf, type Point } from '../../base/units';
import type { HullSurface } from './hull-surface';

/**
 * How the tape runs. The plain way is stretched from bow tip to stern tip, and squared down from it to the place: it
 * reads along the boat whatever the deck does. Pulled taut it goes straight from its hook to the place, and over a
 * step in the deck reads two places alike. Laid along the gunwale it goes round with it.
 */
export type TapeRun = 'taut' | 'centre' | 'gunwale';

/** How a tape runs, to choose by. */
export const RUN_NAMES: Readonly<Record<TapeRun, string>> = {
  taut: 'pulled taut',
  centre: 'along the centre line',
  gunwale: 'along the gunwale',
};

/** How a tape runs and is read, in words. */
export const RUN_WORDS: Readonly<Record<TapeRun, string>> = {
  ...RUN_NAMES,
  centre: `${RUN_NAMES.centre}, squared down`,
};

/** A place a tape can really be hooked on. */
export interface Datum {
  readonly id: string;
  readonly name: string;
  readonly at: Point;
  /** It is this end of something that lies along the boat. */
  readonly end?: 'fore' | 'aft';
}

/** What a scupper is called: its side, and which it is from the bow. */
export function scupperName(scuppers: HullSurface['model']['scuppers'], id: string): string {
  const side = sideOf(scuppers.find((s) => s.id === id)?.y ?? 0);
  const alike = scuppers.filter((s) => sideOf(s.y) === side).sort((a, b) => a.x - b.x);
  return alike.length > 1 ? `${side} scupper ${alike.findIndex((s) => s.id === id) + 1} from the bow` : `${side} scupper`;
}

/** Every place to hook the tape on this hull: ends, hatch edges, track ends, inserts, scuppers. */
export function datums(hull: HullSurface): Datum[] {
  const { model } = hull;
  const bow = model.stations.reduce((a, b) => (b.x < a.x ? b : a));
  const stern = model.stations.reduce((a, b) => (b.x > a.x ? b : a));
  return [
    { id: 'bow', name: 'bow tip', at: { x: bow.x, y: 0, z: bow.gunwale } },
    { id: 'stern', name: 'stern tip', at: { x: stern.x, y: 0, z: stern.gunwale } },
    ...model.hatches.flatMap((h): Datum[] => [
      { id: `${h.id}.fore`, end: 'fore', name: `${h.name}, forward edge`, at: { x: h.fore, y: 0, z: h.height } },
      { id: `${h.id}.aft`, end: 'aft', name: `${h.name}, after edge`, at: { x: h.aft, y: 0, z: h.height } },
    ]),
    ...model.tracks.flatMap((t): Datum[] => [
      { id: `${t.id}.fore`, end: 'fore', name: `${t.name}, forward end`, at: { x: t.fore, y: t.y, z: t.height } },
      { id: `${t.id}.aft`, end: 'aft', name: `${t.name}, after end`, at: { x: t.aft, y: t.y, z: t.height } },
    ]),
    ...model.inserts.map((i) => ({ id: i.id, name: i.name, at: { x: i.x, y: i.y, z: i.height } })),
    ...model.scuppers.map((s) => ({
      id: s.id,
      name: scupperName(model.scuppers, s.id),
      at: { x: s.x, y: s.y, z: hull.spot(s.x, s.y).z },
    })),
  ];
}

/** The id of a hook anywhere on the hull: whole millimetres aft of the bow and off the centre line. */
export const hookAt = (x: number, y: number): string => `at.${Math.round(x)}.${Math.round(y)}`;

function hookedAt(hull: HullSurface, id: string): Datum | undefined {
  const [, x, y] = /^at\.(-?\d{1,5})\.(-?\d{1,5})$/.exec(id) ?? [];
  if (x === undefined || y === undefined) return undefined;
  const at = { x: Number(x), y: Number(y) };
  return { id, name: 'a mark on the boat', at: { ...at, z: hull.spot(at.x, at.y).z } };
}

/** The datum of that id; the bow tip when the hull has no such place. */
export function findDatum(hull: HullSurface, id: string): Datum {
  const all = datums(hull);
  const found = all.find((d) => d.id === id) ?? hookedAt(hull, id) ?? all[0];
  if (!found) throw new RangeError('a hull without ends has no datum');
  return found;
}

/**
 * What the tape reads at a point, mm.
 * Taut is the straight distance, stretched and squared down the difference in x, gunwale the arc between the feet of
 * hook and point on the gunwale. At the beam of a 3.6 m hull the three differ by centimetres.
 */
export function reading(hull: HullSurface, datum: Datum, run: TapeRun, point: Point): number {
  if (run === 'taut') return distance(datum.at, point);
  if (run === 'centre') return Math.abs(point.x - datum.at.x);
  return Math.abs(hull.gunwaleArc(point.x) - hull.gunwaleArc(datum.at.x));
}

/** Where a reading is looked for. */
export interface ReadingOf {
  readonly datum: Datum;
  readonly run: TapeRun;
  /** What the tape reads, mm. */
  readonly value: number;
  /** Off the centre line, starboard positive. */
  readonly y: number;
  /** Height of the surface there, for a taut tape. */
  readonly heightAt: (x: number) => number;
  /** Which way the tape runs from its hook; from the stern it runs forward. */
  readonly towards?: 'aft' | 'forward';
  /** Where the plan has it: of places that read alike the nearest is taken. */
  readonly near?: number;
}

/**
 * Every x at which the tape reads so much, the one nearest the plan first, else the one nearest the hook. A tape
 * pulled taut over a step reads two places alike.
 *
 * @returns none when no place on the hull reads that
 */
export function placesOfReading(hull: HullSurface, of: ReadingOf): number[] {
  const { datum, run, value, y, heightAt, near, towards = datum.id === 'stern' ? 'forward' : 'aft' } = of;
  const direction = towards === 'forward' ? -1 : 1;
  const one = (x: number | undefined): number[] => (x === undefined ? [] : [x]);
  if (run === 'centre') return one(onHull(hull, datum.at.x + direction * value));
  if (run === 'gunwale') {
    const arc = hull.gunwaleArc(datum.at.x) + direction * value;
    return arc < -0.5 || arc > hull.gunwaleArc(hull.length) + 0.5 ? [] : one(hull.gunwaleAt(arc));
  }
  const read = (x: number): number => distance(datum.at, { x, y, z: heightAt(x) });
  const end = direction > 0 ? hull.length : 0;
  // Between the steps of the deck the reading grows with the distance from the hook.
  const edges = hull.model.decks
    .flatMap((d) => [d.fore, d.aft])
    .filter((x) => (x - datum.at.x) * direction > 0 && (end - x) * direction > 0);
  const stops = [datum.at.x, ...[...new Set(edges)].sort((a, b) => (a - b) * direction), end];
  const found = stops.slice(1).flatMap((to, i) => {
    const from = stops[i] ?? to;
    return Math.abs(to - from) < 2 * EDGE ? [] : one(between(read, value, from + direction * EDGE, to - direction * EDGE));
  });
  const apart = found.filter((x, i) => found.findIndex((other) => Math.abs(other - x) < 1) === i);
  return near === undefined ? apart : apart.sort((a, b) => Math.abs(a - near) - Math.abs(b - near));
}

/** A deck is looked at so far beside its edge, mm. */
const EDGE = 1e-6;

/** Where a reading that grows from one place to another is so much, by bisection; undefined when it is not. */
function between(read: (x: number) => number, value: number, from: number, to: number): number | undefined {
  let [near, far] = [from, to];
  if (value < read(near) - 0.01 || value > read(far) + 0.01) return undefined;
  for (let i = 0; i < 60; i++) {
    const middle = (near + far) / 2;
    if (read(middle) < value) near = middle;
    else far = middle;
  }
  return (near + far) / 2;
}

/** The place a reading means: of several that read alike the one nearest the plan. */
export const placeOfReading = (hull: HullSurface, of: ReadingOf): number | undefined => placesOfReading(hull, of)[0];

const onHull = (hull: HullSurface, x: number): number | undefined => (x < -0.5 || x > hull.length + 0.5 ? undefined : x);
