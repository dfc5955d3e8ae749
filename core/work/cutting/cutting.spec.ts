import fc from 'fast-check';
import highsLoader from 'highs';
import type { MaxRectsPacker } from 'maxrects-packer';
import { leastBars } from './bars';
import { type BarPlan, type BarStock, type BoardPlan, cutBars, cutBoards, type Piece, type Plate, seeded } from './index';
import { cutUpBars } from '@plain-cleat/testing/cut-up';
import { runs } from '../../../testing/runs';

/** The packer's main file is not what its package says it is: its module is loaded by name. */
const publishedPacker = async (): Promise<typeof MaxRectsPacker> =>
  ((await import('maxrects-packer/dist/maxrects-packer.mjs' as string)) as { MaxRectsPacker: typeof MaxRectsPacker })
    .MaxRectsPacker;

const search = { seed: 7, budget: 3000 };
const bar = (length: number, kerf = 0, remnants: Piece[] = []): BarStock => ({ length, kerf, remnants });
const pieces = (lengths: readonly number[]): Piece[] => lengths.map((length, i) => ({ id: `p${i}`, length }));

/** Nothing twice, nothing forgotten, no bar over its length, saw cuts counted. */
function holds(plan: BarPlan, wanted: readonly Piece[], { kerf }: BarStock): boolean {
  const placed = plan.bars.flatMap((b) => b.pieces);
  const all = [...placed, ...plan.tooLong];
  const within = plan.bars.every((b) => {
    const used = b.pieces.reduce((s, p) => s + p.length, 0) + kerf * (b.pieces.length - 1);
    return used <= b.length + 1e-6;
  });
  return within && all.length === wanted.length && new Set(all).size === wanted.length;
}

/** The true least number of bars, by a mixed integer program. */
async function exact(lengths: readonly number[], length: number, kerf: number, most: number): Promise<number> {
  const highs = await highsLoader();
  const n = lengths.length;
  const bars = Array.from({ length: most }, (_, b) => b);
  const lp = [
    'Minimize',
    ` obj: ${bars.map((b) => `y${b}`).join(' + ')}`,
    'Subject To',
    ...lengths.map((_, i) => ` c${i}: ${bars.map((b) => `x${i}_${b}`).join(' + ')} = 1`),
    ...bars.map((b) => ` r${b}: ${lengths.map((l, i) => `${l + kerf} x${i}_${b}`).join(' + ')} - ${length + kerf} y${b} <= 0`),
    ...bars.slice(1).map((b) => ` s${b}: y${b - 1} - y${b} >= 0`),
    'Binary',
    ...bars.map((b) => ` y${b}`),
    ...Array.from({ length: n }, (_, i) => bars.map((b) => ` x${i}_${b}`).join('\n')),
    'End',
  ].join('\n');
  const solved = highs.solve(lp);
  expect(solved.Status).toBe('Optimal');
  return Math.round(solved.ObjectiveValue);
}

describe('cutting bars', () => {
  it('worked by hand: two of 900 and two of 300 with a 3 mm saw from 1220 make two bars', () => {
    const plan = cutBars(pieces([900, 900, 300, 300]), bar(1220, 3), search);
    expect(plan.newBars).toBe(2);
    expect(plan.bars[0]?.left).toBeCloseTo(1220 - 900 - 300 - 2 * 3, 9);
    expect(plan.waste).toBeCloseTo(2 * 20, 9);
  });

  it('a piece may end its bar: no saw cut after it', () => {
    expect(cutBars(pieces([600, 600]), bar(1203, 3), search).newBars).toBe(1);
    expect(cutBars(pieces([600, 600]), bar(1202, 3), search).newBars).toBe(2);
  });

  it('takes remnants before a bar is bought, the shortest that serves, and says what cannot be cut', () => {
    const stock = bar(2000, 3, [
      { id: 'r1', length: 700 },
      { id: 'r2', length: 320 },
    ]);
    const plan = cutBars(pieces([310, 690, 2500]), stock, search);
    expect(plan.newBars).toBe(0);
    expect(plan.bars.map((b) => b.remnant)).toEqual(['r2', 'r1']);
    expect(plan.tooLong.map((p) => p.length)).toEqual([2500]);
  });

  it('is as good as the exact optimum on small cases (mixed integer program)', async () => {
    const random = seeded(3);
    for (let n = 0; n < 8; n++) {
      const lengths = Array.from({ length: 6 + (n % 5) }, () => 150 + Math.round(random() * 700));
      const plan = cutBars(pieces(lengths), bar(1200, 3), search);
      expect(plan.newBars)
        .withContext(lengths.join())
        .toBe(await exact(lengths, 1200, 3, plan.newBars));
      expect(plan.least).toBeLessThanOrEqual(plan.newBars);
    }
  }, 120_000);

  it('finds the optimum of 500 pieces made by cutting up full bars, or is within one bar in a hundred', () => {
    for (const seed of [1, 2, 3]) {
      const { lengths, bars } = cutUpBars(seed);
      const wanted = pieces(lengths);
      const plan = cutBars(wanted, bar(3000), { seed, budget: 4000 });
      expect(holds(plan, wanted, bar(3000))).toBeTrue();
      expect(plan.least).toBe(bars);
      expect(plan.newBars).toBeLessThanOrEqual(Math.ceil(bars * 1.01));
    }
  });

  it('never beats its lower bound, and cuts everything once (property)', () => {
    const one = fc.integer({ min: 40, max: 1400 });
    fc.assert(
      fc.property(
        fc.array(one, { maxLength: 30 }),
        fc.array(one, { maxLength: 4 }),
        fc.integer({ min: 0, max: 6 }),
        (ls, rs, kerf) => {
          const stock = bar(
            1250,
            kerf,
            rs.map((length, i) => ({ id: `r${i}`, length })),
          );
          const wanted = pieces(ls);
          const plan = cutBars(wanted, stock, { seed: 1, budget: 50 });
          return holds(plan, wanted, stock) && plan.newBars >= plan.least;
        },
      ),
      { seed: 9, numRuns: runs(200) },
    );
  });

  it('the bound of pieces over half a bar: each wants its own', () => {
    expect(leastBars(pieces([700, 700, 700]), bar(1200))).toBe(3);
    expect(leastBars(pieces([700, 700, 500]), bar(1200))).toBe(2);
    expect(leastBars([], bar(1200))).toBe(0);
  });

  it('stops when it is told to, with a whole plan, and finds the same by the same seed', () => {
    const wanted = pieces(Array.from({ length: 60 }, (_, i) => 200 + ((i * 137) % 611)));
    const stopped = cutBars(wanted, bar(1200, 3), { ...search, shouldStop: () => true });
    expect(holds(stopped, wanted, bar(1200, 3))).toBeTrue();
    expect(cutBars(wanted, bar(1200, 3), search)).toEqual(cutBars(wanted, bar(1200, 3), search));
  });
});

