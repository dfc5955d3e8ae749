import { kg, say, under } from '../../base/units';
import { check } from './check';
import { aboutHull, type Raw } from './finding';

/** Propulsion the brief names and the boat does not have: no drive in the hull or aboard, no motor or place for one. */
export const propulsion = check({
  about: 'rig',
  finds: {
    'no-propulsion': { called: 'Nothing to drive the boat', severity: ['look', 'stop'], decides: 'the owner', since: 4 },
  },
  judge: ({ plan, hull, owned }) => {
    const { model } = hull;
    const has = {
      paddle: true,
      pedals:
        model.feet?.kind === 'pedals' ||
        (model.moving ?? []).some((m) => m.drives) ||
        owned.some((i) => i.placed.part.use.propels === 'pedals'),
      motor: owned.some((i) => i.placed.part.use.propels === 'motor'),
    };
    return plan.brief.propulsion.flatMap((what): Raw[] => {
      if (has[what]) return [];
      return [
        {
          ...aboutHull(hull, model.seat.x),
          step: 'brief',
          code: 'no-propulsion',
          detail: what,
          // A motor comes with the rig; a pedal well does not.
          severity: what === 'pedals' ? 'stop' : 'look',
          says:
            what === 'pedals'
              ? say`The brief says pedals; ${model.name} has no pedal drive.`
              : say`The brief says motor; none is aboard.`,
          because:
            what === 'pedals'
              ? say`Another hull, or another answer.`
              : say`Place one with its battery, or answer otherwise. ${model.plates?.length ? 'The hull has a plate for it.' : 'The hull has no plate for it.'}`,
        },
      ];
    });
  },
});

/** Less of the rating left than this share for gear is said early (judgement). */
const LITTLE = 0.1;

/** The paddlers alone against the maker's rating: said when the hull is chosen, before any gear. */
export const hullTooSmall = check({
  about: 'rig',
  ofBody: true,
  finds: {
    'little-rating-left': { called: 'Little of the hull’s rating left', severity: 'look', decides: 'the owner', since: 4 },
  },
  judge: ({ plan, hull }): Raw[] => {
    const { capacityKg, name } = hull.model;
    const people = plan.brief.weightKg + (plan.brief.second?.weightKg ?? 0);
    const left = capacityKg - people;
    if (left < 0 || left >= LITTLE * capacityKg) return [];
    return [
      {
        ...aboutHull(hull, hull.model.seat.x),
        step: 'brief',
        code: 'little-rating-left',
        measure: under(left, 'kg', LITTLE * capacityKg),
        says: say`${name} is rated for ${kg(capacityKg)}: with the paddlers aboard ${kg(left)} is left for gear.`,
        because: say`Paddlers ${kg(people)}. A hull rated higher carries the rig and floats steadier.`,
      },
    ];
  },
});
