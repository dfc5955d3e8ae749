import { bodyOverlap, boundsOf, near, overBand, paddlers, seatedBodies } from '../../layout';
import { mm, over, say } from '../../base/units';
import { check } from './check';
import { about, alone, nameOf, touchesSomebody, type Raw } from './finding';

/** What stands where somebody sits: in their hips, their trunk or their head. */
export const whereSits = check({
  about: 'set',
  ofBody: true,
  finds: {
    'where-sits': { called: 'Where somebody sits', severity: ['look', 'stop'], alsoOfMakers: true, since: 15 },
  },
  judge: alone((item, judged): Raw[] => {
    const { hull, plan, shop } = judged;
    const { bodies } = item.placed;
    if (touchesSomebody(item, hull)) return [];
    const verdict = overBand(shop, (scale) => {
      const people = paddlers(hull, plan.brief, scale).flatMap(seatedBodies);
      if (!people.some((p) => near(boundsOf([p]), boundsOf(bodies)))) return undefined;
      return Math.max(0, ...people.flatMap((p) => bodies.map((b) => bodyOverlap(p, b)))) || undefined;
    });
    if (!verdict) return [];
    return [
      {
        ...about(item),
        code: 'where-sits',
        severity: verdict.nominal ? 'stop' : 'look',
        fixable: true,
        measure: over(verdict.hit, 'mm'),
        says: verdict.nominal
          ? say`${nameOf(item)} stands ${mm(verdict.hit, 'up')} into where somebody sits.`
          : say`${nameOf(item)} is clear of who sits there, but ${mm(verdict.hit, 'up')} in the way of a body ±${Math.round(shop.stroke.body * 100)} %.`,
        because: say`Hips, back and head have that room from the seat up; stature ${mm(plan.brief.stature)}.`,
      },
    ];
  }),
});
