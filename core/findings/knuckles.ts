import { BODY, hipOf, OVER_GUNWALE, overBand, paddlers, type Paddler } from '../layout';
import type { Fitted } from '../drilling';
import type { HullSurface } from '../hull';
import { mm, say, sideOf } from '../units';
import { about, type Judgement, nameOf, type Raw } from './finding';

/** Half the breadth of the band over the gunwale edge in which knuckles pass (judgement), mm. */
const BAND = 70;

/** How far into the hands' return path a fitting stands: along the gunwale from the hip forward. */
function knuckled(hull: HullSurface, item: Fitted, p: Paddler): number | undefined {
  const fore = p.seatX - (BODY.grip + 0.06) * p.stature;
  const aft = hipOf(p).x + 0.04 * p.stature;
  let most = 0;
  for (const b of item.placed.bodies)
    for (const [x, y] of b.outline) {
      if (x < fore || x > aft) continue;
      const off = Math.abs(Math.abs(y) - hull.halfBreadth(x));
      const over = b.top - hull.gunwale(x);
      // What is higher stands in the stroke, and is said there.
      if (off <= BAND && over > 0 && over <= OVER_GUNWALE) most = Math.max(most, Math.min(over, aft - x));
    }
  return most >= 1 ? most : undefined;
}

/** Low hardware on the gunwale beside the seat: the hands hit it on the return stroke. */
export const knuckles: Judgement = ({ plan, items, hull, shop, memory }) => {
  if (!plan.brief.propulsion.includes('paddle')) return [];
  return items.flatMap((item): Raw[] => {
    const verdict = memory.of('knuckles', item.placed, () =>
      overBand(shop, (scale) =>
        paddlers(hull, plan.brief, scale)
          .map((p) => knuckled(hull, item, p))
          .find((by) => by !== undefined),
      ),
    );
    if (!verdict) return [];
    return [
      {
        ...about(item),
        code: 'knuckles',
        severity: verdict.nominal ? 'stop' : 'look',
        curable: true,
        says: say`${nameOf(item)} stands ${mm(verdict.hit, 'up')} over the ${sideOf(item.placed.frame.origin.y)} gunwale where the hands return.`,
        because: say`Knuckles pass within ${mm(BAND)} of the edge from the hip forward. Aft of the hip it is clear.`,
      },
    ];
  });
};
