import type { ShopSettings } from '../catalog';
import type { HullSurface } from '../hull';
import type { Brief } from '../rig';
import type { Body } from './frame';
import { BODY, hipOf, type Paddler } from './paddler';

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
}

const PHASES = 16;
const CELL = 20;
const STEP = 20;

interface Pose {
  readonly lower: readonly [number, number, number];
  readonly upper: readonly [number, number, number];
}

/** How a person paddles: hands at chest height or at eye height, with a paddle of some length. */
export interface Style {
  readonly stroke: Brief['stroke'];
  /** mm */
  readonly paddle: number;
}

export const styleOf = (brief: Brief, shop: ShopSettings): Style => ({
  stroke: brief.stroke,
  paddle: brief.paddle ?? shop.stroke.paddle,
});

/** How high over the gunwale the lower hand passes; what is lower belongs to the knuckles (judgement), mm. */
export const HAND_OVER_GUNWALE = 50;

/**
 * Poses of a forward stroke and of a sweep on one side. The lower hand goes from the catch to the hip
 * outside the gunwale, the upper hand from the shoulder to the centre line at chest height (low style)
 * or eye height (high style), or over the lap (sweep). Judgement, not measurement: the fractions are
 * of this product.
 */
function* poses(hull: HullSurface, p: Paddler, settings: ShopSettings['stroke'], style: Style, sign: 1 | -1): Generator<Pose> {
  const h = p.stature;
  const hip = hipOf(p);
  const reachAhead = BODY.grip * h + 0.06 * h;
  const upperZ = hip.z + (style.stroke === 'low' ? 0.2 : BODY.eyeOverHip) * h;
  for (let i = 0; i <= PHASES; i++) {
    const t = i / PHASES;
    const x = hip.x - reachAhead * (1 - t);
    const edge = hull.halfBreadth(x) + settings.hand;
    const z = hull.gunwale(x) + settings.hand + HAND_OVER_GUNWALE;
    const upperX = hip.x - BODY.grip * h * (0.6 + 0.4 * t);
    yield {
      lower: [x, sign * edge, z],
      upper: [upperX, -sign * BODY.halfShoulders * h * (1 - t), upperZ],
    };
    yield {
      lower: [x, sign * (edge + 0.08 * h * Math.sin(Math.PI * t)), z],
      upper: [hip.x - 0.25 * h, -sign * 0.05 * h, hip.z + 0.12 * h],
    };
  }
}

/** Sweeps the stroke of one paddler on both sides into a floor and a ceiling. */
export function strokeSpace(hull: HullSurface, p: Paddler, settings: ShopSettings['stroke'], style: Style): StrokeSpace {
  const reach = 0.75 * p.stature;
  const x0 = p.seatX - reach;
  const half = hull.beam / 2 + 500;
  const columns = Math.ceil((reach + 0.3 * p.stature) / CELL);
  const rows = Math.ceil((2 * half) / CELL);
  const space: StrokeSpace = {
    x0,
    y0: -half,
    cell: CELL,
    columns,
    rows,
    floor: new Float64Array(columns * rows).fill(Infinity),
    ceiling: new Float64Array(columns * rows).fill(-Infinity),
  };
  for (const sign of [-1, 1] as const)
    for (const pose of poses(hull, p, settings, style, sign)) sweep(space, pose, settings, style.paddle);
  return space;
}

function sweep(space: StrokeSpace, { lower, upper }: Pose, s: ShopSettings['stroke'], paddle: number): void {
  const [dx, dy, dz] = [lower[0] - upper[0], lower[1] - upper[1], lower[2] - upper[2]];
  const hands = Math.hypot(dx, dy, dz);
  // The shaft goes on beyond the lower hand to the throat of the blade.
  const throat = paddle / 2 - 480 + hands / 2;
  for (let along = 0; along <= Math.max(throat, hands); along += STEP) {
    const u = along / hands;
    stamp(space, upper[0] + u * dx, upper[1] + u * dy, upper[2] + u * dz, s.shaft);
  }
  stamp(space, lower[0], lower[1], lower[2], s.hand);
}

