import type { HullSurface } from '../boat/hull';
import type { Body } from './placed';

/** The largest clear stretch of level deck: a rectangle and a disc. */
export interface StandingRoom {
  readonly fore: number;
  readonly aft: number;
  readonly port: number;
  readonly starboard: number;
  /** Diameter of the largest disc, mm. */
  readonly disc: () => number;
}

const CELL = 20;
/** Steeper than this nobody stands on it (judgement), mm over the whole area. */
const LEVEL = 60;
/** What hangs higher than this over the deck is not stepped over or into (judgement), mm. */
const OVERHEAD = 1900;

/** A hull's own level floor in cells: where there is one, its height; the rest is nobody's to stand on. */
export interface FloorGrid {
  readonly fore: number;
  readonly port: number;
  readonly columns: number;
  readonly rows: number;
  /** Height of the floor, column by column; NaN where there is none. */
  readonly heights: Float64Array;
  /** 1 where there is one. */
  readonly floor: Uint8Array;
}

/** The floor of a hull, to be kept: it does not change with what stands on it. Undefined when there is no deck to stand on. */
export function floorGrid(hull: HullSurface): FloorGrid | undefined {
  const floors = hull.model.decks.filter((d) => (d.kind === 'cockpit' || d.kind === 'plate') && Math.abs(d.rise) <= LEVEL);
  if (floors.length === 0) return undefined;
  const fore = Math.min(...floors.map((d) => d.fore));
  const port = Math.min(...floors.map((d) => d.port));
  const columns = Math.floor((Math.max(...floors.map((d) => d.aft)) - fore) / CELL);
  const rows = Math.floor((Math.max(...floors.map((d) => d.starboard)) - port) / CELL);
  const heights = new Float64Array(columns * rows).fill(NaN);
  for (let c = 0; c < columns; c++)
    for (let r = 0; r < rows; r++) {
      const spot = hull.spot(fore + (c + 0.5) * CELL, port + (r + 0.5) * CELL);
      if (floors.some((d) => d.id === spot.deck?.id)) heights[c * rows + r] = spot.z;
    }
  return { fore, port, columns, rows, heights, floor: Uint8Array.from(heights, (z) => (Number.isNaN(z) ? 0 : 1)) };
}

/**
 * The largest open rectangle and disc of clear, level deck for one who stands, by the cells that are taken.
 * Cells of 20 mm on the cockpit floor and its plates; the rectangle by the largest rectangle under a
 * histogram, the disc by distance to the nearest taken cell.
 */
export function standingRoom(grid: FloorGrid, taken: readonly (readonly number[])[]): StandingRoom {
  const { fore, port, columns, rows } = grid;
  const clear = grid.floor.slice();
  for (const cells of taken) for (const cell of cells) clear[cell] = 0;
  const best = largestRectangle(clear, columns, rows);
  return {
    fore: fore + best.c0 * CELL,
    aft: fore + best.c1 * CELL,
    port: port + best.r0 * CELL,
    starboard: port + best.r1 * CELL,
    disc: () => largestDisc(clear, columns, rows) * CELL,
  };
}

/** The cells of a floor that bodies stand on or hang low over. */
export const cellsTaken = (grid: FloorGrid, bodies: readonly Body[]): number[] => bodies.flatMap((b) => cellsUnder(grid, b));

function cellsUnder({ fore, port, columns, rows, heights }: FloorGrid, b: Body): number[] {
  const xs = b.outline.map(([x]) => x);
  const ys = b.outline.map(([, y]) => y);
  const c0 = Math.max(0, Math.floor((Math.min(...xs) - fore) / CELL));
  const c1 = Math.min(columns - 1, Math.floor((Math.max(...xs) - fore) / CELL));
  const r0 = Math.max(0, Math.floor((Math.min(...ys) - port) / CELL));
  const r1 = Math.min(rows - 1, Math.floor((Math.max(...ys) - port) / CELL));
  const out: number[] = [];
  for (let c = c0; c <= c1; c++)
    for (let r = r0; r <= r1; r++) {
      const z = heights[c * rows + r] ?? NaN;
      if (Number.isNaN(z) || b.bottom >= z + OVERHEAD || b.top <= z + 1) continue;
      if (covers(b, fore + (c + 0.5) * CELL, port + (r + 0.5) * CELL)) out.push(c * rows + r);
    }
  return out;
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
function largestRectangle(clear: Uint8Array, columns: number, rows: number): Cells {
  const run = new Int32Array(rows);
  let best: Cells = { c0: 0, c1: 0, r0: 0, r1: 0 };
  let [short, long] = [0, 0];
  for (let c = 0; c < columns; c++) {
    for (let r = 0; r < rows; r++) run[r] = clear[c * rows + r] ? (run[r] ?? 0) + 1 : 0;
    for (let r = 0; r < rows; r++) {
      let least = Infinity;
      // No rectangle from here is wider than what is left of the row.
      if (rows - r < short) break;
      for (let s = r; s < rows && (run[s] ?? 0) > 0; s++) {
        least = Math.min(least, run[s] ?? 0);
        if (least < short) break;
        const [small, large] = [Math.min(least, s + 1 - r), Math.max(least, s + 1 - r)];
        if (small < short || (small === short && large <= long)) continue;
        [short, long] = [small, large];
        best = { c0: c + 1 - least, c1: c + 1, r0: r, r1: s + 1 };
      }
    }
  }
  return best;
}

/**
 * Diameter of the largest disc in cells: twice the greatest distance from a clear cell to a taken one or to the edge,
 * first along each column, then across them.
 */
function largestDisc(clear: Uint8Array, columns: number, rows: number): number {
  // How far along its column the nearest taken cell is.
  const near = new Int32Array(columns * rows);
  for (let c = 0; c < columns; c++) {
    const [first, last] = [c * rows, (c + 1) * rows - 1];
    for (let i = first; i <= last; i++) near[i] = clear[i] ? (i > first ? (near[i - 1] ?? 0) : 0) + 1 : 0;
    for (let i = last; i >= first; i--) near[i] = clear[i] ? Math.min(near[i] ?? 0, (i < last ? (near[i + 1] ?? 0) : 0) + 1) : 0;
  }
  let most = 0;
  for (let c = 0; c < columns; c++)
    for (let r = 0; r < rows; r++) {
      if (!clear[c * rows + r]) continue;
      let least = Math.min(c + 1, columns - c) ** 2;
      for (let k = 0; k < columns && least > most; k++) {
        const across = (k - c) ** 2;
        if (across < least) least = Math.min(least, across + (near[k * rows + r] ?? 0) ** 2);
      }
      most = Math.max(most, least);
    }
  return most === 0 ? 0 : 2 * (Math.sqrt(most) - 0.5);
}
