import { type Point, type Side } from '../../base/units';
import { type Curve } from './monotone';
import type { DeckArea, Hazard, HullModel } from './schema';
import { type Section } from './section';
import { type Room } from './room';

/** What lies under a point of the plan view. */
export interface SurfaceSpot {
  readonly z: number;
  readonly wall: number;
  /** The deck area, or `gunwale` between deck areas, or `off` beyond the gunwale edge. */
  readonly name: string;
  readonly deck?: DeckArea;
  readonly off: boolean;
}

/** Something inside the hull, and the corners of the box it lies in. */
export interface BoxedHazard {
  readonly hazard: Hazard;
  readonly from: Point;
  readonly to: Point;
}

/** A hull made continuous: every query the layout needs, computed from its stations. */
export interface HullSurface {
  readonly model: HullModel;
  /** Overall length along x, mm. */
  readonly length: number;
  /** Greatest breadth, mm. */
  readonly beam: number;
  halfBreadth(x: number): number;
  gunwale(x: number): number;
  keel(x: number): number;
  /** Half-breadth and gunwale height for what asks thousands of times: straight between places 20 mm apart. */
  readonly edge: { half(x: number): number; gunwale(x: number): number };
  /** What lies inside, each with the box it lies in. */
  readonly hazards: readonly BoxedHazard[];
  /** The rooms inside, by their ids. */
  readonly rooms: ReadonlyMap<string, Room>;
  /** Parameters of the stations along the outline, and the place along the boat at one, with its slope: for integrals. */
  readonly along: Curve;
  /** The cross-section at x; undefined beyond the ends. */
  section(x: number): Section | undefined;
  /** Half-width of the section at x and height z; nought below the keel. */
  halfWidth(x: number, z: number): number;
  gunwalePoint(x: number, side: Side): Point;
  /** Length of a tape laid along the gunwale from the bow tip to x, mm. */
  gunwaleArc(x: number): number;
  /** The x at which a tape laid along the gunwale from the bow tip reads `arc`. */
  gunwaleAt(arc: number): number;
  spot(x: number, y: number): SurfaceSpot;
  /** A point on the outside, so far down from the gunwale edge. */
  sidePoint(x: number, side: Side, down: number): Point;
}
