import { comesOff } from '../../layout';
import { kg, mm, say, over } from '../../base/units';
import { check } from './check';
import { about, aboutHull, alone, nameOf, type Raw, topOf } from './finding';

/** What stands higher than this over the gunwale must come off for a roof (judgement), mm. */
const ROOF = 250;

/** What one person lifts to a roof: the hull with all that stays on it. */
export const roofLift = check({
  about: 'rig',
  finds: {
    'roof-lift': { called: 'Heavy to lift to the roof', severity: 'look', since: 2 },
  },
  judge: ({ ashore, hull, plan, shop }) => {
    const { road, lifts } = plan.brief;
    if (road !== 'roof' || lifts !== 'alone') return [];
    const { stays, hullKg, gearKg, all } = ashore;
    if (all.kg <= shop.limits.aloneKg) return [];
    return [
      {
        ...aboutHull(hull),
        step: 'brief',
        code: 'roof-lift',
        fixable: true,
        measure: over(all.kg, 'kg', shop.limits.aloneKg),
        says: say`Hull and what stays on it weigh ${kg(all.kg)}; one person lifts ${kg(shop.limits.aloneKg)} to a roof easily.`,
        because: say`Hull ${kg(hullKg)}, ${stays.length} fittings that stay ${kg(gearKg)}.`,
        tries: [
          { says: say`Two people lift it`, changes: [{ kind: 'answerBrief', from: { lifts: 'alone' }, to: { lifts: 'two' } }] },
        ],
      },
    ];
  },
});

/** Tall things that stay on for the road. */
export const roadHeight = check({
  about: 'set',
  finds: {
    'road-height': { called: 'Too high on the road', severity: 'look', since: 2 },
  },
  judge: alone((item, { hull, plan }): Raw[] => {
    const { frame, fitting } = item.placed;
    if (plan.brief.road !== 'roof' || comesOff(item.placed)) return [];
    const rises = topOf(item) - hull.gunwale(frame.origin.x);
    if (rises <= ROOF) return [];
    return [
      {
        ...about(item),
        code: 'road-height',
        fixable: fitting.lift > 0,
        measure: over(rises, 'mm', ROOF),
        says: say`${nameOf(item)} stays on for the road and stands ${mm(rises, 'up')} over the gunwale.`,
        because: say`On a roof what stands over ${mm(ROOF)} must come off or fold.`,
        tries:
          fitting.lift > 0
            ? [
                {
                  says: say`Lower it ${mm(fitting.lift)}`,
                  changes: [{ kind: 'liftItem', item: item.placed.id, from: fitting.lift, to: 0 }],
                },
              ]
            : [],
      },
    ];
  }),
});
