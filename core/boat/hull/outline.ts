import { mm, say, tell, type Sentence } from '../../base/units';
import type { TapeReading } from './readings';
import type { HullSurface } from './hull-surface';

/** The hull's outline in plan as a closed line, bow to stern along starboard and back along port, mm. */
export function outlinePoints(hull: HullSurface, steps = 120): [number, number][] {
  const xs = Array.from({ length: steps + 1 }, (_, i) => (hull.length * i) / steps);
  const side = (sign: 1 | -1): [number, number][] => xs.map((x) => [x, sign * hull.halfBreadth(x)]);
  return [...side(1), ...side(-1).reverse()];
}

const turn = (a: readonly [number, number], b: readonly [number, number], c: readonly [number, number]): number =>
  (b[0] - a[0]) * (c[1] - a[1]) - (b[1] - a[1]) * (c[0] - a[0]);

/** Where a closed line crosses itself: the numbers of the two pieces, or null when it does not. */
export function selfCrossing(points: readonly (readonly [number, number])[]): { first: number; second: number } | null {
  const n = points.length;
  const at = (i: number): readonly [number, number] => points[i % n] ?? [0, 0];
  for (let i = 0; i < n; i++)
    for (let j = i + 2; j < n; j++) {
      if (i === 0 && j === n - 1) continue;
      const [a, b, c, d] = [at(i), at(i + 1), at(j), at(j + 1)];
      if (turn(a, b, c) * turn(a, b, d) < 0 && turn(c, d, a) * turn(c, d, b) < 0) return { first: i + 1, second: j + 1 };
    }
  return null;
}

/** What a kayak measures over all (common practice, no source), mm. */
export const LONG = { least: 1500, most: 9000 } as const;
export const WIDE = { least: 300, most: 1800 } as const;

/** Why a traced or imported outline makes no hull, in words that say what would be right; null when it does. */
export function outlineFault(points: readonly (readonly [number, number])[]): Sentence | null {
  if (points.length < 6) return say`the outline has fewer than six points; trace it all round`;
  const xs = points.map((p) => p[0]);
  const ys = points.map((p) => p[1]);
  const [long, wide] = [Math.max(...xs) - Math.min(...xs), Math.max(...ys) - Math.min(...ys)];
  if (!(long >= LONG.least && long <= LONG.most))
    return say`the outline is ${mm(long)} long; a kayak is ${mm(LONG.least)} to ${mm(LONG.most)}, bow to the left`;
  if (!(wide >= WIDE.least && wide <= WIDE.most))
    return say`the outline is ${mm(wide)} wide; a kayak is ${mm(WIDE.least)} to ${mm(WIDE.most)}`;
  const crossing = selfCrossing(points);
  return crossing ? say`the outline crosses itself: piece ${crossing.first} runs over piece ${crossing.second}` : null;
}

/**
 * Stations read off a closed outline, with heights left as they were given. The bow tip becomes x 0; the
 * centre line is midway between the outermost points port and starboard.
 *
 * @throws RangeError when `outlineFault` has anything to say
 */
export function readingsFromOutline(
  points: readonly (readonly [number, number])[],
  heights: { gunwale: number; keel: number },
  count = 13,
): TapeReading[] {
  const fault = outlineFault(points);
  if (fault) throw new RangeError(tell(fault, 'metric'));
  const xs = points.map((p) => p[0]);
  const ys = points.map((p) => p[1]);
  const [bow, stern] = [Math.min(...xs), Math.max(...xs)];
  const middle = (Math.min(...ys) + Math.max(...ys)) / 2;
  // Closer together at the ends, where the outline turns.
  return Array.from({ length: count }, (_, i) => {
    const x = bow + ((stern - bow) * (1 - Math.cos((Math.PI * i) / (count - 1)))) / 2;
    const here = crossings(points, Math.min(stern - 0.01, Math.max(bow + 0.01, x)));
    const [low, high] = [Math.min(...here, middle), Math.max(...here, middle)];
    const round = (v: number): number => Math.round(v * 10) / 10;
    return { x: round(x - bow), port: round(middle - low), starboard: round(high - middle), ...heights };
  });
}

function crossings(points: readonly (readonly [number, number])[], x: number): number[] {
  return points.flatMap((a, i) => {
    const b = points[(i + 1) % points.length] ?? a;
    if (a[0] > x === b[0] > x) return [];
    return [a[1] + ((x - a[0]) / (b[0] - a[0])) * (b[1] - a[1])];
  });
}

/** The outline as a scalable drawing in millimetres, bow to the left, starboard up. */
export function outlineSvg(hull: HullSurface, name: string): string {
  const half = hull.beam / 2;
  const f = (v: number): string => String(Math.round(v * 100) / 100);
  const d = outlinePoints(hull)
    .map(([x, y], i) => `${i ? 'L' : 'M'}${f(x)} ${f(half - y)}`)
    .join('');
  const title = name.replace(/[<>&]/g, '');
  return (
    `<svg xmlns="http://www.w3.org/2000/svg" width="${f(hull.length)}mm" height="${f(hull.beam)}mm" ` +
    `viewBox="0 0 ${f(hull.length)} ${f(hull.beam)}"><title>${title}</title>` +
    `<path id="outline" d="${d}Z" fill="none" stroke="#1d2b33"/>` +
    `<path id="centre" d="M0 ${f(half)}L${f(hull.length)} ${f(half)}" stroke="#55636a" stroke-dasharray="20 10"/></svg>\n`
  );
}
