import { graspOf, REACH, reachOf } from '../layout';
import { containersOf, isIn } from '../inside';
import { say } from '../units';
import type { ShopSettings } from '../shop';
import { aboutHull, type Judged, isWhat, type Judgement, type Raw } from './finding';
import { rodsCarried } from './clutter';

type Rule = ShopSettings['rules'][number]['rules'][number];

/** Why a rule is not kept, or null. */
function broken({ items, plan, hull, paddlers }: Judged, rule: Rule): string | null {
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
  const zones = there.flatMap((i) => paddlers.map((p) => reachOf(p, graspOf(i.placed)).zone));
  const best = Math.min(...zones.map((z) => REACH.indexOf(z)));
  return worn || best <= REACH.indexOf(rule.reach)
    ? null
    : `the ${rule.what} is not ${rule.reach === 'at hand' ? 'at hand' : 'within a half turn'}`;
}

/** The lists of rules the owner's events go by. */
export const eventRules: Judgement = (judged) =>
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
          severity: 'stop',
          says: say`${list.name}: ${rule.says}.`,
          because: say`Rule ${i + 1} of the list; ${why}.`,
        },
      ];
    });
  });
