import type { ShopSettings } from '../../parts/shop';
import type { Source } from '../../base/units';
import { askedOf, type Flow } from './flows';
import { ruledBy, thinnest } from './choose-gauge';
import { GAUGES, nominalVolts, type Awg } from './gauge';
import { protects, stillFed, type Guard } from './guards';
import { grouped } from './grouped';
import type { Network } from './network';
import { inAll, NOTHING_ASKED, type Asked } from './protection';
import { ampacityOf, areaOf, dropBy, leastArea, wireSources, type WireRules } from './wire-rules';

/** A cable to be sized. */
export interface Length {
  readonly cable: string;
  /** Each conductor as cut, mm. */
  readonly cut: number;
  /** Conductors that lie in its bundle, its own among them. */
  readonly bundle: number;
  /** It lies in a room that gets hot. */
  readonly hot?: boolean;
  /** The rigger's own gauge; null lets the rule choose. */
  readonly own: Awg | null;
}

/** What the rule chooses by. */
export interface SizeRules extends WireRules, Pick<ShopSettings['wiring'], 'dropPercent' | 'leastAwg'> {
  /** Cents for a metre of a conductor. */
  readonly price: (awg: Awg) => number;
}

/** The volts a load loses by the standard's tables, along its whole path there and back, with everything on; or a charger's current by itself. */
export interface Drop {
  readonly volts: number;
  readonly percent: number;
  readonly allowedPercent: number;
}

/** A cable sized, with the thinnest gauge each rule alone allows; null when none in the table does. */
export interface SizedCable {
  readonly cable: string;
  readonly asked: Asked;
  /** The gauge that will be fitted: the rigger's, else the chosen one. */
  readonly awg: Awg | null;
  readonly chosen: Awg | null;
  readonly byHeat: Awg | null;
  readonly byShop: Awg | null;
  readonly byFuse: Awg | null;
  readonly byDrop: Awg | null;
  readonly ruled: 'heat' | 'drop' | 'shop' | 'protection';
  /** What the fitted gauge carries where it lies, A. */
  readonly ampacity: number;
  readonly sources: readonly Source[];
}

export interface Sized {
  readonly cables: ReadonlyMap<string, SizedCable>;
  readonly drops: ReadonlyMap<string, Drop>;
}

const thicker = (awg: Awg): Awg | null => GAUGES[GAUGES.indexOf(awg) + 1] ?? null;
const thinner = (awg: Awg): Awg | null => GAUGES[GAUGES.indexOf(awg) - 1] ?? null;

/** A cable with the thinnest gauge that everything but the drop allows. */
interface Floor extends Pick<SizedCable, 'asked' | 'byHeat' | 'byShop' | 'byFuse'> {
  readonly length: Length;
  /** How many conductors it has. */
  readonly count: number;
  readonly carries: (awg: Awg) => number;
  readonly floor: Awg | null;
}

function floorsOf(
  network: Network,
  flows: readonly Flow[],
  lengths: readonly Length[],
  guards: readonly Guard[],
  rules: SizeRules,
): Floor[] {
  const { leastAwg, series, standard } = rules;
  const asked = askedOf(flows, network);
  const guardsIn = grouped(guards, (g) => g.edge);
  return lengths.map((length) => {
    const own = network.byCable.get(length.cable) ?? [];
    const carried = own
      .map((l) => asked.get(l.id) ?? NOTHING_ASKED)
      .reduce((a, b) => (inAll(b) > inAll(a) ? b : a), NOTHING_ASKED);
    const carries = (g: Awg): number => ampacityOf(g, length.bundle, rules, length.hot);
    const guarded = (g: Awg): boolean => {
      // Whoever chooses the gauge needs no exception from the ampacity.
      const opens = (edge: string): boolean =>
        (guardsIn.get(edge) ?? []).some((guard) => (guard.rating ?? 0) <= carries(g) && protects(guard, carries(g), carried));
      return own.every((lead) => !lead.out || !stillFed(network, { ...lead, is: 'lead' }, opens));
    };
    const [byHeat, byFuse] = [thinnest((g) => carries(g) >= inAll(carried)), thinnest(guarded)];
    const thin = carried.thrust > 0 ? leastAwg.motor : leastAwg.other;
    const byShop = thinnest((g) => g <= thin && areaOf(g, series) >= leastArea(standard));
    // What nothing protects at any gauge is a finding of its own: it is sized by the rest.
    const floor = thickest([byHeat, byShop, byFuse ?? byShop]);
    return { length, count: own.length, asked: carried, carries, byHeat, byShop, byFuse, floor };
  });
}

