import type { Source } from '../../base/units';
import { GAUGES, type Awg } from './gauge';
import { chooseFuse, type Asked } from './protection';
import { ampacityOf, areaOf, dropBy, leastArea, wireSources, type WireRules } from './wire-rules';

/** What a gauge is chosen for. */
export interface GaugeAsk extends Pick<WireRules, 'standard'> {
  /** AWG when left out. */
  readonly series?: WireRules['series'];
  readonly amps: number;
  readonly volts: number;
  /** Conductor length there and back, mm. */
  readonly roundTrip: number;
  readonly dropPercent: number;
  readonly conductorsInBundle: number;
  /** The shop's thinnest for this class. */
  readonly leastAwg: number;
  /** A motor's full thrust is short; everything else counts as continuous. */
  readonly motor?: boolean;
  /** The protection the load's maker states, A. */
  readonly ownFuse?: number;
}

export interface GaugeChoice {
  readonly awg: Awg | null;
  /** The thinnest gauge each rule alone allows; null when none in the table does. */
  readonly byHeat: Awg | null;
  readonly byDrop: Awg | null;
  readonly byShop: Awg | null;
  /** The thinnest that some protection sold both lets the load through and guards. */
  readonly byFuse: Awg | null;
  readonly ruled: 'heat' | 'drop' | 'shop' | 'protection';
  readonly sources: readonly Source[];
}

/** The thinnest gauge that something allows; null when none in the table is allowed. */
export const thinnest = (allows: (awg: Awg) => boolean): Awg | null => GAUGES.find(allows) ?? null;

/** The rules an ask names; conductors of a bundle carry less at any voltage. */
const rulesOf = ({ standard, series = 'AWG' }: Pick<GaugeAsk, 'standard' | 'series'>): WireRules => ({
  ...{ standard, series, bundled: 'at any voltage' },
});

/** Whether a gauge keeps the drop within its class. */
export const dropAllows = (ask: GaugeAsk, awg: Awg): boolean =>
  dropBy(rulesOf(ask), awg, ask.amps, ask.roundTrip) <= (ask.volts * ask.dropPercent) / 100 + 1e-12;

/** What a load asks for, by whether it is a motor. */
const askedBy = ({ amps, motor = false }: Pick<GaugeAsk, 'amps' | 'motor'>): Asked =>
  motor ? { steady: 0, thrust: amps } : { steady: amps, thrust: 0 };

/** Which rule a gauge was chosen by; where two ask for the same the physical one is named. */
export function ruledBy(
  { byHeat, byDrop, byShop }: Pick<GaugeChoice, 'byHeat' | 'byDrop' | 'byShop'>,
  awg: Awg | null,
): GaugeChoice['ruled'] {
  if (byHeat === null || byHeat === awg) return 'heat';
  if (byDrop === null || byDrop === awg) return 'drop';
  return byShop === awg ? 'shop' : 'protection';
}

/** The thinnest gauge that heat, drop, the shop and its protection all allow, and which of them ruled: a wire is chosen with its fuse. */
export function chooseGauge(ask: GaugeAsk): GaugeChoice {
  const rules = rulesOf(ask);
  const carried = (g: Awg): number => ampacityOf(g, ask.conductorsInBundle, rules);
  const byHeat = thinnest((g) => carried(g) >= ask.amps);
  const byDrop = thinnest((g) => dropAllows(ask, g));
  const byShop = thinnest((g) => g <= ask.leastAwg && areaOf(g, rules.series) >= leastArea(ask.standard));
  const byFuse = thinnest((g) => {
    const { rating, over } = chooseFuse(askedBy(ask), carried(g), ask.ownFuse);
    return rating !== null && !over;
  });
  const all = [byHeat, byDrop, byShop, byFuse];
  const awg = all.includes(null) ? null : (Math.min(...all.map((g) => g ?? 0)) as Awg);
  return {
    awg,
    byHeat,
    byDrop,
    byShop,
    byFuse,
    ruled: ruledBy({ byHeat, byDrop, byShop }, awg),
    sources: wireSources(rules),
  };
}