function stamp(space: StrokeSpace, x: number, y: number, z: number, radius: number): void {
  const { x0, y0, cell, columns, rows, floor, ceiling } = space;
  const spread = Math.ceil(radius / cell);
  const column = Math.floor((x - x0) / cell);
  const row = Math.floor((y - y0) / cell);
  for (let c = Math.max(0, column - spread); c <= Math.min(columns - 1, column + spread); c++) {
    for (let r = Math.max(0, row - spread); r <= Math.min(rows - 1, row + spread); r++) {
      const i = r * columns + c;
      floor[i] = Math.min(floor[i] ?? Infinity, z - radius);
      ceiling[i] = Math.max(ceiling[i] ?? -Infinity, z + radius);
    }
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

/** How far a body stands in the swept space, or undefined when it is clear. */
export function intrusion(space: StrokeSpace, body: Body): Intrusion | undefined {
  let lowest = Infinity;
  let highest = -Infinity;
  for (const i of cellsUnder(space, body)) {
    lowest = Math.min(lowest, space.floor[i] ?? Infinity);
    highest = Math.max(highest, space.ceiling[i] ?? -Infinity);
  }
  const lower = body.top - lowest;
  const raise = highest - body.bottom;
  if (!(lower > 0 && raise > 0)) return undefined;
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
}

export interface StrokeHit {
  readonly nominal?: Intrusion;
  /** Only looked for where the nominal body is clear. */
  readonly band?: Intrusion;
}

/** The deepest of several bodies in the strokes of one paddler. */
export function strokeHit(bodies: readonly Body[], spaces: StrokeSpaces): StrokeHit {
  const worst = (of: readonly StrokeSpace[]): Intrusion | undefined =>
    bodies
      .flatMap((body) => of.map((space) => intrusion(space, body)))
      .filter((one) => one !== undefined)
      .sort((a, b) => b.by - a.by)[0];
  const nominal = worst(spaces.nominal);
  return nominal ? { nominal } : { band: worst(spaces.band) };
}

function* cellsUnder(space: StrokeSpace, body: Body): Generator<number> {
  const xs = body.outline.map(([x]) => x);
  const ys = body.outline.map(([, y]) => y);
  const clampTo = (v: number, most: number): number => Math.min(most, Math.max(0, v));
  const c0 = clampTo(Math.floor((Math.min(...xs) - space.x0) / space.cell), space.columns);
  const c1 = clampTo(Math.ceil((Math.max(...xs) - space.x0) / space.cell), space.columns);
  const r0 = clampTo(Math.floor((Math.min(...ys) - space.y0) / space.cell), space.rows);
  const r1 = clampTo(Math.ceil((Math.max(...ys) - space.y0) / space.cell), space.rows);
  for (let r = r0; r < r1; r++)
    for (let c = c0; c < c1; c++)
      if (inside(body.outline, space.x0 + (c + 0.5) * space.cell, space.y0 + (r + 0.5) * space.cell, space.cell / 2))
        yield r * space.columns + c;
}

/** Whether a point lies in a convex outline grown by a margin. */
function inside(outline: Body['outline'], x: number, y: number, margin: number): boolean {
  let positive = true;
  let negative = true;
  for (let i = 0; i < outline.length; i++) {
    const a = outline[i];
    const b = outline[(i + 1) % outline.length];
    if (!a || !b) continue;
    const size = Math.hypot(b[0] - a[0], b[1] - a[1]) || 1;
    const off = ((b[0] - a[0]) * (y - a[1]) - (b[1] - a[1]) * (x - a[0])) / size;
    if (off < -margin) positive = false;
    if (off > margin) negative = false;
  }
  return positive || negative;
}

/** Where the stroke is swept over the gunwale on one side: from and to along the boat, for drawing. */
export function strokeBand(hull: HullSurface, brief: Brief): { fore: number; aft: number; inboard: number } {
  const reach = (BODY.grip + 0.06) * brief.stature;
  return { fore: hull.model.seat.x - reach, aft: hull.model.seat.x, inboard: 160 };
}
