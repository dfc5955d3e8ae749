import type { Activity, Hand } from '../../parts/parts';
import type { Brief, Handedness } from '../../rig';
import type { Side } from '../../base/units';

/** A hand and the side of the boat it is on, sitting with the face to the bow. */
export const sideOfHand = (hand: Hand): Side => (hand === 'left' ? 'port' : 'starboard');
export const otherHand = (hand: Hand): Hand => (hand === 'left' ? 'right' : 'left');

/** The same in words: “while casting”. */
export const ACTIVITY_WORDS = {
  paddling: 'paddling',
  pedalling: 'pedalling',
  motoring: 'motoring',
  trolling: 'trolling',
  casting: 'casting',
  landing: 'landing a fish',
  filming: 'filming',
} as const satisfies Readonly<Record<Activity, string>>;

/** What the brief's answers have them do afloat, in the order of a day. */
export function activitiesOf({ propulsion, cast, rods, work, carries }: Brief): Activity[] {
  const driven = propulsion.includes('pedals') || propulsion.includes('motor');
  const angles = work.includes('rods') || work.includes('handline') || rods > 0 || cast !== 'none';
  const done: Readonly<Record<Activity, boolean>> = {
    paddling: propulsion.includes('paddle'),
    pedalling: propulsion.includes('pedals'),
    motoring: propulsion.includes('motor'),
    // Under paddle alone both hands are on the paddle.
    trolling: driven && angles,
    casting: cast !== 'none',
    landing: angles,
    filming: work.includes('camera') || carries.includes('camera'),
  };
  return (Object.keys(done) as Activity[]).filter((activity) => done[activity]);
}

/** What a hand has by the activity itself, before any control asks for it. */
export interface Busy {
  readonly what: 'the paddle' | 'the rod' | 'the reel';
  /** Kept in the hand; else let go for a moment when something else asks for it. */
  readonly held: boolean;
}

/**
 * What each hand has in an activity. Casting, the rod is in the casting hand and the other reels, or takes the rod over while
 * the casting hand reels; landing, the rod goes to the other hand, and the casting hand nets (common practice, no source).
 */
export function busyHands(activity: Activity, { castHand, reelHand }: Handedness): Readonly<Partial<Record<Hand, Busy>>> {
  const off = otherHand(castHand);
  const rod: Busy = { what: 'the rod', held: true };
  const reel: Busy = { what: 'the reel', held: false };
  const paddle: Busy = { what: 'the paddle', held: false };
  if (activity === 'paddling') return { left: paddle, right: paddle };
  if (activity === 'landing') return { [off]: rod };
  if (activity !== 'casting') return {};
  // Cast and reeled with one hand, the rod changes hands between the two: either has it for a time.
  return reelHand === castHand ? { [castHand]: rod, [off]: reel } : { [castHand]: rod, [reelHand]: reel };
}
