import type { Point, Sentence, Side } from '../../base/units';
import type { Hatch, TapeRun } from '../../boat/hull';
import type { LedgerHole } from '../../rig';

/** A bit as it lies in the shop's index. */
export interface Bit {
  readonly mm: number;
  readonly name: string;
}

/** How a hand, or a plate on its wires, gets behind a hole. */
export interface Access {
  readonly hatch: string;
  /** Along its way from the opening, mm. */
  readonly away: number;
  /** From the opening to the nut, by the elbow when the arm bends. */
  readonly path: readonly Point[];
}

/** An opening into the hull: a hatch of its own, or one the rig adds. */
export type Opening = Pick<Hatch, 'name' | 'fore' | 'aft' | 'port' | 'starboard' | 'height' | 'opens'>;

/** What a bit meets behind a hole, and whether a hand gets to its nut. */
export interface Behind {
  /** The nearest thing behind within reach of bit, bolt and nut, and how far it is, mm. */
  readonly nearest: { readonly name: string; readonly clear: number } | null;
  /** Distance margin and budget the shop asks for, mm. */
  readonly wanted: number;
  readonly access: Access | null;
  /** Why nothing reaches, when nothing does. */
  readonly blocked: Sentence | null;
}

/** One hole of the plan: where, how measured, what with, what is behind. */
export interface PlannedHole {
  readonly id: string;
  readonly label: string;
  readonly fitting: string;
  /** Which of the part's holes it is, from 1. */
  readonly nth: number;
  readonly of: string;
  readonly at: Point;
  readonly side: Side | 'centre';
  /** How the tape runs to it: as the plan has it, but laid along the gunwale for a hole in the side. */
  readonly run: TapeRun;
  /** What that tape reads from the plan's hook. */
  readonly reading: number;
  readonly offCentre: number;
  /** In from the gunwale edge, in plan, mm. */
  readonly fromEdge: number;
  /** When the hole is in the side: what a tape laid down it reads from the gunwale edge. */
  readonly down: number | null;
  /** When the hole is in a bulkhead: what a rule reads up from the inside of the bottom on the centre line. */
  readonly up: number | null;
  readonly fromStern: number;
  /** It lies ahead of the hook. */
  readonly ahead: boolean;
  readonly pilot: Bit;
  readonly bit: Bit;
  readonly wall: number;
  /** Flag the bit here: wall and a little, so that it does not plunge, mm. */
  readonly flag: number;
  readonly behind: Behind;
  /** The hole in the ledger: drilled for it, or an old one it uses again. */
  readonly drilled: LedgerHole | null;
  /** It is an old hole used again. */
  readonly reused: boolean;
  /** It is there and wants opening up to its bit. */
  readonly openUp: boolean;
  /** Why it was given up, or null. */
  readonly abandoned: string | null;
  /** Unit vector into the hull. */
  readonly inward: Point;
}
