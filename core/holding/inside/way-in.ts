import { clearOf, type Hatch, mouthOf, type HullSurface, type Room } from '../../boat/hull';
import { boxAbout } from '../../layout';
import type { Part } from '../../parts/parts';
import { throughOpening, type Beyond, type Clear, type Passage, type Sides } from './passing';

/** How a thing goes into a room: by which opening, and how. */
export interface WayIn extends Passage {
  readonly hatch: Hatch;
  readonly clear: Clear;
  /** Its three sides, along its own length, breadth and height. */
  readonly sides: Sides;
}

/** The three sides of the box about a part, mm. */
function sidesOf(body: Pick<Part['body'], 'solids'>): Sides {
  const { u, v, w } = boxAbout(body);
  return [u[1] - u[0], v[1] - v[0], w[1] - w[0]];
}

/** What lies beyond a hatch of a room. */
function beyondOf(hull: HullSurface, { space, floor }: Room, hatch: Hatch): Beyond {
  const { wall } = hull.model;
  const { x, y } = mouthOf(hatch);
  return {
    // Whichever way it is turned: the floor is looked at under the longer side both ways.
    depth(p, q) {
      const half = Math.max(p, q) / 2;
      const under = [-1, -0.5, 0, 0.5, 1].flatMap((a) => [floor(x + a * half, y), floor(x, y + a * half)]);
      const finite = under.filter(Number.isFinite);
      return finite.length < under.length ? 0 : hatch.height - wall - Math.max(...finite);
    },
    along: space.aft - space.fore,
    across: space.starboard - space.port,
    rim: wall,
  };
}

/** The easiest way of a rigid part into a room, by any of its openings; null for a room that stands open. */
export function wayIn(hull: HullSurface, room: Room, body: Pick<Part['body'], 'solids'>): WayIn | null {
  const sides = sidesOf(body);
  let best: WayIn | null = null;
  for (const hatch of room.hatches) {
    const { shape, along, across } = clearOf(hatch);
    const clear: Clear = { shape, long: along, wide: across };
    const way = { hatch, clear, sides, ...throughOpening(sides, clear, beyondOf(hull, room, hatch)) };
    if (!best || way.margin > best.margin) best = way;
  }
  return best;
}
