import { holesUnder } from '../../holding/drilling';
import type { Fitted } from '../../holding/fitted';
import { featuresOf } from '../../boat/hull';
import { entryOf, freeKey, takeOff, withoutBoat, type DraftChange } from '../../rig';
import { say, type Sentence } from '../../base/units';
import { check } from './check';
import { about, aboutHull, type Judged, nameOf, type Raw, type Try } from './finding';

/** Pegs and pedals are several. */
const isSo = (name: string, is: 'worn' | 'broken'): string => `${name.endsWith('s') ? 'are' : 'is'} ${is}`;

const because = (is: 'worn' | 'broken', said: string): Sentence =>
  is === 'broken'
    ? say`${said ? `${said}. ` : ''}It holds nothing any more, and may hurt somebody. Replace it or take it off.`
    : say`${said ? `${said}. ` : ''}Sun and salt go on with it: nothing is tied to it. Replace it, take it off, or leave it unused.`;

/** What came with the boat worn or broken, and is still to be used. */
export const wornThings = check({
  about: 'rig',
  finds: {
    worn: { called: 'Worn', severity: ['look', 'stop'], alsoOfMakers: true, since: 10 },
  },
  judge: ({ owned, ledger, hull, plan }) => [
    ...owned.flatMap((item): Raw[] => {
      const { id, fitting } = item.placed;
      const seen = ledger.seen.get(id);
      if (!fitting.aboard || !seen || seen.is === 'sound' || fitting.becomes?.is === 'left') return [];
      return [
        {
          ...about(item),
          code: 'worn',
          severity: seen.is === 'broken' ? 'stop' : 'look',
          says: say`${nameOf(item)} is ${seen.is}.`,
          because: because(seen.is, seen.says),
          fixable: true,
          tries: (judged) => waysOut(judged, item),
        },
      ];
    }),
    ...featuresOf(hull.model).flatMap((feature): Raw[] => {
      const seen = ledger.seen.get(feature.key);
      if (!seen || seen.is === 'sound' || entryOf(plan.features, feature.key)) return [];
      return [
        {
          ...aboutHull(hull, feature.x),
          code: 'worn',
          detail: feature.key,
          severity: seen.is === 'broken' ? 'stop' : 'look',
          says: say`The ${feature.name} ${isSo(feature.name, seen.is)}.`,
          because: because(seen.is, seen.says),
        },
      ];
    }),
  ],
});

/** A new one in the same holes, with what stood on the old one; or none; or this one left alone. */
function waysOut({ plan }: Judged, { placed, under }: Fitted): Try[] {
  const { id, fitting } = placed;
  const fresh = freeKey(`${id}-new`, (key) => Object.hasOwn(plan.fittings, key));
  const from = fitting.becomes ?? null;
  const open = new Set(under.map((h) => h.fact));
  const uses = Object.fromEntries(holesUnder(placed).filter(([, hole]) => open.has(hole)));
  const riders = Object.entries(plan.fittings).flatMap(([item, { place }]): DraftChange[] =>
    place.on === 'fitting' && place.fitting === id
      ? [{ kind: 'slideItem', item, from: place, to: { ...place, fitting: fresh } }]
      : [],
  );
  return [
    {
      says: say`Fit a new one in its place`,
      changes: [
        {
          kind: 'placeItem',
          item: fresh,
          to: { ...withoutBoat(fitting), suppliedBy: 'shop', note: '', ...(open.size ? { uses } : {}) },
        },
        ...riders,
        { kind: 'keepItem', item: id, from, to: { is: 'replaced', for: fresh } },
      ],
    },
    { says: say`Take it off`, changes: takeOff(plan, [id]).changes },
    { says: say`Leave it unused`, changes: [{ kind: 'keepItem', item: id, from, to: { is: 'left' } }] },
  ];
}
