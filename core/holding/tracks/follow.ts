import type { ShopSettings } from '../../parts/shop';
import type { Fitted } from '../fitted';
import { deckPatch, sidePatch, type HullSurface } from '../../boat/hull';
import { toHull, type Placed } from '../../layout';
import { WALLS } from '../mounting';
import type { Point } from '../../base/units';

/** How a straight track lies on what it is screwed to. */
export interface Lie {
  /** The widest gap under it when it rests on the hull, mm. */
  readonly gap: number;
  /** How far in from the gunwale edge it is at its ends and where that is least and most, mm; null on a side. */
  readonly edge: { readonly least: number; readonly most: number } | null;
}

const SAMPLES = 16;

/**
 * Lays a straight track on the hull: it rests where the hull stands out most, and elsewhere there is a gap; beside
 * a curved gunwale its distance from the edge changes along it.
 */
export function lieOf(hull: HullSurface, { part, frame, place }: Placed): Lie {
  const half = part.body.base.length / 2;
  const patch = place.on === 'side' ? sidePatch(hull, place.side) : deckPatch(hull, frame.origin.x, frame.origin.y);
  const points = Array.from({ length: SAMPLES + 1 }, (_, i) => toHull(frame, (i / (SAMPLES / 2) - 1) * half, 0, 0));
  // Above the patch is a gap; under it the hull stands out and lifts the whole track.
  const along = (p: Point): number => {
    const on = patch.onto(p);
    return (p.x - on.x) * frame.w.x + (p.y - on.y) * frame.w.y + (p.z - on.z) * frame.w.z;
  };
  const gaps = points.map(along);
  const edges = points.map((p) => hull.halfBreadth(p.x) - Math.abs(p.y));
  return {
    gap: Math.max(...gaps) - Math.min(...gaps),
    edge: place.on === 'side' ? null : { least: Math.min(...edges), most: Math.max(...edges) },
  };
}

/** Aluminium grows so much, 1/K (any engineering handbook, from memory). */
const ALUMINIUM = 23e-6;

/**
 * How much more the hull grows than an aluminium track over a length, least and most, mm. Polyethylene's own
 * growth is only known as a range.
 *
 * @param heat between the coldest and the hottest the boat lies in, K
 */
export function growthOver(length: number, material: string, heat: number): readonly [number, number] {
  const wall = WALLS[material as keyof typeof WALLS];
  const [least, most] = wall?.grows ?? [ALUMINIUM, ALUMINIUM];
  return [Math.abs(least - ALUMINIUM) * length * heat, Math.abs(most - ALUMINIUM) * length * heat];
}

/** A hole of a track, and how it is made in the track. */
export interface TrackHole {
  readonly label: string;
  /** From the middle of the track, forward negative, mm. */
  readonly u: number;
  /** Length of the slot over the screw's own hole; nought for a round one, mm. */
  readonly slot: number;
}

/**
 * The holes of a track when it and the hull grow differently: the middle one holds it, and each that would move by
 * more than its screw has play is slotted along the track.
 */
export function slotsOf({ placed, mounted, holes }: Fitted, material: string, { heat }: ShopSettings['holding']): TrackHole[] {
  const spots = placed.part.holes.at.map((h, i) => ({ u: h.u, i }));
  const middle = spots.reduce((a, b) => (Math.abs(b.u) < Math.abs(a.u) ? b : a), spots[0] ?? { u: 0, i: 0 });
  const bit = holes[0]?.bit.mm ?? 0;
  const shank = mounted.rivet?.diameter ?? mounted.thread?.diameter ?? bit;
  const play = Math.max(0, bit - shank) / 2;
  return spots.map(({ u, i }) => {
    const [, most] = growthOver(Math.abs(u - middle.u), material, heat);
    // It may have been screwed on at either end of the range: it moves both ways from there.
    const slot = most > play ? 2 * most : 0;
    return { label: holes.find((h) => h.nth === i + 1)?.label ?? String(i + 1), u, slot };
  });
}

/** What rides on a track, forward first. */
export const ridersOf = (items: readonly Fitted[], track: string): Fitted[] =>
  items.filter(({ placed: { place } }) => place.on === 'fitting' && place.fitting === track).sort((a, b) => along(a) - along(b));

const along = ({ placed: { place } }: Fitted): number => (place.on === 'fitting' ? place.u : 0);
