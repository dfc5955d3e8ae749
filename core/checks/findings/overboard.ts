import { roomAbout } from '../../holding/inside';
import { joinFault } from '../../holding/mounting';
import { say } from '../../base/units';
import { check } from './check';
import { about, alone, isWorn, nameOf, type Raw } from './finding';

/** Of every loose thing: does it float, float with an added float, stay tied, or sink? */
export const overboard = check({
  about: 'set',
  finds: {
    sinks: { called: 'Sinks untied', severity: 'look', since: 2 },
  },
  judge: alone((item, { hull }): Raw[] => {
    const { part, fitting, below } = item.placed;
    // What a joint holds is not loose, whatever the joint holds to.
    const jointed = below !== undefined && part.joins?.foot !== undefined && joinFault(below.part, part) === null;
    const loose = item.mounted.hold === 'loose' && !jointed && !isWorn(item, hull);
    // A room with a lid keeps what is in it.
    if (roomAbout(hull, item.placed)?.space.hatches.length) return [];
    if (!loose || part.use.afloat !== 'sinks' || fitting.tether || fitting.float) return [];
    return [
      {
        ...about(item),
        code: 'sinks',
        fixable: true,
        says: say`${nameOf(item)} sinks and is not tied.`,
        because: say`After a capsize it is gone. A tether keeps it, a float brings it up.`,
        tries: [
          {
            says: say`Tie it`,
            changes: [
              {
                kind: 'tetherItem',
                item: item.placed.id,
                from: null,
                to: { to: null, length: Math.ceil((part.use.usedAt ?? 300) / 50) * 50 },
              },
            ],
          },
          { says: say`Add a float`, changes: [{ kind: 'floatItem', item: item.placed.id, from: null, to: true }] },
        ],
      },
    ];
  }),
});
