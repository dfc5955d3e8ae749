import { graspOf, overBand, paddlers, REACH, reachedBy, usedHow, ZONE_FOR } from '../../layout';
import { isInside } from '../../holding/inside';
import { OFTEN_WORDS } from '../../parts/parts';
import { mm, say, over } from '../../base/units';
import { check } from './check';
import { about, alone, nameOf, type Raw } from './finding';

/** What is used often must be reached seated, with one hand. */
export const reach = check({
  about: 'set',
  ofBody: true,
  finds: {
    reach: { called: 'Out of reach', severity: ['look', 'stop'], since: 2 },
  },
  judge: alone((item, { plan, hull, shop }): Raw[] => {
    const { part } = item.placed;
    const often = usedHow(item.placed);
    const wanted = ZONE_FOR[often];
    if (wanted === 'out of reach' || !part.use.byHand || isInside(item.placed)) return [];
    const at = graspOf(item.placed);
    const verdict = overBand(shop, (scale) => {
      const best = reachedBy(paddlers(hull, plan.brief, scale), at);
      return best && REACH.indexOf(best.zone) > REACH.indexOf(wanted) ? best : undefined;
    });
    if (!verdict) return [];
    const { zone, beyond } = verdict.hit;
    return [
      {
        ...about(item),
        code: 'reach',
        severity: verdict.nominal && zone === 'out of reach' ? 'stop' : 'look',
        fixable: true,
        measure: over(beyond, 'mm'),
        says:
          beyond > 0
            ? say`${nameOf(item)} lies ${mm(beyond, 'up')} beyond the hand: ${zone}.`
            : say`${nameOf(item)} is behind the shoulder: a half turn, without seeing it.`,
        because: say`It is used ${OFTEN_WORDS[often]}, so it wants to be ${wanted === 'at hand' ? 'at hand' : 'within a half turn'}; stature ${mm(plan.brief.stature)}.`,
      },
    ];
  }),
});
