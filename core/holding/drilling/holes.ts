import type { PlannedHole, Bit, Opening } from '../fitted';
import { entryOf } from '../../rig';
import type { Part } from '../../parts/parts';
import type { ShopSettings } from '../../parts/shop';
import { findDatum, girthDown, insideBottom, reading, type HullSurface } from '../../boat/hull';
import { directed, recessAxis, toHull, type Placed } from '../../layout';
import { plateFor, type Mounted } from '../mounting';
import type { Ledger, LedgerHole, Measured, Tape } from '../../rig';
import { sideOf, type Point } from '../../base/units';
import { lookBehind, type FromInside } from './behind';
import { bitFor } from './bits';

/** The measured readings of a hole drilled just as planned. */
export function asPlanned(hole: PlannedHole, tape: Tape, hullRevision: number): Measured {
  const measured = {
    hullRevision,
    datum: tape.datum,
    run: hole.run,
    reading: hole.reading,
    offCentre: hole.offCentre,
    down: hole.down,
    aimed: hole.at.x,
    ...(hole.down === null ? {} : { downBy: 'girth' as const }),
    ...(hole.up === null ? {} : { up: hole.up }),
  };
  // Only said where it is not the usual way, so that readings read as they always did.
  return hole.ahead && tape.datum !== 'stern' ? { ...measured, towards: 'forward' } : measured;
}

/** The final bit: a bore of the part's own, the rivet's drill, or the close clearance of the thread. */
export function boreOf({ rivet, thread, bore }: Mounted, shop: ShopSettings, own: number | undefined): Bit {
  const family = shop.drilling.threads;
  const wanted = own ?? bore;
  if (wanted) return bitFor(wanted, family);
  // A rivet turns in a hole a size too large: inch shops use its number drill and not the next 1/64.
  if (rivet) return family === 'inch' ? { mm: rivet.drill, name: rivet.drillName } : bitFor(rivet.drill, family);
  return bitFor(thread?.close ?? FALLBACK, family);
}

/** M6 close clearance, for a mount that a finding already says cannot be (ISO 273, from memory), mm. */
const FALLBACK = 6.4;

/** What a tape reads at points of this very boat: as drawn, and what was measured more or less. */
export function tapeReader(hull: HullSurface, tape: Tape, ledger: Ledger): (at: Point) => number {
  const datum = findDatum(hull, tape.datum);
  return (at) => reading(hull, datum, tape.run, at) + ledger.correction.between(datum.at.x, at.x);
}

/** What the holes of a fitting follow from besides the fitting itself. */
export interface HoleSetting {
  readonly letter: string;
  readonly tape: Tape;
  readonly shop: ShopSettings;
  readonly ledger: Ledger;
  readonly openings: readonly Opening[];
  /** The set that has it elsewhere, and how many holes its other places make: labels go on from there. */
  readonly elsewhere?: string;
  readonly after?: number;
}

/** What is put on from inside of the holes of a fitting. */
function fromInside(part: Part, { hand, hold, thread, spots }: Mounted): FromInside {
  if (hand) return 'hand';
  if (hold !== 'pulled plate' || part.holes.at.length === 0) return 'nothing';
  const { long, wide } = plateFor(spots, thread?.diameter ?? FALLBACK, thread?.washerDiameter ?? 0);
  return { plate: Math.min(long, wide) };
}

/** The old hole a hole of this number uses again, while it is open. */
const usedAgain = (placed: Placed, number: number, ledger: Ledger): LedgerHole | null => {
  const fact = entryOf(placed.fitting.uses, String(number));
  return ledger.holes.find((d) => d.fact === fact && d.plugged === null) ?? null;
};

/** Every hole a part takes through its surface: those of its fasteners, then the bore it is let into. */
export const throughHoles = (part: Pick<Part, 'holes' | 'body'>): { u: number; v: number; bore?: number }[] =>
  part.body.recess ? [...part.holes.at, { u: 0, v: 0, bore: part.body.recess.bore }] : [...part.holes.at];

