import { kg, mm, say, over } from '../../base/units';
import { check } from './check';
import { about, alone, type Raw } from './finding';

/** A fitting that hangs over the edge of the hull, or off the end of its track. */
export const offHull = check({
  about: 'set',
  finds: {
    'off-hull': { called: 'Off the hull', severity: 'stop', acceptedBy: 'nobody', since: 1 },
  },
  judge: alone((item, { hull }): Raw[] => {
    const { frame, place } = item.placed;
    if (!frame.off) return [];
    const beyond = Math.abs(frame.origin.y) - hull.halfBreadth(frame.origin.x);
    return [
      {
        ...about(item),
        code: 'off-hull',
        measure: place.on === 'track' ? null : over(Math.max(0, beyond), 'mm'),
        says:
          place.on === 'track'
            ? say`${item.placed.part.name} stands off the end of ${frame.surface}.`
            : say`${item.placed.part.name} stands ${mm(Math.max(0, beyond), 'up')} beyond the gunwale edge.`,
        because: say`There is nothing there to hold it.`,
      },
    ];
  }),
});

/** The way of holding that was chosen does not work here. */
export const cannotHold = check({
  about: 'rig',
  finds: {
    'cannot-hold': { called: 'Cannot be held so', severity: 'stop', acceptedBy: 'nobody', since: 1 },
  },
  judge: alone((item): Raw[] => {
    const why = item.mounted.cannot;
    if (!why) return [];
    return [
      {
        ...about(item),
        code: 'cannot-hold',
        says: say`${item.placed.part.name} is not held: ${why}.`,
        because: say`Choose another way to hold it, or another place.`,
      },
    ];
  }),
});

/** Everything aboard against the maker's rating. */
export const overloaded = check({
  about: 'set',
  ofBody: true,
  finds: {
    overloaded: { called: 'Overloaded', severity: 'stop', acceptedBy: 'nobody', decides: 'the owner', since: 1 },
  },
  judge: ({ hull, massKg, plan }) => {
    const most = hull.model.capacityKg;
    // The rating is for what is carried; the hull itself floats itself.
    const carried = massKg - hull.model.massKg;
    if (carried <= most) return [];
    return [
      {
        where: 'hull',
        letter: '',
        x: hull.length / 2,
        step: 'lay out',
        code: 'overloaded',
        fixable: false,
        measure: over(carried, 'kg', most),
        says: say`Paddler and gear weigh ${kg(carried)}; the maker rates this hull for ${kg(most)}.`,
        because: say`Paddler ${kg(plan.brief.weightKg)}, gear ${kg(carried - plan.brief.weightKg)}.`,
      },
    ];
  },
});
