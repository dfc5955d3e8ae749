import { fairHull, type HullModel } from '@plain-cleat/core/boat/hull';

/** A hull's outline for small drawings: x and half-breadth at even steps. */
export function outlineOf(model: HullModel): [number, number][] {
  const hull = fairHull(model);
  return Array.from({ length: 41 }, (_, i) => {
    const x = (hull.length * i) / 40;
    return [Math.round(x), Math.round(hull.halfBreadth(x))];
  });
}
