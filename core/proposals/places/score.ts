import { gotWorse, type Finding } from '../../checks/findings';
import { trimDegrees } from '../../water/float';
import type { HullSurface } from '../../boat/hull';
import { HOLDS, type Hold } from '../../parts/parts';
import type { Brief } from '../../rig';
import type { Workup, WorkupInput } from '../../workup';
import { handTo } from './hand';

/** By what places are ranked, the first before the next. */
export const BY = [
  'stops',
  'hand',
  'balance',
  'looks',
  'holes',
  'minutes',
  'money',
  'habit',
  'near',
  'side',
  'across',
  'along',
] as const;

/** How good a place is: less is better in each, and the first that differs decides. */
export type Score = Readonly<Record<(typeof BY)[number], number>>;

/** Trim is told apart by degrees, lean by how far the centre of all weight moves aside, mm: some three degrees of a usual hull (judgement). */
const TRIM_STEP = 1;
const LEAN_STEP = 10;
/** Minutes and money within these are the same (judgement). */
const MINUTES_STEP = 5;
const CENTS_STEP = 500;
/** What is nearer to the hand by less than this is as near (judgement), mm. */
const NEAR_STEP = 25;

/** What a rig says of itself, for places in it to be compared with. */
export interface Before {
  readonly input: WorkupInput;
  readonly workup: Workup;
  readonly known: ReadonlyMap<string, Finding>;
}

export const beforeOf = (input: WorkupInput, workup: Workup): Before => ({
  input,
  workup,
  known: new Map(workup.findings.map((f) => [f.key, f])),
});

/** What is found that was not, or was less bad, notes left out; what somebody accepted as it is now counts no more. */
export const newlyFound = ({ known }: Before, after: Workup): Finding[] =>
  after.findings.filter((f) => {
    const was = known.get(f.key);
    return f.severity !== 'note' && f.accepted === null && (!was || gotWorse(f, was));
  });

/** Holes still to make. */
const holesToMake = ({ drilling }: Workup): number => drilling.holes.filter((h) => !h.drilled || h.openUp).length;

/** How much worse it floats: by trim, and by what leans to a side. */
function balance(before: Workup, after: Workup): number {
  const [was, now] = [before.weight.float, after.weight.float];
  const trim = Math.abs(trimDegrees(now)) - Math.abs(trimDegrees(was));
  const lean = Math.abs(now.centre.y) - Math.abs(was.centre.y);
  return Math.round(trim / TRIM_STEP) + Math.round(lean / LEAN_STEP);
}

/** The side a thing goes to where nothing else decides: that of the hand that casts. */
export const usualSide = ({ castHand }: Pick<Brief, 'castHand'>): 1 | -1 => (castHand === 'left' ? -1 : 1);

/** What of a score is of the whole rig. */
export type RigScore = Pick<Score, 'stops' | 'balance' | 'looks' | 'holes' | 'minutes' | 'money'>;

/**
 * How good a rig is beside what it was, by the whole workup.
 * @param against what is found that was not
 */
export function rigScore({ workup }: Before, after: Workup, against: readonly Finding[]): RigScore {
  const count = (severity: Finding['severity']): number => against.filter((f) => f.severity === severity).length;
  const { totals: was } = workup.price;
  const { totals: now } = after.price;
  return {
    stops: count('stop'),
    balance: balance(workup, after),
    looks: count('look'),
    holes: holesToMake(after) - holesToMake(workup),
    minutes: Math.round((now.laborMinutes - was.laborMinutes) / MINUTES_STEP),
    money: Math.round((now.totalCents - was.totalCents) / CENTS_STEP),
  };
}

/** How good the place of one thing is in it. */
export function itemScore({ input }: Before, after: Workup, item: string): Omit<Score, keyof RigScore> {
  const own = after.aboard.items.find((i) => i.placed.id === item);
  const { zones = 0, beyond = 0 } = own ? handTo(own.placed, after) : {};
  const at = own?.placed.frame.origin ?? { x: 0, y: 0 };
  return {
    hand: zones,
    habit: own ? habitOf(own.mounted.hold, input) : HOLDS.length,
    near: Math.round(beyond / NEAR_STEP),
    side: at.y === 0 ? 0 : Number(Math.sign(at.y) !== usualSide(input.plan.brief)),
    across: Math.round(Math.abs(at.y)),
    along: Math.round(fromSeat(after.seats.whole.surface, at.x)),
  };
}

/** How good a place is, by the whole workup before and with it. */
export const scoreOf = (before: Before, after: Workup, item: string, against = newlyFound(before, after)): Score => ({
  ...rigScore(before, after, against),
  ...itemScore(before, after, item),
});

const fromSeat = ({ model }: HullSurface, x: number): number => Math.abs(x - model.seat.x);

function habitOf(hold: Hold, { shop }: Pick<WorkupInput, 'shop'>): number {
  const at = shop.holding.habit.indexOf(hold);
  return at < 0 ? HOLDS.length : at;
}

/** What first tells two places apart; null where nothing does. */
export const decidedBy = (a: Score, b: Score): (typeof BY)[number] | null => BY.find((by) => a[by] !== b[by]) ?? null;

/** Best first. */
export function byScore(a: Score, b: Score): number {
  const by = decidedBy(a, b);
  return by ? a[by] - b[by] : 0;
}
