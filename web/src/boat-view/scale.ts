import type { HullSurface } from '@plain-cleat/core/boat/hull';

/** Left and right of the boat in the drawing, in its own units. */
const PAD = { left: 74, right: 56 } as const;
export const WIDTH = 930;

/**
 * Carries hull millimetres to the drawing and back. Bow is left; flipped, the drawing is turned half
 * round, as for a rigger on the other side of the boat.
 */
export class Scale {
  readonly perMm: number;

  constructor(
    readonly hull: Pick<HullSurface, 'length' | 'beam'>,
    readonly middle: number,
    readonly flipped = false,
  ) {
    this.perMm = (WIDTH - PAD.left - PAD.right) / hull.length;
  }

  x = (mm: number): number => (this.flipped ? WIDTH - PAD.right - mm * this.perMm : PAD.left + mm * this.perMm);
  /** Starboard lies above the centre line with the bow to the left. */
  y = (mm: number): number => this.middle + (this.flipped ? 1 : -1) * mm * this.perMm;
  mmX = (px: number): number => (this.flipped ? WIDTH - PAD.right - px : px - PAD.left) / this.perMm;
  mmY = (px: number): number => ((px - this.middle) * (this.flipped ? 1 : -1)) / this.perMm;
}
