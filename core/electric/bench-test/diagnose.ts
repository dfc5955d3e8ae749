import { GAUGES, potentialsOf, sourceOf } from '../circuits';
import type { Wiring } from '../wiring';
import { builtAs, onTheBench, type AsBuilt, type Fault, type Posts } from './as-built';
import { measure, postsIn, stateOf, toleranceOf, type MeterReading } from './readings';

/** What was read, V, by the id of the reading. */
export type Taken = ReadonlyMap<string, number>;

/** A fault that would explain what was read, with how likely it is among all of them. */
export interface Suspect {
  readonly key: string;
  readonly fault: Fault | null;
  readonly share: number;
}

export interface Diagnosis {
  /** The likeliest first; health is one of them. */
  readonly suspects: readonly Suspect[];
  /** The reading that tells the likeliest apart best; null when nothing does any more. */
  readonly next: MeterReading | null;
}

/** Ohms that a bad contact may have, from what a motor feels to what stops a lamp: each step tells from the next. */
const OHMS = Array.from({ length: 32 }, (_, i) => 0.02 * 1.35 ** i);
/** How often each is met before anything is read (judgement). */
const BEFORE: Readonly<Record<Fault['is'], number>> = {
  'low battery': 2,
  'poor crimp': 3,
  'blown fuse': 2,
  'corroded plug': 1.5,
  'reversed pair': 1,
  'wrong gauge': 1,
  'swapped ways': 1,
};
/** How often nothing is wrong: a contact so little bad that no reading shows it is none (judgement). */
const WELL = 10;
/** A 12 V battery may stand so much under full, V. */
const LOW = [0.3, 0.5, 0.7, 0.9, 1.2, 1.6];
/** From so much under full on it is said to be low, as a share. */
const SAID_LOW = 0.02;
/** So many suspects are told apart by the next reading. */
const FEW = 10;

/** A fault by what and where it is, whatever its ohms. */
export function faultKey(fault: Fault | null): string {
  if (!fault) return 'well';
  if (fault.is === 'poor crimp') return `${fault.is} ${fault.cable} ${fault.out ? 'out' : 'back'}`;
  if (fault.is === 'blown fuse') return `${fault.is} ${fault.edge}`;
  if (fault.is === 'low battery') return `${fault.is} ${fault.fitting}`;
  if (fault.is === 'swapped ways') return `${fault.is} ${fault.fitting} ${fault.ways.join()}`;
  return `${fault.is} ${fault.cable}`;
}

/** Every single fault that there could be. */
export function faultsOf({ network, runs, guards }: Pick<Wiring, 'network' | 'runs' | 'guards'>): Fault[] {
  const cables = runs.flatMap((r): Fault[] => {
    const cable = r.id;
    const thinner = GAUGES.filter((g) => g > (r.awg ?? 18));
    return [
      ...(r.has === 'both' ? [{ is: 'reversed pair' as const, cable }] : []),
      ...thinner.map((awg) => ({ is: 'wrong gauge' as const, cable, awg })),
      ...OHMS.map((ohms) => ({ is: 'corroded plug' as const, cable, ohms })),
      ...network.leads
        .filter((l) => l.cable === cable)
        .flatMap((l) => OHMS.map((ohms) => ({ is: 'poor crimp' as const, cable, out: l.out, ohms }))),
    ];
  });
  const used = network.ways.filter((w) => w.passes.switched && network.leads.some((l) => l.from === w.to));
  const swaps = used.flatMap((a, i) =>
    used
      .slice(i + 1)
      .flatMap((b): Fault[] =>
        a.fitting === b.fitting ? [{ is: 'swapped ways', fitting: a.fitting, ways: [a.way, b.way] }] : [],
      ),
  );
  const low = network.batteries.flatMap((b) =>
    LOW.map((by): Fault => ({ is: 'low battery', fitting: b.fitting, by: (by * b.of.volts) / 12 })),
  );
  return [...cables, ...guards.map((g): Fault => ({ is: 'blown fuse', edge: g.edge })), ...swaps, ...low];
}

/** Asks of a circuit what each fault would show, remembering what was solved. */
export class FaultFinder {
  private readonly hypotheses: readonly (Fault | null)[];
  private readonly solved = new Map<Fault | null, { built: AsBuilt; states: Map<string, ReturnType<typeof onTheBench>> }>();
  /** What the batteries were read to stand at: everything is held against that. */
  private posts: Posts = new Map();
  private readonly island: (terminal: string) => string | undefined;
  /** What each battery stands at when it is full, V, and what it feeds. */
  private readonly full: readonly { readonly fitting: string; readonly volts: number; readonly island: string | undefined }[];

