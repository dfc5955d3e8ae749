import { minusOf, pathOf, plusOf, type Network, type Potentials } from '../circuits';
import type { Wiring, WiredRun } from '../wiring';
import { behindFuse, onTheBench, type AsBuilt, type Posts, type SwitchedOn } from './as-built';

/** What is read with a meter on the bench. */
export type Reads =
  'at the post' | 'at rest' | 'alone' | 'all on' | 'at its box' | 'along the out' | 'along the back' | 'over the fuse' | 'pulled';

/** One reading: where the two tips go, and what is on meanwhile. */
export interface MeterReading {
  readonly id: string;
  readonly reads: Reads;
  /** The load or the cable that it is about. */
  readonly about: string;
  readonly on: SwitchedOn;
  readonly plus: string;
  readonly minus: string;
}

const NOTHING: readonly string[] = [];

/** What of the wiring a bench test goes by. */
export type Tested = Pick<Wiring, 'network' | 'potentials' | 'runs' | 'guards' | 'rules'>;

const EVERYTHING: SwitchedOn = { ways: 'all', loads: 'all' };

/** Everything worth reading of a circuit: at each load, and along each cable on the way. */
export const readingsOf = (tested: Tested): MeterReading[] =>
  [atPosts, atLoads, atEndsOfPairs, alongCables, overFuses].flatMap((read) => read(tested));

/** Each battery with nothing on. */
const atPosts = ({ network, runs }: Tested): MeterReading[] =>
  network.batteries
    .filter((b) => runs.some((r) => r.from === b.fitting || r.to === b.fitting))
    .map(({ fitting, plus, minus }) => ({
      ...{ id: postId(fitting), reads: 'at the post', about: fitting, plus, minus },
      on: { ways: NOTHING, loads: NOTHING },
    }));

/** Each load at rest, alone, with everything on, and with its lanyard pulled. */
const atLoads = ({ network, potentials, runs }: Tested): MeterReading[] =>
  network.loads.flatMap((load): MeterReading[] => {
    const { fitting, plus, minus } = load;
    if (!runs.some((r) => r.to === fitting)) return [];
    const at = { about: fitting, plus, minus };
    const ways = waysTo(potentials, load);
    const kills = network.ways.filter((w) => w.passes.kills && ways.includes(w.id));
    return [
      { ...at, id: `rest ${fitting}`, reads: 'at rest', on: { ways, loads: NOTHING } },
      { ...at, id: `alone ${fitting}`, reads: 'alone', on: { ways, loads: [fitting] } },
      { ...at, id: `all ${fitting}`, reads: 'all on', on: EVERYTHING },
      ...kills.map((k): MeterReading => ({
        ...{ ...at, id: `pulled ${fitting}`, reads: 'pulled' },
        on: { ways: ways.filter((w) => w !== k.id), loads: [fitting] },
      })),
    ];
  });

/** Where a pair ends that nothing drawing hangs on: a charge port, a box or a switch still without loads. */
function atEndsOfPairs({ network, runs }: Tested): MeterReading[] {
  const read = new Set([...network.loads, ...network.batteries].map((p) => p.fitting));
  const ends = new Set(runs.filter((r) => r.feeds.length === 0 && !read.has(r.to)).map((r) => r.to));
  return [...ends].map((to) => ({
    ...{ id: `rest ${to}`, reads: 'at rest', about: to, plus: plusOf(to), minus: minusOf(to) },
    on: { ways: 'all', loads: NOTHING },
  }));
}

/** Each cable at the box it comes from, and along its out and its back. */
const alongCables = ({ network, runs, guards }: Tested): MeterReading[] =>
  runs.flatMap(({ id, from }): MeterReading[] => {
    const of = { about: id, on: EVERYTHING };
    const leads = network.byCable.get(id) ?? [];
    return [
      { ...of, id: `box ${id}`, reads: 'at its box', plus: plusOf(from), minus: minusOf(from) },
      ...leads
        .filter((l) => l.out)
        .slice(0, 1)
        .map((l): MeterReading => ({ ...of, id: `out ${id}`, reads: 'along the out', plus: startOf(l, guards), minus: l.to })),
      ...leads
        .filter((l) => !l.out)
        .slice(0, 1)
        .map((l): MeterReading => ({ ...of, id: `back ${id}`, reads: 'along the back', plus: l.from, minus: l.to })),
    ];
  });

