/** A piecewise cubic through (t, v) that never overshoots its data, with its derivative. */
export interface Curve {
  readonly from: number;
  readonly to: number;
  readonly knots: readonly number[];
  value(t: number): number;
  slope(t: number): number;
}

/**
 * Monotone cubic interpolation, Fritsch & Carlson, SIAM J. Numer. Anal. 17 (1980).
 * Outside its range the end tangent goes on as a straight line.
 *
 * @param t strictly increasing parameters
 * @param v values, as many as parameters
 * @throws RangeError when there are fewer than two points or t does not increase
 */
export function monotone(t: readonly number[], v: readonly number[]): Curve {
  const n = t.length;
  const tangent = tangentsOf(t, v);
  const from = at(t, 0);
  const to = at(t, n - 1);
  const span = (x: number): number => spanOf(t, x);
  return {
    from,
    to,
    knots: [...t],
    value(x) {
      if (x <= from) return at(v, 0) + at(tangent, 0) * (x - from);
      if (x >= to) return at(v, n - 1) + at(tangent, n - 1) * (x - to);
      const i = span(x);
      const h = at(t, i + 1) - at(t, i);
      const u = (x - at(t, i)) / h;
      return (
        at(v, i) * (1 + 2 * u) * (1 - u) ** 2 +
        at(tangent, i) * h * u * (1 - u) ** 2 +
        at(v, i + 1) * u * u * (3 - 2 * u) +
        at(tangent, i + 1) * h * u * u * (u - 1)
      );
    },
    slope(x) {
      if (x <= from) return at(tangent, 0);
      if (x >= to) return at(tangent, n - 1);
      const i = span(x);
      const h = at(t, i + 1) - at(t, i);
      const u = (x - at(t, i)) / h;
      return (
        ((6 * u * u - 6 * u) / h) * (at(v, i) - at(v, i + 1)) +
        at(tangent, i) * (1 - 4 * u + 3 * u * u) +
        at(tangent, i + 1) * (3 * u * u - 2 * u)
      );
    },
  };
}

const at = (a: readonly number[], i: number): number => a[i] ?? 0;

/** The slope at each point: the mean of its two secants, held to what keeps the cubic between its points. */
function tangentsOf(t: readonly number[], v: readonly number[]): number[] {
  const n = t.length;
  if (n < 2 || v.length !== n) throw new RangeError('a curve needs two or more points');
  const secant: number[] = [];
  for (let i = 0; i < n - 1; i++) {
    const h = at(t, i + 1) - at(t, i);
    if (!(h > 0)) throw new RangeError('parameters must increase');
    secant.push((at(v, i + 1) - at(v, i)) / h);
  }
  const tangent = t.map((_, i) => {
    if (i === 0) return at(secant, 0);
    if (i === n - 1) return at(secant, n - 2);
    const [before, after] = [at(secant, i - 1), at(secant, i)];
    return before * after <= 0 ? 0 : (before + after) / 2;
  });
  for (let i = 0; i < n - 1; i++) {
    const s = at(secant, i);
    // A secant too small to divide by is flat.
    if (Math.abs(s) < 1e-12) {
      tangent[i] = 0;
      tangent[i + 1] = 0;
      continue;
    }
    const [a, b] = [at(tangent, i) / s, at(tangent, i + 1) / s];
    const size = Math.hypot(a, b);
    if (size > 3) {
      tangent[i] = (3 / size) * a * s;
      tangent[i + 1] = (3 / size) * b * s;
    }
  }
  return tangent;
}

/** Between which two parameters x lies: the place of the lower, the first or last span for what lies outside. */
function spanOf(t: readonly number[], x: number): number {
  let low = 0;
  let high = t.length - 2;
  while (low < high) {
    const middle = (low + high + 1) >> 1;
    if (at(t, middle) <= x) low = middle;
    else high = middle - 1;
  }
  return low;
}

/**
 * Solves f(t) = target for an increasing f by Newton steps, kept inside a bracket by bisection.
 * @param slope derivative of f; where it is nought the step falls back to bisection
 */
export function invert(f: (t: number) => number, slope: (t: number) => number, target: number, from: number, to: number): number {
  let [low, high] = [from, to];
  let t = (low + high) / 2;
  for (let i = 0; i < 80; i++) {
    const miss = f(t) - target;
    if (Math.abs(miss) < 1e-9) return t;
    if (miss > 0) high = t;
    else low = t;
    const step = t - miss / slope(t);
    t = Number.isFinite(step) && step > low && step < high ? step : (low + high) / 2;
    if (high - low < 1e-12) break;
  }
  return t;
}

const NODES = [0.1488743389816312, 0.4333953941292472, 0.6794095682990244, 0.8650633666889845, 0.9739065285171717];
const WEIGHTS = [0.2955242247147529, 0.2692667193099963, 0.219086362515982, 0.1494513491505806, 0.0666713443086881];

/** Ten-point Gauss–Legendre integral of f over [from, to]. */
export function integrate(f: (t: number) => number, from: number, to: number): number {
  const half = (to - from) / 2;
  const middle = (from + to) / 2;
  let sum = 0;
  NODES.forEach((node, i) => {
    sum += (WEIGHTS[i] ?? 0) * (f(middle - half * node) + f(middle + half * node));
  });
  return sum * half;
}
