import type { Consumable } from '../../parts/catalog';
import type { ShopSettings } from '../../parts/shop';
import {
  areaOf,
  askedOf,
  gaugeWords,
  mayBeOver,
  wireId,
  chooseKind,
  feedColour,
  flowsOf,
  GAUGES,
  grouped,
  guardsOf,
  inAll,
  KINDS,
  networkOf,
  ohmsIn,
  potentialsOf,
  protects,
  ratedBy,
  shortAt,
  sizeCables,
  voltsAt,
  stillFed,
  type Awg,
  type Cable,
  type Drop,
  type Edge,
  type Flow,
  type Guard,
  type Lead,
  type Network,
  type Node,
  type Opens,
  type Potentials,
  type Sized,
  type SizedCable,
  type WireRules,
} from '../circuits';
import type { Fitted } from '../../holding/fitted';
import type { HullSurface } from '../../boat/hull';
import type { Feeding, Plan } from '../../rig';
import type { Memory } from '../../base/stages';
import { endsOf } from './ends';
import { bundlesOf, conductorsIn, feedsOver, layRun, type Laid } from './run';
import { signalRun, type SignalRun } from './signals';
import { type WiredRun, type FittedGuard } from './wired-run';

/** What the wiring follows from. */
export interface WiringInput {
  readonly surface: HullSurface;
  readonly runs: Plan['runs'];
  readonly owned: readonly Fitted[];
  readonly consumables: readonly Consumable[];
  readonly shop: ShopSettings;
}

export interface Wiring {
  readonly runs: readonly WiredRun[];
  readonly signals: readonly SignalRun[];
  readonly guards: readonly FittedGuard[];
  readonly network: Network;
  readonly potentials: Potentials;
  /** How the current of each load and port goes through it. */
  readonly flows: readonly Flow[];
  /** What each load that is fed loses by the standard's tables. */
  readonly drops: ReadonlyMap<string, Drop>;
  /** What they were sized by. */
  readonly rules: WireRules;
}

/** Every cable that feeds or carries signals. */
export const cablesOf = ({ runs, signals }: Pick<Wiring, 'runs' | 'signals'>): readonly (WiredRun | SignalRun)[] => [
  ...runs,
  ...signals,
];

/** Every cable between fittings aboard, laid, what feeds sized and protected as one network; one without both its ends is left out. */
export function wireUp({ surface, runs, owned, consumables, shop }: WiringInput, memory: Memory): Wiring {
  const byId = new Map(owned.map((i) => [i.placed.id, i.placed]));
  const laid = Object.entries(runs).flatMap(([id, run]): Laid[] => {
    const [from, to] = [byId.get(run.from), byId.get(run.to)];
    if (!from || !to) return [];
    const glands = run.via.flatMap((w) => (w.at === 'gland' ? (byId.get(w.fitting) ?? []) : []));
    return [
      memory.last(id, [surface, run, from, to, shop, ...glands], () =>
        layRun({ hull: surface, id, run, from, to, shop, glands }),
      ),
    ];
  });
  const feeding = laid.flatMap((l): FeedingLaid[] => {
    const has = feedsOver(l.run);
    return has ? [{ ...l, has }] : [];
  });
  const ends = new Set(feeding.flatMap(({ run }) => [run.from, run.to]));
  const powered = owned.flatMap(({ placed: { id, part } }) => (part.power || ends.has(id) ? [{ id, part }] : []));
  const parts = powered.flatMap(({ id, part }) => [id, part]);
  const joined = memory.last('joined', [...feeding.flatMap((l) => [l.id, l.run]), ...parts], () => joinUp(feeding, powered));
  return memory.last('network', [joined, shop, consumables, ...laid], () => ({
    ...networkUp(joined, feeding, { consumables, shop }),
    signals: laid.flatMap((l) =>
      l.run.has === 'signal' ? [signalRun(l, byId.get(l.run.from)?.part.signal, byId.get(l.run.to)?.part.signal)] : [],
    ),
  }));
}

/** A laid cable that feeds. */
type FeedingLaid = Laid & { readonly has: Feeding };

type Powered = readonly { readonly id: string; readonly part: Fitted['placed']['part'] }[];

/** What hangs on what, whatever the cables are long. */
interface Joined {
  readonly parts: ReadonlyMap<string, Fitted['placed']['part']>;
  readonly network: Network;
  readonly potentials: Potentials;
  /** Where there is one way only to everything, how its current goes. */
  readonly flows: readonly Flow[] | null;
  /** What a protection there may have to open, whatever the cables are long. */
  readonly opens: (edge: string, fitting: string) => Opens;
}

/** A cable so short that it resists nothing to speak of, ohms. */
const NO_LENGTH = 1e-6;

