import { fingerprint, type Ledger } from '../../rig';
import type { ShopSettings } from '../../parts/shop';
import type { Memory } from '../../base/stages';
import type { Wiring } from '../wiring';
import { builtAs, onTheBench, type Posts } from './as-built';
import { measure, passes, planned, postsIn, readingsOf, runOf, stateOf, toleranceOf, type MeterReading } from './readings';

/** What holds the test of a cable open until it was taken and is right. */
export interface CableChecked {
  /** The cable at whose end it is taken. */
  readonly run: string;
  readonly read: { readonly by: string; readonly when: string; readonly device: string; readonly ok: boolean } | null;
}

/** One planned reading of the bench test, with what was read. */
export interface BenchTest extends CableChecked {
  readonly reading: MeterReading;
  /** What the circuit as planned shows, V, and how far off it may be. */
  readonly expected: number;
  readonly tolerance: number;
  /** What was read last on this very circuit; null when nothing was. */
  readonly read: {
    readonly volts: number;
    readonly by: string;
    readonly when: string;
    readonly device: string;
    readonly ok: boolean;
    /** It is what the simulated meter shows. */
    readonly simulated: boolean;
  } | null;
  /** It was read on the circuit as it was before it was changed. */
  readonly stale: boolean;
}

/** The circuit as far as a meter can tell: readings count while it stays. */
export const circuitPrint = ({ network, runs, guards }: Pick<Wiring, 'network' | 'runs' | 'guards'>): string =>
  fingerprint({
    leads: network.leads.map((l) => [l.id, l.from, l.to]),
    parts: [...network.batteries.map((b) => [b.fitting, b.of]), ...network.loads.map((l) => [l.fitting, l.of])],
    ways: network.ways.map((w) => [w.id, w.passes]),
    cables: runs.map((r) => [r.id, Math.round(r.cut), r.awg]),
    guards: guards.map((g) => [g.edge, g.rating]),
  });

/** What the tests follow from. */
export interface TestsInput {
  readonly wiring: Wiring;
  readonly ledger: Pick<Ledger, 'circuitReads'>;
  readonly shop: ShopSettings;
}

/** The bench test of a rig, each planned reading with what is expected and what was read. */
export function benchTests({ wiring, ledger: { circuitReads }, shop }: TestsInput, memory: Memory): BenchTest[] {
  const print = memory.last('print', [wiring], () => circuitPrint(wiring));
  // What the simulated meter shows is no reading of a real boat, but where the shop is a demo.
  const counting = (fact: Read | undefined): boolean => fact?.meter !== 'bench meter' || shop.wiring.meter;
  const freshOf = (id: string): Read | undefined => {
    const fact = circuitReads.get(id);
    return fact?.circuit === print && counting(fact) ? fact : undefined;
  };
  const posts = postsIn(wiring.network, (id) => freshOf(id)?.volts);
  const wanted = memory.last('planned', [wiring, [...posts].join()], () => expectedOf(wiring, posts));
  return wanted.flatMap(({ reading, run, expected }): BenchTest[] => {
    const fact = circuitReads.get(reading.id);
    const counts = counting(fact);
    const fresh = freshOf(reading.id);
    return [
      {
        ...{
          reading,
          run,
          expected,
          tolerance: toleranceOf(reading.reads, expected),
          stale: fact !== undefined && counts && !fresh,
        },
        read: fresh
          ? {
              ...{ volts: fresh.volts, by: fresh.by, when: fresh.serverTime, device: fresh.deviceTime },
              ok: passes(reading, expected, fresh.volts),
              simulated: fresh.meter === 'bench meter',
            }
          : null,
      },
    ];
  });
}

/** What each planned reading of a circuit should show, its batteries as they were read. */
function expectedOf(
  wiring: Wiring,
  posts: Posts,
): readonly { readonly reading: MeterReading; readonly run: string; readonly expected: number }[] {
  const [built, full] = [builtAs(wiring, null, posts), builtAs(wiring)];
  const solved = new Map<string, ReturnType<typeof onTheBench>>();
  return planned(readingsOf(wiring)).flatMap((reading) => {
    const run = runOf(reading, wiring.runs)?.id;
    const state = stateOf(reading);
    if (!solved.has(state)) solved.set(state, onTheBench(built, reading.on));
    // A post is held against a full battery, everything else against what stands at the posts.
    const expected =
      reading.reads === 'at the post' ? measure(full, reading) : measure(built, reading, solved.get(state) ?? null);
    return run === undefined || expected === null ? [] : [{ reading, run, expected }];
  });
}

type Read = NonNullable<ReturnType<Ledger['circuitReads']['get']>>;

/** The words of a reading in a key: the same while it is the same reading. */
export const testDetail = ({ reads }: Pick<MeterReading, 'reads'>): string => reads.replaceAll(' ', '-');
