import type { Fitted } from '../fitted';
import { byPerson, graspOf, type Paddler, reachedAtWorst, REACH, shoulderOf, toHull, usedHow, type Reached } from '../../layout';
import { HAND_NAMES, type Activity, type Hand } from '../../parts/parts';
import { handednessOf, type Brief } from '../../rig';
import { betweenPieces, sideSign, type Point } from '../../base/units';
import { activitiesOf, busyHands, otherHand, sideOfHand, type Busy } from './activities';

/** Something a hand is asked for: a control, a net, a camera. */
interface Control {
  readonly item: Fitted;
  readonly at: Point;
}

/** A control in one activity: the hand that has it, and what stands against that. */
export interface Grip {
  readonly control: Control;
  readonly held: boolean;
  /** The hand that serves it best; the one it wants where none serves it. */
  readonly hand: Hand;
  /** How that hand reaches it. */
  readonly reached: Reached;
  readonly trouble: Trouble | null;
}

export type Trouble =
  /** The hand it is made or meant for has something else. */
  | { readonly is: 'hand taken'; readonly by: string }
  /** The hands that are free for it do not get there. */
  | { readonly is: 'wrong side'; readonly beyond: number; readonly taken: { readonly hand: Hand; readonly has: string } | null }
  /** The hand gets there only over a rod with a line out. */
  | { readonly is: 'across a rod'; readonly rod: string }
  /** Two things are to be held by one hand at once. */
  | { readonly is: 'two for one hand'; readonly with: Control }
  /** Something has to be let go of for it. */
  | { readonly is: 'let go'; readonly of: string };

/** Who does what with which hand in one activity. */
export interface HandsIn {
  readonly activity: Activity;
  readonly person: 'first' | 'second';
  readonly busy: Readonly<Partial<Record<Hand, Busy>>>;
  readonly grips: readonly Grip[];
}

/** Where the hand goes on a control. */
const graspedAt = ({ placed }: Fitted): Point => {
  const at = placed.part.control?.at;
  return at ? toHull(placed.frame, at.u, at.v, at.w + placed.fitting.lift) : graspOf(placed);
};

/** Everything aboard that asks for a hand. */
const controlsOf = (items: readonly Fitted[]): Control[] =>
  items.flatMap((item) =>
    item.placed.part.control && item.placed.fitting.becomes === undefined ? [{ item, at: graspedAt(item) }] : [],
  );

const wantedOf = ({ item: { placed } }: Control): Hand | undefined => placed.fitting.hand ?? placed.part.control?.hand;

/** The furthest zone that does: what is held is held upright, what is touched as often as it is used. */
function enough({ item }: Control, held: boolean): number {
  const often = usedHow(item.placed);
  return REACH.indexOf(held || often === 'always' ? 'at hand' : often === 'hourly' ? 'half turn' : 'out of reach');
}

/** Who sits among what. */
export interface GripsInput {
  readonly people: readonly Paddler[];
  readonly brief: Brief;
  readonly items: readonly Fitted[];
  /** Clearance about a hand, mm. */
  readonly clear: number;
}

/**
 * The rod that an arm goes across on its way to a point, or null: the one in the other hand for what lies ahead and past the
 * middle of the boat by more than a hand (judgement), and trolling any that stands with its line out.
 */
function acrossRod(
  seats: readonly Paddler[],
  hand: Hand,
  at: Point,
  own: Fitted,
  { activity, busy, ways: { items, clear } }: In,
): string | null {
  const rodHand = HAND_NAMES.find((h) => busy[h]?.what === 'the rod');
  const ahead = seats.every((p) => at.x < p.seatX);
  if (rodHand && rodHand !== hand && ahead && at.y * sideSign(sideOfHand(rodHand)) > clear) return 'the rod in hand';
  if (activity !== 'trolling') return null;
  const met = items.find(
    ({ placed: { rods, id } }) =>
      id !== own.placed.id &&
      rods.some((r) =>
        seats.some((p) => betweenPieces({ from: shoulderOf(p, sideOfHand(hand)), to: at }, { from: r.mouth, to: r.tip }) < clear),
      ),
  );
  return met ? `the rod in ${met.letter}` : null;
}

/** One of those aboard in one activity. */
interface In {
  readonly activity: Activity;
  /** What their hands have by it. */
  readonly busy: HandsIn['busy'];
  readonly ways: GripsInput;
}

/** One control by one hand: what stands against it, the least first to be asked. */
interface Grasp {
  readonly hand: Hand;
  readonly reached: Reached;
  /** Whether it is the hand meant for it, or none is. */
  readonly meant: boolean;
  /** Whether the hand gets there, over no rod, with nothing in it that stays. */
  readonly serves: boolean;
  readonly trouble: Trouble | null;
}

