import type { ShopSettings } from '../catalog';
import { findDatum, reading, type HullSurface } from '../hull';
import { toHull, type Placed } from '../layout';
import type { Mounted } from '../mounting';
import type { Ledger, LedgerHole, Measured, Tape } from '../rig';
import { sideOf, type Point, type Side } from '../units';
import { lookBehind, type Behind } from './behind';
import { bitFor, type Bit } from './bits';

/** One hole of the plan: where, how measured, what with, what is behind. */
export interface PlannedHole {
  readonly id: string;
  readonly label: string;
  readonly fitting: string;
  readonly of: string;
  readonly at: Point;
  readonly side: Side | 'centre';
  /** What the tape reads from the plan's hook. */
  readonly reading: number;
  readonly offCentre: number;
  /** In from the gunwale edge, in plan, mm. */
  readonly fromEdge: number;
  /** Down from the gunwale edge when the hole is in the side. */
  readonly down: number | null;
  readonly fromStern: number;
  /** It lies ahead of the hook. */
  readonly ahead: boolean;
  readonly pilot: Bit;
  readonly bit: Bit;
  readonly wall: number;
  /** Flag the bit here: wall and a little, so that it does not plunge, mm. */
  readonly flag: number;
  readonly behind: Behind;
  readonly drilled: LedgerHole | null;
}

/** One fitting worked out: where it stands, how it is held, what it is called, which holes it makes. */
export interface Fitted {
  readonly placed: Placed;
  readonly mounted: Mounted;
  readonly holes: readonly PlannedHole[];
  readonly letter: string;
  /** The sets it stands here in; null when the rig has no sets. */
  readonly sets: readonly string[] | null;
  /** The set that has it here; empty at its own place. */
  readonly elsewhere: string;
}

/** The measured readings of a hole drilled just as planned. */
export function asPlanned(hole: PlannedHole, tape: Tape, hullRevision: number): Measured {
  const measured = {
    hullRevision,
    datum: tape.datum,
    run: tape.run,
    reading: hole.reading,
    offCentre: hole.offCentre,
    down: hole.down,
  };
  // Only said where it is not the usual way, so that readings read as they always did.
  return hole.ahead && tape.datum !== 'stern' ? { ...measured, towards: 'forward' } : measured;
}

/** The final bit: a bore of the part's own, the rivet's drill, or the close clearance of the thread. */
function boreOf({ rivet, thread }: Mounted, shop: ShopSettings, own: number | undefined): Bit {
  const family = shop.drilling.threads;
  if (own) return bitFor(own, family);
  // A rivet turns in a hole a size too large: inch shops use its number drill and not the next 1/64.
  if (rivet) return family === 'inch' ? { mm: rivet.drill, name: rivet.drillName } : bitFor(rivet.drill, family);
  return bitFor(thread?.close ?? FALLBACK, family);
}

/** M6 close clearance, for a mount that a finding already says cannot be (ISO 273, from memory), mm. */
const FALLBACK = 6.4;

/** The holes one fitting makes in the hull, forward first; none when it is held without drilling. */
export function holesOf(
  hull: HullSurface,
  placed: Placed,
  mounted: Mounted,
  letter: string,
  tape: Tape,
  shop: ShopSettings,
  ledger: Ledger,
  /** The set that has it elsewhere, and how many holes its other places make: labels go on from there. */
  { elsewhere = '', after = 0 }: { elsewhere?: string; after?: number } = {},
): PlannedHole[] {
  if (mounted.holes === 0) return [];
  const { part, frame } = placed;
  const datum = findDatum(hull, tape.datum);
  const onSide = placed.place.on === 'side';
  const inward = { x: -frame.w.x, y: -frame.w.y, z: -frame.w.z };
  const spots = part.holes
    .map((h, i) => ({ h, i, at: onSurface(hull, placed, toHull(frame, h.u, h.v, 0)) }))
    .sort((a, b) => a.at.x - b.at.x || a.at.y - b.at.y || a.i - b.i);
  const needsHand = mounted.hold === 'through' && !part.holes.every((h) => h.bore);
  const pilot = bitFor(shop.drilling.pilot, shop.drilling.threads);
  return spots.map(({ h, i, at }, n): PlannedHole => {
    const id = [placed.id, elsewhere, String(i + 1)].filter(Boolean).join('.');
    const wall = onSide ? frame.wall : hull.spot(at.x, at.y).wall;
    return {
      id,
      label: `${letter}${after + n + 1}`,
      fitting: placed.id,
      of: part.name,
      at,
      side: sideOf(at.y),
      reading: reading(hull, datum, tape.run, at),
      offCentre: at.y,
      fromEdge: hull.halfBreadth(at.x) - Math.abs(at.y),
      down: onSide ? hull.gunwale(at.x) - at.z : null,
      ahead: at.x < datum.at.x - 0.5,
      fromStern: reading(hull, findDatum(hull, 'stern'), tape.run, at),
      pilot,
      bit: boreOf(mounted, shop, h.bore),
      wall,
      flag: Math.max(9.525, wall + 5),
      behind: lookBehind(hull, at, inward, needsHand, shop),
      drilled: ledger.holes.find((d) => d.id === id && d.plugged === null) ?? null,
    };
  });
}

function onSurface(hull: HullSurface, placed: Placed, p: Point): Point {
  const { place } = placed;
  if (place.on === 'side') return hull.sidePoint(p.x, place.side, hull.gunwale(p.x) - p.z);
  return place.on === 'deck' ? { ...p, z: hull.spot(p.x, p.y).z } : p;
}

/** All the work of one bit, bow to stern; then the bit is changed. */
export interface BitRound {
  readonly bit: Bit;
  readonly pilot: boolean;
  readonly holes: readonly string[];
}

/** Drilling order: every pilot first, then each final bit from small to large, bow to stern. */
export function bitRounds(holes: readonly PlannedHole[]): BitRound[] {
  const rounds = new Map<string, BitRound & { holes: string[] }>();
  const add = (bit: Bit, pilot: boolean, id: string): void => {
    const key = `${pilot ? 'pilot' : 'final'} ${bit.name}`;
    const round = rounds.get(key) ?? { bit, pilot, holes: [] };
    round.holes.push(id);
    rounds.set(key, round);
  };
  for (const h of holes) if (h.bit.mm > h.pilot.mm + 0.5) add(h.pilot, true, h.id);
  for (const h of holes) add(h.bit, false, h.id);
  return [...rounds.values()].sort((a, b) => Number(b.pilot) - Number(a.pilot) || a.bit.mm - b.bit.mm);
}