/** What a load loses over the cables on its way. */
interface Loss {
  readonly load: string;
  readonly nominal: number;
  readonly allowed: number;
  /** Amps by millimetres of each cable's conductors that count for it. */
  readonly over: ReadonlyMap<string, number>;
}

/** What a load loses is its share of each conductor's current times that conductor's whole loss, there and back. */
function lossesOf(network: Network, flows: readonly Flow[], lengths: readonly Length[], { dropPercent }: SizeRules): Loss[] {
  const cut = new Map(lengths.map((l) => [l.cable, l.cut]));
  const cableOf = new Map(network.leads.map((l) => [l.id, l.cable]));
  const current = new Map<string, number>();
  for (const { asked, shares, charging } of flows)
    if (!charging) for (const [edge, share] of shares) current.set(edge, (current.get(edge) ?? 0) + share * inAll(asked));
  return flows.map(({ fitting, draw, shares, charging, asked, volts }): Loss => {
    const over = new Map<string, number>();
    for (const [edge, share] of shares) {
      const cable = cableOf.get(edge);
      // What charges flows by itself, the loads off.
      const amps = charging ? share * inAll(asked) : (current.get(edge) ?? 0);
      const weight = cable === undefined ? 0 : share * amps * (cut.get(cable) ?? 0);
      if (cable !== undefined && weight !== 0) over.set(cable, (over.get(cable) ?? 0) + weight);
    }
    const nominal = nominalVolts(draw?.volts ?? volts);
    return { load: fitting, nominal, allowed: (nominal * dropPercent[draw?.of ?? 'charging']) / 100, over };
  });
}

/** The gauges as they stand while they are chosen, and what loads lose by them. */
class Gauges {
  private readonly awg: Map<string, Awg>;
  private readonly serving: ReadonlyMap<string, readonly Loss[]>;
  private readonly losing: Readonly<Record<Awg, number>>;

  constructor(
    floors: readonly Floor[],
    readonly losses: readonly Loss[],
    private readonly rules: SizeRules,
  ) {
    this.awg = new Map(
      floors.flatMap(({ length: { cable, own }, floor }) => {
        const start = own ?? floor;
        return start ? [[cable, start]] : [];
      }),
    );
    this.losing = Object.fromEntries(GAUGES.map((g) => [g, dropBy(rules, g, 1, 1)])) as Record<Awg, number>;
    const pairs = losses.flatMap((loss) => [...loss.over.keys()].map((cable) => ({ cable, loss })));
    this.serving = new Map([...grouped(pairs, (p) => p.cable)].map(([cable, of]) => [cable, of.map((p) => p.loss)]));
  }

  of = (cable: string): Awg | null => this.awg.get(cable) ?? null;

  set(cable: string, to: Awg): void {
    this.awg.set(cable, to);
  }

  /** Loads whose way goes over a cable. */
  served = (cable: string): readonly Loss[] => this.serving.get(cable) ?? [];

  /** Volts that a load loses, as it stands or with one cable of another gauge. */
  lost(loss: Loss, other?: { readonly cable: string; readonly to: Awg }): number {
    let sum = 0;
    for (const [cable, weight] of loss.over) {
      const awg = cable === other?.cable ? other.to : this.awg.get(cable);
      if (awg) sum += weight * this.lostBy(awg);
    }
    return sum;
  }

  holds = (loss: Loss, other?: { readonly cable: string; readonly to: Awg }): boolean =>
    this.lost(loss, other) <= loss.allowed + 1e-9;

  /** Volts that an ampere loses over a millimetre. */
  lostBy = (awg: Awg): number => this.losing[awg];

  /** What a cable costs in a gauge. */
  cents = ({ length: { cut }, count }: Floor, awg: Awg): number => (this.rules.price(awg) * cut * count) / 1000;
}

