import { girthDown, type HullSurface } from '../../boat/hull';
import { sideSign, type Point } from '../../base/units';
import type { PlannedHole } from '../fitted';
import { meanOf, placeOf, sideFor, type LaidSheet } from './paper';
import type { TemplateStroke } from './template-line';

/** An edge or the centre line so near a hole is drawn at its own place (judgement), mm. */
const NEAR = 90;

/** Lines to lay the sheet by: the tape's, and the centre line or gunwale edge when near, else one along the boat. */
export function layingLines(
  hull: HullSurface,
  laid: LaidSheet,
  holes: readonly PlannedHole[],
  reach: number,
  read: (at: Point) => number,
): TemplateStroke[] {
  const about = meanOf(holes.map(placeOf));
  const side = sideFor(holes);
  const sign = side ? sideSign(side) : about.y < 0 ? -1 : 1;
  const nearest = (far: (h: PlannedHole) => number): boolean => Math.min(...holes.map(far)) <= NEAR;
  const line = (kind: TemplateStroke['kind'], at: number, where: (t: number) => Point): TemplateStroke => ({
    kind,
    at,
    points: laid.lineOf(Array.from({ length: 13 }, (_, i) => where((i / 6 - 1) * reach))),
  });
  if (side) {
    const down = hull.gunwale(about.x) - about.z;
    const level = (x: number, under: number): Point => hull.sidePoint(x, side, under);
    const edge = nearest((h) => h.down ?? 0);
    return [
      // From the gunwale, where its reading is marked, down past the holes.
      line('tape line', read(about), (t) => level(about.x, edge ? ((t / reach + 1) / 2) * (down + reach) : down - t)),
      edge
        ? line('gunwale edge', 0, (t) => level(about.x + t, 0))
        : line('down', girthDown(hull, about.x, down), (t) => level(about.x + t, down)),
    ];
  }
  return [
    line('tape line', read(about), (t) => ({ ...about, y: about.y + t })),
    nearest((h) => Math.abs(h.at.y)) || Math.abs(about.y) <= NEAR
      ? line('centre line', 0, (t) => ({ ...about, x: about.x + t, y: 0 }))
      : line('along', Math.abs(about.y), (t) => ({ ...about, x: about.x + t })),
    ...(nearest((h) => h.fromEdge)
      ? [line('gunwale edge', 0, (t) => ({ ...about, x: about.x + t, y: sign * hull.halfBreadth(about.x + t) }))]
      : []),
  ];
}
