import type { Fitted } from '../holding/fitted';
import { slicesOf, waterAt, type Weight } from '../water/float';
import type { HullSurface } from '../boat/hull';
import { reachedBy, type Paddler, type ReachZone, type Seatings } from '../layout';
import { cordAboard, isLed, type CordAboard, type Ground, type Ledger, type Line, type Plan } from '../rig';
import type { ShopSettings } from '../parts/shop';
import type { Memory } from '../base/stages';
import { tiePointsOf } from '../holding/ties';
import { GRAVITY, pathLength, type Point } from '../base/units';
import { breaksAt, CORD_TRAITS, type Cord, KNOT, KNOTTED, stiffness, stretchOf } from './cords';
import { anchorHolds, anchorWanted, driftWith, drogueHolds, type Lying, lyingTo, SCOPE, sideOn, SURGE } from './ground';
import { loopLength, pathOf, placesOf, pointAlong, type LedOn, type Where } from './laying';
import { liftOf, type Lift } from './lift';
import { drawnSideways, hauled, pullAt } from './pull';
import { turnAt } from './taut';
import { USES } from './uses';

/** What the lines follow from. */
export interface LinesInput {
  readonly surface: HullSurface;
  readonly lines: Plan['lines'];
  readonly owned: readonly Fitted[];
  readonly ledger: Pick<Ledger, 'seen'>;
  readonly seats: Seatings;
  readonly weight: Weight;
  readonly shop: ShopSettings;
}

/** A place of a line with what it pulls there. */
export interface Led extends Where {
  /** At its hardest, N. */
  readonly newtons: number;
}

/** How an anchor, a stake or a drogue holds. */
interface Anchored {
  readonly ground: Ground;
  /** How the boat lies: once, or by where the trolley's ring stands, from bow to stern. */
  readonly lies: readonly Lying[];
  /** What goes overboard, mm, and how many times the depth from the boat that is. */
  readonly rode: number;
  readonly scope: number;
  /** What the anchor holds, N; null for what is no anchor. */
  readonly holds: number | null;
  /** What its weight is, and what wind and stream ask, kg; null for what is no anchor. */
  readonly kg: number | null;
  readonly wantedKg: number;
  /** How fast the boat drifts with the drogue out, km/h; null for what is no drogue. */
  readonly drift: number | null;
}

/** A line worked out. */
export interface LedLine {
  readonly id: string;
  readonly line: Line;
  readonly cord: Cord;
  /** Where it is led, in order. */
  readonly led: readonly Led[];
  /** As it lies: corners, from what it pulls to its end. Of a trolley one way. */
  readonly path: readonly Point[];
  /** Where it bears on the hull, and by how much it turns there, radians. */
  readonly bears: readonly { readonly at: Point; readonly turns: number }[];
  /** Aboard, there and back for a loop; overboard; in knots and hand; and what that takes in all, mm. */
  readonly aboard: number;
  readonly rode: number;
  readonly ends: number;
  readonly wanted: number;
  /** What is cut, or how long the old piece is, mm. */
  readonly cut: number;
  /** The piece that was on the boat when that came in; null where a new one is cut. */
  readonly old: CordAboard | null;
  /** It is led as it was led. */
  readonly there: boolean;
  /** What it holds or pulls, with waves, N. */
  readonly load: number;
  /** What it is drawn with where it is tightest, N. */
  readonly tight: number;
  /** Of what its cord bears with a knot in it. */
  readonly share: number;
  /** By how much it gets longer under that, mm. */
  readonly stretch: number;
  /** What the hand pulls with; null where no hand pulls. */
  readonly hand: number | null;
  readonly lift: Lift | null;
  readonly held: Anchored | null;
  /** How its end is reached, or the nearest of a loop; null where it is not worked on the water. */
  readonly reached: ReachZone | null;
}

/** So much stays in the hand at a cleat (judgement), mm. */
const IN_HAND = 600;
/** Of what it weighs a boat is dragged over grass or sand with (judgement). */
const DRAGS = 0.5;
/** A foot pushes a rudder's peg with (judgement), N. */
const STEERS = 150;
/** A shock cord is stretched by half for use (common practice, no source). */
const BUNGEE = 0.5;
/** Where nobody said: a place to fish on a lake (judgement). */
export const USUAL_GROUND: Ground = { depth: 3000, bottom: 'sand', stream: 1, wind: 15 };

