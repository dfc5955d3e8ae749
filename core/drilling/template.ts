import type { ShopSettings } from '../catalog';
import {
  deckPatch,
  distanceOver,
  girthDown,
  overSurface,
  sidePatch,
  tangentsAt,
  type HullSurface,
  type Patch,
  type TapeRun,
} from '../hull';
import { toHull } from '../layout';
import type { Ledger, LedgerHole, Tape } from '../rig';
import { sideOf, sideSign, type Point, type Side } from '../units';
import type { Bit } from './bits';
import { tapeReader, type Fitted, type PlannedHole } from './holes';

/** A place on the sheet, mm: right and up as one looks at the boat from outside. */
export interface OnPaper {
  readonly x: number;
  readonly y: number;
}

export interface TemplateHole extends OnPaper {
  readonly id: string;
  readonly label: string;
  readonly pilot: Bit;
  readonly bit: Bit;
  /** In from the gunwale edge, or down from it over the side, mm. */
  readonly edge: number;
  /** It is in the boat already: lay the paper by it. */
  readonly drilled: boolean;
}

/** A line to lay the sheet by, or to see by. */
export interface TemplateLine {
  readonly kind: 'tape line' | 'centre line' | 'along' | 'gunwale edge' | 'down' | 'axis' | 'base';
  readonly points: readonly OnPaper[];
  /** Its figure: what the tape reads there, how far off the centre line, how far down, mm. */
  readonly at: number;
}

export interface Box {
  readonly left: number;
  readonly right: number;
  readonly low: number;
  readonly high: number;
}

/** One sheet of paper, one to one: a patch of hull unrolled, with the holes of one fitting on it. */
export interface Template {
  readonly fitting: string;
  readonly letter: string;
  readonly of: string;
  /** Which of several sheets it was split into, from one, and how many. */
  readonly part: number;
  readonly parts: number;
  readonly surface: string;
  readonly side: Side | 'centre';
  /** On the side of the hull, and not on deck. */
  readonly onSide: boolean;
  /** How the tape runs to it. */
  readonly run: TapeRun;
  /** Where the bow is as the sheet lies on the boat, its printed face up. */
  readonly bow: 'left' | 'right';
  readonly holes: readonly TemplateHole[];
  /** Old holes under the sheet: it lies right when they show through. */
  readonly scars: readonly (OnPaper & { readonly label: string; readonly bit: number })[];
  readonly lines: readonly TemplateLine[];
  /** The largest difference between a distance on paper and on the hull over all pairs of holes, mm. */
  readonly flattening: number;
  readonly box: Box;
}

/** Room about what is drawn (judgement), mm; and how far off a line may be to be drawn at its own place. */
const PAD = 14;
const NEAR = 90;

/** A sheet laid on a patch about a point: carries points of the hull to paper. */
interface Laid {
  readonly patch: Patch;
  onPaper(p: Point): OnPaper;
  /** A line goes only as far as the surface can be laid flat. */
  lineOf(points: readonly Point[]): OnPaper[];
}

const dot = (a: Point, b: Point): number => a.x * b.x + a.y * b.y + a.z * b.z;

/**
 * Lays a sheet on the hull about a point. Seen from outside: on deck from above, bow left and starboard up; on
 * either side with the gunwale up, so that the bow is left to port and right to starboard, and twins are mirrored.
 */
function lay(hull: HullSurface, about: Point, side: Side | null): Laid {
  const patch = side ? sidePatch(hull, side) : deckPatch(hull, about.x, about.y);
  const from = patch.onto(about);
  const { aft, across } = tangentsAt(patch, from);
  const right = side === 'starboard' ? -1 : 1;
  const up = side ? -1 : 1;
  const onPaper = (p: Point): OnPaper => {
    const way = overSurface(patch, from, patch.onto(p));
    return { x: right * dot(way, aft), y: up * dot(way, across) };
  };
  const tried = (p: Point): OnPaper[] => {
    try {
      return [onPaper(p)];
    } catch {
      return [];
    }
  };
  return { patch, onPaper, lineOf: (points) => points.flatMap(tried) };
}

const meanOf = (points: readonly Point[]): Point => {
  const mean = (k: keyof Point): number => points.reduce((sum, p) => sum + p[k], 0) / points.length;
  return { x: mean('x'), y: mean('y'), z: mean('z') };
};

/** The largest difference between paper and hull over all pairs, mm. */
export function flatteningOf(patch: Patch, points: readonly { readonly at: Point; readonly paper: OnPaper }[]): number {
  let most = 0;
  points.forEach((a, i) => {
    for (const b of points.slice(i + 1)) {
      const paper = Math.hypot(a.paper.x - b.paper.x, a.paper.y - b.paper.y);
      most = Math.max(most, Math.abs(paper - distanceOver(patch, patch.onto(a.at), patch.onto(b.at))));
    }
  });
  return most;
}

