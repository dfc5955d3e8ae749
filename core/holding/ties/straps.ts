import type { HullSurface } from '../../boat/hull';
import { roomIdOf } from '../inside';
import { boxAbout, toHull, type Placed } from '../../layout';
import { STRAP_REACH } from '../mounting';
import type { Hold } from '../../parts/parts';
import type { Ledger, Strap } from '../../rig';
import { distance, dot, type Point } from '../../base/units';
import { tiePointsOf, type TiePoint } from './tie-points';

/** Where a strap pulls at a thing, and which way: a unit vector. */
interface Pull {
  readonly at: Point;
  readonly along: Point;
}

/** A strap as it lies: how it pulls at the thing, and how long it is, mm. */
export interface Lashing {
  readonly strap: Strap;
  readonly ends: readonly [TiePoint, TiePoint];
  /** It is hooked to the thing itself; else it goes over it. */
  readonly hooked: boolean;
  readonly pulls: readonly Pull[];
  readonly length: number;
  readonly path: readonly Point[];
}

const towards = (from: Point, to: Point): Point => {
  const far = distance(from, to) || 1;
  return { x: (to.x - from.x) / far, y: (to.y - from.y) / far, z: (to.z - from.z) / far };
};

/**
 * How a strap lies: straight from a tie point to one of the thing's own, or from one tie point over the thing to another,
 * where its line crosses the box about it.
 *
 * @returns why it holds nothing, when it does not lie on the thing
 */
export function lash(placed: Placed, strap: Strap, ties: readonly TiePoint[]): Lashing | string {
  const [from, to] = [strap.from, strap.to].map((key) => ties.find((t) => t.key === key));
  if (!from || !to) return 'what it is tied to is not aboard, or is worn';
  const own = (t: TiePoint): boolean => t.fitting === placed.id;
  if (own(from) && own(to)) return 'both its ends are on the thing itself';
  if (own(from) || own(to)) {
    const [at, away] = own(from) ? [from, to] : [to, from];
    const path = [at.at, away.at];
    const pulls = [{ at: at.at, along: towards(at.at, away.at) }];
    return { strap, ends: [away, at], hooked: true, pulls, length: distance(at.at, away.at), path };
  }
  const over = crossing(placed, from.at, to.at);
  if (!over) return 'it passes beside the thing';
  const [c, d] = over;
  return {
    strap,
    ends: [from, to],
    hooked: false,
    pulls: [
      { at: c, along: towards(c, from.at) },
      { at: d, along: towards(d, to.at) },
    ],
    length: distance(from.at, c) + distance(c, d) + distance(d, to.at),
    path: [from.at, c, d, to.at],
  };
}

/** Where a line from one point to another goes onto the top of a thing and off it again; null when it passes beside. */
function crossing({ part, frame, fitting }: Placed, a: Point, b: Point): readonly [Point, Point] | null {
  const { u, v, w } = boxAbout(part.body);
  const local = (p: Point): readonly [number, number] => {
    const off = { x: p.x - frame.origin.x, y: p.y - frame.origin.y, z: p.z - frame.origin.z };
    return [dot(off, frame.u), dot(off, frame.v)];
  };
  const [[au, av], [bu, bv]] = [local(a), local(b)];
  let [first, last] = [0, 1];
  for (const [start, way, least, most] of [
    [au, bu - au, u[0], u[1]],
    [av, bv - av, v[0], v[1]],
  ] as const) {
    if (Math.abs(way) < 1e-9) {
      if (start < least || start > most) return null;
      continue;
    }
    const [s, t] = [(least - start) / way, (most - start) / way];
    first = Math.max(first, Math.min(s, t));
    last = Math.min(last, Math.max(s, t));
  }
  if (first >= last) return null;
  const on = (t: number): Point => toHull(frame, au + t * (bu - au), av + t * (bv - av), w[1] + fitting.lift);
  return [on(first), on(last)];
}

/** Every strap aboard as it lies, with the fitting that it holds. */
export function lashingsOf<
  T extends { readonly placed: Placed; readonly letter: string; readonly mounted: { readonly hold: Hold } },
>(hull: HullSurface, items: readonly T[], ledger: Pick<Ledger, 'seen'>): (Lashing & { readonly item: T })[] {
  const held = items.filter((i) => i.mounted.hold === 'strap');
  const ties = held.length ? tiePointsOf(hull, items, ledger) : [];
  return held.flatMap((item) =>
    strapsOf(item.placed, roomIdOf(hull, item.placed), ties).flatMap((s) => {
      const lies = lash(item.placed, s, ties);
      return typeof lies === 'object' ? [{ ...lies, item }] : [];
    }),
  );
}

/** The straps of a thing that is held by straps: those it was given, else one over it between the nearest ties either side. */
export function strapsOf(placed: Placed, room: string | null, ties: readonly TiePoint[]): readonly Strap[] {
  const { fitting, frame, id } = placed;
  if (fitting.straps?.length) return fitting.straps;
  const near = ties
    .filter((t) => t.room === room && t.fitting !== id && distance(t.at, frame.origin) <= STRAP_REACH)
    .sort((a, b) => distance(a.at, frame.origin) - distance(b.at, frame.origin));
  for (const from of near)
    for (const to of near)
      if (from.at.y < frame.origin.y && to.at.y > frame.origin.y && crossing(placed, from.at, to.at))
        return [{ from: from.key, to: to.key }];
  return [];
}
