import type { Fitted } from '../../holding/fitted';
import { waterAt } from '../../water/float';
import { reachedFromWater } from '../../layout';
import type { Part } from '../../parts/parts';
import { fittingOf, freeKey } from '../../rig';
import { mm, say, sideOf, sideSign, type Side, over } from '../../base/units';
import { check } from './check';
import { about, aboutHull, isWorn, type Judged, nameOf, type Raw, toOtherSide, topOf, type Try } from './finding';

/** Half the length of side a swimmer needs to come over (judgement), mm. */
const WIDE = 300;
/** So far beside their hold a swimmer comes over, mm (judgement). */
const BESIDE = [0, -100, 100, -200, 200, -300, 300, -400, 400] as const;
/** What a swimmer can slide over (judgement), mm over the gunwale. */
const LOW = 120;

/** What stands on the edge where a swimmer comes over. */
function blocks({ items, hull }: Judged, aid: Fitted, side: Side, at: number): Fitted | undefined {
  return items.find(
    (i) =>
      i !== aid &&
      !isWorn(i, hull) &&
      topOf(i) - hull.gunwale(at) > LOW &&
      i.placed.bodies.some((b) =>
        b.outline.some(([x, y]) => Math.abs(x - at) < WIDE && y * sideSign(side) > 0.6 * hull.halfBreadth(x)),
      ),
  );
}

/** Strap, ladder or flip line in reach from the water, on a side that is clear. */
export const gettingBack = check({
  about: 'set',
  ofBody: true,
  finds: {
    'getting-back': { called: 'In the way of getting back aboard', severity: 'stop', since: 2 },
  },
  judge: (judged): Raw[] => {
    const { items, hull, paddlers, float } = judged;
    const [p] = paddlers;
    const aids = items.filter((i) => i.placed.part.use.reboards);
    if (!p || aids.length === 0) return [];
    const tries = aids.map((aid) => {
      const { origin } = aid.placed.frame;
      const own = sideOf(origin.y);
      const sides: readonly Side[] = own === 'centre' ? ['port', 'starboard'] : [own];
      // One comes over beside the hold as well as abreast of it, where the side is clear and an arm still gets to it.
      return sides.flatMap((side) =>
        BESIDE.map((off) => ({
          ...{ aid, side, off },
          short: reachedFromWater(hull, p, origin, { side, waterline: waterAt(float, origin.x), x: origin.x + off }),
          by: blocks(judged, aid, side, origin.x + off),
        })),
      );
    });
    const all = tries.flat();
    if (all.some((t) => t.short === 0 && !t.by)) return [];
    const best = [...all]
      .filter((t) => t.off === 0)
      .sort((a, b) => a.short - b.short || Number(Boolean(a.by)) - Number(Boolean(b.by)))[0];
    if (!best) return [];
    return [
      {
        ...about(best.aid),
        code: 'getting-back',
        fixable: true,
        measure:
          best.short > 0
            ? over(best.short, 'mm')
            : over(best.by ? topOf(best.by) - hull.gunwale(best.aid.placed.frame.origin.x) : 0, 'mm', LOW),
        says:
          best.short > 0
            ? say`${nameOf(best.aid)} lies ${mm(best.short, 'up')} out of reach from the water.`
            : say`${best.by?.letter ?? ''}, ${best.by ? nameOf(best.by) : ''}, stands ${mm(best.by ? topOf(best.by) - hull.gunwale(best.aid.placed.frame.origin.x) : 0, 'up')} over the ${best.side} gunwale where a swimmer would come back on.`,
        because: say`Re-entry must be possible with the gear on: ${mm(2 * WIDE)} of side clear, the hold within an arm's reach over the edge.`,
        tries: toOtherSide(hull, best.aid),
      },
    ];
  },
});

/** Nothing to get back on by. */
export const noWayBack = check({
  about: 'set',
  finds: {
    'no-way-back': { called: 'No side clear to get back aboard', severity: 'look', since: 2 },
  },
  judge: ({ items, hull, plan }) => {
    if (items.some((i) => i.placed.part.use.reboards) || items.length === 0) return [];
    if (!plan.brief.waters.some((w) => w === 'inshore' || w === 'offshore' || w === 'night')) return [];
    return [
      {
        ...aboutHull(hull, hull.model.seat.x),
        code: 'no-way-back',
        fixable: true,
        says: say`Nothing aboard to get back on by.`,
        because: say`On ${plan.brief.waters.join(', ')} water a flip line, strap or ladder is reached from the water.`,
        tries: flipLine,
      },
    ];
  },
});

/** The range's flip line, laid beside the seat. */
function flipLine({ hull, set, plan }: Judged, range: readonly Part[]): Try[] {
  const line = range.find((p) => p.use.reboards === 'flip line');
  if (!line) return [];
  const x = hull.model.seat.x;
  const to = fittingOf(line, { on: 'deck', x: x - 250, y: 0.6 * hull.halfBreadth(x), heading: 0 });
  const item = freeKey(`back-on${set ? `-${set}` : ''}`, (key) => Object.hasOwn(plan.fittings, key));
  return [
    {
      says: say`Put ${line.name} aboard`,
      changes: [{ kind: 'placeItem', item, to }],
    },
  ];
}
