import * as fc from 'fast-check';
import { isWorse, MEASURE_UNITS, over, under } from './measure';

describe('a measure', () => {
  it('gets worse the way it is said to, by more than can be told apart', () => {
    expect(isWorse(over(47, '%', 3), over(11.9, '%', 3))).toBeTrue();
    expect(isWorse(over(11.9, '%', 3), over(47, '%', 3))).toBeFalse();
    expect(isWorse(under(8, 'mm', 20), under(12, 'mm', 20))).toBeTrue();
    expect(isWorse(under(12, 'mm', 20), under(8, 'mm', 20))).toBeFalse();
    expect(isWorse(over(10.4, 'mm'), over(10, 'mm'))).toBeFalse();
    expect(isWorse(over(10.6, 'mm'), over(10, 'mm'))).toBeTrue();
    expect(isWorse(over(3, 'count'), over(2, 'count'))).toBeTrue();
  });

  it('is taken to be worse where it cannot be compared, and no worse where nothing is measured any more', () => {
    expect(isWorse(over(1, 'N'), over(100, 'kg'))).toBeTrue();
    expect(isWorse(under(1, 'N'), over(1, 'N'))).toBeTrue();
    expect(isWorse(over(1, 'N'), null)).toBeTrue();
    expect(isWorse(null, over(1, 'N'))).toBeFalse();
    expect(isWorse({ ...over(1, 'N'), amount: NaN }, over(1, 'N'))).toBeTrue();
  });

  it('of two is never both ways worse, and what has no end can be kept (property)', () => {
    const one = fc.record({
      amount: fc.double({ noNaN: true }),
      unit: fc.constantFrom(...MEASURE_UNITS),
      worse: fc.constantFrom('more', 'less'),
    });
    fc.assert(
      fc.property(one, fc.double({ noNaN: true }), ({ amount, unit, worse }, other) => {
        const make = worse === 'more' ? over : under;
        const [a, b] = [make(amount, unit), make(other, unit)];
        expect(Number.isFinite(a.amount)).toBeTrue();
        expect(isWorse(a, b) && isWorse(b, a)).toBeFalse();
        expect(isWorse(a, a)).toBeFalse();
      }),
      { seed: 29, numRuns: 500 },
    );
  });
});
