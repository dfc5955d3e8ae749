import { entryOf } from './entry-of';
import type { Brief } from './brief';
import type { Plan } from './plan';

/**
 * The brief as it is in one set: who sits there, and how, where the set says so.
 * @param set null for the rig as a whole
 */
export function briefIn({ brief, sets }: Pick<Plan, 'brief' | 'sets'>, set: string | null): Brief {
  const sits = set === null ? undefined : entryOf(sets, set)?.sits;
  if (!sits) return brief;
  const { first = {}, second = {}, feetAt = brief.feetAt } = sits;
  const { body: firstBody = {}, at: seatAt = brief.seatAt, raise = brief.raise, recline = brief.recline } = first;
  const { castHand = brief.castHand, reelHand = brief.reelHand } = first;
  // Who has no hands of their own in the brief has those of the first there, not of a guest in the first seat.
  const theirs = first.castHand || first.reelHand ? handednessOf(brief, 'second') : {};
  const { body: secondBody, ...how } = second ?? {};
  const who = secondBody ?? brief.second;
  return {
    ...brief,
    ...firstBody,
    seatAt,
    raise,
    recline,
    feetAt,
    castHand,
    reelHand,
    second: second === null || !who ? null : { ...brief.second, ...theirs, ...who, ...how },
  };
}

/** Which hand somebody casts and reels with. */
export interface Handedness {
  readonly castHand: Brief['castHand'];
  readonly reelHand: Brief['reelHand'];
}

/** The hands of one aboard: of a second paddler who says nothing, those of the first. */
export const handednessOf = (brief: Brief, person: 'first' | 'second'): Handedness => ({
  castHand: (person === 'second' ? brief.second?.castHand : undefined) ?? brief.castHand,
  reelHand: (person === 'second' ? brief.second?.reelHand : undefined) ?? brief.reelHand,
});
