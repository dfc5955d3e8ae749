import { distance, sideSign, type Point } from '../../base/units';
import { integrate, invert, monotone, type Curve } from './monotone';
import { natural } from './natural';
import type { DeckArea, Hazard, HullModel, Station } from './schema';
import { sectionOf, type Section } from './section';
import { roomsOf } from './spaces';
import { type HullSurface, type BoxedHazard, type SurfaceSpot } from './hull-surface';

const clamp = (value: number, low: number, high: number): number => Math.min(high, Math.max(low, value));

/** The outline, parametrised by chord length: blunt ends have no finite slope in x. */
export function chordParameters(stations: readonly Pick<Station, 'x' | 'halfBreadth'>[]): number[] {
  let sum = 0;
  return stations.map((s, i) => {
    const before = stations[i - 1];
    if (before) sum += Math.hypot(s.x - before.x, s.halfBreadth - before.halfBreadth);
    return sum;
  });
}

function arcTable(speed: (t: number) => number, knots: readonly number[]): number[] {
  let sum = 0;
  return knots.map((t, i) => {
    const before = knots[i - 1];
    if (before !== undefined) sum += integrate(speed, before, t);
    return sum;
  });
}

function arcUpTo(speed: (t: number) => number, knots: readonly number[], sums: readonly number[], t: number): number {
  let i = 0;
  while (i < knots.length - 2 && (knots[i + 1] ?? 0) < t) i++;
  return (sums[i] ?? 0) + integrate(speed, knots[i] ?? 0, t);
}

/** One place is asked about several times over, its breadth, its gunwale, its keel: the last answer is remembered. */
function lastAsked<T>(of: (x: number) => T): (x: number) => T {
  let asked = NaN;
  let answer: T;
  return (x) => {
    if (x !== asked) {
      answer = of(x);
      asked = x;
    }
    return answer;
  };
}

/**
 * Fairs a hull's stations into a surface. Heights and outline are monotone cubics (a spline that
 * overshoots would invent a hollow nobody measured), the outline by chord length; a natural spline where
 * the model says its readings bear one.
 *
 * Assumes port and starboard alike. Lengths in mm, axes as in `units/axes`.
 * @throws RangeError when two stations stand at the same place
 */
export function fairHull(model: HullModel): HullSurface {
  const stations = [...model.stations].sort((a, b) => a.x - b.x);
  const t = chordParameters(stations);
  const fair = model.fairing === 'natural' ? natural : monotone;
  const curve = (pick: (s: Station) => number): Curve => monotone(t, stations.map(pick));
  const half = stations.map((s) => s.halfBreadth);
  const [cx, cb, cg, ck] = [curve((s) => s.x), fair(t, half), curve((s) => s.gunwale), curve((s) => s.keel)];
  const [cFullness, cFlare] = [curve((s) => s.fullness), curve((s) => s.flare)];
  const bow = cx.value(cx.from);
  const stern = cx.value(cx.to);
  const parameter = lastAsked((x) => (x <= bow ? cx.from : x >= stern ? cx.to : invert(cx.value, cx.slope, x, cx.from, cx.to)));
  const sectionAt = lastAsked((x): Section => {
    const p = parameter(x);
    return sectionOf(model.sections ?? 'curve', {
      keel: ck.value(p),
      gunwale: cg.value(p),
      half: cb.value(p),
      fullness: cFullness.value(p),
      flare: cFlare.value(p),
    });
  });
  const speed = (s: number): number => Math.hypot(cx.slope(s), cb.slope(s), cg.slope(s));
  const sums = arcTable(speed, cx.knots);
  const total = sums[sums.length - 1] ?? 0;

  let edge: HullSurface['edge'] | undefined;
  let rooms: HullSurface['rooms'] | undefined;
  const surface: HullSurface = {
    model,
    hazards: model.hazards.map(boxed),
    length: stern - bow,
    beam: 2 * Math.max(...stations.map((s) => s.halfBreadth)),
    along: cx,
    get edge() {
      return (edge ??= edgeOf(surface));
    },
    get rooms() {
      return (rooms ??= roomsOf(surface));
    },
    halfBreadth: (x) => (x < bow || x > stern ? 0 : cb.value(parameter(x))),
    gunwale: (x) => cg.value(parameter(x)),
    keel: (x) => ck.value(parameter(x)),
    section: (x) => (x < bow || x > stern ? undefined : sectionAt(x)),
    halfWidth: (x, z) => surface.section(x)?.halfWidth(z) ?? 0,
    gunwalePoint(x, side) {
      const p = parameter(x);
      return { x: cx.value(p), y: sideSign(side) * cb.value(p), z: cg.value(p) };
    },
    gunwaleArc: (x) => arcUpTo(speed, cx.knots, sums, parameter(x)),
    gunwaleAt: (arc) => cx.value(invert((s) => arcUpTo(speed, cx.knots, sums, s), speed, clamp(arc, 0, total), cx.from, cx.to)),
    spot: (x, y) => spotOn(surface, x, y),
    sidePoint(x, side, down) {
      const z = Math.max(surface.gunwale(x) - down, surface.keel(x));
      return { x, y: sideSign(side) * surface.halfWidth(x, z), z };
    },
  };
  return surface;
}

