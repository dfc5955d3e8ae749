import { handTo } from '../drilling';
import type { Access } from '../fitted';
import { type Hatch, type HullSurface, mouthOf, type Room } from '../../boat/hull';
import {
  boundsOf,
  middleOf,
  overBand,
  paddlers,
  REACH,
  reachedBy,
  toHull,
  type Placed,
  usedHow,
  type ReachZone,
} from '../../layout';
import type { Brief } from '../../rig';
import type { ShopSettings } from '../../parts/shop';
import type { Point, Sentence } from '../../base/units';
import { isInside } from './room';

/** What of a thing a hand goes to. */
export interface Touched {
  readonly what: string;
  readonly at: Point;
}

/** Where a hand goes on a thing inside: what its part says, else the middle of its top. */
export function touchedOf({ part, frame, bodies }: Placed): Touched {
  const touched = part.inside?.touched;
  if (touched) return { what: touched.what, at: toHull(frame, touched.u, touched.v, touched.w) };
  const top = bodies.reduce((a, b) => (b.top > a.top ? b : a));
  return { what: 'grip', at: { ...middleOf(top), z: top.top } };
}

/** How a hand gets to a thing inside, by one of the openings of its room. */
export interface InHand {
  readonly touched: Touched;
  readonly access: Access | null;
  /** Why none does. */
  readonly blocked: Sentence | null;
}

/**
 * How somebody of a stature gets a hand to a thing inside, by the openings of its room: forearm, or arm where the opening
 * lets the elbow follow.
 *
 * @param hatches those of the openings that are to be used; all of them when left out
 */
export function inHand(hull: HullSurface, room: Room, placed: Placed, stature: number, hatches = room.hatches): InHand {
  const touched = touchedOf(placed);
  if (room.hatches.length === 0)
    return { touched, access: { hatch: room.space.name, away: 0, path: [touched.at] }, blocked: null };
  return { touched, ...handTo(hull, touched.at, hatches, stature) };
}

/** Who reaches in from the seat, and within what band of bodies. */
export interface Seated {
  readonly plan: { readonly brief: Brief };
  readonly shop: Pick<ShopSettings, 'stroke'>;
}

/** The openings that somebody reaches from the seat: at hand for what is used all the time, by a half turn each hour. */
function reachedFromSeat(
  hull: HullSurface,
  hatches: readonly Hatch[],
  often: 'always' | 'hourly',
  { plan, shop }: Seated,
): Hatch[] {
  const most = often === 'always' ? 0 : 1;
  return hatches.filter((h) => {
    const at = mouthOf(h);
    return !overBand(shop, (scale) => {
      const best = reachedBy(paddlers(hull, plan.brief, scale), at);
      return best && REACH.indexOf(best.zone) > most ? at : undefined;
    });
  });
}

/** How what stands inside is reached from the seat: by a half turn at best, through an opening a hand gets to. */
export function insideZone(hull: HullSurface, room: Room, placed: Placed, seated: Seated): ReachZone {
  const near = reachedFromSeat(hull, room.hatches, 'hourly', seated);
  return inHand(hull, room, placed, seated.plan.brief.stature, near).access ? 'half turn' : 'out of reach';
}

/** Whether what is used afloat is reached from the seat, by an opening that is; what is used ashore or stopped need not be. */
export function inHandAfloat(hull: HullSurface, room: Room, placed: Placed, seated: Seated, hatches = room.hatches): boolean {
  const often = usedHow(placed);
  if ((often !== 'always' && often !== 'hourly') || room.hatches.length === 0) return true;
  const near = reachedFromSeat(hull, hatches, often, seated);
  return inHand(hull, room, placed, seated.plan.brief.stature, near).access !== null;
}

/** What stands no higher than this over a lid stands on it (judgement), mm. */
const ON_A_LID = 60;

/** Whether a thing stands on the lid of an opening, or so little over it that the lid does not open. */
export const standsOnLid = (placed: Placed, hatch: Hatch): boolean =>
  !isInside(placed) &&
  placed.bodies.some((body) => {
    if (body.bottom > hatch.height + ON_A_LID || body.top < hatch.height) return false;
    const b = boundsOf([body]);
    return b.fore < hatch.aft && b.aft > hatch.fore && b.port < hatch.starboard && b.starboard > hatch.port;
  });