/** Every line as it is led, cut and pulled; one with an end that is not aboard, or is worn, is left out. */
export function leadLines(input: LinesInput, memory: Memory): LedLine[] {
  const { surface, lines, owned, ledger, seats, weight, shop } = input;
  if (Object.keys(lines).length === 0) return [];
  const ties = memory.last(
    'ties',
    [surface, owned, ledger],
    () => new Map(tiePointsOf(surface, owned, ledger).map((t) => [t.key, t])),
  );
  const slices = memory.last('slices', [surface], () => slicesOf(surface));
  const boat = memory.last('boat', [slices, weight.float], () => sideOn(slices, weight));
  const on: LedOn = { surface, lines, ties, owned, boat, people: seats.shown.paddlers, weight, shop };
  // What goes through a ring says what its trolley holds: trolleys come last.
  const inOrder = Object.entries(lines).sort(([, a], [, b]) => Number(USES[a.use].loop) - Number(USES[b.use].loop));
  const made: LedLine[] = [];
  for (const [id, line] of inOrder) {
    const through = made.filter((l) => l.line.through.some((p) => p.at === 'ring' && p.line === id));
    const led = leadOne(id, line, on, Math.max(0, ...through.map(atItsEnds)));
    if (led) made.push(led);
  }
  const order = new Map(Object.keys(lines).map((id, i) => [id, i]));
  return made.sort((a, b) => (order.get(a.id) ?? 0) - (order.get(b.id) ?? 0));
}

/** A trolley is made so loose that its ring comes so far off the side half way, mm (judgement: a hand's length). */
const OFF_THE_SIDE = 300;
/** By how much longer than its way it is made for that, as a share. */
const slackOf = (way: number): number => Math.hypot(1, (2 * OFF_THE_SIDE) / way) - 1;

/**
 * What a line through a ring draws it with where the ring is held, at bow or stern. Amidships it is drawn through alone, which is
 * said (`anchor-abeam`): no trolley is built to hold a boat across a stream.
 */
const atItsEnds = ({ held, load }: LedLine): number =>
  held && held.lies.length > 1 ? SURGE * Math.max(held.lies[0]?.newtons ?? 0, held.lies.at(-1)?.newtons ?? 0) : load;

/** Where a ring is looked at along its way. */
const RINGS = [0, 0.5, 1];

function leadOne(id: string, line: Line, on: LedOn, ringLoad: number): LedLine | null {
  const traits = USES[line.use];
  const cord: Cord = { of: line.of, diameter: line.diameter };
  const ringed = line.through.some((p) => p.at === 'ring');
  const each = (ringed ? RINGS : [0.5]).map((share) => placesOf(line, on, share));
  const all = each.flatMap((places) => (places ? [{ places, bends: pathOf(places, line, on.surface) }] : []));
  // The longest way says what is cut.
  const [first] = [...all].sort((a, b) => pathLength(b.bends.map((p) => p.at)) - pathLength(a.bends.map((p) => p.at)));
  if (!first || all.length < each.length) return null;
  const { places, bends } = first;
  const path = bends.map((b) => b.at);
  const taut = pathLength(path);
  const [start, end] = [places[0] as Where, places.at(-1) as Where];
  const held = heldBy(
    line,
    on,
    all.map(({ places: at }) => (at[0] as Where).at),
  );
  const lift = line.use === 'motor lift' ? liftOf(line, places, on) : null;
  const friction = CORD_TRAITS[line.of].rubs;
  const tightness = hauled(bends, friction);
  const pulled = tightness[0] ?? 1;
  const load = loadOf(line, { held, lift, ringLoad, on });
  // A trolley is drawn sideways by what goes through its ring; the other side of the loop gives with it.
  const sideways = traits.loop ? drawnSideways(load, stiffness(cord) / 2, slackOf(taut)) : null;
  // Hauled, a line is tightest at the hand, as much as friction on the way asks; a lift says itself what the hand pulls.
  const mean = held ? load / SURGE : load;
  const hand = lift ? lift.hand : traits.worked && !traits.loop ? mean / pulled : null;
  const tight = sideways?.tight ?? Math.max(load, hand ?? 0);
  const scale = lift ? lift.hand : load / (pulled || 1);
  const aboard = traits.loop ? loopLength(path, [start.lead.over, end.lead.over], 0.5) : taut;
  const rode = held?.rode ?? 0;
  const ends = 2 * KNOT * line.diameter + (traits.cleated ? IN_HAND : 0);
  const cutTo = on.shop.wiring.cutTo;
  // A shock cord is stretched in use: it is cut shorter.
  const needs = line.of === 'shock cord' ? aboard / (1 + BUNGEE) : aboard;
  const wanted = Math.ceil((needs + rode + ends) / cutTo - 1e-9) * cutTo;
  const old = cordAboard(line);
  const forces = places.map((place): number => {
    if (sideways) return Math.max(2 * sideways.tight, load);
    const i = bends.findIndex((b) => b.at === place.at);
    const f = pullAt(bends, tightness, i);
    // At its ends it pulls with all it has; what it carries is no mount.
    return Number.isFinite(scale) ? Math.hypot(f.x, f.y, f.z) * scale : Infinity;
  });
  return {
    ...{ id, line, cord, path, load, tight, hand, lift, held, aboard, rode, ends, wanted, old },
    cut: old?.cut ?? wanted,
    there: isLed(line, (fitting) => on.owned.some((i) => i.placed.id === fitting && i.mounted.there)),
    led: places.map((place, i) => ({ ...place, newtons: forces[i] ?? 0 })),
    bears: bends.flatMap(({ at, by }, i) => {
      const [before, after] = [bends[i - 1], bends[i + 1]];
      return by === 'hull' && before && after ? [{ at, turns: turnAt(before.at, at, after.at) }] : [];
    }),
    share: tight / (breaksAt(cord) * KNOTTED),
    stretch: line.of === 'shock cord' ? needs * BUNGEE : stretchOf(cord, aboard + rode, tight),
    reached: traits.worked ? reachOfLine(traits.loop ? path : [end.at], on.people) : null,
  };
}

