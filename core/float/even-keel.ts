import type { HullSurface } from '../hull';

export const FRESH_WATER = 1000;
export const SALT_WATER = 1025;

/** Area of one section up to height z, both sides, mm². Simpson over the immersed height. */
export function sectionArea(hull: HullSurface, x: number, z: number): number {
  const low = hull.keel(x);
  const high = Math.min(z, hull.gunwale(x));
  if (high <= low) return 0;
  const n = 24;
  const h = (high - low) / n;
  let sum = 0;
  for (let i = 0; i <= n; i++) sum += (i === 0 || i === n ? 1 : i % 2 ? 4 : 2) * hull.halfWidth(x, low + i * h);
  return (2 * sum * h) / 3;
}

/** Displaced volume on an even keel at waterline height z, litres. Simpson along the boat. */
export function volume(hull: HullSurface, z: number): number {
  const n = 60;
  const h = hull.length / n;
  let sum = 0;
  for (let i = 0; i <= n; i++) sum += (i === 0 || i === n ? 1 : i % 2 ? 4 : 2) * sectionArea(hull, i * h, z);
  return (sum * h) / 3 / 1e6;
}

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
  if (volume(hull, top) < litres) return { waterline: top, swamped: true };
  let [low, high] = [0, top];
  for (let i = 0; i < 30; i++) {
    const middle = (low + high) / 2;
    if (volume(hull, middle) < litres) low = middle;
    else high = middle;
  }
  return { waterline: (low + high) / 2, swamped: false };
}
