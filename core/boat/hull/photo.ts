/** A point of a picture, pixels from its upper left, or of the deck, mm. */
export type Spot = readonly [number, number];

/** A plane-to-plane projection, row by row; the last entry is one. */
export type Homography = readonly number[];

/** Solves a small linear system by Gauss elimination with pivoting; undefined when it is singular. */
function solve(a: number[][], b: number[]): number[] | undefined {
  const n = b.length;
  const m = a.map((row, i) => [...row, b[i] ?? 0]);
  for (let i = 0; i < n; i++) {
    const pivot = m.slice(i).reduce((best, row, k) => (Math.abs(row[i] ?? 0) > Math.abs(m[best]?.[i] ?? 0) ? i + k : best), i);
    const [top, other] = [m[i], m[pivot]];
    if (!top || !other || Math.abs(other[i] ?? 0) < 1e-12) return undefined;
    m[i] = other;
    m[pivot] = top;
    for (let r = 0; r < n; r++) {
      const row = m[r];
      const lead = m[i];
      if (r === i || !row || !lead) continue;
      const by = (row[i] ?? 0) / (lead[i] ?? 1);
      for (let c = i; c <= n; c++) row[c] = (row[c] ?? 0) - by * (lead[c] ?? 0);
    }
  }
  return m.map((row, i) => (row[n] ?? 0) / (row[i] ?? 1));
}

/** Moves points to their middle and scales them to about one, so that the solution is well conditioned. */
function normalised(points: readonly Spot[]): { points: Spot[]; back: readonly [number, number, number] } {
  const n = points.length;
  const [cx, cy] = [points.reduce((s, p) => s + p[0], 0) / n, points.reduce((s, p) => s + p[1], 0) / n];
  const size = points.reduce((s, p) => s + Math.hypot(p[0] - cx, p[1] - cy), 0) / n || 1;
  return { points: points.map(([x, y]) => [(x - cx) / size, (y - cy) / size]), back: [cx, cy, size] };
}

/**
 * The projection that carries picture points to deck points: exact for four, least squares for more
 * (direct linear transformation on normalised points).
 *
 * @returns undefined when three of the points lie in one line
 */
export function homography(from: readonly Spot[], to: readonly Spot[]): Homography | undefined {
  if (from.length < 4 || from.length !== to.length) return undefined;
  const [f, t] = [normalised(from), normalised(to)];
  const rows: number[][] = [];
  const right: number[] = [];
  f.points.forEach(([x, y], i) => {
    const [u, v] = t.points[i] ?? [0, 0];
    rows.push([x, y, 1, 0, 0, 0, -u * x, -u * y], [0, 0, 0, x, y, 1, -v * x, -v * y]);
    right.push(u, v);
  });
  // Normal equations: eight unknowns whatever the number of points.
  const normal = Array.from({ length: 8 }, (_, i) =>
    Array.from({ length: 8 }, (_, j) => rows.reduce((s, r) => s + (r[i] ?? 0) * (r[j] ?? 0), 0)),
  );
  const side = Array.from({ length: 8 }, (_, i) => rows.reduce((s, r, k) => s + (r[i] ?? 0) * (right[k] ?? 0), 0));
  const h = solve(normal, side);
  if (!h || h.some((v) => !Number.isFinite(v))) return undefined;
  const [fx, fy, fs] = f.back;
  const [tx, ty, ts] = t.back;
  const into = [1 / fs, 0, -fx / fs, 0, 1 / fs, -fy / fs, 0, 0, 1];
  const out = [ts, 0, tx, 0, ts, ty, 0, 0, 1];
  const whole = times(out, times([...h, 1], into));
  const last = whole[8] ?? 1;
  return whole.map((v) => v / last);
}

function times(a: readonly number[], b: readonly number[]): number[] {
  return Array.from({ length: 9 }, (_, i) => {
    const [r, c] = [Math.floor(i / 3), i % 3];
    return [0, 1, 2].reduce((s, k) => s + (a[3 * r + k] ?? 0) * (b[3 * k + c] ?? 0), 0);
  });
}

/** Carries one point through a projection. */
export function project(h: Homography, [x, y]: Spot): Spot {
  const [a = 1, b = 0, c = 0, d = 0, e = 1, f = 0, g = 0, k = 0, l = 1] = h;
  const w = g * x + k * y + l;
  return [(a * x + b * y + c) / w, (d * x + e * y + f) / w];
}

