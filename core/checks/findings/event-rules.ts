import type { Fitted } from '../../holding/fitted';
import { graspOf, REACH, reachOf, type ReachZone } from '../../layout';
import { containersOf, insideZone, isIn, roomAbout } from '../../holding/inside';
import { say } from '../../base/units';
import type { ShopSettings } from '../../parts/shop';
import { check } from './check';
import { aboutHull, type Judged, isWhat, isWorn, type Raw } from './finding';
import { rodsCarried } from './clutter';

type Rule = ShopSettings['rules'][number]['rules'][number];

/** How a thing is reached where it is: what is worn at hand, what stands inside by an opening that the hand gets to. */
function zonesOf(judged: Judged, item: Fitted): ReachZone[] {
  const { hull, paddlers } = judged;
  if (isWorn(item, hull)) return ['at hand'];
  const room = roomAbout(hull, item.placed);
  return room && room.hatches.length > 0
    ? [insideZone(hull, room, item.placed, judged)]
    : paddlers.map((p) => reachOf(p, graspOf(item.placed)).zone);
}

/** Why a rule is not kept, or null. */
function broken(judged: Judged, rule: Rule): string | null {
  const { items, plan, hull } = judged;
  if (rule.rule === 'most rods') {
    const rods = rodsCarried(items);
    return rods > rule.count ? `${rods} rods aboard, ${rule.count} allowed` : null;
  }
  if (rule.rule === 'white light')
    return items.some((i) => i.placed.part.light?.shows === 'all round') ? null : 'no all-round white light aboard';
  const there = items.filter((i) => isWhat(i.placed.part, rule.what));
  const stowed = Object.values(plan.stowage).filter((s) => !s.later && s.what.toLowerCase().includes(rule.what.toLowerCase()));
  if (there.length + stowed.length === 0) return `no ${rule.what} aboard`;
  if (rule.reach === 'anywhere') return null;
  const containers = containersOf(hull, items);
  const worn = stowed.some((s) => containers.some((c) => c.worn && isIn(s, c)));
  const zones = there.flatMap((i) => zonesOf(judged, i));
  const best = Math.min(...zones.map((z) => REACH.indexOf(z)));
  return worn || best <= REACH.indexOf(rule.reach)
    ? null
    : `the ${rule.what} is not ${rule.reach === 'at hand' ? 'at hand' : 'within a half turn'}`;
}

/** The lists of rules the owner's events go by. */
export const eventRules = check({
  about: 'set',
  finds: {
    'event-rule': { called: 'Rule of an event', severity: 'stop', decides: 'the owner', since: 2 },
  },
  judge: (judged) =>
    judged.plan.brief.rules.flatMap((id): Raw[] => {
      const list = judged.shop.rules.find((r) => r.id === id);
      if (!list) return [];
      return list.rules.flatMap((rule, i): Raw[] => {
        const why = broken(judged, rule);
        if (!why) return [];
        return [
          {
            ...aboutHull(judged.hull),
            code: 'event-rule',
            detail: `${id}.${i + 1}`,
            says: say`${list.name}: ${rule.says}.`,
            because: say`Rule ${i + 1} of the list; ${why}.`,
          },
        ];
      });
    }),
});
