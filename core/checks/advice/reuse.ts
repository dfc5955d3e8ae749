import type { ShopSettings } from '../../parts/shop';
import type { PlannedHole } from '../../holding/fitted';
import { frameOf, toHull, type Placed } from '../../layout';
import type { HullSurface } from '../../boat/hull';
import type { LedgerHole, Place } from '../../rig';

/** A place at which a fitting uses old holes again. */
export interface ReuseOffer {
  readonly place: Place;
  /** Old holes by the number of the fitting's own hole, counted from 1. */
  readonly uses: Readonly<Record<string, LedgerHole>>;
  /** New holes left to drill. */
  readonly left: number;
  /** How far the fitting slides from where it stands, mm. */
  readonly slides: number;
}

type DeckPlace = Place & { on: 'deck' };

/** An old hole serves when its bit is no wider than the new one's, or hardly. */
const serves = (old: LedgerHole, bit: number): boolean => old.plugged === null && old.at !== null && old.bit <= bit + 0.5;

/** Which old holes each own hole of a place meets. */
function met(
  hull: HullSurface,
  placed: Placed,
  place: Place,
  old: readonly LedgerHole[],
  bit: number,
  within: number,
): Record<string, LedgerHole> {
  const frame = frameOf(hull, place);
  const uses: Record<string, LedgerHole> = {};
  if (!frame) return uses;
  placed.part.holes.at.forEach((h, i) => {
    const at = toHull(frame, h.u, h.v, 0);
    const near = old.find((o) => serves(o, bit) && o.at && Math.hypot(o.at.x - at.x, o.at.y - at.y) <= within);
    if (near && !Object.values(uses).includes(near)) uses[String(i + 1)] = near;
  });
  return uses;
}

/**
 * Places near where a fitting stands at which its pattern falls on old open holes, most re-used first.
 * Every pair of its holes is laid on every pair of old holes that far apart, either way round, and every
 * single hole on every old one without turning.
 *
 * @param old open holes of the hull that nothing uses
 * @param reach how far the fitting may slide for it, mm
 */
export function reuseOffers(
  hull: HullSurface,
  placed: Placed,
  holes: readonly PlannedHole[],
  old: readonly LedgerHole[],
  shop: ShopSettings,
  reach = 250,
): ReuseOffer[] {
  const { place, part } = placed;
  const bit = Math.max(0, ...holes.map((h) => h.bit.mm));
  const { reuseWithin } = shop.drilling;
  const near = old.filter(
    (o) =>
      serves(o, bit) &&
      o.at &&
      Math.hypot(o.at.x - placed.frame.origin.x, o.at.y - placed.frame.origin.y) < reach + part.body.base.length,
  );
  if (place.on !== 'deck' || near.length === 0 || holes.length === 0) return [];
  const candidates: DeckPlace[] = [];
  const put = (own: { u: number; v: number }, at: { x: number; y: number }, heading: number): void => {
    const a = (heading * Math.PI) / 180;
    candidates.push({
      on: 'deck',
      heading,
      x: at.x - own.u * Math.cos(a) - own.v * Math.sin(a),
      y: at.y + own.u * Math.sin(a) - own.v * Math.cos(a),
    });
  };
  for (const o of near) for (const h of part.holes.at) if (o.at) put(h, o.at, place.heading);
  for (const [i, h] of part.holes.at.entries())
    for (const k of part.holes.at.slice(i + 1))
      for (const a of near)
        for (const b of near) {
          if (a === b || !a.at || !b.at) continue;
          const [own, there] = [Math.hypot(k.u - h.u, k.v - h.v), Math.hypot(b.at.x - a.at.x, b.at.y - a.at.y)];
          if (Math.abs(own - there) > 2 * reuseWithin) continue;
          // Headings turn to port seen from above: the frame's v lies to starboard.
          const turn = Math.atan2(k.v - h.v, k.u - h.u) - Math.atan2(b.at.y - a.at.y, b.at.x - a.at.x);
          const heading = Math.round((((turn * 180) / Math.PI + 540) % 360) * 100) / 100 - 180;
          const middle = { x: (a.at.x + b.at.x) / 2, y: (a.at.y + b.at.y) / 2 };
          put({ u: (h.u + k.u) / 2, v: (h.v + k.v) / 2 }, middle, heading);
        }
  const offers = candidates
    .map((to): ReuseOffer => {
      const uses = met(hull, placed, to, near, bit, reuseWithin);
      return {
        place: to,
        uses,
        left: part.holes.at.length - Object.keys(uses).length,
        slides: Math.hypot(to.x - place.x, to.y - place.y),
      };
    })
    .filter((o) => o.slides <= reach && o.left < part.holes.at.length)
    .sort((a, b) => a.left - b.left || a.slides - b.slides);
  // One offer for each set of old holes.
  const seen = new Set<string>();
  return offers.filter((o) => {
    const key = Object.values(o.uses)
      .map((h) => h.fact)
      .sort()
      .join();
    return !seen.has(key) && seen.add(key);
  });
}
