import type { Point } from '../base/units';
import { squareAt, type Body, type Rod } from './placed';

/** Directions round the boat: degrees from right ahead, to starboard positive, −180 to 180. */
export const azimuthOf = (from: Point, x: number, y: number): number => (Math.atan2(y - from.y, from.x - x) * 180) / Math.PI;

/** A stretch of directions, `from` to `to` clockwise seen from above; `to` may exceed 180. */
export interface Arc {
  readonly from: number;
  readonly to: number;
}

/** What hides a stretch of directions from a point. */
export interface Shadow extends Arc {
  readonly by: string;
}

const PLANE = Math.tan((5 * Math.PI) / 180);

const wrap = (a: number): number => ((((a + 180) % 360) + 360) % 360) - 180;

/** The directions a set of plan points covers from a point, undefined when it stands among them. */
function arcOf(from: Point, points: readonly (readonly [number, number])[]): Arc | undefined {
  const angles = points.map(([x, y]) => azimuthOf(from, x, y));
  const [first = 0] = angles;
  const turns = angles.map((a) => wrap(a - first));
  const [low, high] = [Math.min(...turns), Math.max(...turns)];
  return high - low >= 180 ? undefined : { from: wrap(first + low), to: wrap(first + low) + (high - low) };
}

const nearest = (from: Point, outline: Body['outline']): number => {
  let least = Infinity;
  outline.forEach(([ax, ay], i) => {
    const [bx, by] = outline[(i + 1) % outline.length] ?? [ax, ay];
    const [dx, dy] = [bx - ax, by - ay];
    const squared = dx * dx + dy * dy;
    const t = squared === 0 ? 0 : Math.min(1, Math.max(0, ((from.x - ax) * dx + (from.y - ay) * dy) / squared));
    least = Math.min(least, Math.hypot(ax + t * dx - from.x, ay + t * dy - from.y));
  });
  return least;
};

/**
 * The shadow a body throws from a light or a lens: it hides wherever it stands through the level plane
 * of the light, five degrees up and down.
 */
export function shadowOf(from: Point, body: Body, by: string): Shadow | undefined {
  const spread = nearest(from, body.outline) * PLANE;
  if (body.top < from.z - spread || body.bottom > from.z + spread) return undefined;
  const arc = arcOf(from, body.outline);
  return arc && { ...arc, by };
}

/** A rod is a slim pole: it hides where it passes the plane. */
export function shadowOfRod(from: Point, rod: Rod, by: string): Shadow | undefined {
  const [low, high] = rod.butt.z < rod.tip.z ? [rod.butt, rod.tip] : [rod.tip, rod.butt];
  if (from.z < low.z || from.z > high.z) return undefined;
  const t = high.z === low.z ? 0 : (from.z - low.z) / (high.z - low.z);
  const [x, y] = [low.x + t * (high.x - low.x), low.y + t * (high.y - low.y)];
  return shadowOf(from, { name: 'rod', outline: squareAt(x, y, 8), bottom: low.z, top: high.z }, by);
}

/** A hidden stretch that is not broken by a seen one, and everything that hides it. */
export interface Hidden extends Arc {
  readonly by: readonly string[];
}

/** Shadows joined where they touch, within the directions asked for; widest first. */
export function hiddenSectors(shadows: readonly Shadow[], within: Arc = { from: -180, to: 180 }): Hidden[] {
  const width = within.to - within.from;
  const cut: { from: number; to: number; by: string }[] = [];
  for (const s of shadows) {
    const size = s.to - s.from;
    const start = (((s.from - within.from) % 360) + 360) % 360;
    // A shadow may wrap past the start of the circle: both of its pieces count.
    for (const begins of [start, start - 360]) {
      const [from, to] = [Math.max(0, begins), Math.min(width, begins + size)];
      if (to - from > 1e-9) cut.push({ from, to, by: s.by });
    }
  }
  cut.sort((a, b) => a.from - b.from);
  const joined: { from: number; to: number; by: string[] }[] = [];
  for (const s of cut) {
    const last = joined.at(-1);
    if (last && s.from <= last.to + 1e-9) {
      last.to = Math.max(last.to, s.to);
      if (!last.by.includes(s.by)) last.by.push(s.by);
    } else joined.push({ from: s.from, to: s.to, by: [s.by] });
  }
  const [first, last] = [joined[0], joined.at(-1)];
  // All round, what ends at the seam and what begins there are one.
  if (width >= 360 && first && last && first !== last && first.from < 1e-9 && last.to > width - 1e-9) {
    joined.shift();
    joined[joined.length - 1] = { from: last.from, to: last.to + first.to, by: [...new Set([...last.by, ...first.by])] };
  }
  return joined
    .map((j) => ({ from: wrap(j.from + within.from), to: wrap(j.from + within.from) + (j.to - j.from), by: j.by }))
    .sort((a, b) => b.to - b.from - (a.to - a.from));
}
