import type { Part } from '../../parts/parts';
import type { Fitted, PlannedHole } from '../../holding/fitted';
import { comesOff, type Placed } from '../../layout';
import type { Mounted } from '../../holding/mounting';
import type { Ledger } from '../../rig';
import type { WiredRun } from '../../electric/wiring';
import { toldOf } from './care';

/** One stop of the walk, bow to stern. */
export interface WalkStop {
  readonly fitting: string;
  readonly letter: string;
  readonly name: string;
  readonly french: string;
  readonly x: number;
  readonly y: number;
  /** What the owner is told of the part, and of how this one is held. */
  readonly text: Part['walk'];
  readonly comesOff: boolean;
  readonly hold: Mounted['hold'];
  readonly bolts: number;
  readonly holes: readonly PlannedHole[];
  /** How many holes it came aboard with and stands on. */
  readonly cameWith: number;
  readonly runs: readonly (Pick<WiredRun, 'gauge' | 'colour'> & { readonly with: string; readonly fuse: number | null })[];
  readonly note: string;
  readonly suppliedBy: Placed['fitting']['suppliedBy'];
  readonly substituted: readonly string[];
  readonly shown: boolean;
}

/** The handover walk: every fitting once, in boat order, with what the owner must know of it. */
export function walk(items: readonly Fitted[], runs: readonly WiredRun[], ledger: Ledger): WalkStop[] {
  const letters = new Map(items.map((i) => [i.placed.id, i.letter]));
  return items.map(({ placed, mounted, holes, under, letter }): WalkStop => {
    const { id, part, fitting, frame } = placed;
    return {
      fitting: id,
      letter,
      name: part.name,
      french: part.french,
      x: frame.origin.x,
      y: frame.origin.y,
      text: toldOf(part, mounted.hold, fitting),
      comesOff: comesOff(placed),
      hold: mounted.hold,
      bolts: mounted.count,
      holes,
      cameWith: under.length,
      runs: runs
        .filter((r) => r.from === id || r.to === id)
        .map((r) => ({
          with: letters.get(r.from === id ? r.to : r.from) ?? '?',
          fuse: r.guard?.rating ?? null,
          gauge: r.gauge,
          colour: r.colour,
        })),
      note: fitting.note,
      suppliedBy: fitting.suppliedBy,
      substituted: ledger.substituted.flatMap((f) =>
        f.kind === 'fastenerSubstituted' && f.fitting === id ? [`${f.with}: ${f.why}`] : [],
      ),
      shown: ledger.shown.has(id),
    };
  });
}

/** What came off the boat for something new: bagged, listed and given back. */
export interface GivenBack {
  readonly what: string;
  readonly letter: string;
  readonly for: string;
}

export const givenBack = (items: readonly Fitted[], takenOff: readonly Placed[]): GivenBack[] => [
  ...takenOff.map(({ part, fitting }): GivenBack => {
    const by = items.find((i) => i.placed.id === fitting.becomes?.for);
    return { what: part.name, letter: by?.letter ?? '', for: by?.placed.part.name ?? '' };
  }),
  ...items.flatMap((i) =>
    (i.placed.part.goesWith.replaces ?? []).map((what) => ({ what, letter: i.letter, for: i.placed.part.name })),
  ),
];
