import type { Fitted } from '../../holding/fitted';
import { loadOf } from '../../water/float';
import { kg, over, say } from '../../base/units';
import { check } from './check';
import { aboutHull, nameOf, toOtherSide } from './finding';

/** Too light to matter for the lean (judgement), kg. */
const LIGHT = 2;

/** Gear to one side of the boat. */
export const sideToSide = check({
  about: 'set',
  finds: {
    leans: { called: 'Leans to one side', severity: 'look', since: 2 },
  },
  judge: ({ items, hull, shop, float, gearKg: total, plan }) => {
    const half = hull.beam / 2;
    // Weight far out counts for more: moment over the half beam, as a share of all gear. Hull and crew are in the middle.
    const lean = (float.massKg * float.centre.y) / half;
    if (total <= 0 || Math.abs(lean) < LIGHT || Math.abs(lean) / total <= shop.limits.list) return [];
    const side = lean < 0 ? 'port' : 'starboard';
    const leansBy = (i: Fitted): number => Math.sign(lean) * loadOf(hull, i, items, plan).kg * i.placed.frame.origin.y;
    const heavy = items.filter((i) => leansBy(i) > 0).sort((a, b) => leansBy(b) - leansBy(a));
    return [
      {
        ...aboutHull(hull),
        code: 'leans',
        fixable: true,
        measure: over(Math.abs(lean), 'kg'),
        says: say`Gear weighs to ${side}: as if ${kg(Math.abs(lean))} stood on that gunwale.`,
        because: say`That is ${Math.round((Math.abs(lean) / total) * 100)} % of the gear; ${Math.round(shop.limits.list * 100)} % is let pass.`,
        tries: heavy
          .slice(0, 4)
          .flatMap((i) => toOtherSide(hull, i).map((t) => ({ ...t, says: say`${i.letter}, ${nameOf(i)}, to the other side` }))),
      },
    ];
  },
});
