import { entryOf } from '../../rig';
import type { Fitted } from '../../holding/fitted';
import type { HullSurface } from '../../boat/hull';
import { planOverlap, squareAt, type Placed } from '../../layout';
import { say, sideOf } from '../../base/units';
import { check } from './check';
import { about, aboutHull, type Judged, nameOf, type Raw } from './finding';

/** What stands flat on the deck over a scupper closes it; so high off it water still gets there (judgement), mm. */
const CLEAR = 10;

function coverOf({ items, hull, memory }: Judged, scupper: HullSurface['model']['scuppers'][number]): Fitted | undefined {
  const covers = ({ part, bodies }: Placed): boolean => {
    if (part.body.drains) return false;
    const { x, y, diameter } = scupper;
    const r = diameter / 2;
    const z = hull.spot(x, y).z;
    const hole = squareAt(x, y, r);
    return bodies.some((b) => b.bottom < z + CLEAR && b.top > z && planOverlap(b.outline, hole) > r);
  };
  return items.find((i) => memory.pair('covers', scupper, i.placed, () => covers(i.placed)));
}

/** What stands over a scupper that the plan has open. */
export const scupperCovered = check({
  about: 'set',
  finds: {
    'scupper-covered': { called: 'Scupper covered', severity: 'look', since: 2 },
  },
  judge: (judged) =>
    judged.hull.model.scuppers.flatMap((s): Raw[] => {
      if (entryOf(judged.plan.scuppers, s.id) === 'plugged') return [];
      const by = coverOf(judged, s);
      if (!by || by.placed.place.on === 'scupper') return [];
      return [
        {
          ...about(by),
          code: 'scupper-covered',
          detail: s.id,
          fixable: true,
          says: say`${nameOf(by)} stands on the ${sideOf(s.y)} scupper.`,
          because: say`Every blocked one is a drain less. Slide it off, raise it, or plan the scupper plugged.`,
          tries: [{ says: say`Plan it plugged`, changes: [{ kind: 'planScupper', scupper: s.id, from: null, to: 'plugged' }] }],
        },
      ];
    }),
});

/** A well in which nothing drains any more. */
export const noDrain = check({
  about: 'set',
  finds: {
    'no-drain': { called: 'Well that does not drain', severity: 'stop', since: 2 },
  },
  judge: (judged) => {
    const { hull, plan, items } = judged;
    const wells = new Map<string, { open: number; all: number; x: number }>();
    for (const s of hull.model.scuppers) {
      const name = hull.spot(s.x, s.y).name;
      const taken = items.some((i) => i.placed.place.on === 'scupper' && i.placed.place.scupper === s.id);
      const open = !taken && entryOf(plan.scuppers, s.id) !== 'plugged' && !coverOf(judged, s);
      const well = wells.get(name) ?? { open: 0, all: 0, x: s.x };
      wells.set(name, { ...well, open: well.open + Number(open), all: well.all + 1 });
    }
    return [...wells].flatMap(([name, well]): Raw[] => {
      if (well.open > 0) return [];
      const plugged = hull.model.scuppers.filter(
        (s) => hull.spot(s.x, s.y).name === name && entryOf(plan.scuppers, s.id) === 'plugged',
      );
      return [
        {
          ...aboutHull(hull, well.x),
          code: 'no-drain',
          detail: name.replace(/\W+/g, '-'),
          fixable: plugged.length > 0,
          says: say`Nothing drains the ${name}: ${well.all} of ${well.all} scuppers are plugged, taken or stood on.`,
          because: say`At rest some let a little water up; under way they drain. One open keeps it from filling.`,
          tries: plugged.slice(0, 1).map((s) => ({
            says: say`Open the ${sideOf(s.y)} one`,
            changes: [{ kind: 'planScupper' as const, scupper: s.id, from: 'plugged' as const, to: null }],
          })),
        },
      ];
    });
  },
});
