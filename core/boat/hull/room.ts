import type { Point } from '../../base/units';
import type { Hatch, Space } from './schema';

/** A room inside the hull as what stands in it meets it. Heights in mm over the lowest keel point. */
export interface Room {
  readonly space: Space;
  /** The openings that lead in; none where it stands open. */
  readonly hatches: readonly Hatch[];
  /** Height of its floor; Infinity where the wall of the hull is. */
  floor(x: number, y: number): number;
  /** Height of its ceiling: the underside of the deck, of a lid, or its own. */
  ceiling(x: number, y: number): number;
  /** What it holds: what its maker says, else its size less the foam and wells in it, l. */
  readonly litres: number;
  /** The middle of what it holds. */
  readonly middle: Point;
}
