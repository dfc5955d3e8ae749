import { handTo } from '../../holding/drilling';
import type { Opening } from '../../holding/fitted';
import type { HullSurface } from '../../boat/hull';
import { distance, onTheWay, type Point } from '../../base/units';
import type { Leg } from './route';

/** One pull of a cable through the hull. */
export interface Pull {
  readonly from: string;
  readonly to: string;
  /** Where nobody reaches, mm. */
  readonly far: number;
  /** A hand gets all the way, or a line is pushed through first and pulls the cable after it. */
  readonly by: 'hand' | 'messenger line';
}

/** Looked at so often along a cable, mm. */
const STEP = 60;

/** A stop on the way: what a hand comes from, and how far along it reaches the cable first and last. */
interface Stop {
  readonly name: string;
  readonly first: number;
  last: number;
}

/**
 * How a cable is fished through: from its end or a gland to the next, by every opening that an arm reaches it from, in the order
 * it is pulled; by hand where one reach follows on the other, else by a messenger line.
 * @param called what an end or a gland is called
 */
export function fishing(
  hull: HullSurface,
  { legs, from, to }: { readonly legs: readonly Leg[]; readonly from: string; readonly to: string },
  openings: readonly Opening[],
  stature: number,
  called: (fitting: string) => string,
): Pull[] {
  const out: Pull[] = [];
  let start = from;
  let piece: Leg[] = [];
  const pull = (end: string): void => {
    if (piece.some((l) => l.inside)) out.push(...pulledThrough(hull, piece, openings, stature, [called(start), called(end)]));
    [start, piece] = [end, []];
  };
  for (const leg of legs) {
    piece.push(leg);
    if (leg.gland !== undefined) pull(leg.gland);
  }
  pull(to);
  return out;
}

function pulledThrough(
  hull: HullSurface,
  legs: readonly Leg[],
  openings: readonly Opening[],
  stature: number,
  [start, end]: readonly [string, string],
): Pull[] {
  const stops: Stop[] = [{ name: start, first: 0, last: 0 }];
  let gone = 0;
  for (const { at, far } of pointsAlong(legs)) {
    gone = far;
    const name = handTo(hull, at, openings, stature).access?.hatch;
    if (name === undefined) continue;
    const last = stops.at(-1);
    if (last?.name === name) last.last = far;
    else stops.push({ name, first: far, last: far });
  }
  stops.push({ name: end, first: gone, last: gone });
  return stops.slice(1).flatMap((stop, i): Pull[] => {
    const before = stops[i];
    if (!before || before.name === stop.name) return [];
    const far = Math.max(0, stop.first - before.last);
    return [{ from: before.name, to: stop.name, far, by: far > STEP + 1 ? 'messenger line' : 'hand' }];
  });
}

/** Points every so often along some legs, with how far along they are. */
function pointsAlong(legs: readonly Leg[]): { at: Point; far: number }[] {
  let far = 0;
  return legs.flatMap(({ from, to }) => {
    const long = distance(from, to);
    const steps = Math.max(1, Math.ceil(long / STEP));
    const points = Array.from({ length: steps }, (_, i) => {
      const t = (i + 1) / steps;
      return { at: onTheWay({ from, to }, t), far: far + t * long };
    });
    far += long;
    return points;
  });
}