/** Step by step the cable that buys the most volts per money for loads that lose too much. */
function thicken(free: readonly Floor[], gauges: Gauges): void {
  const short = new Map(gauges.losses.map((l) => [l, gauges.lost(l) - l.allowed]));
  const stepOf = (floor: Floor): { cable: string; to: Awg; worth: number } | null => {
    const { cable } = floor.length;
    const now = gauges.of(cable);
    const to = now && thicker(now);
    if (!now || !to) return null;
    const gain = gauges.lostBy(now) - gauges.lostBy(to);
    const bought = gauges
      .served(cable)
      .reduce((sum, l) => sum + Math.max(0, Math.min(short.get(l) ?? 0, gain * (l.over.get(cable) ?? 0))), 0);
    return bought > 1e-12
      ? { cable, to, worth: bought / Math.max(1e-9, gauges.cents(floor, to) - gauges.cents(floor, now)) }
      : null;
  };
  for (;;) {
    const best = free.map(stepOf).reduce((a, b) => (b && (!a || b.worth > a.worth) ? b : a), null);
    if (!best) return;
    gauges.set(best.cable, best.to);
    for (const l of gauges.served(best.cable)) short.set(l, gauges.lost(l) - l.allowed);
  }
}

/** Whatever can be thinner again without any load losing too much by it, the dearest first. */
function trim(free: readonly Floor[], gauges: Gauges): void {
  const cost = (f: Floor): number => gauges.cents(f, gauges.of(f.length.cable) ?? 18);
  for (const { length, floor } of [...free].sort((a, b) => cost(b) - cost(a)))
    for (let now = gauges.of(length.cable); now && floor && now < floor; now = gauges.of(length.cable)) {
      const { cable } = length;
      const to = thinner(now);
      if (!to || !gauges.served(cable).every((l) => gauges.holds(l, { cable, to }))) break;
      gauges.set(cable, to);
    }
}

/**
 * Gauges of a whole network by one rule: every cable starts at the thinnest that heat, its protection and the shop allow; then
 * step by step the cable is thickened that buys the most volts per money for the loads that still lose too much; last, whatever
 * can be thinner again without any load losing too much is, the dearest first. What the rigger set stays.
 */
export function sizeCables(
  network: Network,
  flows: readonly Flow[],
  lengths: readonly Length[],
  guards: readonly Guard[],
  rules: SizeRules,
): Sized {
  const floors = floorsOf(network, flows, lengths, guards, rules);
  const losses = lossesOf(network, flows, lengths, rules);
  const gauges = new Gauges(floors, losses, rules);
  const free = floors.filter((f) => f.length.own === null && f.floor !== null);
  thicken(free, gauges);
  trim(free, gauges);
  const sources = wireSources(rules);
  const cables = floors.map(({ length: { cable, own }, asked, carries, byHeat, byShop, byFuse }): SizedCable => {
    // With every other cable as it is: what this one must be for all it serves.
    const byDrop = thinnest((to) => gauges.served(cable).every((l) => gauges.holds(l, { cable, to })));
    const chosen = own === null ? gauges.of(cable) : thickest([byHeat, byShop, byDrop ?? byShop, byFuse ?? byShop]);
    const awg = gauges.of(cable);
    const ruled = ruledBy({ byHeat, byDrop, byShop }, chosen);
    return {
      ...{ cable, asked, awg, chosen, byHeat, byShop, byFuse, byDrop, ruled, sources },
      ampacity: awg === null ? 0 : carries(awg),
    };
  });
  const drops = losses.map((l): [string, Drop] => {
    const volts = gauges.lost(l);
    return [l.load, { volts, percent: (volts / l.nominal) * 100, allowedPercent: (l.allowed / l.nominal) * 100 }];
  });
  return { cables: new Map(cables.map((c) => [c.cable, c])), drops: new Map(drops) };
}

/** The thickest of some gauges; null when one of them has none. */
const thickest = (gauges: readonly (Awg | null)[]): Awg | null =>
  gauges.includes(null) ? null : gauges.reduce<Awg>((a, b) => (b !== null && b < a ? b : a), 18);