/** Over each fuse and breaker. */
const overFuses = ({ network, guards }: Tested): MeterReading[] =>
  guards.flatMap((g): MeterReading[] => {
    const start = [...network.leads, ...network.ways].find((e) => e.id === g.edge)?.from;
    if (start === undefined) return [];
    const about = g.cable ?? g.fitting;
    return [{ id: `fuse ${g.edge}`, reads: 'over the fuse', about, on: EVERYTHING, plus: start, minus: behindFuse(g.edge) }];
  });

/** The reading of a battery with nothing on: taken first, for all others go by it. */
const postId = (battery: string): string => `post ${battery}`;

/** What was read at the posts of batteries, by what each reading showed. */
export const postsIn = (network: Pick<Network, 'batteries'>, voltsOf: (reading: string) => number | undefined): Posts =>
  new Map(
    network.batteries.flatMap(({ fitting }) => {
      const volts = voltsOf(postId(fitting));
      return volts === undefined ? [] : [[fitting, volts] as const];
    }),
  );

/** The readings that every build takes: each battery at its posts, each pair at its end, each load at rest, alone and with everything on, and the lanyard pulled. */
export const planned = (readings: readonly MeterReading[]): readonly MeterReading[] =>
  readings.filter((r) => ['at the post', 'at rest', 'alone', 'all on', 'pulled'].includes(r.reads));

/** The ways that must be on for a load, by the circuit as it was planned. */
const waysTo = (potentials: Potentials, { plus, minus }: Network['loads'][number]): readonly string[] =>
  pathOf(potentials, minus, plus).flatMap(({ edge }) => (edge.is === 'way' ? [edge.id] : []));

/** Behind its own fuse, where it has one. */
const startOf = ({ id, from }: Network['leads'][number], guards: Wiring['guards']): string =>
  guards.some((g) => g.edge === id) ? behindFuse(id) : from;

/** What a meter shows, V; null where the circuit has no solution. */
export function measure(
  built: AsBuilt,
  { on, plus, minus }: Pick<MeterReading, 'on' | 'plus' | 'minus'>,
  solved = onTheBench(built, on),
): number | null {
  return solved && (solved.volts.get(plus) ?? 0) - (solved.volts.get(minus) ?? 0);
}

/** What is on, as one word: readings of one state are read off one solution. */
export const stateOf = ({ on: { ways, loads } }: Pick<MeterReading, 'on'>): string =>
  `${ways === 'all' ? ways : ways.join()}|${loads === 'all' ? loads : loads.join()}`;

/** How far a reading may be off what was worked out, V: a battery is not as full as it is thought, a meter and a table are not exact. */
export const toleranceOf = (reads: Reads, expected: number): number =>
  reads === 'along the out' || reads === 'along the back' || reads === 'over the fuse'
    ? 0.03 + 0.25 * Math.abs(expected)
    : reads === 'pulled'
      ? 0.2
      : 0.4;

/** A battery may stand so much under full before it is charged first, as a share (battery handbooks, from memory: about a fifth left). */
const LOW_POST = 0.07;

/** Whether a reading is as it should be: never too low by more than its tolerance, never turned about; nothing where nothing should be. */
export function passes({ reads }: Pick<MeterReading, 'reads'>, expected: number, read: number): boolean {
  const tolerance = toleranceOf(reads, expected);
  if (reads === 'at the post') return read >= expected * (1 - LOW_POST) - 1e-9 && read <= expected + 2 * tolerance;
  if (reads === 'at rest' || reads === 'alone' || reads === 'all on' || reads === 'at its box')
    // A battery just off its charger stands higher than it is thought to.
    return read >= expected - tolerance && read <= expected + 2 * tolerance;
  return Math.abs(read) <= Math.abs(expected) + tolerance;
}

/** The run at whose end a reading is taken. */
export const runOf = ({ about }: MeterReading, runs: readonly WiredRun[]): WiredRun | undefined =>
  runs.find((r) => r.id === about) ?? runs.find((r) => r.to === about) ?? runs.find((r) => r.from === about);
