import { isOneOf, type FindingCode } from '../../checks/findings';
import { briefIn, entryOf, type DraftChange, type Plan } from '../../rig';
import { waterAt } from '../../water/float';
import { Memory } from '../../base/stages';
import { MM_PER_INCH } from '../../base/units';
import { workUp, type Workup, type WorkupInput } from '../../workup';

/** What a place of the seat is asked for. */
export const ASKED = ['legs', 'stroke', 'reach', 'trim'] as const;
export type Asked = (typeof ASKED)[number];

/** What is found when it is not so. */
const CODES: Readonly<Record<Asked, readonly FindingCode[]>> = {
  legs: ['legs', 'seat-place'],
  stroke: ['paddle-stroke', 'knuckles', 'paddle-short', 'strokes-meet'],
  reach: ['reach', 'wrong-side', 'across-rod'],
  trim: ['stern-heavy', 'bow-heavy', 'wet-floor', 'handle-drags', 'cannot-float'],
};

/** One place of the seat, tried. */
interface SeatTrial {
  /** x of the hip, mm. */
  readonly at: number;
  /** How much is missed, all told, mm; nought where nothing is said. */
  readonly misses: Readonly<Record<Asked, number>>;
  /** How much deeper the stern lies than the bow, mm. */
  readonly trim: number;
  /** How high the water stands over the keel at the stern, mm; null where it does not float. */
  readonly stern: number | null;
}

/** A stretch of places of the seat, x of the hip, mm. */
interface SeatSpan {
  readonly fore: number;
  readonly aft: number;
}

/** The places a seat can stand, and what each does. */
export interface SeatRange {
  readonly trials: readonly SeatTrial[];
  /** Where each of what is asked for is missed least, and by how much that is. */
  readonly least: Readonly<Record<Asked, SeatSpan & { readonly by: number }>>;
  /** Where all of it is at its least; null where nowhere. */
  readonly best: SeatSpan | null;
  /** The place to choose: the middle of the best, else where least is missed. */
  readonly bestAt: number;
  /** What an inch aft of the middle of the slide changes, mm: trim deeper by the stern, the rest missed more. */
  readonly inch: Readonly<Record<Asked, number>>;
  /** How much deeper that puts the stern, mm; null where it does not float. */
  readonly sternInch: number | null;
}

export interface SeatSearch {
  /** How far apart places are tried, mm. */
  readonly step: number;
  readonly set: string | null;
  readonly shouldStop?: () => boolean;
}

/** The change that sets the seat there, in the brief or in a set. */
export function seatTo({ brief, sets }: Pick<Plan, 'brief' | 'sets'>, set: string | null, at: number): DraftChange {
  const from = set === null ? undefined : entryOf(sets, set);
  if (set === null || !from) return { kind: 'answerBrief', from: { seatAt: brief.seatAt }, to: { seatAt: at } };
  const { sits } = from;
  return { kind: 'nameSet', set, from, to: { ...from, sits: { ...sits, first: { ...sits?.first, at } } } };
}

/** The plan with the seat there. */
function satAt(plan: Plan, set: string | null, at: number): Plan {
  const one = set === null ? undefined : entryOf(plan.sets, set);
  if (set === null || !one) return { ...plan, brief: { ...plan.brief, seatAt: at } };
  const sits = { ...one.sits, first: { ...one.sits?.first, at } };
  return { ...plan, sets: { ...plan.sets, [set]: { ...one, sits } } };
}

/** What is said in a set, or in the rig as a whole. */
const said = ({ findings }: Workup, set: string | null) =>
  findings.filter((f) => set === null || f.sets === null || f.sets.includes(set));

function trialOf(w: Workup, at: number, set: string | null): SeatTrial {
  const misses = Object.fromEntries(
    ASKED.map((asked) => [
      asked,
      said(w, set)
        .filter((f) => isOneOf(CODES[asked], f))
        .reduce((sum, f) => sum + Math.max(1, f.measure?.amount ?? 1), 0),
    ]),
  ) as Record<Asked, number>;
  const { float } = w.weight;
  const stern = float.fault ? null : waterAt(float, w.surface.length);
  return { at, misses, trim: float.slope * w.surface.length, stern };
}

