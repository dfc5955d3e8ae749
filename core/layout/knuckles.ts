import type { HullSurface } from '../boat/hull';
import type { Brief } from '../rig';
import type { ShopSettings } from '../parts/shop';
import type { Placed } from './placed';
import { BODY, hipOf, overBand, paddlers, type Paddler } from './paddler';
import { OVER_GUNWALE } from './paddle-pose';

/** Half the breadth of the band over the gunwale edge in which knuckles pass (judgement), mm. */
export const KNUCKLE_BAND = 70;

/** How far into the hands' return path bodies stand: along the gunwale from the hip forward, mm. */
function knuckled(hull: HullSurface, { bodies }: Placed, p: Paddler): number | undefined {
  const fore = p.seatX - (BODY.grip + 0.06) * p.stature;
  const aft = hipOf(p).x + 0.04 * p.stature;
  let most = 0;
  for (const b of bodies)
    for (const [x, y] of b.outline) {
      if (x < fore || x > aft) continue;
      const off = Math.abs(Math.abs(y) - hull.halfBreadth(x));
      const rises = b.top - hull.gunwale(x);
      // What is higher stands in the stroke, and is said there.
      if (off <= KNUCKLE_BAND && rises > 0 && rises <= OVER_GUNWALE) most = Math.max(most, Math.min(rises, aft - x));
    }
  return most >= 1 ? most : undefined;
}

/** Whether knuckles hit a fitting on the return stroke, by how much. */
export const knuckleHit = (
  hull: HullSurface,
  placed: Placed,
  brief: Brief,
  shop: ShopSettings,
): ReturnType<typeof overBand<number>> =>
  overBand(shop, (scale) =>
    paddlers(hull, brief, scale)
      .map((p) => knuckled(hull, placed, p))
      .find((by) => by !== undefined),
  );

/** Low hardware along one gunwale is met by the knuckles alone; what lies across the boat is not. */
export const lowOnTheGunwale = (hull: HullSurface, { bodies, frame }: Placed): boolean => {
  const side = Math.sign(frame.origin.y);
  return bodies.every((b) =>
    b.outline.every(([x, y]) => b.top <= hull.gunwale(x) + OVER_GUNWALE && side * y > hull.halfBreadth(x) - KNUCKLE_BAND),
  );
};
