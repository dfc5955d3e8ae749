import {
  areaOf,
  GAUGES,
  minusOf,
  nominalVolts,
  plusOf,
  solveCircuit,
  sourceOf,
  wayOhms,
  wireOhms,
  type Awg,
  type CircuitLoad,
  type Conductor,
  type Network,
  type Solved,
  type WireRules,
} from '../circuits';
import type { Wiring } from '../wiring';

/** What may be wrong with a circuit as it was built: one thing. */
export type Fault =
  | { readonly is: 'reversed pair'; readonly cable: string }
  | { readonly is: 'wrong gauge'; readonly cable: string; readonly awg: Awg }
  | { readonly is: 'corroded plug'; readonly cable: string; readonly ohms: number }
  | { readonly is: 'poor crimp'; readonly cable: string; readonly out: boolean; readonly ohms: number }
  | { readonly is: 'blown fuse'; readonly edge: string }
  | { readonly is: 'low battery'; readonly fitting: string; readonly by: number }
  | { readonly is: 'swapped ways'; readonly fitting: string; readonly ways: readonly [number, number] };

/** What is switched on while something is read: ways of boxes, and loads. */
export interface SwitchedOn {
  readonly ways: 'all' | readonly string[];
  readonly loads: 'all' | readonly string[];
}

/** A circuit as it stands on the bench. */
export interface AsBuilt {
  readonly network: Network;
  /** Length of each conductor, mm, and its area, mm². */
  readonly cables: ReadonlyMap<string, { readonly cut: number; readonly area: number }>;
  readonly series: WireRules['series'];
  /** Conductors and ways that a fuse or breaker stands in. */
  readonly fused: ReadonlySet<string>;
  readonly fault: Fault | null;
  /** What each battery was read to stand at with nothing on, V; where it was not, it is taken to be full. */
  readonly posts: Posts;
}

/** Volts read at the posts of batteries with nothing on. */
export type Posts = ReadonlyMap<string, number>;
const UNREAD: Posts = new Map();

/** The circuit as it was planned, on the bench. A cable without a gauge is as thin as there is. */
export const builtAs = (
  { network, runs, guards, rules: { series } }: Pick<Wiring, 'network' | 'runs' | 'guards' | 'rules'>,
  fault: Fault | null = null,
  posts: Posts = UNREAD,
): AsBuilt => ({
  network,
  series,
  cables: new Map(runs.map((r) => [r.id, { cut: r.cut, area: r.area ?? areaOf(GAUGES[0], series) }])),
  fused: new Set(guards.map((g) => g.edge)),
  fault,
  posts,
});

/** Between a fuse and the rest of its conductor. */
export const behindFuse = (edge: string): string => `${edge} behind its fuse`;
/** What a fuse in its holder resists, ohms (makers' data sheets, from memory). */
const FUSE = 0.003;
/** Under so many volts nothing starts. */
const STARTS = 1;

/** Solves the circuit as it was built with some of it on. */
export function onTheBench({ network, cables, fused, fault, series, posts }: AsBuilt, on: SwitchedOn): Solved | null {
  const conductors: Conductor[] = [];
  const add = (id: string, from: string, to: string, ohms: number): void => {
    const blown = fault?.is === 'blown fuse' && fault.edge === id;
    if (!fused.has(id)) return void conductors.push({ id, from, to, ohms });
    if (!blown) conductors.push({ id: `${id} fuse`, from, to: behindFuse(id), ohms: FUSE });
    conductors.push({ id, from: behindFuse(id), to, ohms });
  };
  for (const lead of network.leads) {
    const { cut = 1, area = areaOf(GAUGES[0], series) } = cables.get(lead.cable) ?? {};
    const here = fault !== null && 'cable' in fault && fault.cable === lead.cable ? fault : null;
    const extra = here?.is === 'corroded plug' || (here?.is === 'poor crimp' && here.out === lead.out) ? here.ohms : 0;
    const ohms = wireOhms(Math.max(1, cut), here?.is === 'wrong gauge' ? areaOf(here.awg, series) : area) + extra;
    const [from, to] = here?.is === 'reversed pair' ? reversed(lead) : [lead.from, lead.to];
    add(lead.id, from, to, ohms);
  }
  for (const way of network.ways) {
    if (way.passes.switched && on.ways !== 'all' && !on.ways.includes(way.id)) continue;
    add(way.id, way.from, swappedTo(way, fault), wayOhms(way));
  }
  const sources = network.batteries.map((b) => {
    const { volts, ohms } = sourceOf(b.of, { full: true, cold: false });
    const low = fault?.is === 'low battery' && fault.fitting === b.fitting ? fault.by : 0;
    return { id: b.fitting, plus: b.plus, minus: b.minus, ohms, volts: posts.get(b.fitting) ?? volts - low };
  });
  const idle = solveCircuit({ conductors, sources, loads: [] });
  if (!idle) return null;
  const wanted = network.loads.filter((l) => on.loads === 'all' || on.loads.includes(l.fitting));
  const loads = (starts: boolean): CircuitLoad[] =>
    wanted.flatMap(({ fitting, plus, minus, of }): CircuitLoad[] => {
      const volts = (idle.volts.get(plus) ?? 0) - (idle.volts.get(minus) ?? 0);
      // Turned about, a motor turns the wrong way; everything else takes nothing.
      if (Math.abs(volts) < STARTS || (volts < 0 && of.of !== 'motor')) return [];
      const nominal = nominalVolts(of.volts);
      const takes =
        starts && of.of === 'motor'
          ? ({ is: 'current', amps: of.amps } as const)
          : starts
            ? ({ is: 'power', watts: of.amps * nominal } as const)
            : ({ is: 'resistance', ohms: nominal / of.amps } as const);
      return [{ id: fitting, takes, ...(volts > 0 ? { plus, minus } : { plus: minus, minus: plus }) }];
    });
  // What cannot come up to what it wants takes what gets to it.
  return solveCircuit({ conductors, sources, loads: loads(true) }) ?? solveCircuit({ conductors, sources, loads: loads(false) });
}

/** A pair taken the wrong way about where it ends. */
function reversed({ from, to, out }: Network['leads'][number]): readonly [string, string] {
  const end = out ? to : from;
  const fitting = end.slice(0, -2);
  const other = end === plusOf(fitting) ? minusOf(fitting) : plusOf(fitting);
  return out ? [from, other] : [other, to];
}

function swappedTo({ fitting, way, to }: Network['ways'][number], fault: Fault | null): string {
  if (fault?.is !== 'swapped ways' || fault.fitting !== fitting || !fault.ways.includes(way)) return to;
  const [a, b] = fault.ways;
  return `${fitting} ${way === a ? b : a}`;
}
