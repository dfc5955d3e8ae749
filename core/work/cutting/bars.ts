import { type Search, seeded } from './search';

/** A length to cut: a track, a tube, a bar. */
export interface Piece {
  readonly id: string;
  readonly length: number;
}

export interface BarStock {
  /** Length bars are sold in, mm. */
  readonly length: number;
  /** What is left from earlier cuts, used before a bar is bought. */
  readonly remnants: readonly Piece[];
  /** Width of the saw cut, mm. */
  readonly kerf: number;
}

/** One bar, or a remnant, and what is cut from it in order. */
export interface BarCut {
  /** The remnant it is; null for a new bar. */
  readonly remnant: string | null;
  readonly length: number;
  readonly pieces: readonly Piece[];
  /** Left over past the last cut, mm. */
  readonly left: number;
}

export interface BarPlan {
  readonly bars: readonly BarCut[];
  /** Longer than any bar: cannot be cut. */
  readonly tooLong: readonly Piece[];
  readonly newBars: number;
  /** No plan does with fewer new bars. */
  readonly least: number;
  /** Saw dust and what is left, mm. */
  readonly waste: number;
}

const EPS = 1e-6;
const sum = (pieces: readonly Piece[]): number => pieces.reduce((total, p) => total + p.length, 0);

/** What a bar loses to some pieces: their lengths, and a saw cut after each but one that ends the bar. */
const takes = (pieces: readonly Piece[], kerf: number): number => sum(pieces) + kerf * pieces.length;

/**
 * The fewest new bars any plan can do with: by length after what remnants could take at best, and by pieces
 * of which no two share a bar (Martello and Toth's bounds L1 and L2, capacity and pieces with the kerf added).
 */
export function leastBars(pieces: readonly Piece[], { length, remnants, kerf }: BarStock): number {
  const room = length + kerf;
  const sizes = pieces.map((p) => p.length + kerf);
  const inRemnants = remnants.reduce((total, r) => total + r.length + kerf, 0);
  const all = sizes.reduce((a, b) => a + b, 0);
  const byLength = Math.ceil(Math.max(0, all - inRemnants) / room - EPS);
  if (remnants.length) return byLength;
  // L2: for each k, pieces over room − k stand alone, those over half of it one a bar, those of k and more fill up.
  let best = byLength;
  for (const k of new Set(sizes.filter((s) => s <= room / 2 + EPS))) {
    const alone = sizes.filter((s) => s > room - k + EPS).length;
    const half = sizes.filter((s) => s <= room - k + EPS && s > room / 2 + EPS);
    const small = sizes.filter((s) => s <= room / 2 + EPS && s >= k - EPS);
    const over = small.reduce((a, b) => a + b, 0) - (half.length * room - half.reduce((a, b) => a + b, 0));
    best = Math.max(best, alone + half.length + Math.max(0, Math.ceil(over / room - EPS)));
  }
  return Math.max(best, sizes.filter((s) => s > room / 2 + EPS).length);
}

/**
 * The fullest bar that can be cut from some pieces: the longest first when it must be there, the rest by a
 * depth-first search of so many steps.
 */
function fill(room: number, pieces: readonly Piece[], kerf: number, steps: number, first: Piece | null): Piece[] {
  const rest = first ? pieces.filter((p) => p !== first) : pieces;
  const start = first ? first.length + kerf : 0;
  let best: number[] = [];
  let bestSum = start;
  let left = steps;
  const taken: number[] = [];
  // What the pieces from here on could add at most.
  const tail = new Array<number>(rest.length + 1).fill(0);
  for (let i = rest.length - 1; i >= 0; i--) tail[i] = (tail[i + 1] ?? 0) + (rest[i]?.length ?? 0) + kerf;
  const go = (from: number, total: number): void => {
    if (total > bestSum + EPS) {
      bestSum = total;
      best = [...taken];
    }
    if (bestSum >= room - EPS) return;
    let before = NaN;
    for (let i = from; i < rest.length && left > 0; i++) {
      const size = (rest[i]?.length ?? 0) + kerf;
      if (size === before || total + size > room + EPS) continue;
      if (total + (tail[i] ?? 0) <= bestSum + EPS) return;
      before = size;
      left--;
      taken.push(i);
      go(i + 1, total + size);
      taken.pop();
      if (bestSum >= room - EPS) return;
    }
  };
  go(0, start);
  const chosen = best.map((i) => rest[i]).filter((p): p is Piece => p !== undefined);
  return first ? [first, ...chosen] : chosen;
}

