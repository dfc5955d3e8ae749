import fc from 'fast-check';
import { Matrix, solve } from 'ml-matrix';
import { eliminationOrder, solveSymmetric } from './sparse';

/** A symmetric matrix that some network might have: positive on its diagonal and more than the rest of its row. */
const matrices = fc.integer({ min: 1, max: 25 }).chain((n) =>
  fc.record({
    n: fc.constant(n),
    links: fc.array(fc.tuple(fc.nat(n - 1), fc.nat(n - 1), fc.double({ min: 0.01, max: 100, noNaN: true })), { maxLength: 60 }),
    right: fc.array(fc.double({ min: -50, max: 50, noNaN: true }), { minLength: n, maxLength: n }),
  }),
);

describe('elimination', () => {
  it('solves what a matrix library solves (property, against ml-matrix)', () => {
    fc.assert(
      fc.property(matrices, ({ n, links, right }) => {
        const dense = Matrix.eye(n, n).mul(0.5);
        for (const [a, b, g] of links) {
          if (a === b) continue;
          dense.set(a, a, dense.get(a, a) + g);
          dense.set(b, b, dense.get(b, b) + g);
          dense.set(a, b, dense.get(a, b) - g);
          dense.set(b, a, dense.get(b, a) - g);
        }
        const rows = Array.from({ length: n }, (_, i) => {
          const entries = dense.getRow(i).flatMap((v, k): [number, number][] => (v === 0 ? [] : [[k, v]]));
          return new Map(entries);
        });
        const known = solve(dense, Matrix.columnVector(right)).to1DArray();
        const order = eliminationOrder(rows);
        expect([...order].sort((a, b) => a - b)).toEqual(Array.from({ length: n }, (_, i) => i));
        const found = solveSymmetric(rows, Float64Array.from(right), order);
        for (let i = 0; i < n; i++) expect(found?.[i]).toBeCloseTo(known[i] ?? NaN, 6);
      }),
      { seed: 81, numRuns: 200 },
    );
  });

  it('of a tree fills nothing in, and of a singular matrix says so', () => {
    const star = Array.from({ length: 6 }, (_, i) =>
      i === 0
        ? new Map([0, 1, 2, 3, 4, 5].map((k) => [k, k ? -1 : 6]))
        : new Map([
            [0, -1],
            [i, 2],
          ] as [number, number][]),
    );
    const order = eliminationOrder(star);
    // The middle only once all but one of its leaves are gone.
    expect(order.indexOf(0)).toBeGreaterThanOrEqual(4);
    const before = star.reduce((sum, r) => sum + r.size, 0);
    solveSymmetric(star, new Float64Array(6), order);
    expect(star.reduce((sum, r) => sum + r.size, 0)).toBeLessThanOrEqual(before);
    expect(solveSymmetric([new Map([[0, 0]])], new Float64Array(1), [0])).toBeNull();
  });
});
