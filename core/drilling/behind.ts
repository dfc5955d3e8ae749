import type { ShopSettings } from '../catalog';
import { distanceToSegment, type Hatch, type Hazard, type HullSurface } from '../hull';
import { distance, type Point } from '../units';

/** What a bit meets behind a hole, and whether a hand gets to its nut. */
export interface Behind {
  /** The nearest thing behind within reach of bit, bolt and nut, and how far it is, mm. */
  readonly nearest: { readonly name: string; readonly clear: number } | null;
  /** Distance margin and budget the shop asks for, mm. */
  readonly wanted: number;
  readonly access: { readonly hatch: string; readonly away: number } | null;
  /** Why nothing reaches, when nothing does. */
  readonly blocked: string | null;
}

/** How far a hole may be off: tape, hull and drill wander by root of squares (judgement), mm. */
export const toleranceBudget = (d: Pick<ShopSettings['drilling'], 'tape' | 'hull' | 'wander'>): number =>
  Math.hypot(d.tape, d.hull, d.wander);

const between = (v: number, a: number, b: number): number => Math.max(0, Math.min(a, b) - v, v - Math.max(a, b));

/** Distance from a point to a hazard's surface, mm; nought inside. */
export function distanceToHazard(p: Point, hazard: Hazard): number {
  if (hazard.shape === 'box') {
    const { from, to } = hazard;
    return Math.hypot(between(p.x, from.x, to.x), between(p.y, from.y, to.y), between(p.z, from.z, to.z));
  }
  let least = Infinity;
  hazard.path.forEach((a, i) => {
    const b = hazard.path[i + 1];
    if (b) least = Math.min(least, distanceToSegment(p, a, b));
  });
  return Math.max(0, least - hazard.radius);
}

/**
 * Looks behind one hole.
 *
 * @param at where the bit enters
 * @param inward unit vector into the hull
 * @param needsHand a nut or plate must be held behind
 */
export function lookBehind(hull: HullSurface, at: Point, inward: Point, needsHand: boolean, shop: ShopSettings): Behind {
  const { hazards, hatches } = hull.model;
  const d = shop.drilling;
  const along = (t: number): Point => ({ x: at.x + t * inward.x, y: at.y + t * inward.y, z: at.z + t * inward.z });
  let nearest: Behind['nearest'] = null;
  for (const hazard of hazards) {
    let clear = Infinity;
    for (let t = 0; t <= d.depthBehind; t += 2.5) clear = Math.min(clear, distanceToHazard(along(t), hazard));
    if (!nearest || clear < nearest.clear) nearest = { name: hazard.name, clear };
  }
  const nut = along(Math.min(15, d.depthBehind));
  const reach = needsHand ? reachBehind(nut, hatches, hazards, d.riggerStature) : { access: null, blocked: null };
  return { nearest, wanted: d.hazardMargin + toleranceBudget(d), ...reach };
}

/** A fist wants an opening of 100 mm (judgement); forearm and hand are 0.254 of stature (Drillis & Contini). */
const FIST = 100;
const FOREARM = 0.254;

function reachBehind(
  nut: Point,
  hatches: readonly Hatch[],
  hazards: readonly Hazard[],
  stature: number,
): Pick<Behind, 'access' | 'blocked'> {
  let best: Behind['access'] = null;
  let blocked = 'no hatch or opening on this hull lets a hand in';
  const arm = FOREARM * stature;
  for (const hatch of hatches) {
    const rim = nearestOfRim(hatch, nut);
    const away = distance(rim, nut);
    if (hatch.opens < FIST) blocked = `${hatch.name} is too small for a hand`;
    else if (away > arm) blocked = `${hatch.name} is ${Math.round(away - arm)} mm beyond a forearm's reach`;
    else {
      const stop = hazards.find((h) => crosses(rim, nut, h));
      if (stop) blocked = `${stop.name} is in the way from ${hatch.name}`;
      else if (!best || away < best.away) best = { hatch: hatch.name, away };
    }
  }
  return { access: best, blocked: best ? null : blocked };
}

/** The point of the opening nearest the nut, half a fist inside its rim. */
function nearestOfRim(h: Hatch, nut: Point): Point {
  const into = (v: number, low: number, high: number): number =>
    Math.min(Math.max(v, low + Math.min(FIST / 2, (high - low) / 2)), high - Math.min(FIST / 2, (high - low) / 2));
  return { x: into(nut.x, h.fore, h.aft), y: into(nut.y, h.port, h.starboard), z: h.height };
}

function crosses(a: Point, b: Point, hazard: Hazard): boolean {
  for (let i = 1; i < 20; i++) {
    const t = i / 20;
    const p = { x: a.x + t * (b.x - a.x), y: a.y + t * (b.y - a.y), z: a.z + t * (b.z - a.z) };
    if (distanceToHazard(p, hazard) <= 0) return true;
  }
  return false;
}
