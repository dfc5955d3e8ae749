import type { Access, Opening } from '../fitted';
import type { HullSurface } from '../../boat/hull';
import type { Placed } from '../../layout';
import { distance, mm, onTheWay, say, type Point, type Sentence } from '../../base/units';
import { distanceToHazard, gapToHazard } from './hazard';

export interface Inside {
  readonly access: Access | null;
  /** Why nothing reaches, when nothing does. */
  readonly blocked: Sentence | null;
}

/** A fist wants an opening of 100 mm, an elbow behind it 150 mm; an arm is 90 mm thick (judgement). */
const FIST = 100;
const ELBOW = 150;
const ARM = 45;
/** Forearm and hand, upper arm, as shares of stature (Drillis & Contini). */
const FOREARM = 0.254;
const UPPER_ARM = 0.186;
/** How closely elbows are tried: this many ways round and these shares of the upper arm. */
const AROUND = 16;
const DOWN = [0.15, 0.45, 0.75];
const SHARES = [0.5, 1];

/** The openings of a hull and those of the fittings that add one. */
export function openingsOf(hull: HullSurface, placed: readonly Placed[]): Opening[] {
  const added = placed.flatMap(({ part, frame }): Opening[] => {
    const half = (part.body.opening ?? 0) / 2;
    if (!half || frame.w.z < 0.5) return [];
    const { x, y, z } = frame.origin;
    return [{ name: part.name, fore: x - half, aft: x + half, port: y - half, starboard: y + half, height: z, opens: 2 * half }];
  });
  return [...hull.model.hatches, ...added];
}

/** The point of the opening nearest what is reached for, half a fist inside its rim. */
function enter(h: Opening, nut: Point): Point {
  const into = (v: number, low: number, high: number): number => {
    const inset = Math.min(FIST / 2, (high - low) / 2);
    return Math.min(Math.max(v, low + inset), high - inset);
  };
  return { x: into(nut.x, h.fore, h.aft), y: into(nut.y, h.port, h.starboard), z: h.height };
}

/** The first thing a straight way would meet, at so much clearance, or null: what lies inside, or the hull itself. */
function inTheWay(hull: HullSurface, a: Point, b: Point, clear: number): string | null {
  const steps = Math.max(6, Math.ceil(distance(a, b) / 25));
  const hazards = hull.hazards.filter((h) => gapToHazard(a, b, h) <= clear);
  for (let i = 1; i < steps; i++) {
    const t = i / steps;
    const p = onTheWay({ from: a, to: b }, t);
    // Near the nut only the hand is there, and it bends.
    const near = i > steps * 0.8;
    const hit = hazards.find(({ hazard }) => distanceToHazard(p, hazard) <= (near ? 0 : clear));
    if (hit) return hit.hazard.name;
    if (!near && i > steps * 0.2 && p.z > hull.spot(p.x, p.y).z) return 'the deck';
  }
  return null;
}

const insideHull = (hull: HullSurface, p: Point): boolean =>
  p.z > hull.keel(p.x) + ARM && p.z < hull.spot(p.x, p.y).z - ARM && Math.abs(p.y) < hull.halfWidth(p.x, p.z) - ARM;

/** Where an elbow may be, so far from the opening. */
function* elbows(from: Point, upper: number): Generator<Point> {
  for (const share of SHARES)
    for (const down of DOWN)
      for (let i = 0; i < AROUND; i++) {
        const a = (2 * Math.PI * i) / AROUND;
        const flat = Math.sqrt(1 - down ** 2) * share * upper;
        const p = { x: from.x + flat * Math.cos(a), y: from.y + flat * Math.sin(a), z: from.z - down * share * upper };
        yield p;
      }
}

/** The elbows from which a forearm comes to a nut, the shortest way first. */
const bent = (from: Point, nut: Point, fore: number, upper: number): { elbow: Point; long: number }[] =>
  [...elbows(from, upper)]
    .map((elbow) => ({ elbow, left: distance(elbow, nut) }))
    .filter(({ left }) => left <= fore)
    .map(({ elbow, left }) => ({ elbow, long: distance(from, elbow) + left }))
    .sort((a, b) => a.long - b.long);

