import { dragOf, wettedOf, windOf, type Wetted } from '../electric/day';
import { FRESH_WATER, waterAt, type Slices, type Weight } from '../water/float';
import type { Ground } from '../rig';
import { GRAVITY, KG_PER_POUND, type Point } from '../base/units';

const KMH = 1 / 3.6;
/** Of a flat thing across the stream, and of a parachute by its mouth (Hoerner, Fluid-Dynamic Drag, from memory). */
const ACROSS = 1.2;
const PARACHUTE = 1.4;
/** Waves and jerks on the mean pull (judgement). */
export const SURGE = 2;

/** What the stream does to a boat that lies to a line. */
export interface Lying {
  /** Between the bow and where the stream comes from, degrees: 0 bow to it, 90 across, 180 stern to it. */
  readonly heading: number;
  /** What holds it, N: stream and wind together, the hard guess, without waves. */
  readonly newtons: number;
}

/** The under-water side of a boat, m²: for a stream from abeam. */
export interface SideOn extends Wetted {
  readonly side: number;
  /** Where its middle lies along the boat, mm. */
  readonly middle: number;
}

/** The side of a boat under the water, with its wetted surface. */
export function sideOn(slices: Slices, { float }: Pick<Weight, 'float'>): SideOn {
  let [side, moment] = [0, 0];
  for (const { x, weight, section } of slices.at) {
    const draught = Math.max(0, waterAt(float, x) - section.keel) * weight;
    side += draught;
    moment += draught * x;
  }
  return { ...wettedOf(slices, float), side: side / 1e6, middle: side > 0 ? moment / side : slices.middle };
}

/**
 * How a boat lies to a line made fast at a point of it: it swings until the middle of its under-water side lies straight down
 * the stream from there (first order, judgement; wind along with the stream).
 */
export function lyingTo(boat: SideOn, at: Point, { stream, wind }: Pick<Ground, 'stream' | 'wind'>): Lying {
  const angle = Math.atan2(Math.abs(at.y), boat.middle - at.x);
  const [along, across] = [Math.cos(angle) ** 2, Math.sin(angle) ** 2];
  const v = stream * KMH;
  const water = along * dragOf(boat, v, 'hard') + across * 0.5 * FRESH_WATER * boat.side * ACROSS * v ** 2;
  return { heading: (angle * 180) / Math.PI, newtons: water + windOf(wind * KMH, 'hard') };
}

/** What a drogue holds at a speed through the water, N. @param across diameter of its mouth, mm @param kmh through the water */
export const drogueHolds = (across: number, kmh: number): number =>
  0.5 * FRESH_WATER * ((Math.PI * (across / 1000) ** 2) / 4) * PARACHUTE * (kmh * KMH) ** 2;

/**
 * How fast a boat drifts before the wind with a drogue out: what the wind pushes is what hull and drogue hold, km/h. By halving.
 */
export function driftWith(across: number, boat: Wetted, wind: number): number {
  let [low, high] = [0, wind];
  for (let i = 0; i < 60; i++) {
    const v = (low + high) / 2;
    const pushes = windOf((wind - v) * KMH, 'hard');
    if (drogueHolds(across, v) + dragOf(boat, v * KMH, 'hard') > pushes) high = v;
    else low = v;
  }
  return high;
}

/** Share of an anchor's full hold at a scope (small-craft anchoring books, from memory). */
const BY_SCOPE: readonly (readonly [scope: number, share: number])[] = [
  [1, 0],
  [2, 0.35],
  [3, 0.53],
  [4, 0.67],
  [5, 0.77],
  [7, 0.91],
  [10, 1],
];

/** What of an anchor's full hold is left at a scope: straight between the table's values. */
export function shareAtScope(scope: number): number {
  for (const [i, [to, share]] of BY_SCOPE.entries()) {
    const [from, before] = BY_SCOPE[i - 1] ?? [to, share];
    if (scope <= to) return to === from ? share : before + ((share - before) * (scope - from)) / (to - from);
  }
  return 1;
}

/** How many times its weight a small folding anchor holds at full scope (judgement): on rock it hooks or it does not. */
const HOLDS: Readonly<Record<Ground['bottom'], number>> = { mud: 5, sand: 7, gravel: 5, rock: 4, weed: 2 };

/** What an anchor holds, N. */
export const anchorHolds = (kg: number, bottom: Ground['bottom'], scope: number): number =>
  kg * GRAVITY * HOLDS[bottom] * shareAtScope(scope);

/** The scope a rode is cut for (common practice, no source). */
export const SCOPE = 7;

/**
 * What an anchor is to weigh: about 3 lb in still water, 5 lb as a rule, 10 lb in wind or a stream (common practice, no source;
 * from which wind and stream on is judgement).
 */
export function anchorWanted({ stream, wind }: Pick<Ground, 'stream' | 'wind'>): number {
  const pounds = stream <= 0.5 && wind <= 8 ? 3 : stream <= 2 && wind <= 20 ? 5 : 10;
  return pounds * KG_PER_POUND;
}
