import { fingerprint, type Ledger } from '../rig';
import type { ShopSettings } from '../shop';
import type { Memory } from '../stages';
import type { Wiring } from '../wiring';
import { builtAs, onTheBench } from './as-built';
import { measure, passes, planned, readingsOf, runOf, stateOf, toleranceOf, type Reading } from './readings';

/** What holds the test of a cable open until it was taken and is right. */
export interface Held {
  /** The cable at whose end it is taken. */
  readonly run: string;
  readonly read: { readonly by: string; readonly when: string; readonly device: string; readonly ok: boolean } | null;
}

/** One planned reading of the bench test, with what was read. */
export interface BenchTest extends Held {
  readonly reading: Reading;
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
  const { print, wanted } = memory.last('planned', [wiring], () => expectedOf(wiring));
  return wanted.flatMap(({ reading, run, expected }): BenchTest[] => {
    const fact = circuitReads.get(reading.id);
    // What the simulated meter shows is no reading of a real boat, but where the shop is a demo.
    const counts = fact?.meter !== 'bench meter' || shop.wiring.meter;
    const fresh = fact?.circuit === print && counts ? fact : undefined;
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
            }
          : null,
      },
    ];
  });
}

/** What each planned reading of a circuit should show. */
function expectedOf(wiring: Wiring): {
  readonly print: string;
  readonly wanted: readonly { readonly reading: Reading; readonly run: string; readonly expected: number }[];
} {
  const built = builtAs(wiring);
  const solved = new Map<string, ReturnType<typeof onTheBench>>();
  const wanted = planned(readingsOf(wiring)).flatMap((reading) => {
    const run = runOf(reading, wiring.runs)?.id;
    const state = stateOf(reading);
    if (!solved.has(state)) solved.set(state, onTheBench(built, reading.on));
    const expected = measure(built, reading, solved.get(state) ?? null);
    return run === undefined || expected === null ? [] : [{ reading, run, expected }];
  });
  return { print: circuitPrint(wiring), wanted };
}

/** The words of a reading in a key: the same while it is the same reading. */
export const testDetail = ({ reads }: Pick<Reading, 'reads'>): string => reads.replaceAll(' ', '-');
