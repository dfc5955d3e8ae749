import type { ShopSettings } from '../parts/shop';
import type { HullSurface } from '../boat/hull';
import type { Brief } from '../rig';
import type { Body } from './placed';
import { BODY, type Paddler } from './paddler';
import { boundsOf } from './sweep';
import type { StrokePose } from './paddle-pose';
import { portPoses, type PaddleLack, type Style } from './stroke-poses';

/**
 * The space swept by shaft and hands: at each plan cell a floor and a ceiling, mm over the keel.
 * Cells never swept have floor above ceiling.
 */
export interface StrokeSpace {
  readonly x0: number;
  readonly y0: number;
  readonly cell: number;
  readonly columns: number;
  readonly rows: number;
  readonly floor: Float64Array;
  readonly ceiling: Float64Array;
  /** How far a hand would be beyond its reach, at the worst of the forward stroke, mm. */
  readonly misses: number;
  /** The lowest floor of all, mm over the keel. */
  readonly lowest: number;
}

type Grid = Omit<StrokeSpace, 'misses' | 'lowest'>;

const CELL = 20;
const STEP = 20;

/**
 * Sweeps the stroke of one paddler on both sides into a floor and a ceiling.
 *
 * @param water height of the water at the seat over the lowest keel point, mm
 */
export function strokeSpace(
  hull: HullSurface,
  p: Paddler,
  settings: ShopSettings['stroke'],
  style: Style,
  water: number,
): StrokeSpace {
  const reach = 0.8 * p.stature;
  const x0 = p.seatX - reach;
  // Whole cells to each side of the centre line: one side is the mirror of the other.
  const half = Math.ceil((hull.beam / 2 + 200) / CELL) * CELL;
  const columns = Math.ceil((reach + 0.5 * p.stature) / CELL);
  const rows = (2 * half) / CELL;
  const poses = portPoses(hull, p, style, water);
  const swept = {
    x0,
    y0: -half,
    cell: CELL,
    columns,
    rows,
    floor: new Float64Array(columns * rows).fill(Infinity),
    ceiling: new Float64Array(columns * rows).fill(-Infinity),
    misses: Math.max(0, ...poses.map((pose) => (pose.phase === 'forward' ? pose.misses : 0))),
  };
  const balls = { shaft: ballOf(settings.shaft), hand: ballOf(settings.hand) };
  for (const pose of poses) sweep(swept, pose, balls);
  mirror(swept);
  return { ...swept, lowest: swept.floor.reduce((a, b) => Math.min(a, b), Infinity) };
}

/** What is swept on one side is swept on the other. */
function mirror({ columns, rows, floor, ceiling }: Grid): void {
  for (let r = 0; r < rows / 2; r++)
    for (let c = 0; c < columns; c++) {
      const [i, j] = [r * columns + c, (rows - 1 - r) * columns + c];
      floor[i] = floor[j] = Math.min(floor[i] as number, floor[j] as number);
      ceiling[i] = ceiling[j] = Math.max(ceiling[i] as number, ceiling[j] as number);
    }
}

/** The whole shaft, from the far end of the paddle to the throat of the blade in use, and both hands. */
function sweep(space: Grid, { top, throat, upper, lower }: StrokePose, balls: Readonly<Record<'shaft' | 'hand', Ball>>): void {
  const [dx, dy, dz] = [throat[0] - top[0], throat[1] - top[1], throat[2] - top[2]];
  const steps = Math.ceil(Math.hypot(dx, dy, dz) / STEP);
  for (let i = 0; i <= steps; i++) {
    const t = i / steps;
    stamp(space, top[0] + t * dx, top[1] + t * dy, top[2] + t * dz, balls.shaft);
  }
  for (const hand of [upper, lower]) stamp(space, hand[0], hand[1], hand[2], balls.hand);
}

/** A ball of clearance, cell by cell about its own: how far over and under its middle it reaches there. */
interface Ball {
  /** It reaches so many cells to each side. */
  readonly spread: number;
  readonly columns: Int32Array;
  readonly rows: Int32Array;
  readonly halves: Float64Array;
}

function ballOf(radius: number): Ball {
  const spread = Math.ceil(radius / CELL);
  const across = Array.from({ length: 2 * spread + 1 }, (_, i) => i - spread);
  const cells = across.flatMap((column) =>
    across.flatMap((row) => {
      const off = Math.max(0, Math.hypot(column, row) * CELL - CELL / 2);
      return off > radius ? [] : [{ column, row, half: Math.sqrt(radius * radius - off * off) }];
    }),
  );
  return {
    spread,
    columns: Int32Array.from(cells, (c) => c.column),
    rows: Int32Array.from(cells, (c) => c.row),
    halves: Float64Array.from(cells, (c) => c.half),
  };
}

function stamp(space: Grid, x: number, y: number, z: number, { spread, columns: across, rows: along, halves }: Ball): void {
  const { x0, y0, columns, rows, floor, ceiling } = space;
  const column = Math.floor((x - x0) / CELL);
  const row = Math.floor((y - y0) / CELL);
  if (column < -spread || row < -spread || column >= columns + spread || row >= rows + spread) return;
  const within = column >= spread && row >= spread && column < columns - spread && row < rows - spread;
  for (let k = 0; k < halves.length; k++) {
    const c = column + (across[k] as number);
    const r = row + (along[k] as number);
    if (!within && (c < 0 || r < 0 || c >= columns || r >= rows)) continue;
    const i = r * columns + c;
    const half = halves[k] as number;
    if (z - half < (floor[i] as number)) floor[i] = z - half;
    if (z + half > (ceiling[i] as number)) ceiling[i] = z + half;
  }
}

