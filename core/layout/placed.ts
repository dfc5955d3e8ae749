import type { Part } from '../parts/parts';
import type { Fitting, Place } from '../rig';
import { type Point } from '../base/units';
import { type PosedBox } from './box';

/** A fitting's local frame: origin and tangents of the surface, u aft, v to starboard or down a side, w out of the hull. */
export interface Frame {
  readonly origin: Point;
  readonly u: Point;
  readonly v: Point;
  readonly w: Point;
  readonly surface: string;
  readonly wall: number;
  /** The origin lies beyond the gunwale edge. */
  readonly off: boolean;
}

/** Three unit axes square to each other. */
export type Axes = Pick<Frame, 'u' | 'v' | 'w'>;

/** A solid standing on the hull: its outline in plan and the heights it fills. */
export interface Body {
  readonly name: string;
  /** The box itself, in its true pose; outline and heights are its shadow. Left out for what is no box. */
  readonly box?: PosedBox;
  /** Its outline in plan, convex, corners in order. */
  readonly outline: readonly (readonly [number, number])[];
  readonly bottom: number;
  readonly top: number;
}

/** A square in plan about a point, for what is slim or round. */
export const squareAt = (x: number, y: number, half: number): Body['outline'] => [
  [x - half, y - half],
  [x + half, y - half],
  [x + half, y + half],
  [x - half, y + half],
];

/** The middle of a body in plan: the mean of its corners. */
export function middleOf({ outline }: Pick<Body, 'outline'>): { x: number; y: number } {
  const mean = (axis: 0 | 1): number => outline.reduce((sum, p) => sum + p[axis], 0) / outline.length;
  return { x: mean(0), y: mean(1) };
}

/** A rod standing in a tube: from its butt to its tip, leaving the tube at its mouth. */
export interface Rod {
  readonly butt: Point;
  readonly mouth: Point;
  readonly tip: Point;
}

/** A fitting put on the hull: part, frame and the bodies it fills. */
export interface Placed {
  readonly id: string;
  readonly fitting: Fitting;
  /** Where it stands here: its own place, or the one it takes in a set. */
  readonly place: Place;
  readonly part: Part;
  readonly frame: Frame;
  readonly bodies: readonly Body[];
  readonly rods: readonly Rod[];
  /** The fitting it stands on. */
  readonly below?: Placed;
}

/** How often a fitting is used: as this rig says, else as its part usually is. What it weighs, sweeps and snags does not hang on it. */
export const usedHow = ({ fitting, part }: Pick<Placed, 'fitting' | 'part'>): Part['use']['often'] =>
  fitting.often ?? part.use.often;

/** Whether a fitting comes off for the road: as this rig says, else as its part does. */
export const comesOff = ({ fitting, part }: Pick<Placed, 'fitting' | 'part'>): boolean => fitting.comesOff ?? part.use.comesOff;

/** Bow to stern, then port to starboard: the order of every list. */
export const bowToStern = (a: { frame: Frame; id: string }, b: { frame: Frame; id: string }): number =>
  a.frame.origin.x - b.frame.origin.x || a.frame.origin.y - b.frame.origin.y || (a.id < b.id ? -1 : 1);
