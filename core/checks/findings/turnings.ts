import {
  bodyOverlap,
  boundsOf,
  near,
  planOverlap,
  slimBody,
  squareAt,
  standsOn,
  sweptBy,
  sweptByHull,
  type Body,
  type Bounds,
  type Placed,
  type Rod,
  type Swept,
} from '../../layout';
import type { Fitted } from '../../holding/fitted';
import type { HullSurface } from '../../boat/hull';
import { say, type Sentence } from '../../base/units';
import { isWorn, type Judged, nameOf } from './finding';

/** Something that moves, and whose it is. */
export interface Turning {
  readonly swept: Swept;
  readonly of: Fitted | null;
}

/** All that moves aboard and of the hull: gathered once for all who ask. */
export const turnings = ({ items, hull, memory }: Pick<Judged, 'items' | 'hull' | 'memory'>): readonly Turning[] =>
  memory.last('turnings', [items], () => [
    ...memory.of('swept', hull, () => sweptByHull(hull)).map((swept) => ({ swept, of: null })),
    ...items.flatMap((of) => memory.of('swept', of.placed, () => sweptBy(of.placed)).map((swept) => ({ swept, of }))),
  ]);

/** What rides on each of them. */
export const ridersOn = (judged: Judged, turning: Turning): readonly Fitted[] =>
  judged.memory
    .last(
      'riders',
      [judged.items],
      () =>
        new Map<Swept, readonly Fitted[]>(
          turnings(judged).map((t) => [t.swept, judged.items.filter((item) => rides(judged, t, item))]),
        ),
    )
    .get(turning.swept) ?? [];

/** Whether an item rides on what moves. */
export const ridesOn = (judged: Judged, turning: Turning, item: Fitted): boolean => ridersOn(judged, turning).includes(item);

/** What of the hull that moves a place is part of. */
function ridesWith(hull: HullSurface, { place }: Placed): string | undefined {
  const { model } = hull;
  if (place.on === 'rail') return model.rails?.find((r) => r.id === place.rail)?.rides;
  if (place.on === 'track') return model.tracks.find((t) => t.id === place.track)?.rides;
  return place.on === 'deck' ? hull.spot(place.x, place.y).deck?.rides : undefined;
}

/** What of a chain stands on the boat itself, or on the fitting whose way it is. */
function footOn(placed: Placed, of: Fitted | null): Placed {
  let foot = placed;
  while (foot.below && foot.below.id !== of?.placed.id) foot = foot.below;
  return foot;
}

/** A foot so near the top of what moves stands on it, through a lid so thick (judgement), mm. */
const NEAR = 40;
const THIN = 60;
const lowestFoot = ({ bottom, top }: Body): number => (top - bottom <= THIN ? bottom : top) - NEAR;

/** What stands on what moves goes with it: fixed to it, or with its foot at its top and its middle within the outline. */
function rides(judged: Judged, { swept, of }: Turning, item: Fitted): boolean {
  if (item === of || isWorn(item, judged.hull)) return false;
  return judged.memory.pair('rides', swept, item.placed, () => {
    const { id, rest } = swept;
    const foot = footOn(item.placed, of);
    if (of === null && ridesWith(judged.hull, foot) === id) return true;
    const { x, y, z } = foot.frame.origin;
    // What is held by the very thing that moves goes with it at any height: on a shaft, on an arm.
    const held = of !== null && foot.below?.id === of.placed.id;
    // Of the hull itself, lids and the drive carry what is set on them; a bar, a rudder only what is fixed to them.
    const mover = of === null ? judged.hull.model.moving?.find((m) => m.id === id) : undefined;
    if (mover && !mover.drives) return false;
    return planOverlap(rest.outline, squareAt(x, y, 0.5)) > 0 && (held || (z >= lowestFoot(rest) && z <= rest.top + NEAR));
  });
}

export const solidsOf = (judged: Judged, { placed }: Fitted): Body[] =>
  judged.memory.of('solids', placed, () => [...placed.bodies, ...placed.rods.map(rodBody)]);

/** The deepest a fitting stands in the way of what moves; what overlaps it at rest already is said as that. */
export function inTheWay(swept: Swept, solids: readonly Body[]): number {
  let most = 0;
  for (const body of solids) {
    const bounds = boundsOf([body]);
    if (!near(swept.bounds, bounds) || bodyOverlap(swept.rest, body) > 1) continue;
    swept.poses.forEach((pose, i) => {
      const span = swept.spans[i];
      if (span && near(span, bounds)) most = Math.max(most, bodyOverlap(pose, body));
    });
  }
  return most;
}

/** A rod as one slim box from the mouth of its tube to its tip. */
const rodBody = ({ mouth, tip }: Rod): Body => slimBody(mouth, tip, 8, 'rod');

export const inItsWay = (judged: Judged, { of }: Turning, item: Fitted): boolean =>
  !isWorn(item, judged.hull) && item !== of && !(of && (standsOn(of.placed, item.placed) || of.placed.id === item.placed.id));

/** What moves, and whose it is, at the end of a clause. */
export const whose = ({ swept, of }: Turning): Sentence =>
  of ? say`the ${swept.name} of ${of.letter}, ${nameOf(of)}` : say`the ${swept.name}`;
/** The same where the clause goes on. */
export const whoseThen = (turning: Turning): Sentence => (turning.of ? [...whose(turning), ','] : whose(turning));

export const detailOf = ({ swept, of }: Turning): string => `${of?.placed.id ?? 'hull'}.${swept.name.replace(/\W+/g, '-')}`;

export const boxOf = (judged: Judged, item: Fitted): Bounds =>
  judged.memory.of('bounds', item.placed, () => boundsOf(solidsOf(judged, item)));

/** How far an item stands in some way, mm; looked up while both stay. */
export function wayTaken(judged: Judged, swept: Swept, item: Fitted): number {
  const box = boxOf(judged, item);
  if (!near(swept.within, box) || !near(swept.bounds, box)) return 0;
  return judged.memory.pair('way', swept, item.placed, () => inTheWay(swept, solidsOf(judged, item)));
}
