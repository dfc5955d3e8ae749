import { hasGone } from './aboard';
import { entryOf } from './entry-of';
import type { Place, Plan } from './plan';
import type { Fitting } from './fitting';

/** A fitting where it stands in some sets of the rig. */
export interface Stand {
  readonly id: string;
  readonly fitting: Fitting;
  readonly place: Place;
  /** Empty at its own place, else the set that has it elsewhere, or has what it stands on elsewhere. */
  readonly elsewhere: string;
  /** The sets it stands here in; null when the rig has no sets. */
  readonly sets: readonly string[] | null;
}

/** The sets of a plan in their order. */
export const setsInOrder = (plan: Pick<Plan, 'sets'>): string[] =>
  Object.entries(plan.sets)
    .sort(([a, x], [b, y]) => x.order - y.order || (a < b ? -1 : 1))
    .map(([id]) => id);

/** The set whose place rules here: its own, or that of what it stands on. */
function rulingSet(plan: Pick<Plan, 'fittings'>, fitting: Fitting, set: string, depth = 0): string {
  if (fitting.elsewhere && Object.hasOwn(fitting.elsewhere, set)) return set;
  const below = fitting.place.on === 'fitting' ? entryOf(plan.fittings, fitting.place.fitting) : undefined;
  return below && depth < 20 ? rulingSet(plan, below, set, depth + 1) : '';
}

/** Every place every fitting takes: its own first, then those of sets that have it elsewhere. What has left the boat takes none. */
export function standsOf(plan: Pick<Plan, 'fittings' | 'sets'>): Stand[] {
  const sets = setsInOrder(plan);
  return Object.entries(plan.fittings).flatMap(([id, fitting]): Stand[] => {
    if (hasGone(fitting)) return [];
    if (sets.length === 0) return [{ id, fitting, place: fitting.place, elsewhere: '', sets: null }];
    const own = sets.filter((set) => !fitting.sets || fitting.sets.includes(set));
    const byRule = new Map<string, string[]>([['', []]]);
    for (const set of own) {
      const rule = rulingSet(plan, fitting, set);
      byRule.set(rule, [...(byRule.get(rule) ?? []), set]);
    }
    return [...byRule].map(([rule, here]) => ({
      id,
      fitting,
      place: entryOf(fitting.elsewhere, rule) ?? fitting.place,
      elsewhere: rule,
      sets: here,
    }));
  });
}
