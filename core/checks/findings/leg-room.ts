import { boundsOf, intoLegs, legsOf, near, overBand, paddlers, type Bounds, type Leg } from '../../layout';
import { mm, over, say } from '../../base/units';
import { check } from './check';
import { about, alone, nameOf, touchesSomebody, toOtherSide, type Alone, type Raw } from './finding';

/** Nothing touches a leg within this (judgement), mm. */
const TOUCH = 30;
/** What lies so flat on the floor the heels go over (judgement), mm. */
const FLAT = 40;

interface Legs {
  readonly all: readonly Leg[];
  readonly within: Bounds;
}

/** The legs of everybody who sits, at a stature so much larger or smaller, with the box they lie in. */
const legsAt = ({ hull, plan, memory }: Alone, scale: number): Legs =>
  memory.last(`legs ${scale}`, [], () => {
    const all = paddlers(hull, plan.brief, scale).flatMap((p) => legsOf(hull, p));
    const limbs = all.flatMap(({ ways }) => ways.flat());
    const reach = (k: 'x' | 'y' | 'z', way: 1 | -1): number =>
      way * Math.max(-Infinity, ...limbs.flatMap(({ from, to, radius }) => [way * from[k] + radius, way * to[k] + radius])) +
      way * TOUCH;
    return {
      all,
      within: {
        ...{ fore: reach('x', -1), aft: reach('x', 1), port: reach('y', -1), starboard: reach('y', 1) },
        ...{ bottom: reach('z', -1), top: reach('z', 1) },
      },
    };
  });

/** What stands where somebody's thighs, shanks or turning feet are. */
export const legRoom = check({
  about: 'set',
  ofBody: true,
  finds: {
    'leg-room': { called: 'In the leg room', severity: ['look', 'stop'], alsoOfMakers: true, since: 14 },
  },
  judge: alone((item, judged): Raw[] => {
    const { hull, shop } = judged;
    const { bodies } = item.placed;
    if (touchesSomebody(item, hull)) return [];
    const solids = bodies.filter((b) => b.top > hull.spot(item.placed.frame.origin.x, item.placed.frame.origin.y).z + FLAT);
    if (solids.length === 0) return [];
    const verdict = overBand(shop, (scale) => {
      const { all, within } = legsAt(judged, scale);
      if (!near(within, boundsOf(solids))) return undefined;
      return intoLegs(all, solids, TOUCH) || undefined;
    });
    if (!verdict) return [];
    const pedals = hull.model.feet?.kind === 'pedals';
    const touches = verdict.hit > TOUCH;
    return [
      {
        ...about(item),
        code: 'leg-room',
        // Nearer than is comfortable wants an eye; what is hit does not go.
        severity: verdict.nominal && touches ? 'stop' : 'look',
        fixable: true,
        measure: over(verdict.hit, 'mm'),
        says: verdict.nominal
          ? touches
            ? say`${nameOf(item)} stands ${mm(verdict.hit - TOUCH, 'up')} into the legs.`
            : say`${nameOf(item)} stands ${mm(verdict.hit, 'up')} too near the legs.`
          : say`${nameOf(item)} is clear of the legs, but ${mm(verdict.hit, 'up')} too near for a body ±${Math.round(shop.stroke.body * 100)} %.`,
        because: say`Thighs, shanks and ${pedals ? 'feet on turning pedals' : 'feet'} want ${mm(TOUCH)} clear all round, the knees held where that is easiest; stature ${mm(judged.plan.brief.stature)}. A leg that is held there holds its owner when the boat goes over.`,
        tries: toOtherSide(hull, item),
      },
    ];
  }),
});
