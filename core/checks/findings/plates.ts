import { plateCut } from '../../work/cutting/plate-cut';
import { mm, say } from '../../base/units';
import { check } from './check';
import { about, nameOf, type Raw } from './finding';

/** A backing plate behind which something lies: it is cut clear of it, or it cannot be. */
export const plateClear = check({
  about: 'rig',
  finds: {
    'plate-blocked': { called: 'No room for a backing plate', severity: 'stop', since: 4 },
    'plate-notched': { called: 'Backing plate to be notched', severity: 'note', since: 4 },
  },
  judge: ({ owned, hull, shop, memory }) =>
    owned.flatMap((item): Raw[] => {
      const plate = item.mounted.plate ? memory.of('plate', item, () => plateCut(hull.model, item, shop)) : null;
      if (!plate || (plate.clears.length === 0 && !plate.cannot)) return [];
      const what = plate.clears.join(' and ');
      return [
        {
          ...about(item),
          step: 'drill',
          code: plate.cannot ? 'plate-blocked' : 'plate-notched',
          severity: plate.cannot ? 'stop' : 'note',
          says: plate.cannot
            ? say`No plate goes behind ${nameOf(item)}: ${plate.cannot}.`
            : say`The plate behind ${nameOf(item)} is notched for the ${what}.`,
          because: say`It is ${mm(plate.long)} by ${mm(plate.wide)}, ${mm(shop.holding.plate)} thick, and would lie on the ${what}.`,
        },
      ];
    }),
});
