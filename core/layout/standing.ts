import type { HullSurface } from '../hull';
import type { Body } from './frame';

/** The largest clear stretch of level deck: a rectangle and a disc. */
export interface StandingRoom {
  readonly fore: number;
  readonly aft: number;
  readonly port: number;
  readonly starboard: number;
  /** Diameter of the largest disc, mm. */
  readonly disc: number;
}

const CELL = 20;
/** Steeper than this nobody stands on it (judgement), mm over the whole area. */
const LEVEL = 60;
/** What hangs higher than this over the deck is not stepped over or into (judgement), mm. */
const OVERHEAD = 1900;

/**
 * The largest open rectangle and disc of clear, level deck for one who stands, by what is placed on it.
 * Cells of 20 mm on the cockpit floor and its plates; the rectangle by the largest rectangle under a
 * histogram, the disc by distance to the nearest taken cell.
 *
 * @returns undefined when the hull has no deck to stand on
 */
export function standingRoom(hull: HullSurface, bodies: readonly Body[]): StandingRoom | undefined {
  const floors = hull.model.decks.filter((d) => (d.kind === 'cockpit' || d.kind === 'plate') && Math.abs(d.rise) <= LEVEL);
  if (floors.length === 0) return undefined;
  const fore = Math.min(...floors.map((d) => d.fore));
  const aft = Math.max(...floors.map((d) => d.aft));
  const port = Math.min(...floors.map((d) => d.port));
  const starboard = Math.max(...floors.map((d) => d.starboard));
  const columns = Math.floor((aft - fore) / CELL);
  const rows = Math.floor((starboard - port) / CELL);
  const clear = Array.from({ length: columns }, (_, c) =>
    Array.from({ length: rows }, (_, r) => {
      const [x, y] = [fore + (c + 0.5) * CELL, port + (r + 0.5) * CELL];
      const spot = hull.spot(x, y);
      const floor = spot.deck && floors.some((d) => d.id === spot.deck?.id);
      return Boolean(floor) && !bodies.some((b) => b.bottom < spot.z + OVERHEAD && b.top > spot.z + 1 && covers(b, x, y));
    }),
  );
  const best = largestRectangle(clear, columns, rows);
  return {
    fore: fore + best.c0 * CELL,
    aft: fore + best.c1 * CELL,
    port: port + best.r0 * CELL,
    starboard: port + best.r1 * CELL,
    disc: largestDisc(clear, columns, rows) * CELL,
  };
}

function covers(b: Body, x: number, y: number): boolean {
  let [left, right] = [false, false];
  b.outline.forEach(([ax, ay], i) => {
    const [bx, by] = b.outline[(i + 1) % b.outline.length] ?? [ax, ay];
    const side = (bx - ax) * (y - ay) - (by - ay) * (x - ax);
    if (side < 0) left = true;
    if (side > 0) right = true;
  });
  return !(left && right);
}

interface Cells {
  readonly c0: number;
  readonly c1: number;
  readonly r0: number;
  readonly r1: number;
}

/** The rectangle whose smaller side is greatest, then the larger: who stands needs both. */
function largestRectangle(clear: readonly (readonly boolean[])[], columns: number, rows: number): Cells {
  const run = new Array<number>(rows).fill(0);
  let best: Cells = { c0: 0, c1: 0, r0: 0, r1: 0 };
  const better = (a: Cells): boolean => {
    const size = (k: Cells): [number, number] => {
      const [w, h] = [k.c1 - k.c0, k.r1 - k.r0];
      return [Math.min(w, h), Math.max(w, h)];
    };
    const [s, l] = size(a);
    const [bs, bl] = size(best);
    return s > bs || (s === bs && l > bl);
  };
  for (let c = 0; c < columns; c++) {
    for (let r = 0; r < rows; r++) run[r] = clear[c]?.[r] ? (run[r] ?? 0) + 1 : 0;
    for (let r = 0; r < rows; r++) {
      let least = Infinity;
      for (let s = r; s < rows && (run[s] ?? 0) > 0; s++) {
        least = Math.min(least, run[s] ?? 0);
        const cells = { c0: c + 1 - least, c1: c + 1, r0: r, r1: s + 1 };
        if (better(cells)) best = cells;
      }
    }
  }
  return best;
}

/** Diameter of the largest disc in cells: twice the greatest distance from a clear cell to a taken one. */
function largestDisc(clear: readonly (readonly boolean[])[], columns: number, rows: number): number {
  const taken: [number, number][] = [];
  for (let c = -1; c <= columns; c++)
    for (let r = -1; r <= rows; r++)
      if (!clear[c]?.[r] && [-1, 0, 1].some((i) => [-1, 0, 1].some((j) => clear[c + i]?.[r + j]))) taken.push([c, r]);
  let most = 0;
  for (let c = 0; c < columns; c++)
    for (let r = 0; r < rows; r++) {
      if (!clear[c]?.[r]) continue;
      let least = Infinity;
      for (const [tc, tr] of taken) {
        least = Math.min(least, Math.hypot(tc - c, tr - r) - 0.5);
        if (least <= most) break;
      }
      most = Math.max(most, least);
    }
  return Number.isFinite(most) ? 2 * most : 0;
}
