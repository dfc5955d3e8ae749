import { type Search, seeded } from './search';

/** A rectangle to cut from board: a backing plate. */
export interface Plate {
  readonly id: string;
  readonly long: number;
  readonly wide: number;
}

export interface BoardStock {
  readonly long: number;
  readonly wide: number;
  /** Offcuts from earlier plans, used before a board is bought. */
  readonly remnants: readonly Plate[];
  readonly kerf: number;
}

/** Where one plate lies on its board, from its forward port corner, mm. */
interface Laid {
  readonly plate: Plate;
  readonly x: number;
  readonly y: number;
  readonly turned: boolean;
}

export interface BoardCut {
  readonly remnant: string | null;
  readonly long: number;
  readonly wide: number;
  readonly plates: readonly Laid[];
  /** The largest rectangle left whole. */
  readonly offcut: Pick<Plate, 'long' | 'wide'> | null;
}

export interface BoardPlan {
  readonly boards: readonly BoardCut[];
  readonly tooLarge: readonly Plate[];
  readonly newBoards: number;
  /** By area, no plan does with fewer new boards. */
  readonly least: number;
  /** Share of the board's area that is not plate. */
  readonly waste: number;
}

interface Free {
  readonly x: number;
  readonly y: number;
  readonly w: number;
  readonly h: number;
}

interface Open {
  readonly remnant: string | null;
  readonly long: number;
  readonly wide: number;
  free: Free[];
  readonly plates: Laid[];
}

const EPS = 1e-6;

/** The free rectangles after one is taken: those it cuts are split, those inside others dropped (maximal rectangles). */
function cutFree(free: readonly Free[], used: Free): Free[] {
  const out: Free[] = [];
  for (const f of free) {
    const apart =
      used.x >= f.x + f.w - EPS || used.x + used.w <= f.x + EPS || used.y >= f.y + f.h - EPS || used.y + used.h <= f.y + EPS;
    if (apart) {
      out.push(f);
      continue;
    }
    if (used.x > f.x + EPS) out.push({ ...f, w: used.x - f.x });
    if (used.x + used.w < f.x + f.w - EPS) out.push({ ...f, x: used.x + used.w, w: f.x + f.w - used.x - used.w });
    if (used.y > f.y + EPS) out.push({ ...f, h: used.y - f.y });
    if (used.y + used.h < f.y + f.h - EPS) out.push({ ...f, y: used.y + used.h, h: f.y + f.h - used.y - used.h });
  }
  const inside = (a: Free, b: Free): boolean =>
    a.x >= b.x - EPS && a.y >= b.y - EPS && a.x + a.w <= b.x + b.w + EPS && a.y + a.h <= b.y + b.h + EPS;
  return out.filter((a, i) => !out.some((b, k) => k !== i && inside(a, b) && (k < i || !inside(b, a))));
}

type Rule = (f: Free, w: number, h: number) => readonly [number, number];
/** Ways to choose among the places a plate fits: the least left on its short side, on its long side, least area, lowest. */
const RULES: readonly Rule[] = [
  (f, w, h) => [Math.min(f.w - w, f.h - h), Math.max(f.w - w, f.h - h)],
  (f, w, h) => [Math.max(f.w - w, f.h - h), Math.min(f.w - w, f.h - h)],
  (f, w, h) => [f.w * f.h - w * h, Math.min(f.w - w, f.h - h)],
  (f, _w, h) => [f.y + h, f.x],
];

function lay(board: Open, plate: Plate, kerf: number, rule: Rule): boolean {
  let best: { at: Free; w: number; h: number; turned: boolean; score: readonly [number, number] } | null = null;
  for (const turned of [false, true]) {
    const [w, h] = turned ? [plate.wide + kerf, plate.long + kerf] : [plate.long + kerf, plate.wide + kerf];
    for (const at of board.free) {
      if (w > at.w + EPS || h > at.h + EPS) continue;
      const score = rule(at, w, h);
      if (!best || score[0] < best.score[0] - EPS || (score[0] <= best.score[0] + EPS && score[1] < best.score[1]))
        best = { at, w, h, turned, score };
    }
  }
  if (!best) return false;
  const { at, w, h, turned } = best;
  board.plates.push({ plate, x: at.x, y: at.y, turned });
  board.free = cutFree(board.free, { x: at.x, y: at.y, w, h });
  return true;
}

/** A board has a saw cut's width more room than it is long: the last cut may end it. */
const openBoard = (remnant: string | null, long: number, wide: number, kerf: number): Open => ({
  remnant,
  long,
  wide,
  free: [{ x: 0, y: 0, w: long + kerf, h: wide + kerf }],
  plates: [],
});

