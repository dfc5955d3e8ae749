import { distance, sideOf, type Point } from '../units';
import type { HullSurface } from './surface';

/** How the tape runs from its hook: pulled taut, along the centre line, or laid along the gunwale. */
export type TapeRun = 'taut' | 'centre' | 'gunwale';

/** How a tape runs, in words. */
export const RUN_WORDS: Readonly<Record<TapeRun, string>> = {
  taut: 'pulled taut',
  centre: 'along the centre line',
  gunwale: 'laid along the gunwale',
};

/** A place a tape can really be hooked on. */
export interface Datum {
  readonly id: string;
  readonly name: string;
  readonly at: Point;
}

/** Every place to hook the tape on this hull: ends, hatch edges, track ends, inserts, scuppers. */
export function datums(hull: HullSurface): Datum[] {
  const { model } = hull;
  const bow = model.stations.reduce((a, b) => (b.x < a.x ? b : a));
  const stern = model.stations.reduce((a, b) => (b.x > a.x ? b : a));
  return [
    { id: 'bow', name: 'bow tip', at: { x: bow.x, y: 0, z: bow.gunwale } },
    { id: 'stern', name: 'stern tip', at: { x: stern.x, y: 0, z: stern.gunwale } },
    ...model.hatches.flatMap((h) => [
      { id: `${h.id}.fore`, name: `${h.name}, forward edge`, at: { x: h.fore, y: 0, z: h.height } },
      { id: `${h.id}.aft`, name: `${h.name}, after edge`, at: { x: h.aft, y: 0, z: h.height } },
    ]),
    ...model.tracks.flatMap((t) => [
      { id: `${t.id}.fore`, name: `${t.name}, forward end`, at: { x: t.fore, y: t.y, z: t.height } },
      { id: `${t.id}.aft`, name: `${t.name}, after end`, at: { x: t.aft, y: t.y, z: t.height } },
    ]),
    ...model.inserts.map((i) => ({ id: i.id, name: i.name, at: { x: i.x, y: i.y, z: i.height } })),
    ...model.scuppers.map((s) => ({
      id: s.id,
      name: `scupper ${sideOf(s.y)} at ${Math.round(s.x)}`,
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
 * Taut is the straight distance, centre the difference in x, gunwale the arc between the feet of
 * hook and point on the gunwale. At the beam of a 3.6 m hull the three differ by centimetres.
 */
export function reading(hull: HullSurface, datum: Datum, run: TapeRun, point: Point): number {
  if (run === 'taut') return distance(datum.at, point);
  if (run === 'centre') return Math.abs(point.x - datum.at.x);
  return Math.abs(hull.gunwaleArc(point.x) - hull.gunwaleArc(datum.at.x));
}

/**
 * The x at which the tape reads so much, at a given distance off the centre line.
 *
 * @param y off the centre line, starboard positive
 * @param heightAt surface height there, for a taut tape
 * @param towards which way the tape runs from its hook; from the stern it runs forward
 * @returns undefined when no place on the hull reads that
 */
export function placeOfReading(
  hull: HullSurface,
  datum: Datum,
  run: TapeRun,
  value: number,
  y: number,
  heightAt: (x: number) => number,
  towards: 'aft' | 'forward' = datum.id === 'stern' ? 'forward' : 'aft',
): number | undefined {
  const direction = towards === 'forward' ? -1 : 1;
  if (run === 'centre') return onHull(hull, datum.at.x + direction * value);
  if (run === 'gunwale') {
    const arc = hull.gunwaleArc(datum.at.x) + direction * value;
    return arc < -0.5 || arc > hull.gunwaleArc(hull.length) + 0.5 ? undefined : hull.gunwaleAt(arc);
  }
  const read = (x: number): number => distance(datum.at, { x, y, z: heightAt(x) });
  // The taut reading grows with distance from the hook: bisect on that side of it.
  let near = datum.at.x;
  let far = direction > 0 ? hull.length : 0;
  if (value < read(near) - 0.01 || value > read(far) + 0.01) return undefined;
  for (let i = 0; i < 60; i++) {
    const middle = (near + far) / 2;
    if (read(middle) < value) near = middle;
    else far = middle;
  }
  return onHull(hull, (near + far) / 2);
}

const onHull = (hull: HullSurface, x: number): number | undefined => (x < -0.5 || x > hull.length + 0.5 ? undefined : x);
