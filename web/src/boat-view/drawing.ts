import type { HullSurface } from '@plain-cleat/core/boat/hull';
import type { Body, Rod } from '@plain-cleat/core/layout';
import type { Point } from '@plain-cleat/core/base/units';
import { Scale, WIDTH } from './scale';
import { planRect, SIGHT, type Rect } from './shapes';

/** How a fitting stands: nothing to settle, look, stop. */
export type Standing = 'ok' | 'look' | 'stop';

/** A fitting as it is drawn and taken hold of. */
export interface BoatMark {
  readonly id: string;
  readonly label: string;
  readonly name: string;
  readonly at: Point;
  readonly standing: Standing;
  readonly bodies: readonly Body[];
  readonly rods?: readonly Rod[];
  /** It stands inside the hull. */
  readonly inside?: boolean;
}

/** How the boat is looked at. */
interface Looked {
  readonly flipped: boolean;
  /** Whether the side view stands under the plan. */
  readonly side: boolean;
  /** How high that goes over the keel, mm. */
  readonly tall: number;
}

/** How high the side view goes: all that stands, as far as it is shown, mm over the keel. */
export const tallOf = (hull: HullSurface, marks: readonly BoatMark[]): number =>
  Math.min(SIGHT, Math.max(hull.gunwale(0), hull.gunwale(hull.length), ...marks.flatMap((m) => m.bodies.map((b) => b.top))));

/** Over the plan: the tape. */
const OVER = 62;

/** The boat as it is drawn, in the units of the drawing: plan over side view, each at its height. */
export class BoatDrawing {
  readonly width = WIDTH;
  readonly half: number;
  /** The centre line of the plan. */
  readonly middle: number;
  readonly scale: Scale;
  /** Foot of the side view. */
  readonly ground: number;
  readonly height: number;

  constructor(
    readonly hull: HullSurface,
    { flipped, side, tall }: Looked,
  ) {
    this.half = (hull.beam / 2) * ((WIDTH - 130) / hull.length);
    this.middle = OVER + this.half + 10;
    this.scale = new Scale(hull, this.middle, flipped);
    this.ground = this.middle + this.half + 16 + (side ? tall * this.scale.perMm + 14 : 0);
    this.height = this.ground + (side ? 20 : 0);
  }

  get flipped(): boolean {
    return this.scale.flipped;
  }

  /** How far down a height over the keel lies in the side view. */
  sideY = (z: number): number => this.ground - z * this.scale.perMm;

  rect = (fore: number, aft: number, port: number, starboard: number): Rect => planRect(this.scale, fore, aft, port, starboard);

  /** A place of the plan. */
  at = ({ x, y }: { readonly x: number; readonly y: number }): { x: number; y: number } => ({
    x: this.scale.x(x),
    y: this.scale.y(y),
  });

  /** The place of the hull that a point of the drawing is, mm. */
  place = ([x, y]: readonly [number, number]): { x: number; y: number } => ({ x: this.scale.mmX(x), y: this.scale.mmY(y) });
}
