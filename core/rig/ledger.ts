import {
  type Correction,
  correctionOf,
  downOfGirth,
  insideBottom,
  findDatum,
  placesOfReading,
  type HullSurface,
  type KnownDistance,
} from '../boat/hull';
import { distance, sideOf, type Point } from '../base/units';
import type { Fact, Measured, NewFact } from './fact';

/** One telling of a hole: who measured it, where, when. */
interface Telling {
  readonly measured: Measured;
  /** Derived from what was measured; null when this hull has no such place. */
  readonly at: Point | null;
  readonly by: string;
  /** By the clock of the device it was kept on: it may have come in later. */
  readonly when: string;
  readonly fact: string;
}

/** A hole that exists in a hull, for ever. */
export interface LedgerHole extends Telling {
  readonly id: string;
  readonly label: string;
  readonly rig: string | null;
  readonly bit: number;
  readonly elsewhere: boolean;
  /** Found on the boat: nobody here drilled it. */
  readonly found: string | null;
  readonly plugged: string | null;
  /** Photos taken as it was drilled or opened up. */
  readonly photos: readonly string[];
  /** Others measured the same hole; all are kept. */
  readonly also: readonly Telling[];
  /** Another place where the tape reads the same, or null. */
  readonly alike: Point | null;
}

type Of<K extends NewFact['kind']> = Fact & { readonly kind: K };

export interface Ledger {
  readonly holes: readonly LedgerHole[];
  /** Planned holes that were given up, and why. */
  readonly abandoned: ReadonlyMap<string, string>;
  readonly steps: ReadonlyMap<string, Fact>;
  /** Steps a manager let pass. */
  readonly passed: ReadonlyMap<string, Of<'gatePassed'>>;
  /** Steps a manager was asked to let pass. */
  readonly asked: ReadonlyMap<string, Of<'gateAsked'>>;
  /** Findings a manager was asked to accept. */
  readonly acceptancesAsked: ReadonlyMap<string, Of<'acceptanceAsked'>>;
  readonly minutes: ReadonlyMap<string, number>;
  readonly shown: ReadonlySet<string>;
  readonly snags: readonly Of<'snagNoted'>[];
  readonly substituted: readonly Of<'fastenerSubstituted'>[];
  /** How each thing aboard was seen last. */
  readonly seen: ReadonlyMap<string, Of<'thingSeen'>>;
  /** The owner's last signature for how the boat came in. */
  readonly received: Of<'received'> | null;
  readonly signed: Of<'signed'> | null;
  /** How this boat differs from its drawing, by what was measured on it. */
  readonly correction: Correction;
  readonly readings: readonly Of<'readingTaken'>[];
  readonly agreed: Of<'layoutAgreed'> | null;
  /** The last of each reading of the bench test. */
  readonly circuitReads: ReadonlyMap<string, Of<'circuitRead'>>;
  /** The last of each check of the bench test. */
  readonly circuitChecks: ReadonlyMap<string, Of<'circuitChecked'>>;
  /** What nobody of the shop saw done, and nobody has vouched for: it counts for nothing yet. */
  readonly unproven: readonly Fact[];
  /** The last measured bar of each paper. */
  readonly bars: ReadonlyMap<string, Of<'barMeasured'>>;
}

/**
 * Every place a measured hole may be, the likeliest first: on the side when it was measured down from the gunwale,
 * else on deck; where a tape pulled over a step reads two places alike, the one nearest what was aimed at.
 */
export function measuredPlaces(hull: HullSurface, m: Measured, correction?: Correction): Point[] {
  const datum = findDatum(hull, m.datum);
  const side = sideOf(m.offCentre) === 'port' ? 'port' : 'starboard';
  const heightAt = (x: number): number => {
    if (m.up !== undefined) return insideBottom(hull, x) + m.up;
    if (m.down === null) return hull.spot(x, m.offCentre).z;
    return hull.sidePoint(x, side, m.downBy === 'girth' ? downOfGirth(hull, x, m.down) : m.down).z;
  };
  const shared = { datum, run: m.run, y: m.offCentre, heightAt, towards: m.towards };
  const xsAt = (value: number, near = m.aimed): number[] => placesOfReading(hull, { ...shared, value, near });
  return xsAt(m.reading).map((first) => {
    let x = first;
    // What the tape reads more on this boat than on the drawing comes off again; twice is enough, it hardly changes along x.
    for (let i = 0; correction?.known.length && i < 2; i++)
      x = xsAt(m.reading - correction.between(datum.at.x, x), first)[0] ?? x;
    return { x, y: m.offCentre, z: heightAt(x) };
  });
}

