import fc from 'fast-check';
import { natural } from './natural';

describe('the natural spline', () => {
  it('through (0,0) (1,1) (2,0) is the textbook one: curvature −3 in the middle, 11/16 half way (closed form)', () => {
    const c = natural([0, 1, 2], [0, 1, 0]);
    expect(c.value(0.5)).toBeCloseTo(11 / 16, 12);
    expect(c.slope(0)).toBeCloseTo(1.5, 12);
    expect(c.slope(1)).toBeCloseTo(0, 12);
  });

  it('keeps a straight line straight, and its slope is its derivative (property)', () => {
    fc.assert(
      fc.property(fc.array(fc.double({ min: -50, max: 50, noNaN: true }), { minLength: 4, maxLength: 9 }), (y) => {
        const t = y.map((_, i) => i * 1.7);
        const c = natural(t, y);
        const s = 1.234 * (t.length / 4);
        const numeric = (c.value(s + 1e-5) - c.value(s - 1e-5)) / 2e-5;
        const line = natural(
          t,
          t.map((v) => 3 * v - 1),
        );
        return Math.abs(numeric - c.slope(s)) < 1e-4 && Math.abs(line.value(s) - (3 * s - 1)) < 1e-9;
      }),
      { seed: 31 },
    );
    expect(() => natural([0, 0], [1, 2])).toThrowError(RangeError);
    expect(() => natural([0], [1])).toThrowError(RangeError);
  });
});
