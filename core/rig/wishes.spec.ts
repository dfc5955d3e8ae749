import { deck, fitted } from '../../testing/plans';
import { countWishes, placedWords } from './wishes';

describe('wishes', () => {
  const tube = (x: number) => fitted('rod-tube-raised', deck(x), 'rivet');

  it('are counted against what stands aboard, each thing for one wish only, in the order of the list', () => {
    const wishes = {
      a: { text: 'rod holders', part: 'rod-tube-raised', count: 3 },
      b: { text: 'one more', part: 'rod-tube-raised' },
      c: { text: 'zither', part: null },
    };
    const placed = (n: number): number[] => {
      const fittings = Object.fromEntries(Array.from({ length: n }, (_, i) => [`t${i}`, tube(2500 + 200 * i)]));
      return countWishes({ wishes, fittings }).map((w) => w.placed);
    };
    expect([0, 2, 3, 4, 5].map(placed)).toEqual([
      [0, 0, 0],
      [2, 0, 0],
      [3, 0, 0],
      [3, 1, 0],
      [3, 1, 0],
    ]);
  });

  it('are told as far as they are', () => {
    expect([
      placedWords({ count: 3, placed: 2 }),
      placedWords({ count: 3, placed: 3 }),
      placedWords({ count: 1, placed: 0 }),
    ]).toEqual(['2 of 3 placed', 'placed', 'not placed']);
  });
});