/** The likeliest place of a measured hole; null when no place on the hull reads that. */
export const measuredPlace = (hull: HullSurface, m: Measured, correction?: Correction): Point | null =>
  measuredPlaces(hull, m, correction)[0] ?? null;

const isFact = <K extends NewFact['kind']>(f: Fact, kind: K): f is Of<K> => f.kind === kind;

/** So near one another there is no second hole, even of a pilot bit (judgement), mm. */
const ONE_HOLE = 6;

/** Keeps a hole, or another's measure of one that is there: nearer than a bit there is no second hole. */
function addHole(holes: Map<string, LedgerHole>, hole: LedgerHole): void {
  const there = [...holes.values()].find(
    (h) =>
      h.id === hole.id && h.plugged === null && h.at && hole.at && distance(h.at, hole.at) < Math.max(h.bit, hole.bit, ONE_HOLE),
  );
  if (!there) return void holes.set(hole.fact, hole);
  const { measured, at, by, when, fact } = hole;
  holes.set(there.fact, { ...there, also: [...there.also, { measured, at, by, when, fact }] });
}

/** The holes of a hull while its facts are folded. By fact, not by name: plugged and drilled anew is two holes for ever. */
interface HolesUnderWay {
  readonly hull: HullSurface;
  readonly correction: Correction;
  readonly holes: Map<string, LedgerHole>;
  /** Why a planned hole was given up, by its name. */
  readonly abandoned: Map<string, string>;
}

/** A hole that was made here, or found: where it was measured. */
function holeMade({ hull, correction, holes, abandoned }: HolesUnderWay, f: Of<'holeDrilled'> | Of<'holeFound'>): void {
  const { hole: id, label, bit, measured } = f;
  const drilled = f.kind === 'holeDrilled' ? f : null;
  const [at = null, alike = null] = measuredPlaces(hull, measured, correction);
  addHole(holes, {
    ...{ id, label, bit, measured, at, alike, plugged: null, also: [] },
    rig: drilled ? f.rig : null,
    elsewhere: drilled?.elsewhere ?? false,
    found: f.kind === 'holeFound' ? f.says || 'found on the boat' : null,
    photos: drilled?.photo ? [drilled.photo] : [],
    ...{ by: f.by, when: f.deviceTime, fact: f.id },
  });
  abandoned.delete(id);
}

/** What each kind of fact does to the holes; of the others the holes know nothing. */
const HOLES: { readonly [K in NewFact['kind']]?: (under: HolesUnderWay, fact: Of<K>) => void } = {
  holeDrilled: holeMade,
  holeFound: holeMade,
  holePlugged: ({ holes }, f) => {
    const hole = [...holes.values()].reverse().find((h) => (h.id === f.hole || h.fact === f.hole) && h.plugged === null);
    if (hole) holes.set(hole.fact, { ...hole, plugged: f.with });
  },
  holeOpened: ({ holes }, f) => {
    // Opened on a tablet whose telling of the hole came in second: it is the same hole.
    const hole = holes.get(f.of) ?? [...holes.values()].find((h) => h.also.some((t) => t.fact === f.of));
    const photos = [...(hole?.photos ?? []), ...(f.photo ? [f.photo] : [])];
    if (hole) holes.set(hole.fact, { ...hole, bit: Math.max(hole.bit, f.bit), photos });
  },
  holeAbandoned: ({ abandoned }, f) => void abandoned.set(f.hole, f.why),
};

/** The facts of one kind, in their order. */
const ofKind = <K extends NewFact['kind']>(facts: readonly Fact[], kind: K): Of<K>[] => facts.filter((f) => isFact(f, kind));

