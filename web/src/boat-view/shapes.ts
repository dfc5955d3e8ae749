import type { HullSurface, Space } from '@plain-cleat/core/boat/hull';
import { type Body, cornersOfBox, type Rod } from '@plain-cleat/core/layout';
import { MM_PER_INCH, type Point, printFigure, type UnitSystem } from '@plain-cleat/core/base/units';
import { polygonHull } from 'd3-polygon';
import { curveLinearClosed, line } from 'd3-shape';
import type { Scale } from './scale';
import { WIDTH } from './scale';

/** The side view is cut off at so much over the keel, mm. */
export const SIGHT = 640;
const OUTLINE = Array.from({ length: 81 }, (_, i) => i / 80);

export interface Rect {
  readonly x: number;
  readonly y: number;
  readonly w: number;
  readonly h: number;
}

const closed = (points: [number, number][]): string => line().curve(curveLinearClosed)(points) ?? '';

/** A body's outline from above. */
export const planPath = (s: Scale, b: Body): string => closed(b.outline.map(([x, y]): [number, number] => [s.x(x), s.y(y)]));

/** A body's silhouette from the side, cut off where the side view ends. */
export function sidePath(s: Scale, b: Body, sideY: (z: number) => number): string {
  const xs = b.outline.map(([x]) => x);
  const [fore, aft] = [Math.min(...xs), Math.max(...xs)];
  const seen: [number, number][] = b.box
    ? cornersOfBox(b.box).map((p): [number, number] => [p.x, p.z])
    : [
        [fore, b.bottom],
        [fore, b.top],
        [aft, b.top],
        [aft, b.bottom],
      ];
  const outline = polygonHull(seen) ?? seen;
  return closed(outline.map(([x, z]): [number, number] => [s.x(x), sideY(Math.min(z, SIGHT))]));
}

export function planRect(s: Scale, fore: number, aft: number, port: number, starboard: number): Rect {
  const [x0, x1, y0, y1] = [s.x(fore), s.x(aft), s.y(port), s.y(starboard)];
  return { x: Math.min(x0, x1), y: Math.min(y0, y1), w: Math.abs(x1 - x0), h: Math.abs(y1 - y0) };
}

/** A level box from above. */
export const boxPath = (s: Scale, from: Point, to: Point): string =>
  closed([
    [s.x(from.x), s.y(from.y)],
    [s.x(to.x), s.y(from.y)],
    [s.x(to.x), s.y(to.y)],
    [s.x(from.x), s.y(to.y)],
  ]);

/** A tube from above. */
export const pathThrough = (s: Scale, path: readonly Point[]): string =>
  line()(path.map((p): [number, number] => [s.x(p.x), s.y(p.y)])) ?? '';

/** A room from above: its own square walls, else no farther out than the hull. */
export function roomPath(s: Scale, hull: HullSurface, { fore, aft, port, starboard, moulded }: Space): string {
  const xs = moulded ? [fore, aft] : Array.from({ length: 17 }, (_, i) => fore + ((aft - fore) * i) / 16);
  const within = (x: number, y: number): [number, number] => {
    const most = Math.max(0, hull.halfBreadth(x) - 3 * hull.model.wall);
    return [s.x(x), s.y(moulded ? y : Math.min(most, Math.max(-most, y)))];
  };
  return closed([...xs.map((x) => within(x, port)), ...xs.toReversed().map((x) => within(x, starboard))]);
}

/** The boat from above: its edges, the doubled one to starboard, and all of it. */
export function planEdges(s: Scale, hull: HullSurface): { port: string; starboard: string; second: string; body: string } {
  const edge = (sign: 1 | -1, out: number): string =>
    line()(
      OUTLINE.map((t) => [
        s.x(t * hull.length),
        s.y(sign * hull.halfBreadth(t * hull.length)) + out * (s.flipped ? sign : -sign),
      ]),
    ) ?? '';
  return {
    port: edge(-1, 0),
    starboard: edge(1, 0),
    second: edge(1, 4),
    body: `${edge(1, 0)}L${edge(-1, 0).split('L').reverse().join('L').replace('M', '')}Z`,
  };
}

/** The boat from the side, gunwale over keel. */
export function profilePath(s: Scale, hull: HullSurface, sideY: (z: number) => number): string {
  const along = (height: (x: number) => number): [number, number][] =>
    OUTLINE.map((t): [number, number] => [s.x(t * hull.length), sideY(height(t * hull.length))]);
  return closed([...along((x) => hull.gunwale(x)), ...along((x) => hull.keel(x)).reverse()]);
}

/** Where the stroke is swept over both gunwales. */
export function bandPaths(s: Scale, hull: HullSurface, band: { fore: number; aft: number; inboard: number }): string[] {
  const xs = Array.from({ length: 13 }, (_, i) => band.fore + ((band.aft - band.fore) * i) / 12);
  return ([1, -1] as const).map((sign) => {
    const at = (off: (half: number) => number): [number, number][] =>
      xs.map((x): [number, number] => [s.x(x), s.y(sign * Math.max(0, off(hull.halfBreadth(x))))]);
    return closed([...at((half) => half + 70), ...at((half) => half - band.inboard).reverse()]);
  });
}

export interface Segment {
  readonly x1: number;
  readonly y1: number;
  readonly x2: number;
  readonly y2: number;
}

/** A rod from above and from the side, there cut off where the side view ends. */
export function rodLines(s: Scale, r: Rod, sideY: (z: number) => number): { plan: Segment; side: Segment } {
  const cut = Math.min(1, Math.max(0, (SIGHT - r.butt.z) / Math.max(1, r.tip.z - r.butt.z)));
  const at = (axis: 'x' | 'z'): number => r.butt[axis] + (r.tip[axis] - r.butt[axis]) * cut;
  return {
    plan: { x1: s.x(r.butt.x), y1: s.y(r.butt.y), x2: s.x(r.tip.x), y2: s.y(r.tip.y) },
    side: { x1: s.x(r.butt.x), y1: sideY(r.butt.z), x2: s.x(at('x')), y2: sideY(at('z')) },
  };
}

/** The marks of the tape either way from its hook, feet or decimetres numbered. */
export function tapeTicks(
  s: Scale,
  hook: number,
  length: number,
  system: UnitSystem,
): { x: number; tall: number; label: string }[] {
  const imperial = system === 'imperial';
  const minor = imperial ? MM_PER_INCH : 20;
  // A figure that would run off the end of the tape is left out.
  const last = WIDTH - 70;
  const out: { x: number; tall: number; label: string }[] = [];
  for (const sign of [1, -1])
    for (let i = sign > 0 ? 0 : 1; ; i++) {
      const mm = hook + sign * i * minor;
      if (mm < -1 || mm > length + 60) break;
      const major = i % (imperial ? 12 : 10) === 0;
      const half = imperial ? i % 6 === 0 : i % 5 === 0;
      out.push({
        x: s.x(mm),
        tall: major ? 18 : half ? 11 : 7,
        label: major && i > 0 && s.x(mm) < last ? printFigure(i * minor, system) : '',
      });
    }
  return out;
}
