import { nominalVolts, type Draw } from '../circuits';
import type { Fitted } from '../../holding/fitted';
import type { Run } from '../../rig';
import { idOf, voltsOf } from './asked-of';

/** Batteries alike that are joined: in a row, or side by side. */
export interface Bank {
  readonly of: readonly Fitted[];
  readonly inRow: boolean;
}

/** Batteries side by side are asked for so much of what they give: they never share quite alike (judgement). */
const SHARES = 0.85;

/**
 * Batteries alike that joined give a load its volts and its amperes.
 * @param free batteries that feed nothing else, the largest first
 * @returns the largest that do; null where none do
 */
export function bankFor(draw: Pick<Draw, 'amps' | 'volts'>, free: readonly Fitted[]): Bank | null {
  for (const first of free) {
    const { mostAmps = Infinity } = first.placed.part.power?.battery ?? {};
    const times = nominalVolts(draw.volts) / voltsOf(first);
    const count = times === 1 ? Math.ceil(draw.amps / (SHARES * mostAmps)) : times;
    const of = free.filter((b) => b.placed.part === first.placed.part).slice(0, count);
    const enough = times === 1 || mostAmps >= draw.amps;
    if (Number.isInteger(count) && count > 1 && of.length === count && enough) return { of, inRow: times > 1 };
  }
  return null;
}

/** Rows of batteries: those that runs join plus to minus. */
export function rowsOf(batteries: readonly Fitted[], runs: readonly Run[]): Fitted[][] {
  const rows: Fitted[][] = [];
  const byId = new Map(batteries.map((b) => [idOf(b), b]));
  for (const { has, from, to } of runs) {
    const [a, b] = [byId.get(from), byId.get(to)];
    if (has !== 'series' || !a || !b) continue;
    const row = rows.find((r) => r.includes(a) || r.includes(b));
    if (!row) rows.push([a, b]);
    else for (const one of [a, b]) if (!row.includes(one)) row.push(one);
  }
  return rows;
}

/** The battery that a fitting hangs on, through whatever hands current on; null where it hangs on none. */
export function behind(item: Fitted, runs: readonly Run[], batteries: readonly Fitted[]): Fitted | null {
  const been = new Set<string>();
  for (let at: string | undefined = idOf(item); at !== undefined && !been.has(at);) {
    been.add(at);
    const here: string = at;
    at = runs.find((r) => r.to === here)?.from;
    const battery = batteries.find((b) => idOf(b) === at);
    if (battery) return battery;
  }
  return null;
}