/** The way of an arm from one opening: straight when the forearm alone does it, else by an elbow inside. */
function armFrom(hull: HullSurface, opening: Opening, nut: Point, stature: number): Inside {
  const from = enter(opening, nut);
  const away = distance(from, nut);
  const [fore, upper] = [FOREARM * stature, UPPER_ARM * stature];
  const refuse = (blocked: Sentence): Inside => ({ access: null, blocked });
  if (opening.opens < FIST)
    return refuse(say`${opening.name} is too small for a hand: ${mm(opening.opens, 'down')}, ${mm(FIST, 'up')} wanted`);
  const straight = away <= fore ? inTheWay(hull, from, nut, ARM / 2) : null;
  if (away <= fore && !straight) return { access: { hatch: opening.name, away, path: [from, nut] }, blocked: null };
  const most = opening.opens >= ELBOW ? fore + upper : fore;
  if (away > most)
    return refuse(
      say`${opening.name} is ${mm(away - most, 'up')} beyond ${opening.opens >= ELBOW ? 'an arm' : 'a forearm'}'s reach${
        opening.opens < ELBOW && away <= fore + upper ? ', and too small for the elbow to follow' : ''
      }`,
    );
  const bends = opening.opens < ELBOW ? [] : bent(from, nut, fore, upper);
  const bend = bends.find(
    ({ elbow }) => insideHull(hull, elbow) && !inTheWay(hull, from, elbow, ARM) && !inTheWay(hull, elbow, nut, ARM / 2),
  );
  if (bend) return { access: { hatch: opening.name, away: bend.long, path: [from, bend.elbow, nut] }, blocked: null };
  const stop = straight ?? inTheWay(hull, from, nut, ARM / 2);
  return refuse(say`${stop ?? 'the hull itself'} is in the way from ${opening.name}`);
}

/** The nearest of several ways, or the reason of the opening that comes nearest to one. */
function nearest(nut: Point, openings: readonly Opening[], way: (o: Opening) => Inside): Inside {
  let best: Access | null = null;
  let reason: Sentence | null = null;
  const byDistance = openings.map((opening) => ({ opening, away: distance(enter(opening, nut), nut) }));
  for (const { opening, away } of byDistance.sort((a, b) => a.away - b.away)) {
    // No way is shorter than the straight one.
    if (best && away >= best.away) break;
    const { access, blocked } = way(opening);
    if (access && (!best || access.away < best.away)) best = access;
    reason ??= blocked;
  }
  if (best) return { access: best, blocked: null };
  return { access: null, blocked: reason ?? say`no hatch or opening on this hull lets a hand in` };
}

/**
 * Whether a hand gets to a nut: from an opening wide enough, by a straight forearm, or bent at an elbow that
 * lies inside the hull where the opening lets the elbow follow. Each piece is no longer than its part of the
 * arm and misses everything known inside.
 *
 * Assumes the shoulder over the opening. Tried at so many elbows, it may miss a tight way there is.
 */
export const handTo = (hull: HullSurface, nut: Point, openings: readonly Opening[], stature: number): Inside =>
  nearest(nut, openings, (o) => armFrom(hull, o, nut, stature));

/** Whether a plate can be pulled up on wires: its smaller side passes an opening, and a bent way leads there. */
export function plateTo(hull: HullSurface, nut: Point, openings: readonly Opening[], side: number): Inside {
  return nearest(nut, openings, (opening) => {
    if (opening.opens < side)
      return {
        access: null,
        blocked: say`${opening.name} of ${mm(opening.opens, 'down')} does not pass a plate of ${mm(side, 'up')}`,
      };
    const from = enter(opening, nut);
    const away = distance(from, nut);
    if (!inTheWay(hull, from, nut, 5)) return { access: { hatch: opening.name, away, path: [from, nut] }, blocked: null };
    for (const bend of elbows(from, away / 2))
      if (insideHull(hull, bend) && !inTheWay(hull, from, bend, 5) && !inTheWay(hull, bend, nut, 5))
        return {
          access: { hatch: opening.name, away: distance(from, bend) + distance(bend, nut), path: [from, bend, nut] },
          blocked: null,
        };
    return { access: null, blocked: say`${inTheWay(hull, from, nut, 5) ?? 'the hull'} is in the way from ${opening.name}` };
  });
}
