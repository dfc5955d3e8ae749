import { bodyOverlap, carriedBy, near, trunkOf } from '../../layout';
import type { Fitted } from '../../holding/fitted';
import type { Hold } from '../../parts/parts';
import { kg, mm, say, over } from '../../base/units';
import { check } from './check';
import { about, aboutHull, isWorn, joined, nameOf, type Raw, slideTo } from './finding';

import { detailOf, inItsWay, ridersOn, turnings, wayTaken, whoseThen, ridesOn, solidsOf, boxOf, inTheWay } from './turnings';

/** Everything that folds, lifts, swings or opens still can. */
export const swings = check({
  about: 'set',
  finds: {
    swings: { called: 'Swings into something', severity: 'stop', alsoOfMakers: true, since: 2 },
  },
  judge: (judged) =>
    turnings(judged).flatMap((turning): Raw[] =>
      judged.items.flatMap((item): Raw[] => {
        const by = wayTaken(judged, turning.swept, item);
        if (by < 1 || !inItsWay(judged, turning, item) || ridesOn(judged, turning, item)) return [];
        return [
          {
            ...about(item),
            code: 'swings',
            detail: detailOf(turning),
            fixable: true,
            measure: over(by, 'mm'),
            says: [...say`${nameOf(item)} stands ${mm(by, 'up')} in the way of `, ...whoseThen(turning), ' as it moves.'],
            because: say`Its way is followed from rest to its other end; behind the hinge is clear of it.`,
            tries: item.placed.place.on === 'fitting' ? behind(item) : [],
          },
        ];
      }),
    ),
});

/** Nothing stands where drive, rudder or bar of the hull rest. */
export const whereItRests = check({
  about: 'set',
  finds: {
    'where-it-rests': { called: 'Nowhere to rest', severity: 'stop', since: 10 },
  },
  judge: (judged) =>
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
            fixable: true,
            measure: over(by, 'mm'),
            says: [...say`${nameOf(item)} stands ${mm(by, 'up')} into `, ...whoseThen(turning), ' where that rests.'],
            because: say`It is of the hull, and stays where it is.`,
            tries: item.placed.place.on === 'fitting' ? behind(item) : [],
          },
        ];
      });
    }),
});

/** What rides on something that moves goes along: nothing, and nobody, is in its way. */
export const riders = check({
  about: 'set',
  finds: {
    'rider-meets': { called: 'Meets something as it moves along', severity: 'stop', since: 10 },
  },
  judge: (judged) => {
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
  },
});

/** Holds that let go when what they ride on comes up. */
const SHAKES_OFF: readonly Hold[] = ['loose', 'magnet', 'hook and loop'];

/** What rides on a drive, a motor or a rudder is made fast: it comes up with it, and shakes. */
export const ridersTied = check({
  about: 'set',
  finds: {
    'rider-untied': { called: 'Moves along untied', severity: 'look', since: 10 },
  },
  judge: (judged) =>
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
            fixable: true,
            says: [...say`${nameOf(item)} rides on `, ...whoseThen(turning), ' and is not tied.'],
            because: say`What comes up with it shakes and tips: tie it.`,
            tries: [{ says: say`Tie it`, changes: [{ kind: 'tetherItem', item: id, from: null, to: { to, length: TIE } }] }],
          },
        ];
      });
    }),
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
export const struts = check({
  about: 'set',
  finds: {
    strut: { called: 'Strut lifts less than stands on it', severity: 'look', alsoOfMakers: true, since: 2 },
  },
  judge: (judged) =>
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
    }),
});
