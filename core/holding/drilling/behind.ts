import type { Behind, Opening } from '../fitted';
import type { ShopSettings } from '../../parts/shop';
import type { HullSurface } from '../../boat/hull';
import type { Point } from '../../base/units';
import { distanceToHazard, gapToHazard } from './hazard';
import { handTo, plateTo } from './inside';

/** How far a hole may be off: tape, hull and drill wander by root of squares (judgement), mm. */
export const toleranceBudget = (d: Pick<ShopSettings['drilling'], 'tape' | 'hull' | 'wander'>): number =>
  Math.hypot(d.tape, d.hull, d.wander);

/** What is put on from inside: nothing, a nut by hand, or a plate pulled up on wires. */
export type FromInside = 'nothing' | 'hand' | { readonly plate: number };

/** A hole to look behind. */
export interface Looked {
  /** Where the bit enters. */
  readonly at: Point;
  /** Unit vector into the hull. */
  readonly inward: Point;
  /** What is put on from inside; a plate by its smaller side, mm. */
  readonly inside: FromInside;
  /** How far bolt and nut stand out behind, mm; the shop's usual room when that is more. */
  readonly deep?: number;
  /** Where a hand gets in: the hull's own hatches and those the rig adds. */
  readonly openings?: readonly Opening[];
  /** Half the width of what goes in, where it is no mere bolt, mm. */
  readonly radius?: number;
  /** The bulkhead it goes into: that is no obstacle to it. */
  readonly into?: string;
}

/** Looks behind one hole: what the bit meets, and whether a hand gets to its nut. */
export function lookBehind(
  hull: HullSurface,
  { drilling: d }: Pick<ShopSettings, 'drilling'>,
  { at, inward, inside, deep = 0, openings = hull.model.hatches, radius = 0, into }: Looked,
): Behind {
  const depth = Math.max(d.depthBehind, deep);
  const along = (t: number): Point => ({ x: at.x + t * inward.x, y: at.y + t * inward.y, z: at.z + t * inward.z });
  let nearest: Behind['nearest'] = null;
  for (const boxed of hull.hazards) {
    const { hazard } = boxed;
    if (hazard.id === into) continue;
    if (nearest && gapToHazard(at, along(depth), boxed) - radius >= nearest.clear) continue;
    let clear = Infinity;
    for (let t = 0; t <= depth; t += 2.5) clear = Math.min(clear, distanceToHazard(along(t), hazard) - radius);
    if (!nearest || clear < nearest.clear) nearest = { name: hazard.name, clear };
  }
  const nut = along(Math.min(15, depth));
  const reach =
    inside === 'hand'
      ? handTo(hull, nut, openings, d.riggerStature)
      : inside === 'nothing'
        ? { access: null, blocked: null }
        : plateTo(hull, nut, openings, inside.plate);
  return { nearest, wanted: d.hazardMargin + toleranceBudget(d), ...reach };
}
