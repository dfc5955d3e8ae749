import {
  bodyOverlap,
  boundsOf,
  carriedBy,
  near,
  planOverlap,
  slimBody,
  squareAt,
  standsOn,
  sweptBy,
  sweptByHull,
  trunkOf,
  type Body,
  type Bounds,
  type Placed,
  type Rod,
  type Swept,
} from '../../layout';
import type { Fitted } from '../../holding/fitted';
import type { HullSurface } from '../../boat/hull';
import type { Hold } from '../../parts/parts';
import { kg, mm, say, type Sentence, over } from '../../base/units';
import { about, aboutHull, isWorn, joined, type Judged, type Judgement, nameOf, type Raw, slideTo } from './finding';

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
const ridersOn = (judged: Judged, turning: Turning): readonly Fitted[] =>
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

const solidsOf = (judged: Judged, { placed }: Fitted): Body[] =>
  judged.memory.of('solids', placed, () => [...placed.bodies, ...placed.rods.map(rodBody)]);

/** The deepest a fitting stands in the way of what moves; what overlaps it at rest already is said as that. */
function inTheWay(swept: Swept, solids: readonly Body[]): number {
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

const inItsWay = (judged: Judged, { of }: Turning, item: Fitted): boolean =>
  !isWorn(item, judged.hull) && item !== of && !(of && (standsOn(of.placed, item.placed) || of.placed.id === item.placed.id));

/** What moves, and whose it is, at the end of a clause. */
export const whose = ({ swept, of }: Turning): Sentence =>
  of ? say`the ${swept.name} of ${of.letter}, ${nameOf(of)}` : say`the ${swept.name}`;
/** The same where the clause goes on. */
const whoseThen = (turning: Turning): Sentence => (turning.of ? [...whose(turning), ','] : whose(turning));

export const detailOf = ({ swept, of }: Turning): string => `${of?.placed.id ?? 'hull'}.${swept.name.replace(/\W+/g, '-')}`;

const boxOf = (judged: Judged, item: Fitted): Bounds =>
  judged.memory.of('bounds', item.placed, () => boundsOf(solidsOf(judged, item)));

/** How far an item stands in some way, mm; looked up while both stay. */
function wayTaken(judged: Judged, swept: Swept, item: Fitted): number {
  const box = boxOf(judged, item);
  if (!near(swept.within, box) || !near(swept.bounds, box)) return 0;
  return judged.memory.pair('way', swept, item.placed, () => inTheWay(swept, solidsOf(judged, item)));
}

/** Everything that folds, lifts, swings or opens still can. */
export const swings: Judgement = (judged) =>
  turnings(judged).flatMap((turning): Raw[] =>
    judged.items.flatMap((item): Raw[] => {
      const by = wayTaken(judged, turning.swept, item);
      if (by < 1 || !inItsWay(judged, turning, item) || ridesOn(judged, turning, item)) return [];
      return [
        {
          ...about(item),
          code: 'swings',
          detail: detailOf(turning),
          severity: 'stop',
          fixable: true,
          measure: over(by, 'mm'),
          says: [...say`${nameOf(item)} stands ${mm(by, 'up')} in the way of `, ...whoseThen(turning), ' as it moves.'],
          because: say`Its way is followed from rest to its other end; behind the hinge is clear of it.`,
          tries: item.placed.place.on === 'fitting' ? behind(item) : [],
        },
      ];
    }),
  );

/** Nothing stands where drive, rudder or bar of the hull rest. */
export const whereItRests: Judgement = (judged) =>
  turnings(judged).flatMap((turning): Raw[] => {
    const { swept, of } = turning;
    if (of !== null || !judged.hull.model.moving?.some((m) => m.id === swept.id)) return [];
    return judged.items.flatMap((item): Raw[] => {
      if (isWorn(item, judged.hull) || !near(swept.within, boxOf(judged, item)) || ridesOn(judged, turning, item)) return [];
      const by = judged.memory.pair('at rest', swept, item.placed, () =>
        Math.max(0, ...solidsOf(judged, item).map((body) => bodyOverlap(swept.rest, body))),
      );
      if (by < 1) return [];
      return [
        {
          ...about(item),
          code: 'where-it-rests',
          detail: detailOf(turning),
          severity: 'stop',
          fixable: true,
          measure: over(by, 'mm'),
          says: [...say`${nameOf(item)} stands ${mm(by, 'up')} into `, ...whoseThen(turning), ' where that rests.'],
          because: say`It is of the hull, and stays where it is.`,
          tries: item.placed.place.on === 'fitting' ? behind(item) : [],
        },
      ];
    });
  });

/** What rides on something that moves goes along: nothing, and nobody, is in its way. */
export const riders: Judgement = (judged) => {
  const people = judged.paddlers.map(trunkOf);
  return turnings(judged).flatMap((turning): Raw[] => {
    const riding = ridersOn(judged, turning);
    return riding.flatMap((rider): Raw[] => {
      const carried = judged.memory.pair('carried', turning.swept, rider.placed, () =>
        solidsOf(judged, rider).flatMap((body) => carriedBy(turning.swept, body) ?? []),
      );
      const met = judged.items.flatMap((item) => {
        const by = Math.max(0, ...carried.map((c) => wayTaken(judged, c, item)));
        if (by < 1 || riding.includes(item) || !inItsWay(judged, turning, item) || joined(item.placed, rider.placed)) return [];
        return [{ who: `${item.letter}, ${nameOf(item)}`, by }];
      });
      const bodily = { who: 'the paddler', by: Math.max(0, ...carried.map((c) => inTheWay(c, people))) };
      const worst = [...met, bodily].reduce((a, b) => (b.by > a.by ? b : a));
      if (worst.by < 1) return [];
      return [
        {
          ...about(rider),
          code: 'rider-meets',
          detail: detailOf(turning),
          severity: 'stop',
          fixable: true,
          measure: over(worst.by, 'mm'),
          says: [
            ...say`${nameOf(rider)} goes ${mm(worst.by, 'up')} into ${worst.who} as `,
            ...whoseThen(turning),
            ' takes it along.',
          ],
          because: say`It rides on what moves: its way is followed with it, from rest to the other end.`,
        },
      ];
    });
  });
};

/** Holds that let go when what they ride on comes up. */
const SHAKES_OFF: readonly Hold[] = ['loose', 'magnet', 'hook and loop'];

/** What rides on a drive, a motor or a rudder is made fast: it comes up with it, and shakes. */
export const ridersTied: Judgement = (judged) =>
  turnings(judged).flatMap((turning): Raw[] => {
    const { swept, of } = turning;
    const moves = of ? of.placed.part.use.propels : judged.hull.model.moving?.find((m) => m.id === swept.id);
    if (!moves || swept.strutKg !== undefined) return [];
    return ridersOn(judged, turning).flatMap((item): Raw[] => {
      const { fitting, id, below } = item.placed;
      if (!SHAKES_OFF.includes(item.mounted.hold) || fitting.tether || fitting.straps?.length) return [];
      const to = below?.id ?? null;
      return [
        {
          ...about(item),
          code: 'rider-untied',
          detail: detailOf(turning),
          severity: 'look',
          fixable: true,
          says: [...say`${nameOf(item)} rides on `, ...whoseThen(turning), ' and is not tied.'],
          because: say`What comes up with it shakes and tips: tie it.`,
          tries: [{ says: say`Tie it`, changes: [{ kind: 'tetherItem', item: id, from: null, to: { to, length: TIE } }] }],
        },
      ];
    });
  });
/** A tie so long keeps a thing where it rides (judgement), mm. */
const TIE = 200;

/** Room for the thickness of an open lid (judgement), mm. */
const LID = 25;

/** To the other end of what it stands on: tubes hung off the back of a crate. */
function behind(item: Fitted): Raw['tries'] {
  const { place, below, fitting } = item.placed;
  if (place.on !== 'fitting' || !below || fitting.locked) return [];
  const half = below.part.body.base.length / 2;
  const deep = item.placed.part.body.base.length / 2 + LID;
  return [1, -1].map((end) => ({
    says: say`Hang it off the ${end > 0 ? 'back' : 'front'} of ${below.part.name}`,
    changes: [slideTo(item, { ...place, u: end * (half + deep) })],
  }));
}

/** A lid outgrows its gas strut when gear is screwed to it. */
export const struts: Judgement = (judged) =>
  turnings(judged).flatMap(({ swept, of }): Raw[] => {
    if (swept.strutKg === undefined) return [];
    const borne = ridersOn(judged, { swept, of });
    const load = borne.reduce((sum, i) => sum + i.placed.part.body.massKg, 0);
    const [first] = borne;
    if (!first || load <= swept.strutKg) return [];
    return [
      {
        ...(of ? about(of) : aboutHull(judged.hull, swept.rest.outline[0]?.[0])),
        code: 'strut',
        detail: swept.name.replace(/\W+/g, '-'),
        severity: 'look',
        measure: over(load, 'kg', swept.strutKg),
        says: say`The ${swept.name} carries ${kg(load)}; its strut still lifts ${kg(swept.strutKg)}.`,
        because: say`${borne.map((i) => i.letter).join(', ')} stand on it. It will not stay open by itself.`,
        fixable: true,
        tries: borne
          .filter((i) => i.placed.place.on === 'deck')
          .flatMap((i) => {
            const { place } = i.placed;
            const aft = Math.max(...swept.rest.outline.map(([x]) => x)) + i.placed.part.body.base.length;
            return place.on === 'deck'
              ? [
                  {
                    says: say`${nameOf(i)} off the lid`,
                    changes: [slideTo(i, { ...place, x: aft })],
                  },
                ]
              : [];
          }),
      },
    ];
  });
