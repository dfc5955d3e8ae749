import type { Jack, Signal } from '../parts';
import { conductorsIn, type Laid, type LaidRun } from './run';
import { WIRE_ACROSS } from './bundle';
import type { WiredRun } from './wire-up';

/** A signal cable as it lies: it feeds nothing, and comes with its plugs on. */
export interface SignalRun extends LaidRun {
  /** The plugs on it; null where no plug of one end goes into the other. */
  readonly family: string | null;
  /** What it is bought as; null for one that comes with a part, lies aboard, or is sold in no length. */
  readonly material: string | null;
}

/** What a signal cable is across, sheath and all (judgement), mm. */
const SIGNAL_ACROSS = 6;

/** What each wire of a cable is across, mm. */
export const wiresOf = (run: WiredRun | SignalRun): number[] =>
  'family' in run ? [SIGNAL_ACROSS] : Array.from({ length: conductorsIn(run) }, () => WIRE_ACROSS[run.awg ?? 2]);

/**
 * The jack of one part that a cable to another goes into: the first of a family that both have, of a network or from what senses
 * to what shows it; null when there is none.
 */
export const matedBy = (one: Signal | undefined, other: Signal | undefined): Jack | null =>
  one?.jacks.find((j) => (j.network ?? one.senses !== other?.senses) && other?.jacks.some((o) => o.family === j.family)) ?? null;

/**
 * The cable between two parts: what comes with one of them, else the shortest sold that reaches, else the longest.
 * @param wanted what its way takes with loops and slack, mm
 * @returns null where none is sold
 */
export function cableBetween(
  from: Signal | undefined,
  to: Signal | undefined,
  wanted: number,
): { readonly cut: number; readonly material: string | null } | null {
  const own = from?.cable ?? to?.cable;
  if (own !== undefined) return { cut: own, material: null };
  const family = matedBy(from, to)?.family;
  const sold = [from, to]
    .flatMap((s) => s?.jacks.filter((j) => j.family === family).flatMap((j) => j.cables ?? []) ?? [])
    .sort((a, b) => a.length - b.length);
  const one = sold.find((c) => c.length >= wanted) ?? sold.at(-1);
  return one ? { cut: one.length, material: one.material } : null;
}

/** A laid signal cable with its plugs. */
export function signalRun(laid: Laid, from: Signal | undefined, to: Signal | undefined): SignalRun {
  const { id, run, lies, path, legs, glands, length, cut, wanted, given } = laid;
  const material = given === 'ready made' ? (cableBetween(from, to, wanted)?.material ?? null) : null;
  return {
    ...{ id, from: run.from, to: run.to, lane: run.lane, lies, path, legs, glands, length, cut, wanted, given },
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
