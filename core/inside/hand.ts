import { handTo, type Access } from '../drilling';
import type { Hatch, HullSurface, Space } from '../hull';
import { boundsOf, overBand, paddlers, REACH, reachedBy, toHull, type Placed, usedHow } from '../layout';
import type { Brief } from '../rig';
import type { ShopSettings } from '../shop';
import type { Point, Sentence } from '../units';
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
  const mean = (axis: 0 | 1): number => top.outline.reduce((sum, p) => sum + p[axis], 0) / top.outline.length;
  return { what: 'grip', at: { x: mean(0), y: mean(1), z: top.top } };
}

/** How a hand gets to a thing inside, by one of the openings of its room. */
export interface InHand {
  readonly touched: Touched;
  readonly access: Access | null;
  /** Why none does. */
  readonly blocked: Sentence | null;
  /** The openings of the room. */
  readonly hatches: readonly Hatch[];
}

/**
 * How somebody of a stature gets a hand to a thing inside, by the openings of its room: forearm, or arm where the opening
 * lets the elbow follow.
 */
export function inHand(hull: HullSurface, space: Space, placed: Placed, stature: number): InHand {
  const touched = touchedOf(placed);
  const hatches = hull.model.hatches.filter((h) => space.hatches.includes(h.id));
  if (hatches.length === 0)
    return { touched, hatches, access: { hatch: space.name, away: 0, path: [touched.at] }, blocked: null };
  return { touched, hatches, ...handTo(hull, touched.at, hatches, stature) };
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
    const at = { x: (h.fore + h.aft) / 2, y: (h.port + h.starboard) / 2, z: h.height };
    return !overBand(shop, (scale) => {
      const best = reachedBy(paddlers(hull, plan.brief, scale), at);
      return best && REACH.indexOf(best.zone) > most ? at : undefined;
    });
  });
}

/** Whether what is used afloat is reached from the seat, by an opening that is; what is used ashore or stopped need not be. */
export function inHandAfloat(hull: HullSurface, space: Space, placed: Placed, seated: Seated): boolean {
  const often = usedHow(placed);
  const hatches = hull.model.hatches.filter((h) => space.hatches.includes(h.id));
  if ((often !== 'always' && often !== 'hourly') || hatches.length === 0) return true;
  const near = reachedFromSeat(hull, hatches, often, seated).map((h) => h.id);
  return near.length > 0 && inHand(hull, { ...space, hatches: near }, placed, seated.plan.brief.stature).access !== null;
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
