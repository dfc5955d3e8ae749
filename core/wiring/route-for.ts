import type { Fitted } from '../drilling';
import type { HullSurface } from '../hull';
import { isInside } from '../inside';
import { sweptBy, sweptByHull } from '../layout';
import { entryOf, type Plan, type Run } from '../rig';
import { findRoute, type RouteEnd } from './find-route';
import type { Wiring, WiredRun } from './wire-up';

/** What a cable's way is looked for among. */
export interface RoutedAmong {
  readonly hull: HullSurface;
  readonly plan: Pick<Plan, 'runs'> & { readonly brief: Pick<Plan['brief'], 'wires'> };
  readonly owned: readonly Fitted[];
  readonly wiring: Pick<Wiring, 'runs'>;
}

/**
 * A run of the plan by the cheapest way among what is aboard, as the rigger's own.
 * @returns null when there is none, with how long it is along the way otherwise, mm
 */
export function routeFor(
  { hull, plan, owned, wiring }: RoutedAmong,
  run: Pick<WiredRun, 'id' | 'from' | 'to' | 'motor'>,
): { readonly run: Run; readonly length: number } | null {
  const from = entryOf(plan.runs, run.id);
  const end = (id: string): RouteEnd | null => {
    const placed = owned.find((i) => i.placed.id === id)?.placed;
    return placed ? { at: placed.frame.origin, inside: isInside(placed) } : null;
  };
  const [start, goal] = [end(run.from), end(run.to)];
  if (!from || !start || !goal) return null;
  const found = findRoute({
    ...{ hull, from: start, to: goal, wires: plan.brief.wires },
    glands: owned.flatMap(({ placed: { id, part, frame, place } }) =>
      part.gland ? [{ id, at: frame.origin, ...(place.on === 'bulkhead' ? { bulkhead: place.bulkhead } : {}) }] : [],
    ),
    apart: wiring.runs.flatMap((r) => (r.id !== run.id && r.motor !== run.motor ? r.lies : [])),
    movers: [...sweptByHull(hull), ...owned.flatMap((i) => sweptBy(i.placed))],
  });
  if (!found) return null;
  const { proposed: _, ...own } = from;
  return { run: { ...own, lane: found.lane, via: [...found.via] }, length: found.length };
}
