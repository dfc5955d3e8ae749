import { sideOfHand } from '../../holding/hands';
import { BODY, byPerson } from '../../layout';
import { handednessOf } from '../../rig';
import { mm, say, sideSign, over } from '../../base/units';
import { check } from './check';
import { about, alone, isWorn, nameOf, type Raw, toOtherSide, topOf } from './finding';

/** So low it does not hinder what comes over the side (judgement), mm over the gunwale. */
const LOW = 120;
const LANDS = ['survey', 'handline', 'rods', 'camera'];

/** What is lifted aboard comes over the side of the casting hand: the net stands just behind that shoulder. */
export const landingSide = check({
  about: 'set',
  ofBody: true,
  finds: {
    'landing-side': { called: 'Fish landed on the side of the other hand', severity: 'look', since: 2 },
  },
  judge: alone((item, { plan: { brief }, hull, paddlers }): Raw[] => {
    const { part, bodies, frame } = item.placed;
    if (!brief.work.some((w) => LANDS.includes(w))) return [];
    if (isWorn(item, hull) || part.body.place === 'sat on' || part.body.place === 'beside the seat') return [];
    const rises = topOf(item) - hull.gunwale(frame.origin.x);
    if (rises <= LOW) return [];
    const inTheWay = byPerson(paddlers).flatMap(([p], n) => {
      const hand = handednessOf(brief, n === 0 ? 'first' : 'second').castHand;
      const side = sideOfHand(hand);
      const within = (x: number): boolean => !!p && x > p.seatX - BODY.grip * p.stature && x < p.seatX + 0.1 * p.stature;
      const met = bodies.some((b) => b.outline.some(([x, y]) => within(x) && y * sideSign(side) > 0.55 * hull.halfBreadth(x)));
      return met ? [{ hand, side }] : [];
    });
    const [first] = inTheWay;
    if (!first) return [];
    const { hand, side } = first;
    return [
      {
        ...about(item),
        code: 'landing-side',
        fixable: true,
        measure: over(rises, 'mm', LOW),
        says: say`${nameOf(item)} stands ${mm(rises, 'up')} over the ${side} gunwale where things come aboard.`,
        because: say`${hand === 'right' ? 'Right' : 'Left'}-handed: they are lifted in on the ${side} side beside the seat. Keep it lower than ${mm(LOW)}, or on the other side.`,
        tries: toOtherSide(hull, item),
      },
    ];
  }),
});