function joinUp(laid: readonly FeedingLaid[], powered: Powered): Joined {
  const nodes = powered.map(({ id, part: { power = {} } }): Node => ({ id, power }));
  const cables = laid.map(({ id, has, run: { from, to, way = 1 } }): Cable => ({ id, from, to, way, has }));
  const network = networkOf(nodes, cables);
  const potentials = potentialsOf(network);
  const known = new Map<string, Opens>();
  return {
    parts: new Map(powered.map(({ id, part }) => [id, part])),
    network,
    potentials,
    flows: potentials.meshed.size > 0 ? null : flowsOf(network, potentials, () => NaN),
    opens(edge, fitting) {
      const key = `${edge} ${fitting}`;
      const opens = known.get(key) ?? {
        short: shortAt(network, potentials, { edge, fitting }, () => NO_LENGTH),
        volts: voltsAt(network, potentials, { edge }),
      };
      known.set(key, opens);
      return opens;
    },
  };
}

/** Rounds after which cables by several ways keep the gauges they have: their currents hardly change any more. */
const ROUNDS = 4;

/** A circuit with its cables as thick as they must be. */
interface SizedUp {
  readonly flows: readonly Flow[];
  readonly guards: readonly Guard[];
  readonly sized: Sized;
  readonly ohmsOf: (edge: Edge) => number;
}

/** How many conductors lie together where each cable lies most crowded. */
type Bundles = ReturnType<typeof bundlesOf>;
const SMALLEST_BUNDLE = 2;

/** Gauges, and what flows by them: where current has several ways it goes by what those resist, round after round. */
function sizeUp(
  joined: Joined,
  laid: readonly FeedingLaid[],
  bundles: Bundles,
  { consumables, shop: { wiring } }: Pick<WiringInput, 'consumables' | 'shop'>,
): SizedUp {
  const { network, potentials } = joined;
  const comesAs = ({ given, run }: Laid): number | undefined =>
    given === 'with its part' ? joined.parts.get(run.to)?.power?.gauge : undefined;
  const lengths = laid.map((l) => ({
    ...{ cable: l.id, cut: l.cut, bundle: bundles.get(l.id) ?? SMALLEST_BUNDLE },
    // What comes with its part, or lies aboard, is as thick as it is.
    own: GAUGES.find((g) => g === (l.run.aboard?.awg ?? comesAs(l) ?? l.run.awg)) ?? null,
    hot: l.hot,
  }));
  const { series } = wiring;
  const prices = new Map(consumables.map((c) => [c.id, c.priceCents]));
  // Where the stores hold no such wire it costs as its copper does.
  const sizing = { ...wiring, price: (awg: Awg) => prices.get(wireId(awg, series)) ?? 40 * 1.26 ** (18 - awg) };
  const byCable = new Map(laid.map((l) => [l.id, l]));
  const ohmsBy = (sized: Sized | null): ((edge: Edge) => number) =>
    ohmsIn(network, (cable) => ({
      cut: byCable.get(cable)?.cut ?? 0,
      area: areaOf(sized?.cables.get(cable)?.awg ?? 10, series),
    }));
  const plans = new Map(laid.map((l) => [l.id, l.run]));
  const round = (before: Sized | null): Omit<SizedUp, 'ohmsOf'> => {
    const flows = joined.flows ?? flowsOf(network, potentials, ohmsBy(before));
    const guards = guardsOf(network, flows, askedOf(flows, network), plans, joined.opens);
    return { flows, guards, sized: sizeCables(network, flows, lengths, guards, sizing) };
  };
  let worked = round(null);
  for (let i = 0; i < ROUNDS && joined.flows === null; i++) worked = round(worked.sized);
  return { ...worked, ohmsOf: ohmsBy(worked.sized) };
}

/** Fuses and breakers as they are fitted: rated by the cables behind them, of a kind that opens what may flow there. */
function fitGuards({ network, potentials }: Joined, laid: readonly FeedingLaid[], { guards, sized, ohmsOf }: SizedUp): FittedGuard[] {
  const behind = ({ cable, fitting, way }: Guard): string[] =>
    cable !== null ? [cable] : laid.filter((l) => l.run.from === fitting && (l.run.way ?? 1) === way).map((l) => l.id);
  return guards.map((g): FittedGuard => {
    const guard = ratedBy(g, Math.min(...behind(g).map((cable) => sized.cables.get(cable)?.ampacity ?? Infinity)));
    const short = shortAt(network, potentials, guard, ohmsOf);
    const volts = voltsAt(network, potentials, guard);
    const kind = guard.kind ?? chooseKind(guard.rating ?? 1, { short, volts }, guard.asked.thrust > 0);
    return { ...guard, kind, short, volts, breaks: KINDS[kind].breaks };
  });
}