/** The best that any of some points is reached. */
function reachOfLine(points: readonly Point[], people: readonly Paddler[]): ReachZone | null {
  const zones: ReachZone[] = ['at hand', 'half turn', 'out of reach'];
  const whole = pathLength(points);
  const looked =
    points.length > 1
      ? Array.from({ length: 41 }, (_, i) => pointAlong(points, (whole * i) / 40) ?? (points[0] as Point))
      : points;
  const found = looked.flatMap((p) => reachedBy(people, p)?.zone ?? []);
  return zones.find((zone) => found.includes(zone)) ?? null;
}

/** How what hangs on a line holds, from where the line leaves the boat; null where a line holds nothing in the water. */
function heldBy(line: Line, on: LedOn, leaves: readonly Point[]): Anchored | null {
  const moors = on.owned.find((i) => i.placed.id === line.carries)?.placed.part.moors;
  if (line.use !== 'anchor line' && line.use !== 'stake-out cord' && line.use !== 'drogue line') return null;
  const ground = line.ground ?? USUAL_GROUND;
  const { boat, weight } = on;
  if (line.use === 'drogue line') {
    const across = moors?.as === 'drogue' ? moors.across : 0;
    const drift = driftWith(across, boat, ground.wind);
    const lies = leaves.map((at) => ({ heading: lyingTo(boat, at, ground).heading, newtons: drogueHolds(across, drift) }));
    // So far off that it lies in the next wave (judgement): two lengths of the boat.
    const rode = line.rode ?? 2 * on.surface.length;
    return { ground, lies, rode, scope: 0, holds: null, kg: null, wantedKg: 0, drift };
  }
  const lies = leaves.map((at) => lyingTo(boat, at, ground));
  const over = Math.max(...leaves.map((at) => at.z - waterAt(weight.float, at.x)), 0);
  const deep = ground.depth + over;
  if (line.use === 'stake-out cord') {
    const rode = line.rode ?? 0;
    return { ground, lies, rode, scope: 0, holds: null, kg: null, wantedKg: 0, drift: null };
  }
  const rode = line.rode ?? SCOPE * deep;
  const scope = deep > 0 ? rode / deep : Infinity;
  const kg = moors?.as === 'anchor' ? moors.kg : null;
  return {
    ...{ ground, lies, rode, scope, kg, drift: null },
    holds: kg === null ? null : anchorHolds(kg, ground.bottom, scope),
    wantedKg: anchorWanted(ground),
  };
}

interface Loads {
  readonly held: Anchored | null;
  readonly lift: Lift | null;
  readonly ringLoad: number;
  readonly on: LedOn;
}

/** What a line holds or pulls, N. */
function loadOf(line: Line, { held, lift, ringLoad, on }: Loads): number {
  const { boat, weight, surface } = on;
  switch (line.use) {
    case 'anchor trolley': {
      if (ringLoad > 0) return ringLoad;
      const ground = line.ground ?? USUAL_GROUND;
      const amid = { x: boat.middle, y: surface.halfBreadth(boat.middle), z: 0 };
      return SURGE * lyingTo(boat, amid, ground).newtons;
    }
    case 'anchor line':
    case 'stake-out cord':
    case 'drogue line':
      return SURGE * Math.max(...(held?.lies.map((l) => l.newtons) ?? [0]));
    case 'motor lift':
      return lift ? lift.holds : 0;
    case 'rudder line':
      return STEERS;
    case 'drag rope':
      return DRAGS * GRAVITY * (surface.model.massKg + weight.gearKg);
    case 'bungee':
      return 0.1 * breaksAt({ of: line.of, diameter: line.diameter });
  }
}
