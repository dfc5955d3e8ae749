import { deckPatch, distanceOver, overSurface, sidePatch, tangentsAt, type HullSurface, type Patch } from '../../boat/hull';
import { dot, type Point, type Side } from '../../base/units';
import type { PlannedHole } from '../fitted';

/** A place on the sheet, mm: right and up as one looks at the boat from outside. */
export interface OnPaper {
  readonly x: number;
  readonly y: number;
}

/** A sheet laid on a patch about a point: carries points of the hull to paper. */
export interface LaidSheet {
  readonly patch: Patch;
  onPaper(p: Point): OnPaper;
  /** A line goes only as far as the surface can be laid flat. */
  lineOf(points: readonly Point[]): OnPaper[];
}

/**
 * Lays a sheet on the hull about a point. Seen from outside: on deck from above, bow left and starboard up; on
 * either side with the gunwale up, so that the bow is left to port and right to starboard, and twins are mirrored.
 */
export function lay(hull: HullSurface, about: Point, side: Side | null): LaidSheet {
  const patch = side ? sidePatch(hull, side) : deckPatch(hull, about.x, about.y);
  const from = patch.onto(about);
  const { aft, across } = tangentsAt(patch, from);
  const right = side === 'starboard' ? -1 : 1;
  const up = side ? -1 : 1;
  const onPaper = (p: Point): OnPaper => {
    const way = overSurface(patch, from, patch.onto(p));
    return { x: right * dot(way, aft), y: up * dot(way, across) };
  };
  const tried = (p: Point): OnPaper[] => {
    try {
      return [onPaper(p)];
    } catch {
      return [];
    }
  };
  return { patch, onPaper, lineOf: (points) => points.flatMap(tried) };
}

/** The mean of some points. */
export const meanOf = (points: readonly Point[]): Point => {
  const mean = (k: keyof Point): number => points.reduce((sum, p) => sum + p[k], 0) / points.length;
  return { x: mean('x'), y: mean('y'), z: mean('z') };
};

/** The largest difference between paper and hull over all pairs, mm. */
export function flatteningOf(patch: Patch, points: readonly { readonly at: Point; readonly paper: OnPaper }[]): number {
  let most = 0;
  points.forEach((a, i) => {
    for (const b of points.slice(i + 1)) {
      const paper = Math.hypot(a.paper.x - b.paper.x, a.paper.y - b.paper.y);
      most = Math.max(most, Math.abs(paper - distanceOver(patch, patch.onto(a.at), patch.onto(b.at))));
    }
  });
  return most;
}

/** Where a hole is: as drilled, else as planned. */
export const placeOf = (h: PlannedHole): Point => h.drilled?.at ?? h.at;

/** The side holes are in; null on deck. */
export const sideFor = ([first]: readonly PlannedHole[]): Side | null =>
  first && first.down !== null && first.side !== 'centre' ? first.side : null;
