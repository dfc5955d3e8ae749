import type { HullSurface } from '../../boat/hull';
import type { Swept } from '../../layout';
import { LANES, type Brief, type Run, type Waypoint } from '../../rig';
import { distance, type Point } from '../../base/units';
import { inAWay, staysInside, throughHazard } from './obstacles';
import { laneOf, lanePoint, type Stretch } from './route';

/** An end of a cable: where it is, and whether that is inside the hull. */
export interface RouteEnd {
  readonly at: Point;
  readonly inside: boolean;
}

/** What a route is looked for among. */
export interface RouteInput {
  readonly hull: HullSurface;
  readonly from: RouteEnd;
  readonly to: RouteEnd;
  /** With the bulkhead that one is in. */
  readonly glands: readonly { readonly id: string; readonly at: Point; readonly bulkhead?: string }[];
  readonly wires: Brief['wires'];
  /** Where cables lie that it is kept apart from: a motor's for a screen's, and the other way round. */
  readonly apart: readonly Stretch[];
  /** What moves on deck. */
  readonly movers: readonly Swept[];
}

/** A way for a cable, as the plan has it. */
export interface FoundRoute extends Pick<Run, 'lane' | 'via'> {
  /** Along the way, mm. */
  readonly length: number;
}

type LaneName = Run['lane'];

/** Looked at so often along the boat, mm. */
const STEP = 80;
/** An end joins a lane no farther along the boat than this (judgement), mm. */
const JOINS = 260;
/** Where the brief would not have it, a millimetre counts so many times (judgement); beside what disturbs it too. */
const DISLIKED = 3;
const BESIDE = 4;
/** A hole of its own through the deck, and a change of lane, are worth so much way (judgement), mm. */
const PIERCES = 500;
const CHANGES = 60;
/** A cable is kept so far from what it must not go through (judgement), mm. */
const CLEAR = 10;

interface Node {
  readonly at: Point;
  /** Of a lane's station, as it is said: whole millimetres. */
  readonly x: number;
  readonly inside: boolean;
  readonly lane: LaneName | null;
  readonly gland: string | null;
  readonly bulkhead?: string;
}

/**
 * The cheapest way of a cable over the lanes of a hull and the glands aboard: none through foam, wells, bulkheads or tubes, none
 * where something moves, dear where the brief would not have it or beside what disturbs it. Dijkstra over the lanes' stations.
 * @returns null when there is none
 */
export function findRoute(input: RouteInput): FoundRoute | null {
  const nodes = nodesOf(input);
  const cost = nodes.map(() => Infinity);
  const before = nodes.map(() => -1);
  const done = nodes.map(() => false);
  cost[0] = 0;
  const goal = nodes.length - 1;
  for (;;) {
    let here = -1;
    cost.forEach((c, i) => {
      if (!done[i] && c < (cost[here] ?? Infinity)) here = i;
    });
    if (here < 0) return null;
    if (here === goal) break;
    done[here] = true;
    const a = nodes[here] as Node;
    nodes.forEach((b, i) => {
      if (done[i]) return;
      const known = cost[i] as number;
      // No step is cheaper than straight there.
      if ((cost[here] as number) + distance(a.at, b.at) >= known) return;
      const dear = stepCost(input, a, b, { start: here === 0, end: i === goal });
      const total = (cost[here] as number) + dear;
      if (total < known) [cost[i], before[i]] = [total, here];
    });
  }
  const way: Node[] = [];
  for (let i = goal; i >= 0; i = before[i] as number) way.unshift(nodes[i] as Node);
  return asRun(way);
}

function nodesOf({ hull, from, to, glands }: RouteInput): Node[] {
  const [low, high] = [Math.min(from.at.x, to.at.x) - 600, Math.max(from.at.x, to.at.x) + 600];
  const [first, last] = [Math.max(60, low), Math.min(hull.length - 60, high)];
  const count = Math.max(1, Math.ceil((last - first) / STEP));
  // On whole millimetres, as a rigger would say it.
  const xs = Array.from({ length: count + 1 }, (_, i) => Math.round(first + ((last - first) * i) / count));
  const all = [
    ...new Set(
      [...xs, ...[from.at, to.at, ...glands.map((g) => g.at)].map((p) => Math.round(p.x))].filter((x) => x >= first && x <= last),
    ),
  ].sort((a, b) => a - b);
  const stations = LANES.flatMap((lane) =>
    all.map((x): Node => ({ at: lanePoint(hull, lane, x), x, inside: laneOf(lane).where === 'inside', lane, gland: null })),
  );
  const ends = ({ at, inside }: RouteEnd): Node => ({ at, x: at.x, inside, lane: null, gland: null });
  // A gland is on both sides of what it goes through.
  const through = glands.map((g): Node => ({
    at: g.at,
    x: g.at.x,
    inside: true,
    lane: null,
    gland: g.id,
    ...(g.bulkhead === undefined ? {} : { bulkhead: g.bulkhead }),
  }));
  return [ends(from), ...stations, ...through, ends(to)];
}

