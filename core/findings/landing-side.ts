import { BODY } from '../layout';
import { mm, say, sideSign, type Side } from '../units';
import { about, alone, nameOf, type Raw, toOtherSide, topOf } from './finding';

/** So low it does not hinder what comes over the side (judgement), mm over the gunwale. */
const LOW = 120;
const LANDS = ['survey', 'handline', 'rods', 'camera'];

/** What is lifted aboard comes over the side of the casting hand: the net stands just behind that shoulder. */
export const landingSide = alone((item, { plan: { brief }, hull }): Raw[] => {
  const { part, bodies, frame } = item.placed;
  if (!brief.work.some((w) => LANDS.includes(w))) return [];
  if (part.body.place === 'sat on' || part.body.place === 'beside the seat') return [];
  const over = topOf(item) - hull.gunwale(frame.origin.x);
  if (over <= LOW) return [];
  const side: Side = brief.castHand === 'right' ? 'starboard' : 'port';
  const { x: seat } = hull.model.seat;
  const [fore, aft] = [seat - BODY.grip * brief.stature, seat + 0.1 * brief.stature];
  const inTheWay = bodies.some((b) =>
    b.outline.some(([x, y]) => x > fore && x < aft && y * sideSign(side) > 0.55 * hull.halfBreadth(x)),
  );
  if (!inTheWay) return [];
  return [
    {
      ...about(item),
      code: 'landing-side',
      severity: 'look',
      curable: true,
      says: say`${nameOf(item)} stands ${mm(over, 'up')} over the ${side} gunwale where things come aboard.`,
      because: say`${brief.castHand === 'right' ? 'Right' : 'Left'}-handed: they are lifted in on the ${side} side beside the seat. Keep it lower than ${mm(LOW)}, or on the other side.`,
      tries: toOtherSide(hull, item),
    },
  ];
});