  constructor(
    private readonly wiring: Pick<Wiring, 'network' | 'runs' | 'guards' | 'rules'>,
    private readonly readings: readonly MeterReading[],
  ) {
    this.hypotheses = [null, ...faultsOf(wiring)];
    const { of } = potentialsOf(wiring.network);
    this.island = (terminal) => of.get(terminal)?.island;
    this.full = wiring.network.batteries.map((b) => ({
      fitting: b.fitting,
      volts: sourceOf(b.of, { full: true, cold: false }).volts,
      island: this.island(b.minus),
    }));
  }

  /** What a reading would show with a fault, V; null where the circuit has no solution. */
  shows(fault: Fault | null, reading: MeterReading): number | null {
    let known = this.solved.get(fault);
    if (!known) this.solved.set(fault, (known = { built: builtAs(this.wiring, fault), states: new Map() }));
    const { built, states } = known;
    const state = stateOf(reading);
    if (!states.has(state)) states.set(state, onTheBench(built, reading.on));
    const full = measure(built, reading, states.get(state) ?? null);
    return full && full * this.stands(reading);
  }

  /** How the batteries that feed a reading stand, as a share of full: what is lost on the way goes nearly with that. */
  private stands({ plus, minus }: MeterReading): number {
    const island = this.island(plus) ?? this.island(minus);
    let [read, full] = [0, 0];
    for (const { fitting, volts, island: fed } of this.full) {
      if (fed !== island) continue;
      read += this.posts.get(fitting) ?? volts;
      full += volts;
    }
    return full === 0 ? 1 : read / full;
  }

  /** What explains the readings best, and which to take next. */
  diagnose(taken: Taken): Diagnosis {
    const posts = postsIn(this.wiring.network, (id) => taken.get(id));
    this.posts = posts;
    // A post that was read is what all others are worked out by: nothing is left to explain of it.
    const read = this.readings.filter((r) => taken.has(r.id) && r.reads !== 'at the post');
    const best = new Map<string, { fault: Fault | null; score: number }>();
    for (const fault of this.hypotheses) {
      // How a battery stands is no guess once it was read.
      if (fault?.is === 'low battery' && posts.has(fault.fitting)) continue;
      const score = Math.log(fault ? BEFORE[fault.is] : WELL) + this.fits(fault, read, taken);
      const key = faultKey(fault);
      const known = best.get(key);
      if (!known || score > known.score) best.set(key, { fault, score });
    }
    const top = Math.max(...[...best.values()].map((b) => b.score));
    const weights = [...best].map(([key, { fault, score }]) => ({ key, fault, weight: Math.exp(score - top) }));
    const sum = weights.reduce((s, w) => s + w.weight, 0);
    const suspects = weights
      .map(({ key, fault, weight }) => ({ ...this.wellOrLow(key, fault), share: weight / sum }))
      .sort((a, b) => b.share - a.share);
    return { suspects, next: this.next(suspects.slice(0, FEW), taken) };
  }

  /** With nothing wrong, a battery that was read low is what is said. */
  private wellOrLow(key: string, fault: Fault | null): Pick<Suspect, 'key' | 'fault'> {
    if (fault) return { key, fault };
    const [lowest] = this.full
      .flatMap(({ fitting, volts }) => {
        const by = volts - (this.posts.get(fitting) ?? volts);
        return by > SAID_LOW * volts ? [{ is: 'low battery' as const, fitting, by }] : [];
      })
      .sort((a, b) => b.by - a.by);
    return lowest ? { key: faultKey(lowest), fault: lowest } : { key, fault };
  }

  /** How well a fault explains what was read: the logarithm of its likelihood. */
  private fits(fault: Fault | null, read: readonly MeterReading[], taken: Taken): number {
    let sum = 0;
    for (const r of read) {
      const shown = this.shows(fault, r) ?? 0;
      const off = ((taken.get(r.id) ?? 0) - shown) / (toleranceOf(r.reads, shown) / 2);
      // One reading never weighs more than a slip of the hand does.
      sum -= Math.min(40, off ** 2 / 2);
    }
    return sum;
  }

  private next(suspects: readonly Suspect[], taken: Taken): MeterReading | null {
    let best: { reading: MeterReading; apart: number } | null = null;
    for (const reading of this.readings) {
      if (taken.has(reading.id) || reading.reads === 'at the post') continue;
      const shown = suspects.map((s) => this.shows(s.fault, reading) ?? 0);
      let apart = 0;
      for (let i = 0; i < suspects.length; i++)
        for (let j = 0; j < i; j++)
          if (tellApart(reading, shown[i] ?? 0, shown[j] ?? 0)) apart += (suspects[i]?.share ?? 0) * (suspects[j]?.share ?? 0);
      if (apart > 1e-4 && (!best || apart > best.apart + 1e-12)) best = { reading, apart };
    }
    return best?.reading ?? null;
  }
}

/** Whether a meter tells two values apart. */
export const tellApart = ({ reads }: Pick<MeterReading, 'reads'>, a: number, b: number): boolean =>
  Math.abs(a - b) > Math.max(toleranceOf(reads, a), toleranceOf(reads, b));
