import { toHull } from '../../layout';
import { mm, say, over } from '../../base/units';
import { check } from './check';
import { about, nameOf, type Raw } from './finding';

/** The transducer sits just below the hull line, or the hull shadows its beams. */
export const transducer = check({
  about: 'set',
  finds: {
    transducer: { called: 'Transducer not in clean water', severity: 'look', since: 2 },
  },
  judge: ({ items, hull, shop }) =>
    items.flatMap((item): Raw[] => {
      const { sonar } = item.placed.part;
      if (!sonar) return [];
      const face = toHull(item.placed.frame, 0, 0, sonar.w + item.placed.fitting.lift);
      const keel = hull.keel(face.x);
      const above = face.z - keel;
      // In a recess or scupper it is meant to look out of the hull's own bottom.
      if (item.placed.place.on === 'scupper') return [];
      const hidden = sonar.beam === 'side' ? (Math.atan2(above, Math.max(1, Math.abs(face.y))) * 180) / Math.PI : 0;
      const inside = Math.abs(face.y) < hull.halfWidth(face.x, face.z);
      const shoots = sonar.beam === 'down' && inside && above > 0;
      if (hidden <= shop.limits.sailing && !shoots) return [];
      return [
        {
          ...about(item),
          code: 'transducer',
          fixable: true,
          measure: shoots ? over(above, 'mm') : over(hidden, '°', shop.limits.sailing),
          says: shoots
            ? say`The face of ${nameOf(item)} is ${mm(above, 'up')} over the keel, inside the hull line: it would look through the hull.`
            : say`The hull shadows the far side beam of ${nameOf(item)} down to ${Math.ceil(hidden)}° under level.`,
          because: shoots
            ? say`Down and side beams do not pass a hull; only old through-hull sonar does.`
            : say`Its face is ${mm(above, 'up')} over the keel here; ${mm(Math.max(0, above - Math.abs(face.y) * Math.tan((shop.limits.sailing * Math.PI) / 180)), 'up')} lower it looks past. Tilt an arm a little: the water's push levels it under way.`,
        },
      ];
    }),
});
