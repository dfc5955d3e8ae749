import type { Hazard, HullSurface } from '../../boat/hull';
import type { Point } from '../../base/units';
import type { PlannedHole } from '../fitted';

/** A place in the section, as one looks forward: starboard to the right, up is up. */
export interface InSection {
  readonly y: number;
  readonly z: number;
}

/** A cut through the boat, looking forward. */
export interface Cut {
  /** The hull's skin from one gunwale round the keel to the other. */
  readonly skin: readonly InSection[];
  /** The deck over it, port to starboard. */
  readonly deck: readonly InSection[];
  readonly things: readonly (InSection & {
    readonly name: string;
    readonly wide: number;
    readonly high: number;
    readonly round: boolean;
  })[];
}

/** What one would see inside the hull at a hole, looking forward at a cut through the boat there. */
export interface InsideView extends Cut {
  readonly hole: InSection;
  /** Where bolt and nut stand, or the bit ends. */
  readonly end: InSection;
  /** The way of hand or plate from its opening, seen along the boat; null when nothing has to reach. */
  readonly way: readonly InSection[] | null;
  /** How far aft of the hole the opening is; forward is negative. */
  readonly openingAft: number;
}

/** What is so near along the boat is drawn in the section (judgement), mm. */
const SLAB = 40;

function thingAt(h: Hazard, x: number): Cut['things'] {
  if (h.shape === 'box') {
    if (x < h.from.x - SLAB || x > h.to.x + SLAB) return [];
    const [y, z] = [(h.from.y + h.to.y) / 2, (h.from.z + h.to.z) / 2];
    return [{ name: h.name, y, z, wide: h.to.y - h.from.y, high: h.to.z - h.from.z, round: false }];
  }
  const size = 2 * h.radius;
  return h.path.flatMap((p, i) => {
    const q = h.path[i + 1];
    if (!q || x < Math.min(p.x, q.x) || x > Math.max(p.x, q.x)) return [];
    const t = q.x === p.x ? 0 : (x - p.x) / (q.x - p.x);
    return [{ name: h.name, y: p.y + t * (q.y - p.y), z: p.z + t * (q.z - p.z), wide: size, high: size, round: true }];
  });
}

/** Cuts through the hull: its skin, its deck, and what fills it there. */
export function cutAt(hull: HullSurface, x: number): Cut {
  const section = hull.section(x);
  const [keel, gunwale] = [hull.keel(x), hull.gunwale(x)];
  const side = Array.from({ length: 25 }, (_, i): InSection => {
    const z = keel + ((gunwale - keel) * i) / 24;
    return { y: section?.halfWidth(z) ?? 0, z };
  });
  const half = hull.halfBreadth(x);
  const deck = Array.from({ length: 49 }, (_, i): InSection => {
    const y = half * (i / 24 - 1);
    return { y, z: Math.min(gunwale, hull.spot(x, y * 0.999).z) };
  });
  const port = side.toReversed().map(({ y, z }) => ({ y: -y, z }));
  return { skin: port.concat(side), deck, things: hull.model.hazards.flatMap((h) => thingAt(h, x)) };
}

/**
 * Looks into the hull at a hole.
 *
 * @param deep how far bolt and nut, or the bit, stand out behind, mm
 */
export function insideView(hull: HullSurface, hole: PlannedHole, deep: number): InsideView {
  const { x } = hole.at;
  const flat = ({ y, z }: Point): InSection => ({ y, z });
  const { access } = hole.behind;
  return {
    ...cutAt(hull, x),
    hole: flat(hole.at),
    end: { y: hole.at.y + deep * hole.inward.y, z: hole.at.z + deep * hole.inward.z },
    way: access?.path.map(flat) ?? null,
    openingAft: access ? (access.path[0]?.x ?? x) - x : 0,
  };
}
