import type { HullModel } from '../../boat/hull';
import type { Brief } from '../../rig';
import type { ShopSettings } from '../../parts/shop';
import type { Sentence } from '../../base/units';
import { ASPECTS } from './aspects';
import { consider, type HullAsk } from './considered';

/** A hull for a brief: what rules it out, what would have to give, and the reasons for it. */
export interface HullRank {
  readonly hull: HullModel;
  /** What nobody can settle on this hull. */
  readonly fails: readonly Sentence[];
  /** What would have to give. */
  readonly gives: readonly Sentence[];
  readonly reasons: readonly Sentence[];
  /** Under its rating with crew and gear, kg. */
  readonly reserveKg: number;
  /** Metacentric height as they use it, mm: an estimate. */
  readonly steady: number;
  /** Length on the water, mm. */
  readonly waterline: number;
}

/** So much gear a tier brings, before anything is chosen (judgement), kg. */
export const USUAL_GEAR: Readonly<Record<Brief['tier'], number>> = { bare: 8, working: 18, everything: 35 };

/** One hull for a brief. */
function rankOf(hull: HullModel, ask: HullAsk, shop: ShopSettings): HullRank {
  const considered = consider(hull, ask, shop);
  const { reserveKg, steady, waterline } = considered;
  const told = ASPECTS.flatMap((aspect) => aspect(considered));
  const of = (as: (typeof told)[number]['as']): Sentence[] => told.filter((t) => t.as === as).map((t) => t.says);
  return { hull, fails: of('fails'), gives: of('gives'), reasons: of('reasons'), reserveKg, steady, waterline };
}

/** A boat with this share of its rating left has enough (judgement). */
const ENOUGH = 0.3;
/** Further than this a day a longer hull is worth more than a steadier one (judgement), km. */
const FAR = 12;

/**
 * The shop's hulls for a brief. What nothing rules out comes first, then what least would have to give; of equals the
 * longer for a long way, the steadier for who stands, else what has enough left under its rating and is lightest. Never one
 * score: the reasons are said.
 */
export function rankHulls(hulls: readonly HullModel[], ask: HullAsk, shop: ShopSettings): HullRank[] {
  const { brief } = ask;
  // Enough is enough: past that a lighter boat is worth more.
  const reserve = (r: HullRank): number => Math.min(ENOUGH, r.reserveKg / r.hull.capacityKg) - r.hull.massKg / 10_000;
  const better = (r: HullRank): number =>
    brief.distanceKm > FAR ? r.waterline : brief.stands === 'sits' ? reserve(r) : r.steady;
  return hulls
    .map((hull) => rankOf(hull, ask, shop))
    .sort((a, b) => a.fails.length - b.fails.length || a.gives.length - b.gives.length || better(b) - better(a));
}
