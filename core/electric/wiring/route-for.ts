import type { Fitted } from '../../holding/fitted';
import type { HullSurface } from '../../boat/hull';
import { isInside } from '../../holding/inside';
import { sweptBy, sweptByHull, type Placed } from '../../layout';
import { entryOf, type Plan, type Run } from '../../rig';
import { findRoute, type FoundRoute, type RouteEnd } from './find-route';
import type { Stretch } from './route';
import type { LaidRun } from './run';
import type { Wiring } from './wire-up';

/** What ways are looked for on. */
export interface RoutedOn {
  readonly hull: HullSurface;
  readonly plan: { readonly brief: Pick<Plan['brief'], 'wires'> };
  readonly owned: readonly Fitted[];
}

/** What the way of a run of the plan is looked for among. */
export interface RoutedAmong extends RoutedOn {
  readonly plan: Pick<Plan, 'runs'> & RoutedOn['plan'];
  readonly wiring: Pick<Wiring, 'runs'>;
}

/** Finds the cheapest way between two fittings, off what it is kept apart from; null when there is none. */
export type FindsRoutes = (from: Placed, to: Placed, apart: readonly Stretch[]) => FoundRoute | null;

/** Ways among what is aboard: through its glands, clear of what moves, both gathered once. */
export function routesAmong({ hull, plan, owned }: RoutedOn): FindsRoutes {
  const end = (placed: Placed): RouteEnd => ({ at: placed.frame.origin, inside: isInside(placed) });
  const glands = owned.flatMap(({ placed: { id, part, frame, place } }) =>
    part.gland ? [{ id, at: frame.origin, ...(place.on === 'bulkhead' ? { bulkhead: place.bulkhead } : {}) }] : [],
  );
  const movers = [...sweptByHull(hull), ...owned.flatMap((i) => sweptBy(i.placed))];
  return (from, to, apart) => findRoute({ hull, from: end(from), to: end(to), wires: plan.brief.wires, apart, glands, movers });
}

/**
 * A run of the plan by the cheapest way among what is aboard, as the rigger's own, and how long that is, mm.
 * @returns null when there is none
 */
export function routeFor(
  among: RoutedAmong,
  run: Pick<LaidRun, 'id' | 'from' | 'to'>,
): { readonly run: Run; readonly length: number } | null {
  const from = entryOf(among.plan.runs, run.id);
  const [start, goal] = [run.from, run.to].map((id) => among.owned.find((i) => i.placed.id === id)?.placed);
  if (!from || !start || !goal) return null;
  const { runs } = among.wiring;
  const motor = runs.find((r) => r.id === run.id)?.motor ?? false;
  const apart = runs.flatMap((r) => (r.id !== run.id && r.motor !== motor ? r.lies : []));
  const found = routesAmong(among)(start, goal, apart);
  if (!found) return null;
  const { proposed: _, ...own } = from;
  return { run: { ...own, lane: found.lane, via: [...found.via] }, length: found.length };
}
