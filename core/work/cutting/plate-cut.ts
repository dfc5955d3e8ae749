import polygonClipping from 'polygon-clipping';
import type { ShopSettings } from '../../parts/shop';
import { distanceToHazard } from '../../holding/drilling';
import type { Fitted } from '../../holding/fitted';
import type { HullModel } from '../../boat/hull';
import { toHull } from '../../layout';
import { plateFor, type FastenerSpot } from '../../holding/mounting';

/** A backing plate as it is cut: its outline and holes from its own middle, u aft and v to starboard, mm. */
export interface CutPlate {
  readonly long: number;
  readonly wide: number;
  readonly holes: readonly FastenerSpot[];
  readonly outline: readonly (readonly [number, number])[];
  /** What it is cut clear of. */
  readonly clears: readonly string[];
  /** Why it cannot be cut clear and still hold, or null. */
  readonly cannot: string | null;
}

/** A plate is cut so far clear of what lies behind the wall (judgement), mm. */
const CLEAR = 3;
/** How closely the plate is looked over, mm. */
const CELL = 2.5;

interface Notch {
  readonly u: readonly [number, number];
  readonly v: readonly [number, number];
}

const area = ({ u, v }: Notch): number => (u[1] - u[0]) * (v[1] - v[0]);

/** Ways to open a blocked piece of the plate to its edge, the smallest first. */
function notches(blocked: Notch, long: number, wide: number): Notch[] {
  const [hu, hv] = [long / 2, wide / 2];
  const { u, v } = blocked;
  return [
    { u: [-hu, u[1]], v } as const,
    { u: [u[0], hu], v } as const,
    { u, v: [-hv, v[1]] } as const,
    { u, v: [v[0], hv] } as const,
  ].sort((a, b) => area(a) - area(b));
}

const gap = (x: number, [low, high]: readonly [number, number]): number => Math.max(0, low - x, x - high);

/**
 * The plate behind the bolts of a fitting, cut clear of ribs, tubes and all else known to lie where it would: each
 * is let in by a square notch from the nearest edge that leaves every hole its edge distance.
 *
 * @returns null for what has no plate
 */
export function plateCut(hull: HullModel, { placed, mounted }: Fitted, shop: ShopSettings): CutPlate | null {
  if (!mounted.plate || mounted.spots.length === 0) return null;
  const diameter = mounted.thread?.diameter ?? 6;
  const { long, wide, middle, holes } = plateFor(mounted.spots, diameter, mounted.thread?.washerDiameter ?? 12);
  const { frame } = placed;
  const deep = frame.wall + shop.holding.plate / 2;
  const reach = shop.holding.plate / 2 + CLEAR;
  const found = hull.hazards.flatMap((hazard): { name: string; blocked: Notch }[] => {
    let blocked: Notch | null = null;
    for (let u = -long / 2; u <= long / 2; u += CELL)
      for (let v = -wide / 2; v <= wide / 2; v += CELL) {
        const p = toHull(frame, u + middle.u, v + middle.v, -deep);
        if (distanceToHazard(p, hazard) > reach) continue;
        blocked = blocked
          ? {
              u: [Math.min(blocked.u[0], u - CELL), Math.max(blocked.u[1], u + CELL)],
              v: [Math.min(blocked.v[0], v - CELL), Math.max(blocked.v[1], v + CELL)],
            }
          : { u: [u - CELL, u + CELL], v: [v - CELL, v + CELL] };
      }
    return blocked ? [{ name: hazard.name, blocked }] : [];
  });
  const edge = 2 * diameter;
  const clearOf = (n: Notch): boolean => holes.every((h) => Math.hypot(gap(h.u, n.u), gap(h.v, n.v)) >= edge);
  const cuts: Notch[] = [];
  let cannot: string | null = null;
  for (const { name, blocked } of found) {
    const cut = notches(blocked, long, wide).find(clearOf);
    if (cut) cuts.push(cut);
    else cannot ??= `${name} lies where its plate bears on a bolt: no notch leaves it two diameters to the edge`;
  }
  const ring = ({ u, v }: Notch): [number, number][] => [
    [u[0], v[0]],
    [u[1], v[0]],
    [u[1], v[1]],
    [u[0], v[1]],
    [u[0], v[0]],
  ];
  const whole = ring({ u: [-long / 2, long / 2], v: [-wide / 2, wide / 2] });
  const pieces = cuts.length ? polygonClipping.difference([whole], ...cuts.map((c) => [ring(c)])) : [[whole]];
  if (pieces.length !== 1) cannot ??= 'what lies behind the wall cuts its plate in two';
  return { long, wide, holes, outline: pieces[0]?.[0] ?? whole, clears: found.map((f) => f.name), cannot };
}