/** The longest run of trials that miss no more than the least; the runs are told apart by half a millimetre. */
function leastOf(trials: readonly SeatTrial[], missed: (t: SeatTrial) => number): (SeatSpan & { by: number }) | null {
  const by = Math.min(...trials.map(missed));
  let best: SeatSpan | null = null;
  let from: number | null = null;
  trials.forEach((t, i) => {
    const good = missed(t) <= by + 0.5;
    if (good) from ??= t.at;
    const next = trials[i + 1];
    if (good && from !== null && (!next || missed(next) > by + 0.5)) {
      if (!best || t.at - from > best.aft - best.fore) best = { fore: from, aft: t.at };
    }
    if (!good) from = null;
  });
  return best ? { ...(best as SeatSpan), by } : null;
}

/**
 * Tries every place a seat can stand: whether legs, stroke and reach go with it, and how the boat trims. Each trial is a
 * whole workup.
 * @returns null where the seat does not slide, or the search was stopped
 */
export function seatRange(input: WorkupInput, { step, set, shouldStop }: SeatSearch): SeatRange | null {
  const { slide } = input.hull.seat;
  if (!slide || slide.aft - slide.fore < 1) return null;
  const memory = new Memory();
  const count = Math.floor((slide.aft - slide.fore) / step + 1e-9);
  const places = Array.from({ length: count + 1 }, (_, i) => slide.fore + i * step);
  if ((places.at(-1) ?? 0) < slide.aft - 0.5) places.push(slide.aft);
  const trials: SeatTrial[] = [];
  for (const at of places) {
    if (shouldStop?.()) return null;
    trials.push(trialOf(workUp({ ...input, set, plan: satAt(input.plan, set, at) }, memory), at, set));
  }
  const least = Object.fromEntries(ASKED.map((asked) => [asked, leastOf(trials, (t) => t.misses[asked])])) as Record<
    Asked,
    SeatSpan & { by: number }
  >;
  const over = (t: SeatTrial): number => ASKED.reduce((sum, asked) => sum + Math.max(0, t.misses[asked] - least[asked].by), 0);
  const together = leastOf(trials, over);
  const best = together && together.by <= 0.5 ? { fore: together.fore, aft: together.aft } : null;
  // Legs come first: who does not reach the pegs does not paddle.
  const ranked = [...trials].sort((a, b) => a.misses.legs - b.misses.legs || over(a) - over(b));
  const middle = Math.max(0, Math.min(trials.length - 2, Math.floor(trials.length / 2)));
  const [here, next] = [trials[middle] as SeatTrial, trials[middle + 1] as SeatTrial];
  const perInch = MM_PER_INCH / (next.at - here.at);
  const change = (asked: Asked): number =>
    (asked === 'trim' ? next.trim - here.trim : next.misses[asked] - here.misses[asked]) * perInch;
  return {
    trials,
    least,
    best,
    bestAt: best ? nearest(trials, (best.fore + best.aft) / 2) : (ranked[0]?.at ?? slide.fore),
    inch: { legs: change('legs'), stroke: change('stroke'), reach: change('reach'), trim: change('trim') },
    sternInch: here.stern === null || next.stern === null ? null : (next.stern - here.stern) * perInch,
  };
}

/** The trial nearest to a place: only what was tried is proposed. */
const nearest = (trials: readonly SeatTrial[], at: number): number =>
  trials.reduce((a, b) => (Math.abs(b.at - at) < Math.abs(a.at - at) ? b : a)).at;

/** Where the seat stands now, in the brief or in a set. */
export const seatNow = (input: Pick<WorkupInput, 'hull' | 'plan'>, set: string | null): number =>
  briefIn(input.plan, set).seatAt ?? input.hull.seat.x;
