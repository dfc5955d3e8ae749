import { isCameHole, type Ledger, type LedgerHole } from '../../rig';
import type { Point } from '../../base/units';
import type { Fitted, PlannedHole } from '../fitted';

export const HOLE_STATES = ['planned', 'drilled', 'in use', 'open', 'plugged'] as const;
type HoleState = (typeof HOLE_STATES)[number];

/** A hole another rig of the same hull plans or uses. */
export interface OtherHole {
  /** Number of that rig. */
  readonly rig: string;
  readonly label: string;
  readonly of: string;
  readonly at: Point;
  readonly bit: number;
  /** The fact it is in the ledger by; null while it is only planned. */
  readonly fact: string | null;
  /** Its fitting is fastened, or the rig handed over. */
  readonly held: boolean;
}

/** One hole of a hull over all its rigs and years. */
export interface HistoryHole {
  readonly key: string;
  readonly state: HoleState;
  readonly label: string;
  readonly at: Point | null;
  readonly bit: number;
  /** What it holds or held, as far as is known. */
  readonly of: string;
  readonly rig: string | null;
  readonly hole: LedgerHole | null;
}

/** Holes of what came aboard and left its place, open still: no fact tells of them, the rig alone knows. */
function leftBy(
  number: string,
  holes: readonly PlannedHole[],
  ledger: Ledger,
  owned: readonly Pick<Fitted, 'under'>[],
): OtherHole[] {
  const used = new Set([...owned.flatMap((i) => i.under.map((h) => h.fact)), ...holes.flatMap((h) => h.drilled?.fact ?? [])]);
  return ledger.holes.flatMap((h): OtherHole[] =>
    isCameHole(h.fact) && h.plugged === null && h.at && !used.has(h.fact)
      ? [{ rig: number, label: h.label, of: h.found ?? '', at: h.at, bit: h.bit, fact: h.fact, held: false }]
      : [],
  );
}

/** What one rig makes of its holes, and those that what came aboard stands on, for the others on the same hull and for the hull's history. */
export const holesOfRig = (
  number: string,
  holes: readonly PlannedHole[],
  ledger: Ledger,
  owned: readonly Pick<Fitted, 'placed' | 'under'>[] = [],
): OtherHole[] => [
  ...leftBy(number, holes, ledger, owned),
  ...owned.flatMap(({ placed, under }) =>
    under.map((h) => ({
      rig: number,
      label: h.label,
      of: placed.part.name,
      at: h.at ?? placed.frame.origin,
      bit: h.bit,
      fact: h.fact,
      held: true,
    })),
  ),
  ...holes
    .filter((h) => h.abandoned === null && (h.drilled !== null || ledger.signed === null))
    .map((h) => ({
      rig: number,
      label: h.label,
      of: h.of,
      at: h.drilled?.at ?? h.at,
      bit: h.bit.mm,
      fact: h.drilled?.fact ?? null,
      held: ledger.signed !== null || ledger.steps.has(`fasten.${h.fitting}`),
    })),
];

/**
 * Every hole of a hull, bow to stern: those in the ledger, each plugged, open, drilled, or in use by a rig;
 * then those still only planned.
 *
 * @param ledger the fold of the hull's facts, whichever rig
 * @param rigs the holes of all its rigs
 */
export function holeHistory(ledger: Ledger, rigs: readonly OtherHole[]): HistoryHole[] {
  const used = new Map(rigs.flatMap((o) => (o.fact ? [[o.fact, o] as const] : [])));
  const kept = ledger.holes.map((hole): HistoryHole => {
    const by = used.get(hole.fact);
    const state = hole.plugged !== null ? 'plugged' : !by ? 'open' : by.held ? 'in use' : 'drilled';
    return {
      key: hole.fact,
      state,
      label: hole.label,
      at: hole.at,
      bit: hole.bit,
      of: hole.plugged ?? by?.of ?? hole.found ?? '',
      rig: by?.rig ?? null,
      hole,
    };
  });
  // What came aboard has holes that no fact tells of.
  const told = new Set(ledger.holes.map((h) => h.fact));
  const planned = rigs
    .filter((o) => o.fact === null || !told.has(o.fact))
    .map((o): HistoryHole => ({
      key: `${o.rig}.${o.label}`,
      state: o.fact === null ? 'planned' : o.held ? 'in use' : 'open',
      label: o.label,
      at: o.at,
      bit: o.bit,
      of: o.of,
      rig: o.rig,
      hole: null,
    }));
  const x = (h: HistoryHole): number => h.at?.x ?? Infinity;
  return [...kept, ...planned].sort((a, b) => x(a) - x(b) || (a.key < b.key ? -1 : 1));
}
