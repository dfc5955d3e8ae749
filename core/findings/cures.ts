import { applyChange, type Place, type SimpleChange } from '../rig';
import { frameOf, keepOnTrack, nudge, toMark } from '../layout';
import { mm, say, type Sentence, type UnitSystem } from '../units';
import { workUp, WorkupSession, type Workup, type WorkupInput } from '../workup';
import type { Finding } from './finding';

/** A way out that was tried on a copy: it settles the finding and makes nothing worse. */
export interface Cure {
  readonly says: Sentence;
  readonly change: SimpleChange;
  /** How far the fitting moves, mm. */
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

/**
 * Searches the smallest move of a fitting that settles a finding: a slide, another track, a riser.
 * Each is tried on a copy and offered only when no new finding appears.
 *
 * @returns cures nearest first, at most three, one of a kind
 */
export function searchCures(input: WorkupInput, finding: Finding, search: CureSearch): Cure[] {
  const fitting = input.plan.fittings[finding.where];
  const session = new WorkupSession();
  const before = workUp(input, session);
  const item = before.items.find((i) => i.placed.id === finding.where);
  if (!fitting || !item) return [];
  const known = new Set(before.findings.map((f) => f.key));
  const at = item.placed.frame.origin;
  const holdsTrack = item.placed.part.holds.includes('track') && fitting.mount.hold === 'track';
  const trials = [...slides(input, at, fitting.place, fitting.lift, before, search.units)]
    .filter((t) => (fitting.place.on === 'track') === (t.place.on === 'track') || (t.place.on === 'track' && holdsTrack))
    .filter(firstOfItsPlace())
    .sort((a, b) => a.moves - b.moves)
    .slice(0, search.budget);
  const cures: Cure[] = [];
  const kinds = new Set<string>();
  for (const trial of trials) {
    if (search.shouldStop?.() || cures.length === 3) break;
    const lifted = trial.lift !== fitting.lift;
    const kind = lifted
      ? 'lift'
      : trial.place.on === 'track'
        ? trial.place.track
        : trial.moves > 0 && placeX(trial) < at.x
          ? 'forward'
          : 'aft';
    if (kinds.has(kind)) continue;
    const change: SimpleChange = lifted
      ? { id: search.newId(), kind: 'liftItem', item: finding.where, from: fitting.lift, to: trial.lift }
      : { id: search.newId(), kind: 'slideItem', item: finding.where, from: fitting.place, to: trial.place };
    const after = workUp({ ...input, plan: applyChange(input.plan, change).plan }, session);
    if (after.findings.some((f) => f.key === finding.key || !known.has(f.key))) continue;
    kinds.add(kind);
    cures.push({ says: wordsOf(input, trial, fitting, at), change, moves: trial.moves });
  }
  return cures;
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
