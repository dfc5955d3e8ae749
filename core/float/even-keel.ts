import type { HullSurface, Section } from '../hull';

export const FRESH_WATER = 1000;
export const SALT_WATER = 1025;

/** Simpson's rule over an even number of equal steps. */
function simpson(n: number, step: number, value: (i: number) => number): number {
  let sum = 0;
  for (let i = 0; i <= n; i++) sum += (i === 0 || i === n ? 1 : i % 2 ? 4 : 2) * value(i);
  return (sum * step) / 3;
}

const HEIGHTS = 24;
const STATIONS = 60;

function areaUpTo(section: Section | undefined, z: number): number {
  if (!section) return 0;
  const high = Math.min(z, section.gunwale);
  if (high <= section.keel) return 0;
  const step = (high - section.keel) / HEIGHTS;
  return 2 * simpson(HEIGHTS, step, (i) => section.halfWidth(section.keel + i * step));
}

/** Area of one section up to height z, both sides, mm². */
export const sectionArea = (hull: HullSurface, x: number, z: number): number => areaUpTo(hull.section(x), z);

/** Volume up to height z as a function, the sections looked up once. Litres. */
function volumes(hull: HullSurface): (z: number) => number {
  const step = hull.length / STATIONS;
  const sections = Array.from({ length: STATIONS + 1 }, (_, i) => hull.section(i * step));
  return (z) => simpson(STATIONS, step, (i) => areaUpTo(sections[i], z)) / 1e6;
}

/** Displaced volume on an even keel at waterline height z, litres. */
export const volume = (hull: HullSurface, z: number): number => volumes(hull)(z);

/** How a load floats the hull level. */
export interface EvenKeel {
  /** Height of the waterline over the lowest keel point, mm. */
  readonly waterline: number;
  /** The load puts the gunwale under: no level floating. */
  readonly swamped: boolean;
}

/**
 * The waterline of a mass on an even keel, by bisection on displaced volume, fresh water.
 * Neglects trim and heel; an estimate that replaces neither the maker's rating nor a shallow-water test.
 */
export function evenKeel(hull: HullSurface, massKg: number, density = FRESH_WATER): EvenKeel {
  const litres = (massKg / density) * 1000;
  const top = Math.min(...hull.model.stations.map((s) => s.gunwale));
  const upTo = volumes(hull);
  if (upTo(top) < litres) return { waterline: top, swamped: true };
  let [low, high] = [0, top];
  for (let i = 0; i < 30; i++) {
    const middle = (low + high) / 2;
    if (upTo(middle) < litres) low = middle;
    else high = middle;
  }
  return { waterline: (low + high) / 2, swamped: false };
}
