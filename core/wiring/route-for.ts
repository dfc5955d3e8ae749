import type { Fitted } from '../drilling';
import type { HullSurface } from '../hull';
import { isInside } from '../inside';
import { sweptBy, sweptByHull, type Placed } from '../layout';
import { entryOf, type Plan, type Run } from '../rig';
import { findRoute, type FoundRoute, type RouteEnd } from './find-route';
import type { Stretch } from './route';
import type { Wiring, WiredRun } from './wire-up';

/** What a cable's way is looked for among. */
export interface RoutedAmong {
  readonly hull: HullSurface;
  readonly plan: Pick<Plan, 'runs'> & { readonly brief: Pick<Plan['brief'], 'wires'> };
  readonly owned: readonly Fitted[];
  readonly wiring: Pick<Wiring, 'runs'>;
}

/** What a way between two fittings is looked for among. */
export interface Between extends Pick<RoutedAmong, 'hull' | 'owned'> {
  readonly plan: { readonly brief: Pick<Plan['brief'], 'wires'> };
  readonly apart: readonly Stretch[];
}

/** The cheapest way between two fittings, through whatever glands are aboard and clear of what moves; null when there is none. */
export function routeBetween({ hull, plan, owned, apart }: Between, from: Placed, to: Placed): FoundRoute | null {
  const end = (placed: Placed): RouteEnd => ({ at: placed.frame.origin, inside: isInside(placed) });
  return findRoute({
    ...{ hull, from: end(from), to: end(to), wires: plan.brief.wires, apart },
    glands: owned.flatMap(({ placed: { id, part, frame, place } }) =>
      part.gland ? [{ id, at: frame.origin, ...(place.on === 'bulkhead' ? { bulkhead: place.bulkhead } : {}) }] : [],
    ),
    movers: [...sweptByHull(hull), ...owned.flatMap((i) => sweptBy(i.placed))],
  });
}

/**
 * A run of the plan by the cheapest way among what is aboard, as the rigger's own, and how long that is, mm.
 * @returns null when there is none
 */
export function routeFor(
  among: RoutedAmong,
  run: Pick<WiredRun, 'id' | 'from' | 'to' | 'motor'>,
): { readonly run: Run; readonly length: number } | null {
  const from = entryOf(among.plan.runs, run.id);
  const [start, goal] = [run.from, run.to].map((id) => among.owned.find((i) => i.placed.id === id)?.placed);
  if (!from || !start || !goal) return null;
  const apart = among.wiring.runs.flatMap((r) => (r.id !== run.id && r.motor !== run.motor ? r.lies : []));
  const found = routeBetween({ ...among, apart }, start, goal);
  if (!found) return null;
  const { proposed: _, ...own } = from;
  return { run: { ...own, lane: found.lane, via: [...found.via] }, length: found.length };
}