const placeOf = (h: PlannedHole): Point => h.drilled?.at ?? h.at;

/** Divides holes at the widest gap along their longer way. */
function halves(holes: readonly PlannedHole[]): PlannedHole[][] {
  const span = (k: keyof Point): number => Math.max(...holes.map((h) => h.at[k])) - Math.min(...holes.map((h) => h.at[k]));
  const axis = (['x', 'y', 'z'] as const).reduce((a, b) => (span(b) > span(a) ? b : a));
  const sorted = [...holes].sort((a, b) => a.at[axis] - b.at[axis]);
  let cut = 1;
  const gap = (i: number): number => (sorted[i]?.at[axis] ?? 0) - (sorted[i - 1]?.at[axis] ?? 0);
  for (let i = 2; i < sorted.length; i++) if (gap(i) > gap(cut) + 1e-6) cut = i;
  return [sorted.slice(0, cut), sorted.slice(cut)];
}

/** Holes that share a surface: one side, one deck area, or the flat between decks and gunwale. */
function bySurface(hull: HullSurface, holes: readonly PlannedHole[]): PlannedHole[][] {
  const groups = new Map<string, PlannedHole[]>();
  for (const h of holes) {
    const key = h.down === null ? hull.spot(h.at.x, h.at.y).name : `${h.side} side`;
    groups.set(key, [...(groups.get(key) ?? []), h]);
  }
  return [...groups.values()];
}

/** Splits holes until each sheet is as flat as the shop asks; a single hole is always flat. */
function flatEnough(hull: HullSurface, holes: readonly PlannedHole[], within: number): PlannedHole[][] {
  if (holes.length === 1) return [[...holes]];
  const side = sideFor(holes);
  const laid = lay(hull, meanOf(holes.map(placeOf)), side);
  const error = flatteningOf(
    laid.patch,
    holes.map((h) => ({ at: placeOf(h), paper: laid.onPaper(placeOf(h)) })),
  );
  return error <= within ? [[...holes]] : halves(holes).flatMap((part) => flatEnough(hull, part, within));
}

const sideFor = ([first]: readonly PlannedHole[]): Side | null =>
  first && first.down !== null && first.side !== 'centre' ? first.side : null;

/** Lines to lay the sheet by: the tape's, and the centre line or gunwale edge when near, else one along the boat. */
function layingLines(
  hull: HullSurface,
  laid: Laid,
  holes: readonly PlannedHole[],
  reach: number,
  read: (at: Point) => number,
): TemplateLine[] {
  const about = meanOf(holes.map(placeOf));
  const side = sideFor(holes);
  const sign = side ? sideSign(side) : about.y < 0 ? -1 : 1;
  const nearest = (far: (h: PlannedHole) => number): boolean => Math.min(...holes.map(far)) <= NEAR;
  const line = (kind: TemplateLine['kind'], at: number, where: (t: number) => Point): TemplateLine => ({
    kind,
    at,
    points: laid.lineOf(Array.from({ length: 13 }, (_, i) => where((i / 6 - 1) * reach))),
  });
  if (side) {
    const down = hull.gunwale(about.x) - about.z;
    const level = (x: number, under: number): Point => hull.sidePoint(x, side, under);
    const edge = nearest((h) => h.down ?? 0);
    return [
      // From the gunwale, where its reading is marked, down past the holes.
      line('tape line', read(about), (t) => level(about.x, edge ? ((t / reach + 1) / 2) * (down + reach) : down - t)),
      edge
        ? line('gunwale edge', 0, (t) => level(about.x + t, 0))
        : line('down', girthDown(hull, about.x, down), (t) => level(about.x + t, down)),
    ];
  }
  return [
    line('tape line', read(about), (t) => ({ ...about, y: about.y + t })),
    nearest((h) => Math.abs(h.at.y)) || Math.abs(about.y) <= NEAR
      ? line('centre line', 0, (t) => ({ ...about, x: about.x + t, y: 0 }))
      : line('along', Math.abs(about.y), (t) => ({ ...about, x: about.x + t })),
    ...(nearest((h) => h.fromEdge)
      ? [line('gunwale edge', 0, (t) => ({ ...about, x: about.x + t, y: sign * hull.halfBreadth(about.x + t) }))]
      : []),
  ];
}

function boxOf(points: readonly OnPaper[]): Box {
  const [xs, ys] = [points.map((p) => p.x), points.map((p) => p.y)];
  return { left: Math.min(...xs) - PAD, right: Math.max(...xs) + PAD, low: Math.min(...ys) - PAD, high: Math.max(...ys) + PAD };
}

