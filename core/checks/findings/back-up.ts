import { graspOf, reachOf, usedHow } from '../../layout';
import { mm, say, over } from '../../base/units';
import { check } from './check';
import { about, aboutHull, nameOf, type Raw } from './finding';
import { takenAt } from './inside-reach';

/** Something aboard that brings a pedal or motor boat home. */
export const backUp = check({
  about: 'set',
  ofBody: true,
  finds: {
    'no-back-up': { called: 'No spare paddle', severity: 'look', decides: 'the owner', since: 2 },
    'back-up-reach': { called: 'Spare paddle out of reach', severity: 'look', since: 2 },
  },
  judge: ({ items, plan, hull, paddlers }): Raw[] => {
    const { propulsion, backUp: wanted } = plan.brief;
    const driven = propulsion.length > 0 && !propulsion.includes('paddle');
    if (!driven && wanted.length === 0) return [];
    const means = wanted.length ? wanted : (['paddle'] as const);
    return means.flatMap((what): Raw[] => {
      const spares = items.filter((i) => i.placed.part.use.spareFor === what);
      if (spares.length === 0)
        return [
          {
            ...aboutHull(hull),
            code: 'no-back-up',
            detail: what,
            says: say`No spare ${what} aboard.`,
            because: say`The boat moves by ${propulsion.join(', ')}. When that fails something must bring them home.`,
          },
        ];
      const reached = spares.flatMap((i) => paddlers.map((p) => ({ i, r: reachOf(p, takenAt(hull, i) ?? graspOf(i.placed)) })));
      if (reached.some(({ r }) => r.zone !== 'out of reach')) return [];
      const nearest = reached.sort((a, b) => a.r.beyond - b.r.beyond)[0];
      // What is used all the time is said to be out of reach once, by its use.
      if (!nearest || usedHow(nearest.i.placed) === 'always') return [];
      return [
        {
          ...about(nearest.i),
          code: 'back-up-reach',
          fixable: true,
          measure: over(nearest.r.beyond, 'mm'),
          says: say`${nameOf(nearest.i)} lies ${mm(nearest.r.beyond, 'up')} beyond the hand: it cannot be changed afloat.`,
          because: say`The back-up is taken from the seat, within a half turn.`,
        },
      ];
    });
  },
});