/** Plates inside their boards, a saw cut apart, nothing twice and nothing forgotten. */
function lies(plan: BoardPlan, wanted: readonly Plate[], kerf: number): boolean {
  const placed = plan.boards.flatMap((b) => b.plates.map((l) => l.plate));
  const apart = plan.boards.every((b) =>
    b.plates.every((l, i) => {
      const size = (x: typeof l): [number, number] => (x.turned ? [x.plate.wide, x.plate.long] : [x.plate.long, x.plate.wide]);
      const [w, h] = size(l);
      if (l.x + w > b.long + 1e-6 || l.y + h > b.wide + 1e-6) return false;
      return b.plates.slice(0, i).every((o) => {
        const [ow, oh] = size(o);
        return (
          l.x >= o.x + ow + kerf - 1e-6 ||
          o.x >= l.x + w + kerf - 1e-6 ||
          l.y >= o.y + oh + kerf - 1e-6 ||
          o.y >= l.y + h + kerf - 1e-6
        );
      });
    }),
  );
  return (
    apart &&
    new Set([...placed, ...plan.tooLarge]).size === wanted.length &&
    placed.length + plan.tooLarge.length === wanted.length
  );
}

describe('cutting boards', () => {
  const board = (long: number, wide: number, kerf = 0, remnants: Plate[] = []) => ({ long, wide, kerf, remnants });
  const plates = (sizes: readonly (readonly [number, number])[]): Plate[] =>
    sizes.map(([long, wide], i) => ({ id: `q${i}`, long, wide }));

  it('worked by hand: four of 300 × 200 lie on 600 × 400, with a saw cut on 603 × 403', () => {
    const four = plates([
      [300, 200],
      [300, 200],
      [300, 200],
      [300, 200],
    ]);
    expect(cutBoards(four, board(600, 400), search).newBoards).toBe(1);
    expect(cutBoards(four, board(600, 400, 3), search).newBoards).toBe(2);
    expect(cutBoards(four, board(603, 403, 3), search).newBoards).toBe(1);
  });

  it('turns a plate where it helps, uses offcuts first, and says what no board holds', () => {
    const plan = cutBoards(
      plates([
        [200, 500],
        [90, 80],
        [900, 700],
      ]),
      board(600, 300, 0, [{ id: 'r', long: 100, wide: 100 }]),
      search,
    );
    expect(plan.boards.map((b) => b.remnant)).toEqual(['r', null]);
    expect(plan.boards[1]?.plates[0]?.turned).toBeTrue();
    expect(plan.tooLarge.map((p) => p.id)).toEqual(['q2']);
  });

  it('is no worse than a published packer on random plates', async () => {
    const Packer = await publishedPacker();
    const random = seeded(5);
    for (let n = 0; n < 6; n++) {
      const wanted = plates(
        Array.from({ length: 40 }, () => [60 + Math.round(random() * 240), 40 + Math.round(random() * 160)] as const),
      );
      const plan = cutBoards(wanted, board(1220, 610, 3), { seed: n, budget: 60 });
      expect(lies(plan, wanted, 3)).toBeTrue();
      // The packer's padding stands between plates; it may turn them too.
      const packer = new Packer(1220, 610, 3, { smart: true, pot: false, square: false, allowRotation: true });
      packer.addArray(wanted.map((p) => ({ width: p.long, height: p.wide, x: 0, y: 0 })) as never);
      expect(plan.newBoards).toBeLessThanOrEqual(packer.bins.length);
      expect(plan.newBoards).toBeGreaterThanOrEqual(plan.least);
    }
  });

  it('lays everything once, apart, on any board (property)', () => {
    const size = fc.tuple(fc.integer({ min: 20, max: 400 }), fc.integer({ min: 20, max: 400 }));
    fc.assert(
      fc.property(fc.array(size, { maxLength: 16 }), fc.integer({ min: 0, max: 5 }), (sizes, kerf) => {
        const wanted = plates(sizes);
        const plan = cutBoards(wanted, board(500, 380, kerf), { seed: 2, budget: 10 });
        return lies(plan, wanted, kerf) && plan.newBoards >= plan.least;
      }),
      { seed: 14, numRuns: runs(150) },
    );
  });
});