/** How far a body stands in the stroke. */
export interface Intrusion {
  /** Height of the body inside the swept space, mm; the smallest of lowering and raising that clears. */
  readonly by: number;
  /** Lowering its top by so much clears it. */
  readonly lower: number;
  /** Raising its foot by so much clears it. */
  readonly raise: number;
  /** Lowest swept height over the body, mm over the keel. */
  readonly floor: number;
}

/** How far a body stands in the swept space, or undefined when it is clear: it is met where one cell's space and it share a height. */
export function intrusion(space: StrokeSpace, body: Body): Intrusion | undefined {
  if (body.top <= space.lowest) return undefined;
  let lowest = Infinity;
  let highest = -Infinity;
  let met = false;
  eachCellUnder(space, body, (i) => {
    const [floor, ceiling] = [space.floor[i] ?? Infinity, space.ceiling[i] ?? -Infinity];
    lowest = Math.min(lowest, floor);
    highest = Math.max(highest, ceiling);
    met ||= body.top > floor && body.bottom < ceiling;
  });
  if (!met) return undefined;
  const [lower, raise] = [body.top - lowest, highest - body.bottom];
  return { by: Math.min(lower, raise), lower, raise, floor: lowest };
}

/** How high gear may stand at a place without entering the stroke, mm over the keel; undefined where nothing sweeps. */
export function headroom(space: StrokeSpace, x: number, y: number): number | undefined {
  const column = Math.floor((x - space.x0) / space.cell);
  const row = Math.floor((y - space.y0) / space.cell);
  if (column < 0 || row < 0 || column >= space.columns || row >= space.rows) return undefined;
  const floor = space.floor[row * space.columns + column] ?? Infinity;
  return Number.isFinite(floor) ? floor : undefined;
}

/** The strokes of the nominal body at each seat height, and of the bodies at the ends of the band. */
export interface StrokeSpaces {
  readonly nominal: readonly StrokeSpace[];
  readonly band: readonly StrokeSpace[];
  /** What the paddle lacks for the nominal body; worked out when it is asked. */
  lack(): PaddleLack | null;
}

export interface StrokeHit {
  readonly nominal?: Intrusion;
  /** Only looked for where the nominal body is clear. */
  readonly band?: Intrusion;
}

/** The deepest of several bodies in the strokes of one paddler. */
export function strokeHit(bodies: readonly Body[], spaces: Pick<StrokeSpaces, 'nominal' | 'band'>): StrokeHit {
  const worst = (of: readonly StrokeSpace[]): Intrusion | undefined =>
    bodies
      .flatMap((body) => of.map((space) => intrusion(space, body)))
      .filter((one) => one !== undefined)
      .sort((a, b) => b.by - a.by)[0];
  const nominal = worst(spaces.nominal);
  return nominal ? { nominal } : { band: worst(spaces.band) };
}

/** The swept cells that a body lies over or under. */
function eachCellUnder({ x0, y0, cell, columns, rows, floor }: StrokeSpace, body: Body, take: (i: number) => void): void {
  const { fore, aft, port, starboard } = boundsOf([body]);
  const clampTo = (v: number, most: number): number => Math.min(most, Math.max(0, v));
  const c0 = clampTo(Math.floor((fore - x0) / cell), columns);
  const c1 = clampTo(Math.ceil((aft - x0) / cell), columns);
  const r0 = clampTo(Math.floor((port - y0) / cell), rows);
  const r1 = clampTo(Math.ceil((starboard - y0) / cell), rows);
  if (c0 >= c1 || r0 >= r1) return;
  const edges = edgesOf(body.outline);
  for (let r = r0; r < r1; r++)
    for (let c = c0; c < c1; c++) {
      const i = r * columns + c;
      if (floor[i] === Infinity) continue;
      if (inside(edges, x0 + (c + 0.5) * cell, y0 + (r + 0.5) * cell, cell / 2)) take(i);
    }
}

/** An edge of an outline: a point lies `across · point − off` to one side of it, mm. */
interface Edge {
  readonly across: readonly [number, number];
  readonly off: number;
}

const edgesOf = (outline: Body['outline']): Edge[] =>
  outline.flatMap((a, i): Edge[] => {
    const b = outline[(i + 1) % outline.length];
    if (!b) return [];
    const size = Math.hypot(b[0] - a[0], b[1] - a[1]) || 1;
    const across: [number, number] = [-(b[1] - a[1]) / size, (b[0] - a[0]) / size];
    return [{ across, off: across[0] * a[0] + across[1] * a[1] }];
  });

/** Whether a point lies in a convex outline grown by a margin, whichever way round its edges go. */
function inside(edges: readonly Edge[], x: number, y: number, margin: number): boolean {
  let [left, right] = [true, true];
  for (const { across, off } of edges) {
    const by = across[0] * x + across[1] * y - off;
    if (by < -margin) left = false;
    if (by > margin) right = false;
  }
  return left || right;
}

/** Where the stroke is swept over the gunwale on one side: from and to along the boat, for drawing. */
export function strokeBand(hull: HullSurface, brief: Brief): { fore: number; aft: number; inboard: number } {
  const reach = (BODY.grip + 0.06) * brief.stature;
  return { fore: hull.model.seat.x - reach, aft: hull.model.seat.x, inboard: 160 };
}
