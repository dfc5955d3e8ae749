import type { Awg } from '../circuits';
import type { Leg } from './route';
import { distance } from '../../base/units';

/** What one tinned boat wire is across, insulation and all, mm (makers' tables of marine primary wire, from memory, the thick side). */
export const WIRE_ACROSS: Readonly<Record<Awg, number>> = {
  18: 2.7,
  16: 3,
  14: 3.4,
  12: 4,
  10: 4.8,
  8: 6.4,
  6: 8.1,
  4: 9.7,
  2: 11.7,
};

/** Round things fill so much of the circle about them, at the loosest that packs of two to seven come to (judgement). */
const FILLS = 0.64;

/**
 * What a bundle of round wires is across, mm: never less than the two thickest side by side, and as if they filled so much of it;
 * a hair over the known best packings of equal circles.
 */
export function bundleAcross(wires: readonly number[]): number {
  const [first = 0, second = 0] = [...wires].sort((a, b) => b - a);
  const area = wires.reduce((sum, d) => sum + d * d, 0);
  return wires.length < 2 ? first : Math.max(first + second, Math.sqrt(area / FILLS));
}

/** A cable is held at least so often, mm: 18 in (ABYC E-11, from memory). */
export const HELD_EVERY = 457.2;

/** How a cable is held on its way. */
export interface Fixing {
  readonly count: number;
  readonly by: string;
}

/**
 * With what a cable is held where it lies, and how often: after E-11, and no farther apart. Inside, also on its way to and from
 * its lane: there it lies along the skin or under the deck, and is stuck to that.
 */
export function heldBy({ legs }: { readonly legs: readonly Leg[] }): Fixing[] {
  const lengthOf = (inside: boolean): number =>
    legs.filter((l) => l.inside === inside && (l.held || inside)).reduce((sum, l) => sum + distance(l.from, l.to), 0);
  const held = (long: number, by: string): Fixing[] => (long > 0 ? [{ count: Math.ceil(long / HELD_EVERY) + 1, by }] : []);
  return [...held(lengthOf(true), 'adhesive mounts with ties'), ...held(lengthOf(false), 'cushioned clips over the sleeve')];
}

/** The longest piece of a cable that nothing holds, over the deck between two holds, mm. */
export const longestFree = ({ legs }: { readonly legs: readonly Leg[] }): number =>
  Math.max(0, ...legs.map((l) => (l.held || l.inside ? 0 : distance(l.from, l.to))));
