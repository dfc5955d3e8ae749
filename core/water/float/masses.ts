import { girthDown, type HullSurface } from '../../boat/hull';
import { BODY, hipOf, paddlers, stander, standsOn, toHull, type Placed } from '../../layout';
import type { Fitted } from '../../holding/fitted';
import { containersOf, isIn } from '../../holding/inside';
import type { Brief, Plan } from '../../rig';
import type { ShopSettings } from '../../parts/shop';
import type { Point } from '../../base/units';
import { centreOf, type Mass } from './floating';

/**
 * Where the weight of a body is, as shares of stature: ahead of and over the hip joint when seated with the legs
 * out, over the soles when standing. Winter, Biomechanics, segment masses and centres (from memory), summed.
 */
const CENTRE = { ahead: 0.07, overHip: 0.12, standing: 0.56 } as const;
/**
 * Head, arms and trunk are 0.678 of a body, their centre 0.626 of the way from hip to shoulder: so much of the stature goes
 * with a back that leans. Winter, Biomechanics (from memory).
 */
const LEANS = 0.678 * 0.626 * BODY.shoulderOverHip;

/** The centre of a bare hull: of its shell, as the girth goes. */
export function shellCentre(hull: HullSurface): Point {
  const PIECES = 40;
  let [all, x, z] = [0, 0, 0];
  for (let i = 0; i <= PIECES; i++) {
    const at = (hull.length * i) / PIECES;
    const section = hull.section(at);
    if (!section) continue;
    const deep = section.gunwale - section.keel;
    // Bottom and sides, and the deck over them.
    const [shell, deck] = [2 * girthDown(hull, at, deep), 2 * hull.halfBreadth(at)];
    all += shell + deck;
    x += (shell + deck) * at;
    z += shell * (section.keel + 0.35 * deep) + deck * section.gunwale;
  }
  return { x: x / all, y: 0, z: z / all };
}

/** The centre of a fitting: of its solids by their volume, standing as it stands. */
export function centreOfPart({ part, frame, fitting }: Pick<Placed, 'part' | 'frame' | 'fitting'>): Point {
  let [all, u, v, w] = [0, 0, 0, 0];
  for (const s of part.body.solids) {
    const size = Math.max(1, (s.u[1] - s.u[0]) * (s.v[1] - s.v[0]) * (s.w[1] - s.w[0]));
    all += size;
    u += (size * (s.u[0] + s.u[1])) / 2;
    v += (size * (s.v[0] + s.v[1])) / 2;
    w += (size * (s.w[0] + s.w[1])) / 2;
  }
  return toHull(frame, u / all, v / all, w / all + fitting.lift);
}

/** What a fitting weighs afloat: itself, and the water it is filled with. */
export const afloatKg = ({ part }: Pick<Placed, 'part'>): number => part.body.massKg + (part.body.waterKg ?? 0);

/** A child and a dog of the brief, on what is aboard for them, else between the feet and the seat; low, as they lie or sit. */
export function passengers(
  hull: HullSurface,
  items: readonly Fitted[],
  { carries, stature }: Pick<Brief, 'carries' | 'stature'>,
  limits: Pick<ShopSettings['limits'], 'dogKg' | 'childKg'>,
): Mass[] {
  const kg = { dog: limits.dogKg, child: limits.childKg };
  return (['dog', 'child'] as const).flatMap((who): Mass[] => {
    const seat = items.find((i) => i.placed.part.body.bears === who);
    if (!seat && !carries.includes(who)) return [];
    const x = hull.model.seat.x - BETWEEN * stature;
    const at = seat?.placed.frame.origin ?? { x, y: 0, z: hull.spot(x, 0).z };
    return [{ kg: kg[who], at: { ...at, z: at.z + LOW_DOWN } }];
  });
}
/** What everybody weighs whom the brief names: paddlers, a child, a dog. */
export const peopleKg = (
  { weightKg, second, carries }: Pick<Brief, 'weightKg' | 'second' | 'carries'>,
  { dogKg, childKg }: Pick<ShopSettings['limits'], 'dogKg' | 'childKg'>,
): number =>
  weightKg + (second?.weightKg ?? 0) + (carries.includes('dog') ? dogKg : 0) + (carries.includes('child') ? childKg : 0);

/** Between the feet and the seat, as a share of stature; and how high over the floor a dog's or a child's weight is, mm (judgement). */
const BETWEEN = 0.25;
const LOW_DOWN = 200;

/** Everybody aboard, seated as the brief says: high where both are used, for that is the worse. */
export function crewMasses(hull: HullSurface, brief: Brief): Mass[] {
  const seated = paddlers(hull, brief);
  const at = (x: number): Point => {
    const p = [...seated].filter((one) => one.seatX === x).sort((a, b) => b.seatZ - a.seatZ)[0];
    const hip = p && hipOf(p);
    const lean = ((p?.recline ?? 0) * Math.PI) / 180;
    return p && hip
      ? {
          x: hip.x + (LEANS * Math.sin(lean) - CENTRE.ahead) * p.stature,
          y: 0,
          z: hip.z + (CENTRE.overHip - LEANS * (1 - Math.cos(lean))) * p.stature,
        }
      : { x, y: 0, z: hull.model.seat.low + 0.17 * brief.stature };
  };
  const { seat, secondSeat } = hull.model;
  const standing = brief.stands === 'stands' ? stander(hull, brief) : undefined;
  const first = standing ? { x: standing.seatX, y: 0, z: standing.seatZ + CENTRE.standing * standing.stature } : at(seat.x);
  return [
    { kg: brief.weightKg, at: first },
    ...(brief.second ? [{ kg: brief.second.weightKg, at: at((secondSeat ?? seat).x) }] : []),
  ];
}

/** What a thing weighs with all that stands on it and is stowed in it, and where. */
export function loadOf(
  hull: HullSurface,
  item: Fitted,
  items: readonly Fitted[],
  { brief, stowage }: Pick<Plan, 'brief' | 'stowage'>,
): Mass {
  const all = [item, ...items.filter((i) => standsOn(i.placed, item.placed))];
  const inside = Object.fromEntries(Object.entries(stowage).filter(([, s]) => s.of !== undefined));
  const holders = all.filter((i) => i.placed.part.contains);
  return centreOf([
    ...all.map(({ placed }) => ({ kg: afloatKg(placed), at: centreOfPart(placed) })),
    ...stowedMasses(hull, holders, { brief, stowage: inside }),
  ]);
}

/** What is stowed, where it lies; what is only planned for later, and what is in something that is not aboard, is not. */
export function stowedMasses(hull: HullSurface, items: readonly Fitted[], plan: Pick<Plan, 'stowage' | 'brief'>): Mass[] {
  const { seat } = hull.model;
  const containers = containersOf(hull, items);
  const worn = { x: seat.x, y: 0, z: seat.low + BODY.shoulderOverHip * plan.brief.stature };
  return Object.values(plan.stowage)
    .filter((s) => !s.later)
    .flatMap((s) => {
      const c = containers.find((one) => isIn(s, one));
      if (!c && s.of !== undefined) return [];
      return [{ kg: s.kg, at: c && !c.worn ? c.at : worn }];
    });
}
