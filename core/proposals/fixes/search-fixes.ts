import { asOne, type Change, type Place } from '../../rig';
import type { Part } from '../../parts/parts';
import type { Fitted } from '../../holding/fitted';
import type { HullSurface } from '../../boat/hull';
import { frameOf, nudge, toMark } from '../../layout';
import { MM_PER_INCH, mm, say, type Point, type Sentence, type UnitSystem } from '../../base/units';
import { Memory } from '../../base/stages';
import { withParts, workUp, type Workup, type WorkupInput } from '../../workup';
import { type Finding, gotWorse, slideTo, type Try } from '../../checks/findings';
import { triedWith } from './trial';

/** Whether a part of the range may be brought aboard by a fix: an adapter, or what a swimmer gets back on by. */
export const mayHelp = (part: Part): boolean => part.joins?.foot !== undefined || part.use.reboards !== undefined;

/** A way out that was tried on a copy: it settles the finding and makes nothing worse. */
export interface Fix {
  readonly says: Sentence;
  readonly change: Change;
  /** How far the fitting moves, mm; nought when it stays. */
  readonly moves: number;
}

export interface FixSearch {
  readonly units: UnitSystem;
  /** Most trials to make. */
  readonly budget: number;
  readonly newId: () => string;
  /** Parts that may come aboard. */
  readonly range: readonly Part[];
  readonly shouldStop?: () => boolean;
  /** Of earlier searches in much the same rig. */
  readonly memory?: Memory;
}

interface Trial {
  readonly place: Place;
  readonly lift: number;
  /** How far it moves, mm. */
  readonly moves: number;
  readonly kind: string;
}

/** A rigger slides a thing this far and no farther to settle something (judgement), mm. */
const FARTHEST = 305;
/** What is in somebody's way or out of their reach is moved along the boat, out of the way or into reach (judgement), mm. */
const ALONG_THE_BOAT = 1200;
const BY_THE_BODY: readonly Finding['code'][] = [
  'paddle-stroke',
  'knuckles',
  'back-cast',
  'reach',
  'back-up-reach',
  'landing-side',
  'wrong-side',
  'across-rod',
];

/** A light or a transducer is where it is for what it shows or sees: it is not sent along the boat. */
const farthestOf = ({ light, sonar, lens }: Part, code: Finding['code']): number =>
  BY_THE_BODY.includes(code) && !light && !sonar && !lens ? ALONG_THE_BOAT : FARTHEST;
/** Raised no higher than this on a riser (judgement), mm. */
const HIGHEST = 305;

/** The mark a rigger would slide to: a sixteenth, or a millimetre; up, so that it clears. */
const markUp = (mm: number, units: UnitSystem): number =>
  units === 'imperial' ? (Math.ceil((mm / MM_PER_INCH) * 16 - 1e-6) / 16) * MM_PER_INCH : Math.ceil(mm - 1e-6);

/** How far to slide: what the finding itself measures, a little more, then by quarters, halves and whole inches. */
function distances(finding: Finding, units: UnitSystem): number[] {
  const step = units === 'imperial' ? MM_PER_INCH : 25;
  const measured = finding.says.flatMap((m) => (typeof m === 'object' && 'mm' in m ? [m.mm] : []));
  const own = measured.flatMap((mm) => [markUp(mm, units), markUp(mm + 1, units), markUp(mm + step / 4, units)]);
  const steps = [0.25, 0.5, 0.75, 1, 1.5, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11, 12, 14, 16, 18, 20, 24, 28, 32, 36, 40, 44].map(
    (n) => n * step,
  );
  return [...new Set([...own, ...steps])].filter((mm) => mm > 0).sort((a, b) => a - b);
}

/** Findings a riser settles; for the rest a thing stays at its height. */
const RAISED: readonly Finding['code'][] = [
  'paddle-stroke',
  'into-the-deck',
  'back-cast',
  'rod-butt',
  'light-hidden',
  'light-low',
];

/** Slides along and across, to the other tracks nearby, and up: as small as each can be. */
function* trials(input: WorkupInput, item: Fitted, finding: Finding, units: UnitSystem, surface: HullSurface): Generator<Trial> {
  const { fitting, place, part, frame } = item.placed;
  const { lift } = fitting;
  const at = frame.origin;
  const farthest = farthestOf(part, finding.code);
  for (const far of distances(finding, units).filter((mm) => mm <= farthest)) {
    const ways = [
      [far, 0, 'aft'],
      [-far, 0, 'forward'],
      [0, far, 'to starboard'],
      [0, -far, 'to port'],
    ] as const;
    for (const [dx, dy, kind] of ways) {
      if (dy !== 0 && place.on !== 'deck' && place.on !== 'space') continue;
      const to = nudge(surface, place, dx, dy);
      const there = frameOf(surface, to, item.placed.below, part.body);
      // It stays on what it stands on: off that it would be another job.
      if (!there || there.off || (place.on === 'deck' && there.surface !== frame.surface)) continue;
      yield { place: to, lift, moves: Math.hypot(there.origin.x - at.x, there.origin.y - at.y), kind };
    }
  }
  if (part.holding.ways.includes('track') && fitting.mount.hold === 'track')
    for (const track of input.hull.tracks)
      for (const x of [at.x, ...distances(finding, units).flatMap((mm) => [at.x - mm, at.x + mm])]) {
        const moves = Math.hypot(x - at.x, track.y - at.y);
        if (place.on === 'track' && place.track === track.id) continue;
        if (x < track.fore + 30 || x > track.aft - 30 || Math.abs(x - at.x) > farthest) continue;
        const heading = 'heading' in place ? place.heading : 0;
        yield { place: { on: 'track', track: track.id, x: toMark(x, units), heading }, lift, moves, kind: track.id };
      }
  const held = fitting.mount.hold !== 'loose' && fitting.mount.hold !== 'clamp';
  if (held && RAISED.includes(finding.code))
    for (const up of distances(finding, units).filter((mm) => mm >= 2 * MM_PER_INCH && lift + mm <= HIGHEST))
      yield { place, lift: lift + up, moves: up + A_RISER, kind: 'lift' };
  if (lift > 0) yield { place, lift: 0, moves: lift, kind: 'lift' };
}

