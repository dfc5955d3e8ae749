import type { Fitted } from '../../holding/fitted';
import type { Jack, Signal } from '../../parts/parts';
import { xOf } from './asked-of';

/**
 * The jack of one part that a cable to another goes into: the first of a family that both have, of a network or from what senses
 * to what shows it; null when there is none.
 */
export const matedBy = (one: Signal | undefined, other: Signal | undefined): Jack | null =>
  one?.jacks.find((j) => (j.network ?? one.senses !== other?.senses) && other?.jacks.some((o) => o.family === j.family)) ?? null;

/**
 * The cable between two parts: what comes with one of them, else the shortest sold that reaches, else the longest.
 * @param wanted what its way takes with loops and slack, mm
 * @returns null where none is sold
 */
export function cableBetween(
  from: Signal | undefined,
  to: Signal | undefined,
  wanted: number,
): { readonly cut: number; readonly material: string | null } | null {
  const own = from?.cable ?? to?.cable;
  if (own !== undefined) return { cut: own, material: null };
  const family = matedBy(from, to)?.family;
  const sold = [from, to]
    .flatMap((s) => s?.jacks.filter((j) => j.family === family).flatMap((j) => j.cables ?? []) ?? [])
    .sort((a, b) => a.length - b.length);
  const one = sold.find((c) => c.length >= wanted) ?? sold.at(-1);
  return one ? { cut: one.length, material: one.material } : null;
}

/** Parts that a signal cable joins, by which plugs; null where none fit. */
export interface Joined {
  readonly from: string;
  readonly to: string;
  readonly family: string | null;
}

/** How many cables of a family are plugged into a part. */
export const pluggedIn = (joined: readonly Joined[], part: string, family: string): number =>
  joined.filter((j) => j.family === family && (j.from === part || j.to === part)).length;

/** Screens aboard with a jack free for what a part senses, those on its side first, the nearest of them along the boat. */
export function screensFor(owned: readonly Fitted[], joined: readonly Joined[], sensor: Fitted): Fitted[] {
  const far = (i: Fitted): number => Math.abs(xOf(i) - xOf(sensor));
  const across = (i: Fitted): number => Number(i.placed.frame.origin.y * sensor.placed.frame.origin.y < 0);
  return owned
    .filter(({ placed: { id, part } }) => {
      const jack = part.screen ? matedBy(part.signal, sensor.placed.part.signal) : null;
      return jack !== null && pluggedIn(joined, id, jack.family) < jack.ways;
    })
    .sort((a, b) => across(a) - across(b) || far(a) - far(b));
}
