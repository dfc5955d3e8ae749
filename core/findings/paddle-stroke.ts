import type { Fitted } from '../drilling';
import type { Plan } from '../rig';
import { longMm, mm, say, sideOf } from '../units';
import { OVER_GUNWALE, type Placed } from '../layout';
import type { HullSurface } from '../hull';
import { about, aboutHull, toOtherSide, type Judgement, type Raw } from './finding';

/** One rod parked in reach while landing a fish is every school's exception, where pedals or a motor drive the boat. */
function parkedRodOf(items: readonly Fitted[], plan: Plan): (item: Fitted) => boolean {
  const driven = plan.brief.propulsion.some((p) => p !== 'paddle');
  const first = driven ? items.find((i) => i.placed.part.rods && i.placed.part.use.often === 'always') : undefined;
  return (item) => item === first;
}

/** Low hardware along one gunwale is met by the knuckles, and said there; what lies across the boat is not. */
const belongsToKnuckles = (hull: HullSurface, { bodies, frame }: Placed): boolean => {
  const side = Math.sign(frame.origin.y);
  return bodies.every((b) =>
    b.outline.every(([x, y]) => b.top <= hull.gunwale(x) + OVER_GUNWALE && side * y > hull.halfBreadth(x) - 70),
  );
};

/** What stands in the swept space of shaft and hands: stop at the nominal body, look in the band only. */
export const paddleStroke: Judgement = ({ plan, items, intrusionOf, hull, shop }) => {
  if (!plan.brief.propulsion.includes('paddle')) return [];
  const parkedRod = parkedRodOf(items, plan);
  return items.flatMap((item): Raw[] => {
    // What the paddler sits on and what comes off before paddling is not in the stroke.
    if (item.placed.part.body.place === 'sat on' || item.placed.part.use.often === 'ashore') return [];
    if (parkedRod(item)) return [];
    const { nominal, band: near } = intrusionOf(item);
    const hit = nominal ?? near;
    if (!hit || belongsToKnuckles(hull, item.placed)) return [];
    const { x, y } = item.placed.frame.origin;
    const side = sideOf(y);
    const where = side === 'centre' ? 'on the centre line' : `on the ${side} side`;
    const over = hit.floor - hull.gunwale(x);
    const band = `±${Math.round(shop.stroke.body * 100)} %`;
    return [
      {
        ...about(item),
        code: 'paddle-stroke',
        severity: nominal ? 'stop' : 'look',
        curable: true,
        tries: toOtherSide(hull, item),
        says: nominal
          ? say`${item.placed.part.name} stands ${mm(hit.by, 'up')} into the paddle stroke ${where}.`
          : say`${item.placed.part.name} is clear of the stroke, but ${mm(hit.by, 'up')} into it for a body ${band}.`,
        because:
          over >= 0
            ? say`Shaft and hands pass ${mm(over, 'down')} over the gunwale here; stature ${mm(plan.brief.stature)}, ${band} checked.`
            : say`Shaft and hands sweep down to ${mm(-over, 'up')} below the gunwale here; stature ${mm(plan.brief.stature)}, ${band} checked.`,
      },
    ];
  });
};

/** A paddle too short for this beam, seat and body: advice, for it is theirs. */
export const paddleLength: Judgement = ({ plan, hull, strokes, shop }): Raw[] => {
  if (!plan.brief.propulsion.includes('paddle')) return [];
  const lack = strokes().lack();
  if (!lack) return [];
  const paddle = plan.brief.paddle ?? shop.stroke.paddle;
  return [
    {
      ...aboutHull(hull, hull.model.seat.x),
      step: 'brief',
      code: 'paddle-short',
      severity: 'note',
      says: lack.wanted
        ? say`A paddle of ${longMm(paddle)} is short for this beam and seat: ${longMm(lack.wanted)} would do.`
        : say`No paddle reaches the water well over this beam from this seat.`,
      because: say`Blade in to its throat, shaft over the gunwale: a hand would be ${mm(lack.by, 'up')} beyond its reach. Beam ${mm(hull.beam)}, stature ${mm(plan.brief.stature)}.`,
      curable: lack.wanted !== null,
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
};
