import { applyChange, Clash, type Change, type Place, Refused } from '../rig';
import { frameOf, keepOnTrack, nudge, toMark } from '../layout';
import { mm, say, type Sentence, type UnitSystem } from '../units';
import { workUp, WorkupSession, type Workup, type WorkupInput } from '../workup';
import { type Finding, slideTo, type Try } from './finding';

/** A way out that was tried on a copy: it settles the finding and makes nothing worse. */
export interface Cure {
  readonly says: Sentence;
  readonly change: Change;
  /** How far the fitting moves, mm; nought when it stays. */
  readonly moves: number;
}

export interface CureSearch {
  readonly units: UnitSystem;
  /** Most trials to make. */
  readonly budget: number;
  readonly newId: () => string;
  readonly shouldStop?: () => boolean;
}

interface Trial {
  readonly place: Place;
  readonly lift: number;
  readonly moves: number;
}

const STEP = 25.4;

function* slides(
  input: WorkupInput,
  at: { x: number; y: number },
  place: Place,
  lift: number,
  workup: Workup,
  units: UnitSystem,
): Generator<Trial> {
  const { surface } = workup;
  for (let i = 1; i <= 60; i++)
    for (const sign of [1, -1]) {
      const moved = nudge(surface, place, sign * i * STEP, 0);
      const x = frameOf(surface, moved)?.origin.x;
      if (x === undefined || x < 0 || x > surface.length || x === at.x) continue;
      const marked = 'x' in moved ? { ...moved, x: clampTrack(input, moved, toMark(moved.x, units)) } : moved;
      yield { place: marked, lift, moves: Math.abs(x - at.x) };
    }
  for (const track of input.hull.tracks)
    for (let x = track.fore + 30; x <= track.aft - 30; x += STEP)
      yield {
        place: { on: 'track', track: track.id, x: toMark(x, units), heading: 'heading' in place ? place.heading : 0 },
        lift,
        moves: Math.hypot(x - at.x, track.y - at.y),
      };
  for (const up of [50.8, 101.6, 152.4, 203.2, 254, 304.8]) yield { place, lift: lift + up, moves: up };
  if (lift > 0) yield { place, lift: 0, moves: lift };
}

function clampTrack(input: WorkupInput, place: Place, x: number): number {
  const track = place.on === 'track' ? input.hull.tracks.find((t) => t.id === place.track) : undefined;
  return track ? keepOnTrack(track, x) : x;
}

/** A try with how far it moves the fitting and what kind of move it is: one of a kind is offered. */
interface Candidate extends Try {
  readonly moves: number;
  readonly kind: string;
}

/** Generic moves of the fitting a finding is about: slides, other tracks, risers; nearest first. */
function movesOf(input: WorkupInput, finding: Finding, before: Workup, search: CureSearch): Candidate[] {
  const item = before.items.find((i) => i.placed.id === finding.where);
  if (!item || item.placed.fitting.locked) return [];
  const { fitting, place, part } = item.placed;
  const at = item.placed.frame.origin;
  const holdsTrack = part.holds.includes('track') && fitting.mount.hold === 'track';
  return [...slides(input, at, place, fitting.lift, before, search.units)]
    .filter((t) => (place.on === 'track') === (t.place.on === 'track') || (t.place.on === 'track' && holdsTrack))
    .filter(firstOfItsPlace())
    .sort((a, b) => a.moves - b.moves)
    .map((t): Candidate => {
      const lifted = t.lift !== fitting.lift;
      return {
        says: wordsOf(input, t, { place, lift: fitting.lift }, at),
        moves: t.moves,
        kind: lifted ? 'lift' : t.place.on === 'track' ? t.place.track : placeX(t) < at.x ? 'forward' : 'aft',
        changes: lifted ? [{ kind: 'liftItem', item: finding.where, from: fitting.lift, to: t.lift }] : [slideTo(item, t.place)],
      };
    });
}

/** A try as one change, with ids. */
function changeOf(one: Try, newId: () => string): Change {
  const changes = one.changes.map((c) => ({ ...c, id: newId() }));
  const [only] = changes;
  return changes.length === 1 && only ? only : { id: newId(), kind: 'together', changes };
}

const WORSE = { stop: 2, look: 1, note: 0 } as const;

/**
 * Searches ways out of a finding: first those the judgement itself knows, then the smallest slide, track
 * or riser. Each is tried on a copy and offered only when the finding goes and nothing gets worse.
 *
 * @returns cures, at most three, one of a kind
 */
export function searchCures(input: WorkupInput, finding: Finding, search: CureSearch): Cure[] {
  const shown = { ...input, set: finding.sets?.[0] ?? input.set };
  const session = new WorkupSession();
  const before = workUp(shown, session);
  const known = new Map(before.findings.map((f) => [f.key, WORSE[f.severity]]));
  const own = finding.tries.map((t, i): Candidate => ({ ...t, moves: 0, kind: `own ${i}` }));
  const candidates = [...own, ...movesOf(shown, finding, before, search)].slice(0, search.budget);
  const cures: Cure[] = [];
  const kinds = new Set<string>();
  for (const candidate of candidates) {
    if (search.shouldStop?.() || cures.length === 3) break;
    if (kinds.has(candidate.kind) || candidate.changes.length === 0) continue;
    const change = changeOf(candidate, search.newId);
    const after = tried(shown, change, session);
    if (!after || after.findings.some((f) => f.key === finding.key || WORSE[f.severity] > (known.get(f.key) ?? 0))) continue;
    kinds.add(candidate.kind);
    cures.push({ says: candidate.says, change, moves: candidate.moves });
  }
  return cures;
}

/** The workup after a change; undefined when the plan does not take it. */
function tried(input: WorkupInput, change: Change, session: WorkupSession): Workup | undefined {
  try {
    return workUp({ ...input, plan: applyChange(input.plan, change).plan }, session);
  } catch (error) {
    if (error instanceof Refused || error instanceof Clash) return undefined;
    throw error;
  }
}

/** Slides that end at the same stop are one trial. */
function firstOfItsPlace(): (t: Trial) => boolean {
  const seen = new Set<string>();
  return (t) => {
    const key = JSON.stringify([t.place, t.lift]);
    if (seen.has(key)) return false;
    seen.add(key);
    return true;
  };
}

const placeX = (t: Trial): number => ('x' in t.place ? t.place.x : 0);

function wordsOf(input: WorkupInput, trial: Trial, fitting: { place: Place; lift: number }, at: { x: number }): Sentence {
  if (trial.lift !== fitting.lift)
    return trial.lift > fitting.lift ? say`Raise it ${mm(trial.lift - fitting.lift)}` : say`Lower it ${mm(fitting.lift)}`;
  const { place } = trial;
  if (place.on === 'track' && (fitting.place.on !== 'track' || fitting.place.track !== place.track))
    return say`To the ${input.hull.tracks.find((t) => t.id === place.track)?.name ?? place.track}`;
  const dx = placeX(trial) - at.x;
  return say`Slide it ${mm(Math.abs(dx))} ${dx < 0 ? 'forward' : 'aft'}`;
}
