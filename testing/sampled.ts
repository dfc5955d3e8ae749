import { BRACKWEN, CATALOG, ORRISK, PELLIN, QUENBY, TOLVANE } from '@plain-cleat/demo';
import { seeded } from '@plain-cleat/core/work/cutting';
import type { HullModel } from '@plain-cleat/core/boat/hull';
import type { Part } from '@plain-cleat/core/parts/parts';
import { USUAL_BRIEF, type Brief } from '@plain-cleat/core/rig';
import { Memory } from '@plain-cleat/core/base/stages';
import { workUp, type Workup, type WorkupInput } from '@plain-cleat/core/workup';
import { deck, fitted, inputOf } from './plans';
import { runs } from './runs';

/**
 * Layouts by chance, and brute force to hold judgements of space against: points sampled through the solids and their
 * motions, placed, turned and compared by arithmetic of its own. One in twenty-five of the layouts runs by default, all with LONG=yes.
 */
/**
 * Judgements of space against brute force: points sampled through the solids and their motions, placed, turned and
 * compared by arithmetic of its own. No clash deeper than the sampling step is missed; none is claimed that is not
 * there within a step. One in twenty-five of the layouts runs by default, all with LONG=yes.
 */
export const LAYOUTS = runs(1000, 40);
export const STEP = 12;
/** The farthest any point of a solid is from a sample. */
export const NEAR = (STEP * Math.sqrt(3)) / 2 + 1;

export type P = readonly [number, number, number];

export interface Solid {
  readonly u: readonly [number, number];
  readonly v: readonly [number, number];
  readonly w: readonly [number, number];
}

/** Where a thing stands: a point of its own frame to the hull, and back. */
export interface Pose {
  out(p: P): P;
  back(p: P): P;
}

export interface Thing {
  readonly id: string;
  readonly part: Part;
  readonly x: number;
  readonly y: number;
  readonly heading: number;
  readonly lift: number;
  readonly pose: Pose;
  readonly solids: readonly Solid[];
  readonly samples: readonly P[];
  readonly bounds: Bounds;
}

export const HULLS = [TOLVANE, BRACKWEN, ORRISK, QUENBY, PELLIN];

/** The highest deck over a point, its height and its slope. */
export function deckAt(hull: HullModel, x: number, y: number): { z: number; slope: number } | undefined {
  const over = hull.decks.filter((d) => x >= d.fore && x <= d.aft && y >= d.port && y <= d.starboard);
  const all = over.map((d) => ({ slope: d.rise / (d.aft - d.fore), z: d.height + (d.rise * (x - d.fore)) / (d.aft - d.fore) }));
  return all.sort((a, b) => b.z - a.z)[0];
}

export const inArea = (d: HullModel['decks'][number], x: number, y: number): boolean =>
  x >= d.fore && x <= d.aft && y >= d.port && y <= d.starboard;
export const heightIn = (d: HullModel['decks'][number], x: number): number =>
  d.height + (d.rise * (x - d.fore)) / (d.aft - d.fore);

/** Standing on a sloping deck: pitched with it, then turned about its own upright; a positive heading takes the after end to port. */
export function poseOn(x: number, y: number, z: number, slope: number, heading: number): Pose {
  const pitch = Math.atan(slope);
  const [c, s] = [Math.cos((heading * Math.PI) / 180), Math.sin((heading * Math.PI) / 180)];
  const [cp, sp] = [Math.cos(pitch), Math.sin(pitch)];
  return {
    out([u, v, w]) {
      const [a, b] = [u * c + v * s, -u * s + v * c];
      return [x + a * cp - w * sp, y + b, z + a * sp + w * cp];
    },
    back([px, py, pz]) {
      const [dx, dy, dz] = [px - x, py - y, pz - z];
      const [a, w] = [dx * cp + dz * sp, -dx * sp + dz * cp];
      return [a * c - dy * s, a * s + dy * c, w];
    },
  };
}

export const spread = ([from, to]: readonly [number, number], step = STEP): number[] => {
  const n = Math.max(1, Math.ceil((to - from) / step));
  return Array.from({ length: n + 1 }, (_, i) => from + ((to - from) * i) / n);
};
export const pointsOf = (s: Solid, step = STEP): P[] =>
  spread(s.u, step).flatMap((u) => spread(s.v, step).flatMap((v) => spread(s.w, step).map((w): P => [u, v, w])));
