import type { ShopSettings } from '../../parts/shop';
import type { HullSurface, TapeRun } from '../../boat/hull';
import { toHull } from '../../layout';
import type { Ledger, LedgerHole, Tape } from '../../rig';
import { sideOf, type Point, type Side } from '../../base/units';
import type { Bit, Fitted, PlannedHole } from '../fitted';
import { faceOf, tapeReader } from './holes';
import { layingLines } from './laying-lines';
import { flatteningOf, lay, meanOf, placeOf, sideFor, type LaidSheet, type OnPaper } from './paper';
import { type TemplateStroke } from './template-line';

interface TemplateHole extends OnPaper {
  readonly id: string;
  readonly label: string;
  readonly pilot: Bit;
  readonly bit: Bit;
  /** In from the gunwale edge, or down from it over the side, mm. */
  readonly edge: number;
  /** It is in the boat already: lay the paper by it. */
  readonly drilled: boolean;
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
  readonly lines: readonly TemplateStroke[];
  /** The largest difference between a distance on paper and on the hull over all pairs of holes, mm. */
  readonly flattening: number;
  readonly box: Box;
}

/** Room about what is drawn (judgement), mm. */
const PAD = 14;

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

/** The place of a fitting a hole belongs to: its own, or the one it takes in a set. */
const standOf = (h: PlannedHole): string => h.id.slice(0, h.id.lastIndexOf('.'));

/** Holes of one place that share a surface: one side, one deck area, or the flat between decks and gunwale. */
function bySurface(hull: HullSurface, holes: readonly PlannedHole[]): PlannedHole[][] {
  const groups = new Map<string, PlannedHole[]>();
  for (const h of holes) {
    const surface = h.down === null ? hull.spot(h.at.x, h.at.y).name : `${h.side} side`;
    const key = `${standOf(h)} ${surface}`;
    groups.set(key, [...(groups.get(key) ?? []), h]);
  }
  return [...groups.values()];
}

/** Holes laid on one sheet, and what flattening costs them. */
interface Flat {
  readonly laid: LaidSheet;
  readonly put: readonly { readonly h: PlannedHole; readonly at: Point; readonly paper: OnPaper }[];
  readonly flattening: number;
}

/** Splits holes until each sheet is as flat as the shop asks; a single hole is always flat. */
function flatEnough(hull: HullSurface, holes: readonly PlannedHole[], within: number): Flat[] {
  const laid = lay(hull, meanOf(holes.map(placeOf)), sideFor(holes));
  const put = holes.map((h) => ({ h, at: placeOf(h), paper: laid.onPaper(placeOf(h)) }));
  const flattening = flatteningOf(laid.patch, put);
  return flattening <= within ? [{ laid, put, flattening }] : halves(holes).flatMap((part) => flatEnough(hull, part, within));
}

function boxOf(points: readonly OnPaper[]): Box {
  const [xs, ys] = [points.map((p) => p.x), points.map((p) => p.y)];
  return { left: Math.min(...xs) - PAD, right: Math.max(...xs) + PAD, low: Math.min(...ys) - PAD, high: Math.max(...ys) + PAD };
}

const within = (p: OnPaper, b: Box): boolean => p.x >= b.left && p.x <= b.right && p.y >= b.low && p.y <= b.high;

/** Outline and middle lines of the base of a fitting, for as much of it as lies on this surface. */
function baseLines(laid: LaidSheet, { placed }: Fitted): TemplateStroke[] {
  const { length, width } = placed.part.body.base;
  const corner = (u: number, v: number): Point => toHull(placed.frame, u * length, v * width, 0);
  const around = [corner(-0.5, -0.5), corner(0.5, -0.5), corner(0.5, 0.5), corner(-0.5, 0.5), corner(-0.5, -0.5)];
  return [
    { kind: 'base', at: 0, points: laid.lineOf(around) },
    { kind: 'axis', at: 0, points: laid.lineOf([corner(-0.5, 0), corner(0.5, 0)]) },
    { kind: 'axis', at: 0, points: laid.lineOf([corner(0, -0.5), corner(0, 0.5)]) },
  ];
}

/** What is on the hull besides the holes of a sheet: its old holes, its tape and what was done to it. */
interface Marked {
  readonly old: readonly LedgerHole[];
  readonly tape: Tape;
  readonly ledger: Ledger;
}

function sheet(
  hull: HullSurface,
  item: Fitted,
  { laid, put, flattening }: Flat,
  { old, tape, ledger }: Marked,
): Omit<Template, 'part' | 'parts'> {
  const holes = put.map((p) => p.h);
  const side = sideFor(holes);
  const about = meanOf(holes.map(placeOf));
  const run = holes[0]?.run ?? tape.run;
  const read = tapeReader(hull, { ...tape, run }, ledger);
  // Its base is drawn at its own place; of where it goes in another set only the holes are known here.
  const base = holes.every((h) => standOf(h) === item.placed.id) ? baseLines(laid, item) : [];
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
    const alike = at && plugged === null && faceOf(measured) === (side === null ? 'deck' : 'side');
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
    run,
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
    flattening,
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
  // A bulkhead takes no paper: its hole is set out by rule and square.
  const open = item.holes.filter((h) => h.abandoned === null && h.up === null);
  const own = new Set(open.map((h) => h.drilled?.fact));
  const old = ledger.holes.filter((h) => !own.has(h.fact));
  const groups = bySurface(hull, open).flatMap((g) => flatEnough(hull, g, shop.flatWithin));
  return groups.map((flat, i) => ({ ...sheet(hull, item, flat, { old, tape, ledger }), part: i + 1, parts: groups.length }));
}
