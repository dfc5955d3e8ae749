import type { Fitted } from '../../holding/fitted';
import { loadOf } from '../../water/float';
import { standsOnLid } from '../../holding/inside';
import { kg, over, say } from '../../base/units';
import { check } from './check';
import { about, isWorn, nameOf, type Raw } from './finding';
import { intoRooms } from './other-rooms';

/** What stands on the lid of a hatch weighs no more than the lid bears, all of it together with what is in it and on it. */
export const lidsBear = check({
  about: 'set',
  finds: {
    'lid-overloaded': { called: 'Lid overloaded', severity: 'stop', acceptedBy: 'manager', since: 14 },
  },
  judge: (judged) => {
    const { hull, items, plan, shop, memory } = judged;
    const most = shop.limits.lidKg;
    return hull.model.hatches.flatMap((hatch): Raw[] => {
      const onIt = items.filter(
        (i) =>
          !i.placed.below && memory.pair('on a lid', hatch, i.placed, () => standsOnLid(i.placed, hatch)) && !isWorn(i, hull),
      );
      const loads = onIt.map((item) => ({ item, kg: loadOf(hull, item, items, plan).kg })).sort((a, b) => b.kg - a.kg);
      const all = loads.reduce((sum, l) => sum + l.kg, 0);
      const [heaviest] = loads;
      if (!heaviest || all <= most) return [];
      const { item } = heaviest;
      return [
        {
          ...about(item),
          code: 'lid-overloaded',
          detail: hatch.id,
          fixable: true,
          measure: over(all, 'kg', most),
          says: say`${kg(all)} stand on the ${hatch.name}, ${listedOf(loads.map((l) => l.item))}; its lid bears ${kg(most)}.`,
          because: say`A lid that bows lets water in by its seal, and does not open with that on it. On the deck beside it, or inside.`,
          tries: (now) => (item.placed.part.inside ? intoRooms(item, now, () => true) : []),
        },
      ];
    });
  },
});

const listedOf = (items: readonly Fitted[]): string => items.map((i) => `${i.letter}, ${nameOf(i)}`).join('; ');