/** How deep a point of the frame lies in a solid, mm; negative outside. */
export const depthIn = (s: Solid, [u, v, w]: P): number =>
  Math.min(u - s.u[0], s.u[1] - u, v - s.v[0], s.v[1] - v, w - s.w[0], s.w[1] - w);
export const deepestIn = (t: Thing, p: P): number => Math.max(...t.solids.map((s) => depthIn(s, t.pose.back(p))));

export type Bounds = readonly [P, P];
export const boundsOf = (points: readonly P[]): Bounds => {
  const low: [number, number, number] = [Infinity, Infinity, Infinity];
  const high: [number, number, number] = [-Infinity, -Infinity, -Infinity];
  for (const p of points)
    for (const k of [0, 1, 2] as const) {
      low[k] = Math.min(low[k], p[k]);
      high[k] = Math.max(high[k], p[k]);
    }
  return [low, high];
};
export const near = (a: Bounds, b: Bounds, by: number): boolean =>
  ([0, 1, 2] as const).every((k) => a[0][k] < b[1][k] + by && b[0][k] < a[1][k] + by);
export const within = ([x, y, z]: P, [low, high]: Bounds): boolean =>
  x > low[0] && x < high[0] && y > low[1] && y < high[1] && z > low[2] && z < high[2];

export function thingOf(
  hull: HullModel,
  id: string,
  part: Part,
  x: number,
  y: number,
  heading: number,
  lift: number,
): Thing | undefined {
  const under = deckAt(hull, x, y);
  if (!under) return undefined;
  const pose = poseOn(x, y, under.z, under.slope, heading);
  const raised = part.body.solids.map((s): Solid => ({ u: s.u, v: s.v, w: [s.w[0] + lift, s.w[1] + lift] }));
  const solids: Solid[] = lift > 0 ? [...raised, { u: [-20, 20], v: [-20, 20], w: [0, lift] }] : raised;
  const samples = solids.flatMap((s) => pointsOf(s)).map((p) => pose.out(p));
  return { id, part, x, y, heading, lift, pose, solids, samples, bounds: boundsOf(samples) };
}

export const PARTS = CATALOG.parts.filter(
  (p) => !p.body.recess && !p.body.bridges && !['worn', 'underfoot', 'at the feet'].includes(p.body.place ?? ''),
);
/** Every so many layouts begin with what holds rods. */
const HOLDERS = PARTS.filter((p) => p.rods);

export function layout(hull: HullModel, random: () => number): Thing[] {
  const many = 3 + Math.floor(random() * 4);
  return Array.from({ length: many }, (_, i) => {
    const range = i === 0 && random() < 0.4 ? HOLDERS : PARTS;
    const part = range[Math.floor(random() * range.length)];
    const d = hull.decks[Math.floor(random() * hull.decks.length)];
    if (!part || !d) return undefined;
    const x = d.fore + random() * (d.aft - d.fore);
    const y = d.port + random() * (d.starboard - d.port);
    const heading = Math.round(random() * 359 - 179);
    return thingOf(hull, `f${i}`, part, x, y, heading, random() < 0.2 ? Math.round(random() * 300) : 0);
  }).filter((t) => t !== undefined);
}

/** The deepest any sample of one lies in the other, mm; negative is how far they miss by the nearest face. */
export function clash(a: Thing, b: Thing): number {
  if (!near(a.bounds, b.bounds, NEAR)) return -Infinity;
  let most = -Infinity;
  for (const p of a.samples) most = Math.max(most, deepestIn(b, p));
  for (const p of b.samples) most = Math.max(most, deepestIn(a, p));
  return most;
}

/** The deepest of some points in a thing; those well away count as outside. */
export function deepestOf(t: Thing, points: readonly P[]): number {
  let most = -Infinity;
  const [low, high] = t.bounds;
  const m = 4 * STEP;
  const about: Bounds = [
    [low[0] - m, low[1] - m, low[2] - m],
    [high[0] + m, high[1] + m, high[2] + m],
  ];
  for (const p of points) if (within(p, about)) most = Math.max(most, deepestIn(t, p));
  return most;
}

/** One who paddles and pedals, sits and stands and casts; where there is a second seat, somebody in it. */
export const briefOn = (hull: HullModel): Brief => ({
  ...USUAL_BRIEF,
  propulsion: ['paddle', 'pedals'],
  stands: 'both',
  cast: 'sidearm',
  castHand: 'right',
  stature: 1850,
  ...(hull.secondSeat ? { second: { ...SECOND } } : {}),
});

