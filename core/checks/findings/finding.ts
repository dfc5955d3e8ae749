import type { Part } from '../../parts/parts';
import type { ShopSettings } from '../../parts/shop';
import type { HullModel, HullSurface } from '../../boat/hull';
import type { OtherHole } from '../../holding/drilling';
import { isInside } from '../../holding/inside';
import type { Fitted, Opening } from '../../holding/fitted';
import type { BenchCheck, BenchTest } from '../../electric/bench-test';
import type { CircuitInUse } from '../../electric/circuits';
import type { DayOut } from '../../electric/day';
import type { Floating } from '../../water/float';
import type { LedLine } from '../../lines';
import {
  boundsOf,
  rodBodies,
  standsOn,
  type Body,
  type Bounds,
  type Paddler,
  type Placed,
  type StrokeHit,
  type StrokeSpaces,
} from '../../layout';

import type { Acceptance, DraftChange, Ledger, LedgerHole, Place, Plan } from '../../rig';
import type { Memory } from '../../base/stages';
import type { Measure, Sentence } from '../../base/units';
import type { Ashore } from '../../water/to-water';
import type { Wiring } from '../../electric/wiring';

export type Severity = 'stop' | 'look' | 'note';

/** The step at which a finding is settled. */
export type FindingStep = 'brief' | 'lay out' | 'drill' | 'wire' | 'price';

/** Who may accept a finding with a reason: what nobody may does not hold, float or feed. */
export type Acceptable = 'anyone' | 'manager' | 'nobody';

/** Who decides what is done about a finding that has no fix. */
export type Decider = 'the rigger' | 'the front desk' | 'the manager' | 'the owner';

/** One fact that wants settling: where, by how much, because. */
export interface Finding {
  /** Stable while the same thing is wrong in the same place. */
  readonly key: string;
  /** What of its check it is. */
  readonly code: string;
  readonly severity: Severity;
  readonly step: FindingStep;
  /** Fitting or run it is about. */
  readonly where: string;
  readonly letter: string;
  readonly x: number;
  readonly says: Sentence;
  readonly because: Sentence;
  /** How bad it is; null where it is so or not so. */
  readonly measure: Measure | null;
  /** Who may accept it with a reason. */
  readonly acceptable: Acceptable;
  /** Who decides what is done where no fix is found. */
  readonly decides: Decider;
  readonly accepted: Acceptance | null;
  /** It was accepted, and has got worse since. */
  readonly lapsed: Acceptance | null;
  readonly fixable: boolean;
  /** Ways out the judgement itself knows, with the parts of the shop's range; they are tried before they are offered. */
  readonly tries: (range: readonly Part[]) => readonly Try[];
  /** The sets it stands in; null when in every one, or when the rig has no sets. */
  readonly sets: readonly string[] | null;
}

/** A way out to try. */
export interface Try {
  readonly says: Sentence;
  readonly changes: readonly DraftChange[];
}

/** All a judgement may look at. */
export interface Judged {
  readonly hull: HullSurface;
  /** The hull as it is drawn, whatever was chosen of its seat. */
  readonly drawn: HullModel;
  readonly plan: Plan;
  readonly shop: ShopSettings;
  readonly asOf: string;
  /** The set being judged; null for the rig as a whole. */
  readonly set: string | null;
  /** What stands aboard in it, bow to stern. */
  readonly items: readonly Fitted[];
  /** Every fitting of the rig once. */
  readonly owned: readonly Fitted[];
  /** Every place every fitting takes. */
  readonly stands: readonly Fitted[];
  readonly wiring: Wiring;
  readonly lines: readonly LedLine[];
  /** Every circuit that feeds something, everything on. */
  readonly circuits: readonly CircuitInUse[];
  /** The bench test; null while nothing was read. */
  readonly tests: readonly BenchTest[] | null;
  /** What was rung through, run and looked at. */
  readonly checks: readonly BenchCheck[];
  /** The day on the water that was planned; null while nobody has planned one. */
  readonly day: DayOut | null;
  /** Holes of the hull that no fitting of this plan uses. */
  readonly oldHoles: readonly LedgerHole[];
  /** Holes other rigs of this hull plan or use. */
  readonly others: readonly OtherHole[];
  readonly ledger: Ledger;
  readonly openings: readonly Opening[];
  /** The boat off the water. */
  readonly ashore: Ashore;
  /** How it floats with everything aboard in the set. */
  readonly float: Floating;
  readonly massKg: number;
  /** All of it without hull and crew: gear, what is stowed, water in tanks. */
  readonly gearKg: number;
  /** Metacentric height with everything aboard, mm; null where it does not float. */
  readonly steady: () => number | null;
  readonly paddlers: readonly Paddler[];
  /** What was found out earlier, while hull, brief, shop, ledger, tape and openings stay as they are. */
  readonly memory: Memory;
  /** The space the paddle sweeps, on the water of the lightest and the heaviest case. */
  strokes(): StrokeSpaces;
  /** How far a fitting stands in the paddle stroke. */
  intrusionOf(item: Fitted): StrokeHit;
}

export type Raw = Omit<
  Finding,
  'severity' | 'acceptable' | 'decides' | 'accepted' | 'lapsed' | 'measure' | 'key' | 'sets' | 'tries'