/** The projection the other way. */
export function reversed(h: Homography): Homography {
  const [a = 1, b = 0, c = 0, d = 0, e = 1, f = 0, g = 0, k = 0, l = 1] = h;
  const inverse = [
    e * l - f * k,
    c * k - b * l,
    b * f - c * e,
    f * g - d * l,
    a * l - c * g,
    c * d - a * f,
    d * k - e * g,
    b * g - a * k,
    a * e - b * d,
  ];
  const last = inverse[8] || 1;
  return inverse.map((v) => v / last);
}

/** A distance on the deck that was measured too, to judge the picture by. */
export interface CheckDistance {
  readonly from: Spot;
  readonly to: Spot;
  readonly mm: number;
}

/** How far a rectified picture can be trusted, mm. */
export interface Trust {
  /** Greatest difference between a measured check distance and the picture's; null without one. */
  readonly residual: number | null;
  /** How far a place at the ends of the boat moves when one mark is a pixel and a half off. */
  readonly marks: number;
}

/** Marks are picked to so many pixels (judgement). */
const PICK = 1.5;

/**
 * How far to trust a projection: by distances measured besides, and by what a slip in the marks does at
 * the places that matter.
 *
 * @param at picture points where it matters, such as bow and stern
 */
export function trust(
  marks: readonly Spot[],
  deck: readonly Spot[],
  checks: readonly CheckDistance[],
  at: readonly Spot[],
): Trust | undefined {
  const h = homography(marks, deck);
  if (!h) return undefined;
  const off = checks.map((c) => {
    const [a, b] = [project(h, c.from), project(h, c.to)];
    return Math.abs(Math.hypot(a[0] - b[0], a[1] - b[1]) - c.mm);
  });
  let moved = 0;
  marks.forEach((mark, i) => {
    for (const [dx, dy] of [
      [PICK, 0],
      [0, PICK],
    ] as const) {
      const slipped = homography(
        marks.map((m, k): Spot => (k === i ? [mark[0] + dx, mark[1] + dy] : m)),
        deck,
      );
      if (!slipped) continue;
      for (const p of at) {
        const [a, b] = [project(h, p), project(slipped, p)];
        moved = Math.max(moved, Math.hypot(a[0] - b[0], a[1] - b[1]));
      }
    }
  });
  return { residual: off.length ? Math.max(...off) : null, marks: moved };
}

/** A picture as rows of red, green, blue, alpha. */
export interface Picture {
  readonly width: number;
  readonly height: number;
  readonly data: Uint8ClampedArray;
}

/** The part of the deck a rectified picture shows, mm, at so many pixels a millimetre. */
export interface Window {
  readonly fore: number;
  readonly aft: number;
  readonly port: number;
  readonly starboard: number;
  readonly perMm: number;
}

/**
 * The picture seen from straight above: each pixel of the window looked up in the photo, bilinear.
 * Bow to the left, starboard up, as the boat view draws it.
 *
 * @param h carries picture points to deck points, mm
 * @param shouldStop asked once a row
 */
export function rectify(photo: Picture, h: Homography, window: Window, shouldStop?: () => boolean): Picture {
  const back = reversed(h);
  const width = Math.max(1, Math.round((window.aft - window.fore) * window.perMm));
  const height = Math.max(1, Math.round((window.starboard - window.port) * window.perMm));
  const data = new Uint8ClampedArray(width * height * 4);
  for (let row = 0; row < height; row++) {
    if (shouldStop?.()) break;
    for (let column = 0; column < width; column++) {
      const deck: Spot = [window.fore + (column + 0.5) / window.perMm, window.starboard - (row + 0.5) / window.perMm];
      const [px, py] = project(back, deck);
      sample(photo, px - 0.5, py - 0.5, data, (row * width + column) * 4);
    }
  }
  return { width, height, data };
}

function sample({ width, height, data }: Picture, x: number, y: number, out: Uint8ClampedArray, at: number): void {
  const [x0, y0] = [Math.floor(x), Math.floor(y)];
  if (x0 < 0 || y0 < 0 || x0 >= width - 1 || y0 >= height - 1) return;
  const [fx, fy] = [x - x0, y - y0];
  const i = (y0 * width + x0) * 4;
  const below = i + width * 4;
  for (let k = 0; k < 4; k++) {
    const top = (data[i + k] ?? 0) * (1 - fx) + (data[i + 4 + k] ?? 0) * fx;
    const bottom = (data[below + k] ?? 0) * (1 - fx) + (data[below + 4 + k] ?? 0) * fx;
    out[at + k] = top * (1 - fy) + bottom * fy;
  }
}
