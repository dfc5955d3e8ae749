import type { ShopSettings } from '../../parts/shop';
import { bitFor } from './bits';
import type { Bit, PlannedHole } from '../fitted';

/** All the work of one bit, by the shortest walk; then the bit is changed. */
export interface BitRound {
  readonly bit: Bit;
  /** Pilots come first; a large hole is stepped up; the final bit makes it its size. */
  readonly work: 'pilot' | 'step up' | 'final';
  readonly holes: readonly string[];
}

/** Twist bits go so far; larger holes are cut by a saw that follows its pilot (common practice, no source), mm. */
const LARGEST_TWIST = 13;

/** What a hole of this size is made with, as it is asked for at the bench. */
export const toolName = (bit: Bit): string => (bit.mm > LARGEST_TWIST ? `${bit.name} hole saw` : bit.name);

/**
 * The bits between pilot and final: no bit is more than `most` times the one before it, in even ratios. None for
 * a hole saw.
 */
export function stepsUp(pilot: Bit, bit: Bit, most: number, family: 'metric' | 'inch'): Bit[] {
  if (bit.mm > LARGEST_TWIST || pilot.mm <= 0) return [];
  const times = Math.ceil(Math.log(bit.mm / pilot.mm) / Math.log(most) - 1e-9);
  return Array.from({ length: Math.max(0, times - 1) }, (_, i) =>
    bitFor(pilot.mm * (bit.mm / pilot.mm) ** ((i + 1) / times), family),
  );
}

/** Where one stands to drill the holes of one fitting: along the boat, on a side or on either. */
interface Stop {
  readonly x: number;
  readonly side: PlannedHole['side'];
  readonly holes: readonly PlannedHole[];
}
type Standing = Pick<Stop, 'x' | 'side'>;

/** A hole so near the centre line is reached from either side (judgement), mm. */
const EITHER = 150;
/** So many stops are put in the very best order; more of them well enough. */
const EXACT = 7;

/** Steps between two places about the boat: along it, or round the nearer end to the other side, mm. */
function walked(a: Standing, b: Standing, length: number): number {
  if (a.side === b.side || a.side === 'centre' || b.side === 'centre') return Math.abs(a.x - b.x);
  return Math.min(a.x + b.x, 2 * length - a.x - b.x);
}

function stopsOf(holes: readonly PlannedHole[]): Stop[] {
  const by = new Map<string, { side: Stop['side']; holes: PlannedHole[] }>();
  for (const h of holes) {
    const side = Math.abs(h.at.y) < EITHER ? 'centre' : h.side;
    const key = `${h.fitting} ${side}`;
    const stop = by.get(key) ?? { side, holes: [] };
    stop.holes.push(h);
    by.set(key, stop);
  }
  return [...by.values()].map((stop) => ({ ...stop, x: stop.holes.reduce((sum, h) => sum + h.at.x, 0) / stop.holes.length }));
}

/** Where one stands at the next stop: who drills from the centre line stays on the side he came by. */
const standAt = (from: Standing, next: Stop): Standing => (next.side === 'centre' ? { x: next.x, side: from.side } : next);

/** The shortest order of stops from where one stands: all of them tried when few, else the nearest next. */
function shortest(from: Standing, stops: readonly Stop[], length: number): Stop[] {
  if (stops.length > EXACT) {
    const left = [...stops];
    const order: Stop[] = [];
    for (let at = from; left.length;) {
      const next = left.reduce((a, b) => (walked(at, b, length) < walked(at, a, length) ? b : a));
      left.splice(left.indexOf(next), 1);
      order.push(next);
      at = standAt(at, next);
    }
    return order;
  }
  let best: { way: number; order: readonly Stop[] } = { way: Infinity, order: [] };
  const go = (at: Standing, left: readonly Stop[], order: readonly Stop[], way: number): void => {
    if (way >= best.way) return;
    if (left.length === 0) best = { way, order };
    for (const next of left)
      go(
        standAt(at, next),
        left.filter((s) => s !== next),
        [...order, next],
        way + walked(at, next, length),
      );
  };
  go(from, stops, [], 0);
  return [...best.order];
}

/**
 * Drilling order: every pilot first, then from small to large; each bit does all its holes by the shortest walk,
 * which begins at the bow and goes on where the bit before it ended.
 *
 * @param length of the hull, mm: the other side is reached round an end
 */
export function bitRounds(holes: readonly PlannedHole[], length: number, shop: ShopSettings['drilling']): BitRound[] {
  const rounds = new Map<string, { bit: Bit; work: BitRound['work']; holes: PlannedHole[] }>();
  const add = (bit: Bit, work: BitRound['work'], hole: PlannedHole): void => {
    const key = `${work} ${bit.name}`;
    const round = rounds.get(key) ?? { bit, work, holes: [] };
    round.holes.push(hole);
    rounds.set(key, round);
  };
  // An old hole used again has its pilot already, and often its size.
  const open = holes.filter((h) => h.abandoned === null && (!h.reused || h.openUp));
  for (const h of open) {
    if (!h.reused && h.bit.mm > h.pilot.mm + 0.5) add(h.pilot, 'pilot', h);
    const from = h.reused && h.drilled ? { mm: h.drilled.bit, name: '' } : h.pilot;
    for (const bit of stepsUp(from, h.bit, shop.stepUp, shop.threads)) add(bit, 'step up', h);
    add(h.bit, 'final', h);
  }
  const rank = ({ work }: { work: BitRound['work'] }): number => (work === 'pilot' ? 0 : 1);
  let at: Standing = { x: 0, side: 'centre' };
  return [...rounds.values()]
    .sort((a, b) => rank(a) - rank(b) || a.bit.mm - b.bit.mm)
    .map(({ bit, work, holes: own }) => {
      const order = shortest(at, stopsOf(own), length);
      const back = (order.at(-1)?.x ?? 0) < at.x;
      at = order.at(-1) ?? at;
      return { bit, work, holes: order.flatMap((s) => (back ? [...s.holes].reverse() : s.holes)).map((h) => h.id) };
    });
}
