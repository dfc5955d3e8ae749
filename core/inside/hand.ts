import { handTo, type Access } from '../drilling';
import type { Hatch, HullSurface, Space } from '../hull';
import { toHull, type Placed } from '../layout';
import type { Point, Sentence } from '../units';

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
