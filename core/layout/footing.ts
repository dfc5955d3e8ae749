import type { DeckArea, Hatch, HullSurface } from '../boat/hull';
import { undersideOf } from './box';
import { toHull } from './bodies';
import { type Body, type Placed } from './placed';
import { planOverlap } from './overlap';
import { boundsOf, type Bounds } from './sweep';

/** Lower or higher than this a surface is another one under a base (judgement), mm. */
const STEP = 6;
/** Places looked at along each side of a base. */
const SAMPLES = 9;
/** A lid is stood on when the base is so near its height (judgement), mm. */
const ON_LID = 40;

/** Half the breadth of a track's rail (common practice, no source), mm. */
const HALF_TRACK = 12;

/** What a fitting's base lies on, and what it hangs over. */
export interface Footing {
  /** Share of the base that lies on the surface its middle lies on. */
  readonly carried: number;
  /** The higher surface that stands where the base should lie, and how far the base must move to be clear, mm. */
  readonly into: Into | null;
  /** Other surfaces under it that are lower. */
  readonly over: readonly string[];
  /** How far the base stands beyond the edge of the hull, mm. */
  readonly overboard: number;
  readonly lids: readonly { readonly hatch: Hatch; readonly whole: boolean }[];
  /** Tracks of the hull it stands across. */
  readonly tracks: readonly { readonly name: string; readonly by: number }[];
  /** A hole of the part has no surface under it, or another. */
  readonly loseHole: boolean;
}

const rectangle = (d: Pick<DeckArea, 'fore' | 'aft' | 'port' | 'starboard'>): Body['outline'] => [
  [d.fore, d.port],
  [d.aft, d.port],
  [d.aft, d.starboard],
  [d.fore, d.starboard],
];

/** The outline of a base from above. */
function baseOutline({ frame, part }: Pick<Placed, 'frame' | 'part'>): [number, number][] {
  const [l, w] = [part.body.base.length / 2, part.body.base.width / 2];
  return [
    [-l, -w],
    [l, -w],
    [l, w],
    [-l, w],
  ].map(([u = 0, v = 0]) => {
    const p = toHull(frame, u, v, 0);
    return [p.x, p.y];
  });
}

/** How far a point lies beyond the edge of the hull seen from above, mm; negative inside. */
function beyondEdge(hull: HullSurface, x: number, y: number): number {
  if (x < 0 || x > hull.length) return Math.hypot(Math.max(-x, x - hull.length), y);
  const across = Math.abs(y) - hull.edge.half(x);
  if (across <= 0) return across;
  // Where the hull tapers its edge is nearer than straight across.
  let least = across;
  for (let near = EDGE_STEP; near < across; near += EDGE_STEP)
    for (const at of [x - near, x + near])
      if (at >= 0 && at <= hull.length) least = Math.min(least, Math.hypot(near, Math.max(0, Math.abs(y) - hull.edge.half(at))));
  return least;
}
/** The edge is looked at every so many mm. */
const EDGE_STEP = 5;

/** How far a point lies outside an area, mm; nought inside. */
const outside = (d: DeckArea, x: number, y: number): number => Math.max(0, d.fore - x, x - d.aft, d.port - y, y - d.starboard);