function onePlan(inOrder: readonly Plate[], stock: BoardStock, rule: Rule): Open[] {
  const { kerf } = stock;
  const boards = stock.remnants.map((r) => openBoard(r.id, r.long, r.wide, kerf));
  for (const plate of inOrder) {
    if (boards.some((b) => lay(b, plate, kerf, rule))) continue;
    const fresh = openBoard(null, stock.long, stock.wide, kerf);
    if (lay(fresh, plate, kerf, rule)) boards.push(fresh);
  }
  return boards.filter((b) => b.plates.length);
}

const area = (p: Pick<Plate, 'long' | 'wide'>): number => p.long * p.wide;
const fits = (p: Plate, b: Pick<Plate, 'long' | 'wide'>): boolean =>
  (p.long <= b.long + EPS && p.wide <= b.wide + EPS) || (p.wide <= b.long + EPS && p.long <= b.wide + EPS);

/**
 * Cuts plates from board, with a quarter turn where it helps (the board has no grain): offcuts first, then as
 * few boards as a search finds. Maximal rectangles by four rules over orders by area, side and perimeter, then
 * orders changed at random.
 */
export function cutBoards(plates: readonly Plate[], stock: BoardStock, search: Search): BoardPlan {
  const { kerf } = stock;
  const anywhere = (p: Plate): boolean => fits(p, stock) || stock.remnants.some((r) => fits(p, r));
  const tooLarge = plates.filter((p) => !anywhere(p));
  const wanted = plates.filter(anywhere);
  const grown = (p: Pick<Plate, 'long' | 'wide'>): number => (p.long + kerf) * (p.wide + kerf);
  const inRemnants = stock.remnants.reduce((total, r) => total + grown(r), 0);
  const least = Math.ceil(Math.max(0, wanted.reduce((total, p) => total + grown(p), 0) - inRemnants) / grown(stock) - EPS);
  const by = (key: (p: Plate) => number): Plate[] => [...wanted].sort((a, b) => key(b) - key(a) || (a.id < b.id ? -1 : 1));
  const orders = [by(area), by((p) => Math.max(p.long, p.wide)), by((p) => Math.min(p.long, p.wide)), by((p) => p.long + p.wide)];
  const news = (plan: readonly Open[]): number => plan.filter((b) => b.remnant === null).length;
  /** Of equal plans the one whose last board is the emptiest: it goes back on the shelf. */
  const spread = (plan: readonly Open[]): number =>
    plan.reduce((total, b) => total + b.plates.reduce((s, l) => s + area(l.plate), 0) ** 2, 0);
  const better = (a: readonly Open[], b: readonly Open[]): boolean =>
    news(a) < news(b) || (news(a) === news(b) && spread(a) > spread(b) + EPS);
  let best: { plan: Open[]; order: Plate[]; rule: Rule } | null = null;
  for (const order of orders)
    for (const rule of RULES) {
      const plan = onePlan(order, stock, rule);
      if (!best || better(plan, best.plan)) best = { plan, order, rule };
    }
  const random = seeded(search.seed);
  for (let i = 0; best && i < search.budget && news(best.plan) > least; i++) {
    if (search.shouldStop?.()) break;
    if (i % 16 === 0) search.progress?.(i / search.budget);
    const order = [...best.order];
    for (let n = 0; n < 3; n++) {
      const [a, b] = [Math.floor(random() * order.length), Math.floor(random() * order.length)];
      const [moved] = order.splice(a, 1);
      if (moved) order.splice(b, 0, moved);
    }
    const rule = RULES[Math.floor(random() * RULES.length)] ?? best.rule;
    const plan = onePlan(order, stock, rule);
    if (better(plan, best.plan)) best = { plan, order, rule };
  }
  search.progress?.(1);
  const boards = (best?.plan ?? []).map((b): BoardCut => {
    const whole = b.free.reduce<Free | null>((a, f) => (a && a.w * a.h >= f.w * f.h ? a : f), null);
    const offcut = whole && whole.w - kerf > 0 && whole.h - kerf > 0 ? { long: whole.w - kerf, wide: whole.h - kerf } : null;
    return { remnant: b.remnant, long: b.long, wide: b.wide, plates: b.plates, offcut };
  });
  const total = boards.reduce((a, b) => a + area(b), 0);
  const cut = boards.reduce((a, b) => a + b.plates.reduce((s, l) => s + area(l.plate), 0), 0);
  return { boards, tooLarge, newBoards: news(best?.plan ?? []), least, waste: total ? 1 - cut / total : 0 };
}