function boxed(hazard: Hazard): BoxedHazard {
  const corners = hazard.shape === 'box' ? [hazard.from, hazard.to] : hazard.path;
  const grown = hazard.shape === 'box' ? 0 : hazard.radius;
  const of = (pick: (...values: number[]) => number, by: number): Point => ({
    x: pick(...corners.map((c) => c.x)) + by,
    y: pick(...corners.map((c) => c.y)) + by,
    z: pick(...corners.map((c) => c.z)) + by,
  });
  return { hazard, from: of(Math.min, -grown), to: of(Math.max, grown) };
}

const EDGE_STEP = 20;

function edgeOf(hull: HullSurface): HullSurface['edge'] {
  const count = Math.ceil(hull.length / EDGE_STEP);
  const table = (value: (x: number) => number): Float64Array =>
    Float64Array.from({ length: count + 1 }, (_, i) => value(Math.min(hull.length, i * EDGE_STEP)));
  const [halves, heights] = [table((x) => hull.halfBreadth(x)), table((x) => hull.gunwale(x))];
  const at = (values: Float64Array, x: number): number => {
    const place = clamp(x / EDGE_STEP, 0, count);
    const i = Math.min(count - 1, Math.floor(place));
    return (values[i] ?? 0) + (place - i) * ((values[i + 1] ?? 0) - (values[i] ?? 0));
  };
  return { half: (x) => (x < 0 || x > hull.length ? 0 : at(halves, x)), gunwale: (x) => at(heights, x) };
}

const heightOf = (d: DeckArea, x: number): number => d.height + (d.rise * (x - d.fore)) / Math.max(1, d.aft - d.fore);

interface Area {
  readonly fore: number;
  readonly aft: number;
  readonly port: number;
  readonly starboard: number;
}
/** Whether a point of the plan lies in an area, its edges included. */
export const liesIn = (d: Area, x: number, y: number): boolean => x >= d.fore && x <= d.aft && y >= d.port && y <= d.starboard;

function spotOn(hull: HullSurface, x: number, y: number): SurfaceSpot {
  const { model } = hull;
  // A seat or plate lies on another area: the highest surface is the one a bit meets first.
  let deck: DeckArea | undefined;
  for (const d of model.decks) if (liesIn(d, x, y) && (!deck || heightOf(d, x) > heightOf(deck, x))) deck = d;
  const wall = model.walls?.find((w) => liesIn(w, x, y))?.wall ?? deck?.wall ?? model.wall;
  if (deck) return { z: heightOf(deck, x), wall, name: deck.name, deck, off: false };
  const off = Math.abs(y) > hull.halfBreadth(x) + 0.5;
  return { z: hull.gunwale(x), wall, name: off ? 'off the hull' : 'gunwale', off };
}

/** Shortest distance from a point to the segment a–b. */
export function distanceToSegment(p: Point, a: Point, b: Point): number {
  const [dx, dy, dz] = [b.x - a.x, b.y - a.y, b.z - a.z];
  const squared = dx * dx + dy * dy + dz * dz;
  const along = squared === 0 ? 0 : ((p.x - a.x) * dx + (p.y - a.y) * dy + (p.z - a.z) * dz) / squared;
  const u = clamp(along, 0, 1);
  return distance(p, { x: a.x + u * dx, y: a.y + u * dy, z: a.z + u * dz });
}