> & {
  /** How bad, where its check leaves that open. */
  readonly severity?: Severity;
  readonly detail?: string;
  readonly measure?: Measure | null;
  /** Or a way to find them, when that is dear or asks for more than the fitting: asked only when fixes are searched. */
  readonly tries?: readonly Try[] | ((judged: Judged, range: readonly Part[]) => readonly Try[]);
};

/** What a fitting may be judged by when it is judged by itself: all of it stays while the fitting does. */
export type Alone = Pick<Judged, 'hull' | 'shop' | 'paddlers' | 'memory'> & { readonly plan: Pick<Plan, 'brief'> };

/** A judgement of each fitting by itself, aboard or owned: looked up until the fitting is another. */
export const alone =
  (judge: (item: Fitted, judged: Alone) => Raw[], of: 'items' | 'owned' = 'items') =>
  (judged: Judged): Raw[] =>
    judged[of].flatMap((item) => judged.memory.of(judge, item, () => judge(item, judged)));

/** Stable while the same thing is wrong in the same place. */
export const findingKey = (code: string, where: string, detail?: string): string =>
  detail ? `${code}:${where}:${detail}` : `${code}:${where}`;

/** The fields most findings about one fitting share. */
export const about = (item: Fitted): Pick<Raw, 'where' | 'letter' | 'x' | 'fixable' | 'step'> => ({
  where: item.placed.id,
  letter: item.letter,
  x: item.placed.frame.origin.x,
  fixable: false,
  step: 'lay out',
});

/** The fields of a finding about the boat as a whole. */
export const aboutHull = (hull: HullSurface, x = hull.length / 2): Pick<Raw, 'where' | 'letter' | 'x' | 'fixable' | 'step'> => ({
  where: 'hull',
  letter: '',
  x,
  fixable: false,
  step: 'lay out',
});

export const nameOf = (item: Fitted): string => item.placed.part.name;

/** Another place for a fitting, in the set that has it here or in all. */
export function slideTo(item: Fitted, to: Place): DraftChange {
  const { id, place } = item.placed;
  return item.elsewhere
    ? { kind: 'slideInSet', item: id, set: item.elsewhere, from: place, to }
    : { kind: 'slideItem', item: id, from: place, to };
}

/** The same place on the other side; null for what cannot change sides. */
export function otherSide(hull: HullSurface, place: Place): Place | null {
  if (place.on === 'deck') return Math.abs(place.y) < 1 ? null : { ...place, y: -place.y, heading: -place.heading };
  if (place.on === 'side') return { ...place, side: place.side === 'port' ? 'starboard' : 'port' };
  if (place.on !== 'track') return null;
  const here = hull.model.tracks.find((t) => t.id === place.track);
  const twin = hull.model.tracks.find((t) => here && t.side !== here.side && Math.abs(t.y + here.y) < 2 && t.fore === here.fore);
  return twin ? { ...place, track: twin.id, heading: -place.heading } : null;
}

/** The way out of changing sides, where there is one. */
export function toOtherSide(hull: HullSurface, item: Fitted): Try[] {
  const to = otherSide(hull, item.placed.place);
  return to ? [{ says: ['To the other side'], changes: [slideTo(item, to)] }] : [];
}

/** Whether two fittings hold each other up, so that they are one thing to whatever passes. */
export const joined = (a: Placed, b: Placed): boolean => standsOn(a, b) || standsOn(b, a);

/** A life jacket at a seat is on whoever sits there: it stands nowhere, and goes where they go. One that lies elsewhere lies there. */
export function isWorn({ placed: { part, frame } }: Fitted, { model: { seat, secondSeat } }: HullSurface): boolean {
  if (part.body.place !== 'worn') return false;
  const { x } = frame.origin;
  return Math.abs(x - seat.x) < ON_SOMEBODY || (!!secondSeat && Math.abs(x - secondSeat.x) < ON_SOMEBODY);
}

/** What is meant to touch somebody, what they sit on, wear, stand on or work by foot, and what stands inside, where nobody is. */
export function touchesSomebody(item: Fitted, hull: HullSurface): boolean {
  const { place } = item.placed.part.body;
  return isWorn(item, hull) || isInside(item.placed) || place === 'sat on' || place === 'underfoot' || place === 'at the feet';
}

/** So near a seat it is on somebody (judgement), mm. */
const ON_SOMEBODY = 500;

/** The rods of a fitting as bodies; looked up while it stays. */
export const rodsIn = (memory: Memory, placed: Placed): readonly Body[] =>
  memory.of('rod pieces', placed, () => placed.rods.flatMap(rodBodies));

/** The box its bodies lie in, without what stands in it; looked up while it stays. */
export const boxIn = (memory: Memory, placed: Placed): Bounds => memory.of('bodies', placed, () => boundsOf(placed.bodies));

/** The highest point of a fitting, mm over the keel. */
export const topOf = (item: Fitted): number => Math.max(...item.placed.bodies.map((b) => b.top));

/** Whether this is what the rule or the need names: by a word it answers to, or the very part. */
export const isWhat = (part: Pick<Part, 'id' | 'goesWith'>, what: string): boolean =>
  part.id === what || part.goesWith.answersTo.includes(what);
