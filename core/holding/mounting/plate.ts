import type { FastenerSpot } from './loads';

/** A backing plate by its size, and where its middle lies in the part's frame, mm. */
export interface PlateOutline {
  readonly long: number;
  readonly wide: number;
  readonly middle: FastenerSpot;
  readonly holes: readonly FastenerSpot[];
}

/**
 * The plate behind a pattern of fasteners: their spread, and room to the edge on every side of two diameters
 * (common practice, no source) or three quarters of a washer, whichever is more, up to the next 5 mm.
 *
 * @returns holes from the plate's own middle
 */
export function plateFor(spots: readonly FastenerSpot[], diameter: number, washer: number): PlateOutline {
  const edge = Math.max(2 * diameter, 0.75 * washer);
  const span = (pick: (s: FastenerSpot) => number): { size: number; middle: number } => {
    const all = spots.map(pick);
    const [low, high] = [Math.min(...all), Math.max(...all)];
    return { size: Math.ceil((high - low + 2 * edge) / 5) * 5, middle: (low + high) / 2 };
  };
  const [u, v] = [span((s) => s.u), span((s) => s.v)];
  return {
    long: u.size,
    wide: v.size,
    middle: { u: u.middle, v: v.middle },
    holes: spots.map((s) => ({ u: s.u - u.middle, v: s.v - v.middle })),
  };
}