/** What all holes of a fitting have alike: where it stands, how the tape reads there, with what they are begun. */
function settingOf(hull: HullSurface, placed: Placed, mounted: Mounted, { tape, shop, ledger }: HoleSetting) {
  const { place, frame, part } = placed;
  const onSide = place.on === 'side';
  const run = onSide ? 'gunwale' : tape.run;
  return {
    onSide,
    bulkhead: place.on === 'bulkhead' ? place.bulkhead : undefined,
    inward: { x: -frame.w.x, y: -frame.w.y, z: -frame.w.z },
    inside: fromInside(part, mounted),
    pilot: bitFor(shop.drilling.pilot, shop.drilling.threads),
    run,
    read: tapeReader(hull, { ...tape, run }, ledger),
    fromStern: tapeReader(hull, { datum: 'stern', run }, ledger),
  } as const;
}

/** The holes one fitting makes in the hull, forward first; none when it is held without drilling. */
export function holesOf(hull: HullSurface, placed: Placed, mounted: Mounted, setting: HoleSetting): PlannedHole[] {
  if (mounted.holes === 0) return [];
  const { letter, tape, shop, ledger, openings, elsewhere = '', after = 0 } = setting;
  const { part, frame } = placed;
  const datum = findDatum(hull, tape.datum);
  const { onSide, bulkhead, inward, inside, pilot, run, read, fromStern } = settingOf(hull, placed, mounted, setting);
  const spots = throughHoles(part)
    .map((h, i) => ({ h, i, at: onSurface(hull, placed, toHull(frame, h.u, h.v, 0)) }))
    .sort((a, b) => a.at.x - b.at.x || a.at.y - b.at.y || a.i - b.i);
  return spots.map(({ h, i, at }, n): PlannedHole => {
    // A recess goes in along its own lean, as deep as it is and as wide.
    const recess = part.body.recess && i === part.holes.at.length ? part.body.recess : undefined;
    const goes = recess
      ? { inward: directed(frame, recessAxis(recess)), inside: 'nothing' as const, deep: recess.deep, radius: recess.bore / 2 }
      : { inward, inside, deep: mounted.behind + 5, into: bulkhead };
    const id = [placed.id, elsewhere, String(i + 1)].filter(Boolean).join('.');
    const wall = onSide || bulkhead !== undefined ? frame.wall : hull.spot(at.x, at.y).wall;
    const bit = boreOf(mounted, shop, h.bore);
    const again = usedAgain(placed, i + 1, ledger);
    const drilled = again ?? ledger.holes.find((d) => d.id === id && d.plugged === null) ?? null;
    return {
      ...{ id, label: `${letter}${after + n + 1}`, fitting: placed.id, nth: i + 1, of: part.name },
      ...{ at, side: sideOf(at.y), run, reading: read(at), offCentre: at.y },
      fromEdge: hull.halfBreadth(at.x) - Math.abs(at.y),
      down: onSide ? girthDown(hull, at.x, hull.gunwale(at.x) - at.z) : null,
      up: bulkhead === undefined ? null : at.z - insideBottom(hull, at.x),
      ahead: at.x < datum.at.x - 0.5,
      fromStern: fromStern(at),
      ...{ pilot, bit, wall, flag: Math.max(9.525, wall + 5) },
      behind: lookBehind(hull, shop, { at, openings, ...goes }),
      ...{ drilled, reused: again !== null },
      openUp: drilled !== null && drilled.bit < bit.mm - SAME_BIT,
      abandoned: drilled ? null : (ledger.abandoned.get(id) ?? null),
      inward: goes.inward,
    };
  });
}

/** The face of the hull that a hole is in, planned or measured. */
export const faceOf = ({
  down,
  up = null,
}: {
  readonly down: number | null;
  readonly up?: number | null;
}): 'deck' | 'side' | 'bulkhead' => (down !== null ? 'side' : up === null ? 'deck' : 'bulkhead');

/** Bits of inch and metric indexes that are nearly alike drill the same hole (judgement), mm. */
export const SAME_BIT = 0.3;

/** A point of a fitting's base on the surface it stands on. */
export function onSurface(hull: HullSurface, placed: Placed, p: Point): Point {
  const { place } = placed;
  if (place.on === 'side') return hull.sidePoint(p.x, place.side, hull.gunwale(p.x) - p.z);
  return place.on === 'deck' ? { ...p, z: hull.spot(p.x, p.y).z } : p;
}