const within = (p: OnPaper, b: Box): boolean => p.x >= b.left && p.x <= b.right && p.y >= b.low && p.y <= b.high;

/** Outline and middle lines of the base of a fitting, for as much of it as lies on this surface. */
function baseLines(laid: Laid, { placed }: Fitted): TemplateLine[] {
  const { length, width } = placed.part.base;
  const corner = (u: number, v: number): Point => toHull(placed.frame, u * length, v * width, 0);
  const around = [corner(-0.5, -0.5), corner(0.5, -0.5), corner(0.5, 0.5), corner(-0.5, 0.5), corner(-0.5, -0.5)];
  return [
    { kind: 'base', at: 0, points: laid.lineOf(around) },
    { kind: 'axis', at: 0, points: laid.lineOf([corner(-0.5, 0), corner(0.5, 0)]) },
    { kind: 'axis', at: 0, points: laid.lineOf([corner(0, -0.5), corner(0, 0.5)]) },
  ];
}

function sheet(
  hull: HullSurface,
  item: Fitted,
  holes: readonly PlannedHole[],
  old: readonly LedgerHole[],
  read: (at: Point) => number,
): Omit<Template, 'part' | 'parts'> {
  const side = sideFor(holes);
  const about = meanOf(holes.map(placeOf));
  const laid = lay(hull, about, side);
  const put = holes.map((h) => ({ h, at: placeOf(h), paper: laid.onPaper(placeOf(h)) }));
  const base = baseLines(laid, item);
  const tight = boxOf([...put.map((p) => p.paper), ...(base[0]?.points ?? [])]);
  const reach = Math.max(tight.right - tight.left, tight.high - tight.low) / 2;
  const laying = layingLines(hull, laid, holes, reach, read);
  // An edge or the centre line is what the sheet is laid by: the paper goes as far as it.
  const reached = laying
    .filter((l) => l.kind === 'gunwale edge' || l.kind === 'centre line')
    .map((l) => l.points[Math.floor(l.points.length / 2)])
    .filter((p) => p !== undefined);
  const box = boxOf([...put.map((p) => p.paper), ...(base[0]?.points ?? []), ...reached]);
  const scars = old.flatMap(({ at, label, bit, plugged, measured }) => {
    const alike = at && plugged === null && (measured.down === null) === (side === null);
    if (!alike || (side && sideOf(at.y) !== side) || Math.hypot(at.x - about.x, at.y - about.y, at.z - about.z) > 2 * reach + 200)
      return [];
    const paper = laid.onPaper(at);
    return within(paper, box) ? [{ ...paper, label, bit }] : [];
  });
  return {
    fitting: item.placed.id,
    letter: item.letter,
    of: item.placed.part.name,
    surface: laid.patch.name,
    side: side ?? sideOf(about.y),
    onSide: side !== null,
    run: holes[0]?.run ?? 'taut',
    bow: side === 'starboard' ? 'right' : 'left',
    holes: put.map(({ h, paper }) => ({
      ...paper,
      id: h.id,
      label: h.label,
      pilot: h.pilot,
      bit: h.bit,
      edge: h.down ?? h.fromEdge,
      drilled: h.drilled !== null,
    })),
    scars,
    lines: [...base, ...laying],
    flattening: flatteningOf(laid.patch, put),
    box,
  };
}

/**
 * The one-to-one templates of a fitting: the patch of hull about its holes unrolled onto paper, true in distance
 * and direction from the middle of the holes, exact wherever the surface unrolls without stretching. Holes on
 * different surfaces come on sheets of their own, and so do holes too far apart to lie flat within what the shop
 * allows. None when it drills no holes.
 *
 * Assumes paper that does not stretch, laid from the middle outwards.
 *
 * @param ledger what was drilled and measured: old holes show through, and correct the tape
 * @throws RangeError where the hull bends too much to be laid on paper
 */
export function templatesOf(
  hull: HullSurface,
  item: Fitted,
  tape: Tape,
  shop: ShopSettings['drilling'],
  ledger: Ledger,
): Template[] {
  const open = item.holes.filter((h) => h.abandoned === null);
  const own = new Set(open.map((h) => h.drilled?.fact));
  const old = ledger.holes.filter((h) => !own.has(h.fact));
  const groups = bySurface(hull, open).flatMap((g) => flatEnough(hull, g, shop.flatWithin));
  return groups.map((holes, i) => {
    const read = tapeReader(hull, { ...tape, run: holes[0]?.run ?? tape.run }, ledger);
    return { ...sheet(hull, item, holes, old, read), part: i + 1, parts: groups.length };
  });
}
