import { isInside } from '../../holding/inside';
import { joinFault } from '../../holding/mounting';
import type { Hold } from '../../parts/parts';
import { say } from '../../base/units';
import { check } from './check';
import { about, alone, nameOf, type Raw, type Try } from './finding';

/** Holds that let go under a knock. */
const LETS_GO: readonly Hold[] = ['clamp', 'magnet', 'hook and loop', 'cable tie'];
/** A tether so long reaches what it is tied to beside it (judgement), mm. */
const LONG = 400;

/** Dear things on poles, clamps and balls, and whatever a magnet holds, have a second hold: a tie, a tether, a float. */
export const secondHold = check({
  about: 'set',
  finds: {
    'second-hold': { called: 'One hold only, over the side', severity: 'look', since: 10 },
  },
  judge: alone((item, { shop }): Raw[] => {
    const { part, fitting, below, id } = item.placed;
    const { hold, there } = item.mounted;
    const onJoint = below !== undefined && part.joins?.foot !== undefined && joinFault(below.part, part) === null;
    const dear = part.sold.priceCents >= shop.limits.dearCents;
    if (there || isInside(item.placed) || fitting.tether || fitting.float) return [];
    if (!(hold === 'magnet' || (dear && (LETS_GO.includes(hold) || onJoint)))) return [];
    // What is only set down and sinks is said already.
    if (hold === 'loose' && part.use.afloat === 'sinks') return [];
    const tie = (to: string | null, says: string): Try => ({
      says: say`${says}`,
      changes: [{ kind: 'tetherItem', item: id, from: null, to: { to, length: Math.max(LONG, part.use.usedAt ?? 0) } }],
    });
    return [
      {
        ...about(item),
        code: 'second-hold',
        fixable: true,
        says: say`${nameOf(item)} has one hold only: ${onJoint ? 'its joint' : hold === 'magnet' ? 'a magnet' : `a ${hold}`}.`,
        because: say`${hold === 'magnet' ? 'A magnet slides off under a knock.' : 'What is dear is tied besides: a knock or a wave opens a joint.'}`,
        tries: [
          ...(below ? [tie(below.id, `Tie it to ${below.part.name}`)] : []),
          tie(null, 'Tie it to the hull beside it'),
          { says: say`Add a float`, changes: [{ kind: 'floatItem', item: id, from: null, to: true }] },
        ],
      },
    ];
  }),
});