export const SECOND = { stature: 1640, weightKg: 62, recline: 0 } as const;

export interface Laid {
  readonly hull: HullModel;
  readonly things: readonly Thing[];
  readonly input: WorkupInput;
  readonly workup: Workup;
}

/** Layouts on every hull in turn, worked up by the product. */
function* laidOut(): Generator<Laid> {
  const random = seeded(1907);
  const memorys = new Map(HULLS.map((h) => [h.id, new Memory()]));
  for (let i = 0; i < LAYOUTS; i++) {
    const hull = HULLS[i % HULLS.length];
    if (!hull) continue;
    const things = layout(hull, random);
    const fittings = Object.fromEntries(
      things.map((t) => [t.id, { ...fitted(t.part.id, deck(t.x, t.y, t.heading), 'loose'), lift: t.lift }]),
    );
    const input = inputOf(fittings, { brief: briefOn(hull) }, [], hull);
    yield { hull, things, input, workup: workUp(input, memorys.get(hull.id)) };
  }
}

let kept: readonly Laid[] | undefined;
/** All the layouts: worked up once in a run, whoever asks. */
export const layouts = (): readonly Laid[] => (kept ??= [...laidOut()]);

/** Whether something is said of a fitting. */
export const has = (w: Workup, code: string, where: string, detail?: string): boolean =>
  w.findings.some((f) => f.code === code && f.where === where && (detail === undefined || f.key.endsWith(`:${detail}`)));
export const told = (l: Laid, t: Thing): string =>
  `${l.hull.name}: ${t.part.id} at ${t.x.toFixed(1)}, ${t.y.toFixed(1)}, ${t.heading}°`;

export const plus = (a: P, b: P, t = 1): P => [a[0] + t * b[0], a[1] + t * b[1], a[2] + t * b[2]];
export const between = (a: P, b: P, t: number): P => [
  a[0] + t * (b[0] - a[0]),
  a[1] + t * (b[1] - a[1]),
  a[2] + t * (b[2] - a[2]),
];
export const apart = (a: P, b: P): number => Math.hypot(a[0] - b[0], a[1] - b[1], a[2] - b[2]);
export const along = (a: P, b: P, step: number): P[] => {
  const n = Math.max(1, Math.ceil(apart(a, b) / step));
  return Array.from({ length: n + 1 }, (_, i) => between(a, b, i / n));
};

/** A limb: a segment with a radius. */
export interface Bone {
  readonly from: P;
  readonly to: P;
  readonly thick: number;
}

/** How far points stand into a limb, mm; negative is how far they miss. */
export function intoBone({ from, to, thick }: Bone, points: readonly P[]): number {
  const axis: P = [to[0] - from[0], to[1] - from[1], to[2] - from[2]];
  const size = axis[0] ** 2 + axis[1] ** 2 + axis[2] ** 2 || 1;
  let most = -Infinity;
  for (const p of points) {
    const t = ((p[0] - from[0]) * axis[0] + (p[1] - from[1]) * axis[1] + (p[2] - from[2]) * axis[2]) / size;
    most = Math.max(most, thick - apart(p, between(from, to, Math.max(0, Math.min(1, t)))));
  }
  return most;
}

/** Rods of a thing from mouth to tip: off the vertical towards where they lean, side by side 80 mm apart. */
export function rodsOf(t: Thing, length = USUAL_BRIEF.rodLength): (readonly [P, P])[] {
  const { rods } = t.part;
  if (!rods) return [];
  const base = t.pose.out([0, 0, 0]);
  const frame = (p: P): P => {
    const q = t.pose.out(p);
    return [q[0] - base[0], q[1] - base[1], q[2] - base[2]];
  };
  const [lean, out] = [(rods.lean * Math.PI) / 180, (rods.out * Math.PI) / 180];
  const aft = frame([1, 0, 0]);
  const port = frame([0, -1, 0]);
  const way = plus(plus([0, 0, Math.cos(lean)], aft, Math.sin(lean) * Math.cos(out)), port, Math.sin(lean) * Math.sin(out));
  return Array.from({ length: rods.count }, (_, i) => {
    const foot = t.pose.out([0, 80 * i - 40 * (rods.count - 1), t.lift]);
    const butt: P = [foot[0], foot[1], foot[2] - rods.butt];
    return [plus(butt, way, rods.depth), plus(butt, way, length)] as const;
  });
}
