import { entryOf } from './entry-of';
import type { Brief, Plan } from './plan';

/**
 * The brief as it is in one set: who sits there, and how, where the set says so.
 * @param set null for the rig as a whole
 */
export function briefIn({ brief, sets }: Pick<Plan, 'brief' | 'sets'>, set: string | null): Brief {
  const sits = set === null ? undefined : entryOf(sets, set)?.sits;
  if (!sits) return brief;
  const { first = {}, second = {}, feetAt = brief.feetAt } = sits;
  const { body: firstBody = {}, at: seatAt = brief.seatAt, raise = brief.raise, recline = brief.recline } = first;
  const { body: secondBody, ...how } = second ?? {};
  const who = secondBody ?? brief.second;
  return {
    ...brief,
    ...firstBody,
    seatAt,
    raise,
    recline,
    feetAt,
    second: second === null || !who ? null : { ...brief.second, ...who, ...how },
  };
}
