import type { Signal } from '../../parts/parts';
import { matedBy } from './jacks';
import { type Laid, type LaidRun } from './run';
import { WIRE_ACROSS } from './bundle';
import type { WiredRun } from './wired-run';

/** A signal cable as it lies: it feeds nothing, and comes with its plugs on. */
export interface SignalRun extends LaidRun {
  /** The plugs on it; null where no plug of one end goes into the other. */
  readonly family: string | null;
  readonly material: Laid['material'];
}

/** Whether a cable carries signals, and feeds nothing. */
export const isSignal = (run: WiredRun | SignalRun): run is SignalRun => 'family' in run;

/** What a signal cable is across, sheath and all (judgement), mm. */
const SIGNAL_ACROSS = 6;

/** What each wire of a cable is across, mm. */
export const wiresOf = (run: WiredRun | SignalRun): number[] =>
  isSignal(run) ? [SIGNAL_ACROSS] : Array.from({ length: run.conductors }, () => WIRE_ACROSS[run.awg ?? 2]);

/** A laid signal cable with its plugs. */
export function signalRun(laid: Laid, from: Signal | undefined, to: Signal | undefined): SignalRun {
  const { id, run, lies, path, legs, glands, length, cut, wanted, given, there, through, material } = laid;
  return {
    ...{ id, from: run.from, to: run.to, lane: run.lane, lies, path, legs, glands, length, cut, wanted, given, there, through },
    ...{ family: matedBy(from, to)?.family ?? null, material },
  };
}

/** Parts that signal cables join to one another, each a list of fittings. */
export function netsOf(signals: readonly Pick<SignalRun, 'from' | 'to'>[]): string[][] {
  const nets: Set<string>[] = [];
  for (const { from, to } of signals) {
    const met = nets.filter((n) => n.has(from) || n.has(to));
    const joined = new Set([from, to, ...met.flatMap((n) => [...n])]);
    for (const n of met) nets.splice(nets.indexOf(n), 1);
    nets.push(joined);
  }
  return nets.map((n) => [...n]);
}
