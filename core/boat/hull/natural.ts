import type { Curve } from './monotone';

/**
 * Natural cubic spline through points: twice continuous, no bend at its ends. Fairer than the monotone
 * cubic where the readings are smooth, and free to overshoot where they are not.
 *
 * @param t strictly rising parameters
 * @param y values there
 * @throws RangeError when there are fewer than two points or two parameters agree
 */
export function natural(t: readonly number[], y: readonly number[]): Curve {
  const n = t.length;
  if (n < 2 || y.length !== n) throw new RangeError('a curve needs two points or more');
  const at = (list: readonly number[], i: number): number => list[i] ?? NaN;
  const h = Array.from({ length: n - 1 }, (_, i) => at(t, i + 1) - at(t, i));
  if (h.some((step) => !(step > 0))) throw new RangeError('two points stand at the same place');
  // Second derivatives by the tridiagonal (Thomas) solution; nought at both ends.
  const m = new Array<number>(n).fill(0);
  const [c, d] = [new Array<number>(n).fill(0), new Array<number>(n).fill(0)];
  for (let i = 1; i < n - 1; i++) {
    const [h0, h1] = [at(h, i - 1), at(h, i)];
    const right = 6 * ((at(y, i + 1) - at(y, i)) / h1 - (at(y, i) - at(y, i - 1)) / h0);
    const w = 2 * (h0 + h1) - h0 * at(c, i - 1);
    c[i] = h1 / w;
    d[i] = (right - h0 * at(d, i - 1)) / w;
  }
  for (let i = n - 2; i > 0; i--) m[i] = at(d, i) - at(c, i) * at(m, i + 1);
  const spanOf = (s: number): number => {
    let i = 0;
    while (i < n - 2 && at(t, i + 1) < s) i++;
    return i;
  };
  return {
    from: at(t, 0),
    to: at(t, n - 1),
    knots: t,
    value(s) {
      const i = spanOf(s);
      const [a, b, k] = [at(t, i + 1) - s, s - at(t, i), at(h, i)];
      return (
        (at(m, i) * a ** 3 + at(m, i + 1) * b ** 3) / (6 * k) +
        (at(y, i) / k - (at(m, i) * k) / 6) * a +
        (at(y, i + 1) / k - (at(m, i + 1) * k) / 6) * b
      );
    },
    slope(s) {
      const i = spanOf(s);
      const [a, b, k] = [at(t, i + 1) - s, s - at(t, i), at(h, i)];
      return (
        (at(m, i + 1) * b ** 2 - at(m, i) * a ** 2) / (2 * k) +
        (at(y, i + 1) - at(y, i)) / k +
        ((at(m, i) - at(m, i + 1)) * k) / 6
      );
    },
  };
}
