import type { Fitted } from '../../holding/fitted';
import type { Plan } from '../../rig';
import { longMm, mm, say, sideOf, over } from '../../base/units';
import { knuckleHit, lowOnTheGunwale, strokeHit, type StrokeHit } from '../../layout';
import { check } from './check';
import { about, aboutHull, isWorn, toOtherSide, type Judged, type Raw } from './finding';

/** One rod parked in reach while landing a fish is every school's exception, where pedals or a motor drive the boat. */
function parkedRodOf(items: readonly Fitted[], plan: Plan): (item: Fitted) => boolean {
  const driven = plan.brief.propulsion.some((p) => p !== 'paddle');
  const first = driven ? items.find((i) => i.placed.part.rods && i.placed.part.use.often === 'always') : undefined;
  return (item) => item === first;
}

/** Whether knuckles hit a fitting as the hands return, and by how much. */
export const knucklesOn = ({ hull, plan, shop, memory }: Judged, { placed }: Fitted): ReturnType<typeof knuckleHit> =>
  memory.of('knuckles', placed, () => knuckleHit(hull, placed, plan.brief, shop));

/** How far each fitting stands in the stroke, as far as that is said there: low hardware on the gunwale is the knuckles' affair. */
export function strokeOn(judged: Judged): (item: Fitted) => StrokeHit | null {
  const { plan, items, hull, intrusionOf } = judged;
  const parkedRod = parkedRodOf(items, plan);
  return (item) => {
    const { placed } = item;
    // What the paddler sits on and what they wear is not in the stroke.
    if (placed.part.body.place === 'sat on' || isWorn(item, hull) || parkedRod(item)) return null;
    const hit = intrusionOf(item);
    if ((!hit.nominal && !hit.band) || lowOnTheGunwale(hull, placed)) return null;
    return hit.nominal || !knucklesOn(judged, item)?.nominal ? hit : null;
  };
}

/** What stands in the swept space of shaft and hands, rods in their tubes too: stop at the nominal body, look in the band only. */
export const paddleStroke = check({
  about: 'set',
  ofBody: true,
  finds: {
    'paddle-stroke': { called: 'In the paddle stroke', severity: ['look', 'stop'], alsoOfMakers: true, since: 1 },
  },
  judge: (judged) => {
    const { plan, items, hull, shop, strokes } = judged;
    if (!plan.brief.propulsion.includes('paddle')) return [];
    const inStroke = strokeOn(judged);
    return items.flatMap((item): Raw[] => {
      const said = inStroke(item);
      const hit = said?.nominal ?? said?.band;
      if (!said || !hit) return [];
      const { nominal } = said;
      const { x, y } = item.placed.frame.origin;
      const side = sideOf(y);
      const where = side === 'centre' ? 'on the centre line' : `on the ${side} side`;
      const rises = hit.floor - hull.gunwale(x);
      const band = `±${Math.round(shop.stroke.body * 100)} %`;
      const { part, rods, bodies } = item.placed;
      const alone = rods.length ? strokeHit(bodies, strokes()) : said;
      const what = (alone.nominal ?? alone.band) ? part.name : `A rod in ${part.name}`;
      return [
        {
          ...about(item),
          code: 'paddle-stroke',
          severity: nominal ? 'stop' : 'look',
          fixable: true,
          tries: toOtherSide(hull, item),
          measure: over(hit.by, 'mm'),
          says: nominal
            ? say`${what} stands ${mm(hit.by, 'up')} into the paddle stroke ${where}.`
            : say`${what} is clear of the stroke, but ${mm(hit.by, 'up')} into it for a body ${band}.`,
          because:
            rises >= 0
              ? say`Shaft and hands pass ${mm(rises, 'down')} over the gunwale here; stature ${mm(plan.brief.stature)}, ${band} checked.`
              : say`Shaft and hands sweep down to ${mm(-rises, 'up')} below the gunwale here; stature ${mm(plan.brief.stature)}, ${band} checked.`,
        },
      ];
    });
  },
});

/** A paddle too short for this beam, seat and body: advice, for it is theirs. */
export const paddleLength = check({
  about: 'set',
  ofBody: true,
  finds: {
    'paddle-short': { called: 'Paddle short', severity: 'note', decides: 'the owner', since: 4 },
  },
  judge: ({ plan, hull, strokes, shop }): Raw[] => {
    if (!plan.brief.propulsion.includes('paddle')) return [];
    const lack = strokes().lack();
    if (!lack) return [];
    const paddle = plan.brief.paddle ?? shop.stroke.paddle;
    return [
      {
        ...aboutHull(hull, hull.model.seat.x),
        step: 'brief',
        code: 'paddle-short',
        measure: over(lack.by, 'mm'),
        says: lack.wanted
          ? say`A paddle of ${longMm(paddle)} is short for this beam and seat: ${longMm(lack.wanted)} would do.`
          : say`No paddle reaches the water well over this beam from this seat.`,
        because: say`Blade in to its throat, shaft over the gunwale: a hand would be ${mm(lack.by, 'up')} beyond its reach. Beam ${mm(hull.beam)}, stature ${mm(plan.brief.stature)}.`,
        fixable: lack.wanted !== null,
        tries: lack.wanted
          ? [
              {
                says: say`A paddle of ${longMm(lack.wanted)}`,
                changes: [{ kind: 'answerBrief', from: { paddle: plan.brief.paddle }, to: { paddle: lack.wanted } }],
              },
            ]
          : [],
      },
    ];
  },
});
