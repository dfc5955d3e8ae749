import type { Catalog } from '../../parts/catalog';
import type { HullModel } from '../../boat/hull';
import type { Part } from '../../parts/parts';
import type { Price } from '../pricing';
import { fingerprint, type Ledger, type Plan, SIGNED_AREAS, type SignedArea } from '../../rig';
import type { BuildStep } from '../scheduling';
import { groupOf, SETTINGS_GROUPS, type ShopSettings } from '../../parts/shop';

/** All that a signature is for. */
export interface SignedThings {
  readonly plan: Plan;
  readonly hull: HullModel;
  /** The part of each fitting, in its revision, those of its own among them. */
  readonly parts: ReadonlyMap<string, Part>;
  readonly consumables: Catalog['consumables'];
  readonly shop: ShopSettings;
  readonly price: Price;
  readonly ledger: Pick<Ledger, 'holes'>;
  readonly steps: readonly BuildStep[];
}

/**
 * What a plan says, by what a signature for it is about. What is left out is no part of what an owner signs for: names,
 * pins and parts of one's own (they count as what they are), where the tape hooks, letters that freeze with the first print, photos, the promise.
 */
const OF_THE_PLAN = {
  fittings: 'aboard',
  sets: 'aboard',
  stowage: 'aboard',
  scuppers: 'aboard',
  features: 'aboard',
  runs: 'cables',
  lines: 'lines',
  brief: 'brief',
  day: 'brief',
  title: 'papers',
  wishes: 'papers',
  accepted: 'accepted',
  own: null,
  id: null,
  opened: null,
  promised: null,
  pins: null,
  tape: null,
  letters: null,
  photos: null,
} as const satisfies Record<keyof Plan, SignedArea | null>;

/** What each area holds, as it would be signed for now. */
const contents: Readonly<Record<SignedArea, (things: SignedThings) => unknown>> = {
  aboard: (t) => ofPlan(t.plan, 'aboard'),
  cables: (t) => ofPlan(t.plan, 'cables'),
  lines: (t) => ofPlan(t.plan, 'lines'),
  parts: ({ parts }) => [...parts].sort(([a], [b]) => (a < b ? -1 : 1)),
  hull: ({ hull, plan }) => [plan.pins.hull, hull],
  materials: ({ plan, price, consumables }) => {
    const taken = new Set(price.lines.map((l) => l.key));
    return [plan.pins.materials, consumables.filter((c) => taken.has(c.id))];
  },
  charges: ({ plan, shop, price }) => [plan.pins.shop.charges, groupOf(shop, 'charges'), price.lines, price.totals],
  rules: ({ plan, shop }) => SETTINGS_GROUPS.filter((g) => g !== 'charges').map((g) => [plan.pins.shop[g], groupOf(shop, g)]),
  // What a later rig does to this hull is its own.
  holes: ({ plan, ledger }) =>
    ledger.holes.filter((h) => h.rig === plan.id || h.rig === null).map((h) => [h.fact, h.bit, h.plugged]),
  steps: ({ steps }) => steps.map((s) => [s.id, s.says, s.minutes]),
  brief: (t) => ofPlan(t.plan, 'brief'),
  papers: (t) => ofPlan(t.plan, 'papers'),
  accepted: (t) => ofPlan(t.plan, 'accepted'),
};

const ofPlan = (plan: Plan, area: SignedArea): unknown =>
  (Object.keys(OF_THE_PLAN) as (keyof Plan)[]).filter((k) => OF_THE_PLAN[k] === area).map((k) => [k, plan[k]]);

/** What a signature is for, area by area, each as a fingerprint. */
export const signedFor = (things: SignedThings): Record<SignedArea, string> =>
  Object.fromEntries(SIGNED_AREAS.map((area) => [area, fingerprint(contents[area](things))])) as Record<SignedArea, string>;

/** What is not any more as it was signed for. What a later version signs for besides was not signed for. */
export const changedSince = (
  was: Readonly<Partial<Record<SignedArea, string>>>,
  now: Readonly<Record<SignedArea, string>>,
): SignedArea[] => SIGNED_AREAS.filter((area) => was[area] !== undefined && was[area] !== now[area]);

/** What signatures were for before they said by area what: what stands aboard, how, and the holes there are. */
export function signedForBefore(
  { fittings, runs, lines, sets, stowage, scuppers, features }: Plan,
  ledger: Pick<Ledger, 'holes'>,
): string {
  const holes = ledger.holes.map((h) => [h.fact, h.bit, h.plugged]);
  return fingerprint([fittings, runs, sets, stowage, scuppers, ...some(features), ...some(lines), holes]);
}

/** A list that has anything in it: what was signed for before there was such a list stays signed for. */
const some = (list: object): object[] => (Object.keys(list).length ? [list] : []);
