import { findDatum, placeOfReading, type HullSurface } from '../hull';
import { sideOf, type Point } from '../units';
import type { Fact, Measured } from './fact';

/** A hole that exists in a hull, for ever. */
export interface LedgerHole {
  readonly id: string;
  readonly label: string;
  readonly rig: string | null;
  readonly bit: number;
  readonly measured: Measured;
  /** Derived from what was measured; null when this hull has no such place. */
  readonly at: Point | null;
  readonly elsewhere: boolean;
  readonly plugged: string | null;
  readonly by: string;
  readonly when: string;
  readonly fact: string;
}

export interface Ledger {
  readonly holes: readonly LedgerHole[];
  readonly steps: ReadonlyMap<string, Fact>;
  readonly minutes: ReadonlyMap<string, number>;
  readonly shown: ReadonlySet<string>;
  readonly snags: readonly Fact[];
  readonly substituted: readonly Fact[];
  readonly signed: (Fact & { kind: 'signed' }) | null;
}

/** Where a measured hole is: on the side when it was measured down from the gunwale, else on deck. */
export function measuredPlace(hull: HullSurface, m: Measured): Point | null {
  const datum = findDatum(hull, m.datum);
  const side = sideOf(m.offCentre) === 'port' ? 'port' : 'starboard';
  const heightAt = (x: number): number => (m.down === null ? hull.spot(x, m.offCentre).z : hull.sidePoint(x, side, m.down).z);
  const x = placeOfReading(hull, datum, m.run, m.reading, m.offCentre, heightAt, m.towards);
  return x === undefined ? null : { x, y: m.offCentre, z: heightAt(x) };
}

/**
 * Folds the facts of one hull into its ledger. Facts that were taken back do not count, and a
 * taking-back can itself be taken back.
 *
 * @param rig only steps, minutes, stops and signatures of this plan count; holes are the hull's
 */
export function foldLedger(hull: HullSurface, facts: readonly Fact[], rig: string): Ledger {
  const dead = takenBack(facts);
  const live = facts.filter((f) => !dead.has(f.id));
  // By fact, not by name: a hole that was plugged and drilled anew is two holes for ever.
  const holes = new Map<string, LedgerHole>();
  const steps = new Map<string, Fact>();
  const minutes = new Map<string, number>();
  const shown = new Set<string>();
  const snags: Fact[] = [];
  const substituted: Fact[] = [];
  let signed: Ledger['signed'] = null;
  for (const f of live) {
    if (f.kind === 'holeDrilled') {
      holes.set(f.id, {
        id: f.hole,
        label: f.label,
        rig: f.rig,
        bit: f.bit,
        measured: f.measured,
        at: measuredPlace(hull, f.measured),
        elsewhere: f.elsewhere,
        plugged: null,
        by: f.by,
        when: f.serverTime,
        fact: f.id,
      });
    } else if (f.kind === 'holePlugged') {
      const hole = [...holes.values()].reverse().find((h) => h.id === f.hole && h.plugged === null);
      if (hole) holes.set(hole.fact, { ...hole, plugged: f.with });
    } else if (f.rig !== rig) continue;
    else if (f.kind === 'stepDone') steps.set(f.step, f);
    else if (f.kind === 'minutesBooked') minutes.set(f.step, (minutes.get(f.step) ?? 0) + f.minutes);
    else if (f.kind === 'stopShown') shown.add(f.stop);
    else if (f.kind === 'snagNoted') snags.push(f);
    else if (f.kind === 'fastenerSubstituted') substituted.push(f);
    else if (f.kind === 'signed') signed = f;
  }
  return { holes: [...holes.values()], steps, minutes, shown, snags, substituted, signed };
}

function takenBack(facts: readonly Fact[]): Set<string> {
  const dead = new Set<string>();
  // Latest first, so that a taking-back that was itself taken back has no effect.
  for (const f of [...facts].reverse()) if (f.kind === 'tookBack' && !dead.has(f.id)) dead.add(f.fact);
  return dead;
}
