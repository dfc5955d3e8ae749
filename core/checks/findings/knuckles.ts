import { KNUCKLE_BAND } from '../../layout';
import { mm, over, say, sideOf } from '../../base/units';
import { check } from './check';
import { about, isWorn, nameOf, type Raw } from './finding';
import { knucklesOn, strokeOn } from './paddle-stroke';

/** Low hardware on the gunwale beside the seat: the hands hit it on the return stroke. What stands in the stroke is said there. */
export const knuckles = check({
  about: 'set',
  ofBody: true,
  finds: {
    knuckles: { called: 'Knuckles hit it', severity: ['look', 'stop'], alsoOfMakers: true, since: 2 },
  },
  judge: (judged) => {
    const { plan, items, hull } = judged;
    if (!plan.brief.propulsion.includes('paddle')) return [];
    const inStroke = strokeOn(judged);
    return items.flatMap((item): Raw[] => {
      const verdict = knucklesOn(judged, item);
      if (!verdict || isWorn(item, hull) || inStroke(item)) return [];
      return [
        {
          ...about(item),
          code: 'knuckles',
          severity: verdict.nominal ? 'stop' : 'look',
          fixable: true,
          measure: over(verdict.hit, 'mm'),
          says: say`${nameOf(item)} stands ${mm(verdict.hit, 'up')} over the ${sideOf(item.placed.frame.origin.y)} gunwale where the hands return.`,
          because: say`Knuckles pass within ${mm(KNUCKLE_BAND)} of the edge from the hip forward. Aft of the hip it is clear.`,
        },
      ];
    });
  },
});