const without = (pieces: readonly Piece[], gone: readonly Piece[]): Piece[] => {
  const set = new Set(gone);
  return pieces.filter((p) => !set.has(p));
};

interface Filled {
  readonly remnant: string | null;
  readonly length: number;
  readonly pieces: readonly Piece[];
}

/** One plan: remnants shortest first, each as full as can be; then new bars, each about its longest piece. */
function onePlan(inOrder: readonly Piece[], stock: BarStock, steps: number): Filled[] {
  const { kerf, length } = stock;
  const out: Filled[] = [];
  let open = [...inOrder];
  for (const r of [...stock.remnants].sort((a, b) => a.length - b.length)) {
    const cut = fill(r.length + kerf, open, kerf, steps, null);
    if (cut.length) out.push({ remnant: r.id, length: r.length, pieces: cut });
    open = without(open, cut);
  }
  // What only a remnant was long enough for, and found none, is left over.
  open = open.filter((p) => p.length <= length + EPS);
  while (open.length) {
    const [first] = open;
    if (!first) break;
    const cut = fill(length + kerf, open, kerf, steps, first);
    out.push({ remnant: null, length, pieces: cut });
    open = without(open, cut);
  }
  return out;
}

const STEPS = 4000;
/** Bars taken apart and cut anew at a time. */
const AGAIN = 4;

/**
 * Cuts pieces from bars: remnants first, then as few new bars as a search finds. Each bar is filled about its
 * longest piece (minimum bin slack); then a few of the emptiest and some at random are taken apart and filled
 * anew, until the lower bound is met or the tries are used up.
 *
 * The distance to `least` says how far from the best it may be at most.
 */
export function cutBars(pieces: readonly Piece[], stock: BarStock, search: Search): BarPlan {
  const { kerf } = stock;
  const wanted = [...pieces].sort((a, b) => b.length - a.length || (a.id < b.id ? -1 : 1));
  const least = leastBars(
    wanted.filter((p) => p.length <= stock.length + EPS),
    stock,
  );
  const news = (plan: readonly Filled[]): number => plan.filter((b) => b.remnant === null).length;
  /** Full bars and empty ones are better than many half full: the sum of squares of what is used. */
  const worth = (plan: readonly Filled[]): number =>
    plan.filter((b) => b.remnant === null).reduce((total, b) => total + takes(b.pieces, kerf) ** 2, 0);
  let best = onePlan(wanted, stock, STEPS);
  const random = seeded(search.seed);
  for (let i = 0; i < search.budget && news(best) > least; i++) {
    if (search.shouldStop?.()) break;
    if (i % 64 === 0) search.progress?.(i / search.budget);
    const bars = best.filter((b) => b.remnant === null);
    const byUse = [...bars].sort((a, b) => takes(a.pieces, kerf) - takes(b.pieces, kerf));
    const apart = new Set(byUse.slice(0, 2));
    for (let n = 0; n < AGAIN && n < bars.length; n++) apart.add(bars[Math.floor(random() * bars.length)] as Filled);
    const loose = [...apart].flatMap((b) => b.pieces).sort((a, b) => b.length - a.length);
    // Now and then a shuffled order, so that other fillings are tried.
    if (random() < 0.5) for (let k = loose.length - 1; k > 0; k--) exchange(loose, k, Math.floor(random() * (k + 1)));
    const again = onePlan(loose, { ...stock, remnants: [] }, 400);
    const kept = best.filter((b) => !apart.has(b));
    const tried = [...kept, ...again];
    if (news(tried) < news(best) || (news(tried) === news(best) && worth(tried) >= worth(best))) best = tried;
  }
  search.progress?.(1);
  const bars = best.map((b): BarCut => {
    const used = Math.min(b.length, takes(b.pieces, kerf));
    return { ...b, pieces: [...b.pieces].sort((x, y) => y.length - x.length), left: Math.max(0, b.length - used) };
  });
  const cut = new Set(bars.flatMap((b) => b.pieces));
  const bought = bars.reduce((total, b) => total + b.length, 0);
  return {
    bars,
    tooLong: pieces.filter((p) => !cut.has(p)),
    newBars: news(best),
    least,
    waste: bought - sum([...cut]),
  };
}

function exchange<T>(list: T[], a: number, b: number): void {
  const [x, y] = [list[a], list[b]];
  if (x !== undefined && y !== undefined) [list[a], list[b]] = [y, x];
}