/** A riser is a part more, so a slide is tried before it (judgement), as if it moved so much farther, mm. */
const A_RISER = 100;
/** To the other side, another way of holding, another answer: weighed against slides (judgement), mm. */
const ANOTHER_WAY = 60;

/** A try with how much it changes and what kind of move it is: one of a kind is offered. */
interface Candidate extends Try {
  readonly moves: number;
  readonly kind: string;
}

/** Generic moves of the fitting a finding is about: slides, other tracks, risers. */
function movesOf(input: WorkupInput, finding: Finding, before: Workup, search: FixSearch): Candidate[] {
  const item = before.aboard.items.find((i) => i.placed.id === finding.where);
  if (!item || item.placed.fitting.locked) return [];
  const { fitting, place, frame } = item.placed;
  return [...trials(input, item, finding, search.units, before.surface)].filter(firstOfItsPlace()).map((t): Candidate => {
    const lifted = t.lift !== fitting.lift;
    return {
      says: wordsOf(input, t, { place, lift: fitting.lift }, frame.origin, before.surface),
      moves: t.moves,
      kind: t.kind,
      changes: lifted ? [{ kind: 'liftItem', item: finding.where, from: fitting.lift, to: t.lift }] : [slideTo(item, t.place)],
    };
  });
}

/** How much a way out of the judgement's own moves things: as far as it slides one, or as another way. */
function ownMoves(one: Try, before: Workup): number {
  const slid = one.changes.flatMap((c) => {
    if (c.kind !== 'slideItem' && c.kind !== 'slideInSet') return [];
    const to = c.to && frameOf(before.surface, c.to)?.origin;
    const from = before.aboard.items.find((i) => i.placed.id === c.item)?.placed.frame.origin;
    return to && from ? [Math.hypot(to.x - from.x, to.y - from.y)] : [];
  });
  return slid.length ? Math.max(...slid) : ANOTHER_WAY;
}

/**
 * Searches ways out of a finding, the least change first: slides, other tracks, risers, and those the judgement
 * itself knows. Each is tried on a copy and offered only when the finding goes and nothing gets worse.
 *
 * @returns fixes, at most three, one of a kind
 */
export function searchFixes(input: WorkupInput, finding: Finding, search: FixSearch): Fix[] {
  const shown = { ...withParts(input, search.range), set: finding.sets?.[0] ?? input.set };
  const { memory = new Memory() } = search;
  const before = workUp(shown, memory);
  const known = new Map(before.findings.map((f) => [f.key, f]));
  const worsens = (f: Finding): boolean => {
    const was = known.get(f.key);
    return !was || gotWorse(f, was);
  };
  const own = finding.tries(search.range).map((t, i): Candidate => ({ ...t, moves: ownMoves(t, before), kind: `own ${i}` }));
  const candidates = [...own, ...movesOf(shown, finding, before, search)]
    .sort((a, b) => a.moves - b.moves)
    .slice(0, search.budget);
  const fixes: Fix[] = [];
  const kinds = new Set<string>();
  for (const candidate of candidates) {
    if (search.shouldStop?.() || fixes.length === 3) break;
    if (kinds.has(candidate.kind) || candidate.changes.length === 0) continue;
    const after = triedWith(shown, candidate.changes, memory);
    if (!after || after.findings.some((f) => f.key === finding.key || worsens(f))) continue;
    kinds.add(candidate.kind);
    const change = asOne(candidate.changes, search.newId);
    if (change) fixes.push({ says: candidate.says, change, moves: candidate.moves });
  }
  return fixes;
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

function wordsOf(
  input: WorkupInput,
  trial: Trial,
  fitting: { place: Place; lift: number },
  at: Point,
  surface: HullSurface,
): Sentence {
  if (trial.lift !== fitting.lift)
    return trial.lift > fitting.lift ? say`Raise it ${mm(trial.lift - fitting.lift)}` : say`Lower it ${mm(fitting.lift)}`;
  const { place } = trial;
  if (place.on === 'track' && (fitting.place.on !== 'track' || fitting.place.track !== place.track))
    return say`To the ${input.hull.tracks.find((t) => t.id === place.track)?.name ?? place.track}`;
  const to = frameOf(surface, place)?.origin ?? at;
  const [dx, dy] = [to.x - at.x, to.y - at.y];
  return Math.abs(dx) >= Math.abs(dy)
    ? say`Slide it ${mm(Math.abs(dx))} ${dx < 0 ? 'forward' : 'aft'}`
    : say`Slide it ${mm(Math.abs(dy))} to ${dy < 0 ? 'port' : 'starboard'}`;
}
