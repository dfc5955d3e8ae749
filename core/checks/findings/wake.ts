import { entryOf } from '../../rig';
import { toHull } from '../../layout';
import { mm, over, say, type Point } from '../../base/units';
import { check } from './check';
import { about, type Judged, nameOf, type Raw } from './finding';
import { propellers } from './tethers';

/** What stirs the water leaves it stirred so wide, half, mm; wider by so much of the way aft; and so far (judgement). */
const WAKE = {
  propeller: { half: 180, spreads: 0.1, far: 3000 },
  scupper: { half: 60, spreads: 0.05, far: 800 },
} as const;

interface Stirred {
  readonly at: Point;
  readonly by: string;
  readonly of: keyof typeof WAKE;
}

/** What stirs the water: propellers and drives that are down, and scuppers that are open. */
function stirrers(judged: Judged): Stirred[] {
  const { hull, plan } = judged;
  const taken = new Set(judged.items.flatMap(({ placed: { place } }) => (place.on === 'scupper' ? [place.scupper] : [])));
  const scuppers = hull.model.scuppers
    .filter((s) => !taken.has(s.id) && entryOf(plan.scuppers, s.id) !== 'plugged')
    .map((s): Stirred => ({ at: { x: s.x, y: s.y, z: hull.keel(s.x) }, by: 'an open scupper', of: 'scupper' }));
  return [
    ...propellers(judged).map(({ at, name }): Stirred => ({ at, by: `the propeller of ${name}`, of: 'propeller' })),
    ...scuppers,
  ];
}

/** A transducer in water that something ahead of it stirs: it hears bubbles. */
export const wake = check({
  about: 'set',
  finds: {
    'in-a-wake': { called: 'Transducer in a wake', severity: 'look', since: 14 },
  },
  judge: (judged) => {
    const { items } = judged;
    if (!items.some((i) => i.placed.part.sonar)) return [];
    const all = stirrers(judged);
    return items.flatMap((item): Raw[] => {
      const { sonar } = item.placed.part;
      if (!sonar) return [];
      const face = toHull(item.placed.frame, 0, 0, sonar.w + item.placed.fitting.lift);
      const [worst] = all
        .map((one) => {
          const aft = face.x - one.at.x;
          const { half, spreads, far } = WAKE[one.of];
          // What is ahead of it, or so far behind that the water is still again, is none.
          return { one, by: aft > 0 && aft <= far ? half + spreads * aft - Math.abs(face.y - one.at.y) : 0 };
        })
        .filter(({ by }) => by > 0)
        .sort((a, b) => b.by - a.by);
      if (!worst) return [];
      return [
        {
          ...about(item),
          code: 'in-a-wake',
          fixable: true,
          measure: over(worst.by, 'mm'),
          says: say`${nameOf(item)} stands ${mm(worst.by, 'up')} inside the wake of ${worst.one.by}.`,
          because: say`In stirred water it hears bubbles instead of the bottom (common practice, no source). Beside it, or ahead of it.`,
        },
      ];
    });
  },
});
