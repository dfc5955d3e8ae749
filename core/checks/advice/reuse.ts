import type { Part } from '../../parts/parts';
import type { Point } from '../../base/units';
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

/** A fitting that may go where old holes are. */
interface Reusing {
  readonly placed: Placed;
  /** The holes it makes where it stands. */
  readonly holes: readonly PlannedHole[];
  /** Open holes of the hull that nothing uses. */
  readonly old: readonly LedgerHole[];
  /** How far off an old hole may lie from where a new one would, mm. */
  readonly within: number;
}

/** An old hole that serves, and where it is. */
type OldHole = LedgerHole & { readonly at: Point };

/** Which old holes each own hole of a place meets. */
function met(hull: HullSurface, { part }: Placed, place: Place, old: readonly OldHole[], within: number): ReuseOffer['uses'] {
  const frame = frameOf(hull, place);
  const uses: Record<string, LedgerHole> = {};
  if (!frame) return uses;
  part.holes.at.forEach((h, i) => {
    const at = toHull(frame, h.u, h.v, 0);
    const near = old.find((o) => Math.hypot(o.at.x - at.x, o.at.y - at.y) <= within);
    if (near && !Object.values(uses).includes(near)) uses[String(i + 1)] = near;
  });
  return uses;
}

/** The place at which a point of a fitting's own lies at one of the hull's, turned so. */
function placeWith(own: { u: number; v: number }, at: { x: number; y: number }, heading: number): DeckPlace {
  const a = (heading * Math.PI) / 180;
  return {
    on: 'deck',
    heading,
    x: at.x - own.u * Math.cos(a) - own.v * Math.sin(a),
    y: at.y + own.u * Math.sin(a) - own.v * Math.cos(a),
  };
}

/**
 * Every pair of a fitting's holes laid on every pair of old holes that far apart, either way round, and every single hole on
 * every old one without turning.
 */
function candidates(own: Part['holes']['at'], old: readonly OldHole[], heading: number, within: number): DeckPlace[] {
  const out = old.flatMap((o) => own.map((h) => placeWith(h, o.at, heading)));
  for (const [i, h] of own.entries())
    for (const k of own.slice(i + 1))
      for (const a of old)
        for (const b of old) {
          const [apart, there] = [Math.hypot(k.u - h.u, k.v - h.v), Math.hypot(b.at.x - a.at.x, b.at.y - a.at.y)];
          if (a === b || Math.abs(apart - there) > 2 * within) continue;
          // Headings turn to port seen from above: the frame's v lies to starboard.
          const turn = Math.atan2(k.v - h.v, k.u - h.u) - Math.atan2(b.at.y - a.at.y, b.at.x - a.at.x);
          const turned = Math.round((((turn * 180) / Math.PI + 540) % 360) * 100) / 100 - 180;
          const middle = { x: (a.at.x + b.at.x) / 2, y: (a.at.y + b.at.y) / 2 };
          out.push(placeWith({ u: (h.u + k.u) / 2, v: (h.v + k.v) / 2 }, middle, turned));
        }
  return out;
}

/**
 * Places near where a fitting stands at which its pattern falls on old open holes, most re-used first; one offer for each set
 * of old holes.
 * @param reach how far the fitting may slide for it, mm
 */
export function reuseOffers(hull: HullSurface, { placed, holes, old, within }: Reusing, reach = 250): ReuseOffer[] {
  const { place, part, frame } = placed;
  const bit = Math.max(0, ...holes.map((h) => h.bit.mm));
  const far = reach + part.body.base.length;
  const near = old.filter(
    (o): o is OldHole => serves(o, bit) && o.at !== null && Math.hypot(o.at.x - frame.origin.x, o.at.y - frame.origin.y) < far,
  );
  if (place.on !== 'deck' || near.length === 0 || holes.length === 0) return [];
  const offers = candidates(part.holes.at, near, place.heading, within)
    .map((to): ReuseOffer => {
      const uses = met(hull, placed, to, near, within);
      const left = part.holes.at.length - Object.keys(uses).length;
      return { place: to, uses, left, slides: Math.hypot(to.x - place.x, to.y - place.y) };
    })
    .filter((o) => o.slides <= reach && o.left < part.holes.at.length)
    .sort((a, b) => a.left - b.left || a.slides - b.slides);
  const seen = new Set<string>();
  return offers.filter(({ uses }) => {
    const facts = Object.values(uses).map((h) => h.fact);
    const key = facts.sort().join();
    return !seen.has(key) && seen.add(key);
  });
}
