import {
  areaOf,
  gaugeWords,
  mayBeOver,
  feedColour,
  grouped,
  inAll,
  protects,
  stillFed,
  type Drop,
  type Flow,
  type Lead,
  type Network,
  type Potentials,
  type Sized,
  type SizedCable,
  type WireRules,
} from '../circuits';
import type { Fitted } from '../../holding/fitted';
import type { HullSurface } from '../../boat/hull';
import type { Plan } from '../../rig';
import type { Memory } from '../../base/stages';
import { endsOf } from './ends';
import { bundlesOf, conductorsIn, feedsOver, layRun, type Laid } from './run';
import { signalRun, type SignalRun } from './signals';
import { type WiredRun, type FittedGuard } from './wired-run';
import { joinUp, type FeedingLaid, type Joined } from './join-up';
import { fitGuards, sizeUp, SMALLEST_BUNDLE, type Sold } from './size-up';

/** What the wiring follows from. */
export interface WiringInput extends Sold {
  readonly surface: HullSurface;
  readonly runs: Plan['runs'];
  readonly owned: readonly Fitted[];
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

function networkUp(joined: Joined, laid: readonly FeedingLaid[], sold: Sold): Omit<Wiring, 'signals'> {
  const { network, potentials } = joined;
  const { standard, series, bundled } = sold.shop.wiring;
  const rules: WireRules = { standard, series, bundled };
  const bundles = bundlesOf(laid);
  const worked = sizeUp(joined, laid, bundles, sold);
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