/** What the base of a fitting on deck lies on: looked up at places all over it, its edges and holes too. */
export function footingOf(hull: HullSurface, placed: Pick<Placed, 'frame' | 'part'>): Footing {
  const { frame, part } = placed;
  const { length, width } = part.body.base;
  const here = hull.spot(frame.origin.x, frame.origin.y);
  const outline = baseOutline(placed);
  const over = new Set<string>();
  let [carried, all, overboard] = [0, 0, 0];
  let into: Into | null = null;
  const lids = new Map<Hatch, number>();
  const overlaps = new Map<DeckArea, number>();
  /** How far the base reaches into a higher deck. */
  const intoDeck = (deck: DeckArea): number => {
    const known = overlaps.get(deck) ?? planOverlap(outline, rectangle(deck));
    overlaps.set(deck, known);
    return known;
  };
  /** How much higher the surface is than the base at a place of the frame. */
  const look = (u: number, v: number): number | null => {
    const p = toHull(frame, u, v, 0);
    const off = beyondEdge(hull, p.x, p.y);
    if (off > 0.5) {
      overboard = Math.max(overboard, off);
      return null;
    }
    const spot = hull.spot(p.x, p.y);
    const higher = spot.z - p.z;
    if (higher > STEP) {
      const by = spot.deck ? intoDeck(spot.deck) : here.deck ? outside(here.deck, p.x, p.y) : 0;
      if (by > (into?.by ?? 0.5)) into = { name: spot.name, by };
    } else if (higher < -STEP) over.add(spot.name);
    for (const h of hull.model.hatches)
      if (p.x >= h.fore && p.x <= h.aft && p.y >= h.port && p.y <= h.starboard && Math.abs(p.z - h.height) < ON_LID)
        lids.set(h, (lids.get(h) ?? 0) + 1);
    return higher;
  };
  for (let i = 0; i < SAMPLES; i++)
    for (let k = 0; k < SAMPLES; k++) {
      const higher = look((i / (SAMPLES - 1) - 0.5) * length, (k / (SAMPLES - 1) - 0.5) * width);
      all++;
      if (higher !== null && Math.abs(higher) <= STEP) carried++;
    }
  const onLids = [...lids].map(([hatch, count]) => ({ hatch, whole: count === all }));
  const loseHole = part.holes.at.some((h) => {
    const higher = look(h.u, h.v);
    return higher === null || Math.abs(higher) > STEP;
  });
  const tracks = hull.model.tracks.flatMap((t) => {
    if (Math.abs(t.height - frame.origin.z) > ON_LID) return [];
    const slot = { fore: t.fore, aft: t.aft, port: t.y - HALF_TRACK, starboard: t.y + HALF_TRACK };
    const by = planOverlap(outline, rectangle(slot));
    return by > 0.5 ? [{ name: t.name, by }] : [];
  });
  return { carried: carried / all, tracks, into, over: [...over], overboard, lids: onLids, loseHole };
}

/** How far a thing stands into a surface of the hull, mm, and which. */
export interface Into {
  readonly name: string;
  readonly by: number;
}

/** Whether a body lies over one area and no other. */
function aboveAlone({ model }: HullSurface, own: DeckArea, { fore, aft, port, starboard }: Bounds): boolean {
  const apart = (d: DeckArea): boolean => fore > d.aft || aft < d.fore || port > d.starboard || starboard < d.port;
  const within = fore >= own.fore && aft <= own.aft && port >= own.port && starboard <= own.starboard;
  return within && model.decks.every((d) => d === own || apart(d));
}

/**
 * The surface that what stands on deck reaches into, beside the one its foot is on or lower than it overhangs; null for
 * none. How far it has to be moved or raised to be clear: what of it goes through its own surface does not count.
 */
export function reachesIntoDeck(hull: HullSurface, { frame, bodies }: Pick<Placed, 'frame' | 'bodies'>): Into | null {
  const { deck: own, z: ground } = hull.spot(frame.origin.x, frame.origin.y);
  let most: Into | null = null;
  for (const body of bodies) {
    const { box, outline } = body;
    if (!box || (own && aboveAlone(hull, own, boundsOf([body])))) continue;
    const { points, level } = undersideOf(box);
    for (const { x, y, z } of points) {
      // A bore that leans goes down through its own surface.
      if ((!level && z < ground - STEP) || beyondEdge(hull, x, y) > 0) continue;
      const { z: height, deck, name } = hull.spot(x, y);
      if (deck === own || height - z <= STEP) continue;
      const aside = deck ? planOverlap(outline, rectangle(deck)) : own ? outside(own, x, y) : 0;
      const by = Math.min(aside, height - z);
      if (by > (most?.by ?? 0.5)) most = { name, by };
    }
  }
  return most;
}

/** Higher over the gunwale than this nothing catches on it (judgement), mm. */
const OVERHEAD = 500;

/** How far what stands on deck reaches beyond the edge of the hull, mm; what is meant for the water does not count. */
export function reachesOverboard(hull: HullSurface, { bodies, frame }: Pick<Placed, 'bodies' | 'frame'>): number {
  let most = 0;
  for (const b of bodies) {
    if (b.bottom < frame.origin.z - STEP || b.bottom > hull.edge.gunwale(frame.origin.x) + OVERHEAD) continue;
    for (const [x, y] of b.outline) most = Math.max(most, beyondEdge(hull, x, y));
  }
  return most;
}