/** What a step costs, mm; Infinity where there is none. */
function stepCost(
  { hull, wires, apart, movers, glands }: RouteInput,
  a: Node,
  b: Node,
  { start, end }: { readonly start: boolean; readonly end: boolean },
): number {
  const way = { from: a.at, to: b.at };
  const along = Math.abs(a.at.x - b.at.x);
  const far = distance(a.at, b.at);
  let extra = 0;
  // Along a lane from one station to the next; else across, to an end, to a gland.
  if (a.lane !== null && a.lane === b.lane) {
    if (along > STEP + 1) return Infinity;
  } else if (along > JOINS) return Infinity;
  if (a.lane !== b.lane) extra += CHANGES;
  if (start && end) return Infinity;
  const inside = goesInside(a, b);
  if (inside === null) return Infinity;
  // From deck straight into the hull one drills for it.
  const pierces = (start && !a.inside && b.lane !== null && b.inside) || (end && !b.inside && a.lane !== null && a.inside);
  if (pierces) extra += PIERCES * (glands.length ? 1 : 0.2);
  if (inside) {
    const open = [a.bulkhead, b.bulkhead];
    if (hull.hazards.some((h) => !open.includes(h.hazard.id) && throughHazard(way, h, CLEAR))) return Infinity;
    // Where one drills for it, it comes up from under the deck.
    if (!staysInside(hull, pierces ? { from: underDeck(hull, a), to: underDeck(hull, b) } : way)) return Infinity;
  } else if (inAWay(way, movers)) return Infinity;
  const disliked = (wires === 'outside') === inside ? DISLIKED : 1;
  const beside =
    a.lane !== null &&
    a.lane === b.lane &&
    apart.some((s) => s.lane === a.lane && s.from < Math.max(a.at.x, b.at.x) && s.to > Math.min(a.at.x, b.at.x));
  return far * disliked * (beside ? BESIDE : 1) + extra;
}

/** Where a step begins or ends inside: under the deck for what stands on it. */
const underDeck = (hull: HullSurface, { at, inside }: Node): Point =>
  inside ? at : { ...at, z: Math.min(at.z, hull.spot(at.x, at.y).z) };

/** Whether a step goes inside the hull; null where it cannot be: in or out without a gland or an end. */
function goesInside(a: Node, b: Node): boolean | null {
  if (a.gland !== null && b.gland !== null) return null;
  // A bulkhead is inside on both sides.
  if ((a.bulkhead !== undefined && !b.inside) || (b.bulkhead !== undefined && !a.inside)) return null;
  if (a.gland !== null) return b.inside;
  if (b.gland !== null) return a.inside;
  if (a.inside === b.inside) return a.inside;
  // An end on deck may go in by a hole of its own; one inside does not come out without a gland.
  const [outer, inner] = a.inside ? [b, a] : [a, b];
  return outer.lane === null && inner.lane !== null ? true : null;
}

function asRun(way: readonly Node[]): FoundRoute {
  const via: Waypoint[] = [];
  let lane: LaneName | null = null;
  way.slice(1, -1).forEach((n, i) => {
    if (n.gland !== null) {
      via.push({ at: 'gland', fitting: n.gland });
      lane = null;
      return;
    }
    if (n.lane === null) return;
    const goesOn = way[i + 2]?.lane === n.lane;
    if (n.lane !== lane) via.push({ at: 'lane', x: n.x, lane: n.lane });
    else if (!goesOn) via.push({ at: 'lane', x: n.x });
    lane = n.lane;
  });
  const first = via.find((w) => w.at === 'lane');
  const length = way.reduce((sum, n, i) => sum + (i ? distance((way[i - 1] as Node).at, n.at) : 0), 0);
  return { lane: (first?.at === 'lane' && first.lane) || LANES[0], via, length };
}