function graspBy(control: Control, hand: Hand, held: boolean, seats: readonly Paddler[], at: In): Grasp {
  const reached = reachedAtWorst(seats, control.at, [sideOfHand(hand)]) ?? { zone: 'out of reach' as const, beyond: 0 };
  const { busy } = at;
  const own = busy[hand];
  const wanted = wantedOf(control);
  const meant = !wanted || wanted === hand;
  const way = (trouble: Trouble | null, serves = trouble === null): Grasp => ({
    hand,
    meant,
    reached,
    serves: serves && meant,
    trouble,
  });
  if (own?.held) return way({ is: 'hand taken', by: own.what });
  const most = enough(control, held);
  if (REACH.indexOf(reached.zone) > most) {
    const other = otherHand(hand);
    const by = busy[other];
    const there = by?.held ? reachedAtWorst(seats, control.at, [sideOfHand(other)]) : undefined;
    const taken = by && there && REACH.indexOf(there.zone) <= most ? { hand: other, has: by.what } : null;
    return way({ is: 'wrong side', beyond: reached.beyond, taken });
  }
  const rod = acrossRod(seats, hand, control.at, control.item, at);
  if (rod) return way({ is: 'across a rod', rod });
  // The paddle is laid down for a moment; what is kept in the hand wants it laid down for good.
  return own && held ? way({ is: 'let go', of: own.what }, true) : way(null);
}

const RANK: Readonly<Record<Trouble['is'], number>> = {
  'let go': 1,
  'two for one hand': 2,
  'across a rod': 3,
  'wrong side': 4,
  'hand taken': 5,
};
const rankOf = ({ meant, trouble }: Grasp): number => (trouble ? RANK[trouble.is] : 0) + (meant ? 0 : 10);

/** The ways of a control by either hand, the best first. */
const graspsOf = (control: Control, held: boolean, seats: readonly Paddler[], at: In): [Grasp, Grasp] => {
  const [left, right] = HAND_NAMES.map((hand) => graspBy(control, hand, held, seats, at)) as [Grasp, Grasp];
  const better = rankOf(left) - rankOf(right) || left.reached.beyond - right.reached.beyond;
  return better <= 0 ? [left, right] : [right, left];
};

/** Who of those aboard uses a control: as the rig says, else whoever reaches it best. */
function userOf({ item, at }: Control, people: readonly (readonly Paddler[])[]): number {
  const { by } = item.placed.fitting;
  if (by) return Math.min(by === 'first' ? 0 : 1, people.length - 1);
  const far = people.map((seats) => reachedAtWorst(seats, at)?.beyond ?? Infinity);
  return Math.max(0, far.indexOf(Math.min(...far)));
}

/**
 * Which hand has which control in each activity of the brief, person by person. What is held is shared out first, so that as
 * many as can be have a hand of their own; what is touched takes a hand that is free for it.
 */
export function handsIn(ways: GripsInput): HandsIn[] {
  const controls = controlsOf(ways.items);
  const people = byPerson(ways.people);
  const users = new Map(controls.map((c) => [c, userOf(c, people)]));
  return activitiesOf(ways.brief).flatMap((activity) =>
    people.flatMap((seats, n): HandsIn[] => {
      const person = n === 0 ? 'first' : 'second';
      const busy = busyHands(activity, handednessOf(ways.brief, person));
      const at: In = { activity, busy, ways };
      const mine = controls.filter((c) => users.get(c) === n);
      const held = mine.filter((c) => c.item.placed.part.control?.held.includes(activity));
      const touched = mine.filter((c) => !held.includes(c) && c.item.placed.part.control?.touched.includes(activity));
      const kept = shareOut(held.map((control) => ({ control, ways: graspsOf(control, true, seats, at) })));
      const grips = [...kept, ...touched.map((control) => touch(control, graspsOf(control, false, seats, at), kept))];
      if (grips.length === 0 && Object.keys(busy).length === 0) return [];
      return [{ activity, person, busy, grips }];
    }),
  );
}

const gripOf = (control: Control, held: boolean, { hand, reached, trouble }: Grasp, instead: Trouble | null = trouble): Grip => ({
  control,
  held,
  hand,
  reached,
  trouble: instead,
});

/** What is held at once, each by a hand of its own as far as there are hands for it: the first that serve. */
function shareOut(asked: readonly { readonly control: Control; readonly ways: readonly [Grasp, Grasp] }[]): Grip[] {
  const has = new Map<Hand, Control>();
  // What only one hand serves is given it before what either would.
  const choices = (ways: readonly Grasp[]): number => ways.filter((w) => w.serves).length;
  return [...asked]
    .sort((a, b) => choices(a.ways) - choices(b.ways))
    .map(({ control, ways }) => {
      const serving = ways.filter((w) => w.serves);
      const way = serving.find((w) => !has.has(w.hand)) ?? serving[0] ?? ways[0];
      const taken = has.get(way.hand);
      if (way.serves && taken) return gripOf(control, true, way, { is: 'two for one hand', with: taken });
      if (way.serves) has.set(way.hand, control);
      return gripOf(control, true, way);
    });
}

/** What is touched, by a hand that holds nothing; else what that holds is let go of. */
function touch(control: Control, ways: readonly [Grasp, Grasp], kept: readonly Grip[]): Grip {
  const holding = (hand: Hand): Control | undefined => kept.find((g) => g.held && g.hand === hand && !g.trouble)?.control;
  const serving = ways.filter((w) => w.serves);
  const free = serving.find((w) => !holding(w.hand));
  if (free) return gripOf(control, false, free);
  const [way] = serving;
  const letGo = way && holding(way.hand);
  return way && letGo
    ? gripOf(control, false, way, { is: 'let go', of: letGo.item.placed.part.name })
    : gripOf(control, false, ways[0]);
}
