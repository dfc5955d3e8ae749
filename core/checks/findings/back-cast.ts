import { castSpaces, overBand, snag } from '../../layout';
import { mm, say, over } from '../../base/units';
import { check } from './check';
import { about, isWorn, nameOf, type Raw, toOtherSide } from './finding';

/** What stands in the space a back cast sweeps: by casting hand, style, seated and standing. */
export const backCast = check({
  about: 'set',
  ofBody: true,
  finds: {
    'back-cast': { called: 'In the back cast', severity: ['look', 'stop'], alsoOfMakers: true, since: 2 },
  },
  judge: ({ plan, items, hull, shop, memory }) => {
    if (plan.brief.cast === 'none') return [];
    return items.flatMap((item): Raw[] => {
      const { bodies, rods, part } = item.placed;
      if (part.body.place === 'sat on' || isWorn(item, hull)) return [];
      const verdict = memory.of('back-cast', item.placed, () =>
        overBand(shop, (scale) =>
          memory
            .last(`casts ${scale}`, [], () => castSpaces(hull, plan.brief, shop, scale))
            .flatMap((space) => {
              const by = snag(space, bodies, rods);
              return by === undefined ? [] : [{ by, space }];
            })
            .sort((a, b) => b.by - a.by)
            .at(0),
        ),
      );
      if (!verdict) return [];
      const { by, space } = verdict.hit;
      const sweep =
        space.style === 'sidearm'
          ? say`A ${space.side === 'port' ? 'left' : 'right'}-handed sidearm cast sweeps low from ahead of abeam to ${shop.limits.astern}° short of dead astern, ${mm(space.radius)} out.`
          : say`An overhead cast goes up and back over the stern, ${mm(space.radius)} from the shoulder.`;
      return [
        {
          ...about(item),
          code: 'back-cast',
          severity: verdict.nominal ? 'stop' : 'look',
          fixable: true,
          measure: over(by, 'mm'),
          says: say`${nameOf(item)} stands ${mm(by, 'up')} into the ${space.style} back cast on the ${space.side} side.`,
          because: sweep,
          tries: toOtherSide(hull, item),
        },
      ];
    });
  },
});
