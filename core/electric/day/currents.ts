import type { CircuitInUse } from '../circuits';
import type { Wiring, WiredRun } from '../wiring';
import type { DayWorked } from './simulate';

/** What goes through each conductor of a cable, A. */
export interface Currents {
  /** With everything on: what it is sized for. */
  readonly steady: number;
  /** At the most, with the motors held fast; null where the batteries cannot give that. */
  readonly most: number | null;
  /** On average over the day, as is likely. */
  readonly day: number;
}

/** What the currents of a cable follow from. */
export interface CurrentsInput {
  readonly wiring: Pick<Wiring, 'network' | 'flows'>;
  readonly circuits: readonly Pick<CircuitInUse, 'amps'>[];
  readonly day: Pick<DayWorked, 'draws'>;
}

/** What a cable carries steadily, at the most and over the day; of its conductors the one that carries most. */
export function currentsOf(
  { id, amps }: Pick<WiredRun, 'id' | 'amps'>,
  { wiring: { network, flows }, circuits, day: { draws } }: CurrentsInput,
): Currents {
  const leads = network.byCable.get(id) ?? [];
  const mostOf = (of: (lead: string) => number): number => Math.max(0, ...leads.map((l) => Math.abs(of(l.id))));
  const inUse = circuits.filter(({ amps: { full } }) => leads.some((l) => full.has(l.id)));
  const solved = inUse.every(({ amps: { stalled } }) => stalled.size > 0);
  const held = mostOf((lead) => inUse.reduce((sum, c) => sum + (c.amps.stalled.get(lead) ?? 0), 0));
  return {
    steady: amps,
    // What lets current in charges with the motors off.
    most: solved ? Math.max(amps, held) : null,
    day: mostOf((lead) => flows.reduce((sum, f) => sum + (f.shares.get(lead) ?? 0) * (draws.get(f.fitting) ?? 0), 0)),
  };
}