function networkUp(
  joined: Joined,
  laid: readonly FeedingLaid[],
  input: Pick<WiringInput, 'consumables' | 'shop'>,
): Omit<Wiring, 'signals'> {
  const { network, potentials } = joined;
  const { standard, series, bundled } = input.shop.wiring;
  const rules: WireRules = { standard, series, bundled };
  const bundles = bundlesOf(laid);
  const worked = sizeUp(joined, laid, bundles, input);
  const { flows, sized } = worked;
  const guards = fitGuards(joined, laid, worked);
  const byEdge = grouped(guards, (g) => g.edge);
  const feeds = new Map(laid.map((l) => [l.id, new Set<string>()]));
  const cableOf = new Map(network.leads.map((l) => [l.id, l.cable]));
  for (const { fitting, charging, shares } of flows)
    if (!charging) for (const [edge, share] of shares) if (share !== 0) feeds.get(cableOf.get(edge) ?? '')?.add(fitting);
  return {
    runs: laid.flatMap((l) => {
      const bundle = bundles.get(l.id) ?? SMALLEST_BUNDLE;
      return wiredRun(l, { joined, sized, byEdge, feeds: [...(feeds.get(l.id) ?? [])], bundle, rules }) ?? [];
    }),
    guards,
    network,
    potentials,
    flows,
    drops: sized.drops,
    rules,
  };
}

interface Worked {
  readonly joined: Joined;
  readonly sized: Sized;
  readonly byEdge: ReadonlyMap<string, readonly FittedGuard[]>;
  /** Loads whose current goes over it. */
  readonly feeds: readonly string[];
  readonly bundle: number;
  readonly rules: WireRules;
}

function wiredRun(
  { id, run, has, path, legs, lies, glands, length, cut, wanted, given, there, through }: FeedingLaid,
  { joined, sized, byEdge, feeds, bundle, rules }: Worked,
): WiredRun | null {
  const { network, parts } = joined;
  const size = sized.cables.get(id);
  const leads = network.byCable.get(id);
  if (!size || !leads) return null;
  const [first] = feeds;
  const way = parts.get(run.from)?.power?.passes ? (run.way ?? 1) : null;
  const share = (d: Drop): number => d.percent / d.allowedPercent;
  const served = parts.get(run.to)?.power?.charges ? [...feeds, run.to] : feeds;
  const drops = served.flatMap((f) => sized.drops.get(f) ?? []);
  const only = feeds.length === 1 && first !== undefined ? parts.get(first) : undefined;
  const own = leads.flatMap((l) => byEdge.get(l.id) ?? []);
  // A way is an edge that ends where its cables begin.
  const before = (network.at.get(leads[0]?.from ?? '') ?? []).flatMap((e) => (e.is === 'way' ? (byEdge.get(e.id) ?? []) : []));
  const cable = {
    id,
    from: run.from,
    to: run.to,
    way,
    name: run.name ?? null,
    lane: run.lane,
    lies,
    path,
    legs,
    glands,
    length,
    cut,
    wanted,
    given,
    there,
    through,
    has,
    conductors: conductorsIn(run),
    bundle,
    feeds,
    amps: inAll(size.asked),
    motor: size.asked.thrust > 0,
    size,
    awg: size.awg,
    area: size.awg && areaOf(size.awg, rules.series),
    gauge: gaugeWords(size.awg, rules.series),
    drop: drops.reduce<Drop | null>((worst, d) => (worst && share(worst) >= share(d) ? worst : d), null),
    guard: own[0] ?? before[0] ?? null,
    guarded: guardedBy(network, leads, size, byEdge, mayBeOver(rules.standard)),
    colour: only ? feedColour(only) : 'red',
  } as const;
  const ends = endsOf({ run: cable, powerOf: (f) => parts.get(f)?.power, guards: own, series: rules.series });
  return { ...cable, ends };
}

/** Whether anything stands between a cable and every battery that feeds it, and is small enough. */
function guardedBy(
  network: Network,
  leads: readonly Lead[],
  { ampacity, asked }: SizedCable,
  byEdge: ReadonlyMap<string, readonly FittedGuard[]>,
  over: boolean,
): WiredRun['guarded'] {
  const fedWith = (counts: (g: FittedGuard) => boolean): boolean =>
    leads.some((lead) => lead.out && stillFed(network, { ...lead, is: 'lead' }, (edge) => (byEdge.get(edge) ?? []).some(counts)));
  if (fedWith(() => true)) return 'no';
  const holds = (g: FittedGuard): boolean => protects(g, ampacity, asked) && (over || (g.rating ?? 0) <= ampacity);
  return fedWith(holds) ? 'too large' : 'yes';
}