/** The last of each, by what they are about. */
const lastBy = <F>(facts: readonly F[], about: (fact: F) => string): ReadonlyMap<string, F> =>
  new Map(facts.map((f) => [about(f), f]));

/** What was said of one rig: steps, minutes, stops, what was seen, agreement, bars and signatures. */
function saidOfRig(own: readonly Fact[]) {
  const minutes = new Map<string, number>();
  for (const f of ofKind(own, 'minutesBooked')) minutes.set(f.step, (minutes.get(f.step) ?? 0) + f.minutes);
  return {
    minutes,
    steps: lastBy(ofKind(own, 'stepDone'), (f) => f.step),
    passed: lastBy(ofKind(own, 'gatePassed'), (f) => f.step),
    asked: lastBy(ofKind(own, 'gateAsked'), (f) => f.step),
    acceptancesAsked: lastBy(ofKind(own, 'acceptanceAsked'), (f) => f.finding),
    shown: new Set(ofKind(own, 'stopShown').map((f) => f.stop)),
    snags: ofKind(own, 'snagNoted'),
    substituted: ofKind(own, 'fastenerSubstituted'),
    seen: lastBy(ofKind(own, 'thingSeen'), (f) => f.thing),
    received: ofKind(own, 'received').at(-1) ?? null,
    signed: ofKind(own, 'signed').at(-1) ?? null,
    agreed: ofKind(own, 'layoutAgreed').at(-1) ?? null,
    circuitChecks: lastBy(ofKind(own, 'circuitChecked'), (f) => f.check),
    circuitReads: lastBy(ofKind(own, 'circuitRead'), (f) => f.reading),
    bars: lastBy(ofKind(own, 'barMeasured'), (f) => f.paper),
  };
}

/**
 * Folds the facts of one hull into its ledger. Facts that were taken back do not count, and a
 * taking-back can itself be taken back. What nobody of the shop saw done does not count until it is vouched for; holes
 * do, wherever the telling of them comes from: a bit that meets one does not ask who told of it.
 *
 * @param rig only steps, minutes, stops, what was seen, agreement, bars and signatures of this plan count; holes and
 *   readings are the hull's
 * @param came holes that no fact tells of: they came with what was aboard
 */
export function foldLedger(hull: HullSurface, facts: readonly Fact[], rig: string, came: readonly LedgerHole[] = []): Ledger {
  const dead = takenBack(facts);
  const live = facts.filter((f) => !dead.has(f.id));
  const vouched = new Set(live.flatMap((f) => (f.kind === 'vouched' && !f.unproven ? f.facts : [])));
  const sure = live.filter((f) => !f.unproven || vouched.has(f.id));
  const readings = ofKind(sure, 'readingTaken');
  const correction = correctionOf(hull, readings satisfies readonly KnownDistance[]);
  const holes = new Map(came.map((hole) => [hole.fact, hole]));
  const abandoned = new Map<string, string>();
  const under: HolesUnderWay = { hull, correction, holes, abandoned };
  for (const f of live) (HOLES[f.kind] as ((under: HolesUnderWay, fact: Fact) => void) | undefined)?.(under, f);
  return {
    ...saidOfRig(sure.filter((f) => f.rig === rig)),
    holes: [...holes.values()],
    ...{ abandoned, correction, readings },
    unproven: live.filter((f) => f.unproven && !vouched.has(f.id) && !OF_THE_BOAT.includes(f.kind)),
  };
}

/** Facts that are there whoever told of them. */
const OF_THE_BOAT: readonly Fact['kind'][] = [
  'holeDrilled',
  'holeFound',
  'holeOpened',
  'holePlugged',
  'holeAbandoned',
  'tookBack',
];

function takenBack(facts: readonly Fact[]): Set<string> {
  const dead = new Set<string>();
  // Latest first, so that a taking-back that was itself taken back has no effect.
  for (const f of [...facts].reverse()) if (f.kind === 'tookBack' && !dead.has(f.id)) dead.add(f.fact);
  return dead;
}
