import { cutBars, cutBoards, seeded } from '../core/work/cutting';
import { cutUpBars } from '@plain-cleat/testing/cut-up';

/** First fit decreasing, the plain way: what the search is measured against. */
function firstFit(lengths: readonly number[], bar: number): number {
  const left: number[] = [];
  for (const l of [...lengths].sort((a, b) => b - a)) {
    const at = left.findIndex((r) => r >= l);
    if (at < 0) left.push(bar - l);
    else left[at] = (left[at] ?? 0) - l;
  }
  return left.length;
}

const took = <T>(work: () => T): [T, number] => {
  const start = performance.now();
  return [work(), performance.now() - start];
};

for (const seed of [1, 2, 3]) {
  const { lengths, bars } = cutUpBars(seed);
  const [plain, plainMs] = took(() => firstFit(lengths, 3000));
  const pieces = lengths.map((length, i) => ({ id: `p${i}`, length }));
  const [plan, ms] = took(() => cutBars(pieces, { length: 3000, kerf: 0, remnants: [] }, { seed, budget: 4000 }));
  console.log(
    `${lengths.length} pieces, optimum ${bars} bars: first fit ${(plain / bars).toFixed(3)} × optimum; ours ${(plan.newBars / bars).toFixed(3)} × in ${(ms / plainMs).toFixed(0)} × its time (${ms.toFixed(0)} ms)`,
  );
}

const random = seeded(5);
const plates = Array.from({ length: 60 }, (_, i) => ({
  id: `q${i}`,
  long: 60 + Math.round(random() * 240),
  wide: 40 + Math.round(random() * 160),
}));
const { MaxRectsPacker } = (await import('maxrects-packer/dist/maxrects-packer.mjs' as string)) as {
  MaxRectsPacker: new (...a: unknown[]) => { addArray(all: unknown[]): void; bins: unknown[] };
};
const packer = new MaxRectsPacker(1220, 610, 3, { smart: true, pot: false, square: false, allowRotation: true });
const [, packerMs] = took(() => packer.addArray(plates.map((p) => ({ width: p.long, height: p.wide, x: 0, y: 0 }))));
const [nest, nestMs] = took(() => cutBoards(plates, { long: 1220, wide: 610, kerf: 3, remnants: [] }, { seed: 1, budget: 100 }));
console.log(
  `${plates.length} plates: published packer ${packer.bins.length} boards; ours ${nest.newBoards}, at least ${nest.least}, in ${(nestMs / packerMs).toFixed(0)} × its time (${nestMs.toFixed(0)} ms)`,
);
