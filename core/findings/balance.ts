import { kg, say } from '../units';
import { aboutHull, type Judgement, nameOf, toOtherSide } from './finding';

/** Too light to matter for the lean (judgement), kg. */
const LIGHT = 2;

/** Gear to one side of the boat. */
export const sideToSide: Judgement = ({ items, hull, shop }) => {
  const total = items.reduce((sum, i) => sum + i.placed.part.body.massKg, 0);
  const half = hull.beam / 2;
  // Weight far out counts for more: moment over the half beam, as a share of all gear.
  const lean = items.reduce((sum, i) => sum + (i.placed.part.body.massKg * i.placed.frame.origin.y) / half, 0);
  if (total === 0 || Math.abs(lean) < LIGHT || Math.abs(lean) / total <= shop.limits.list) return [];
  const side = lean < 0 ? 'port' : 'starboard';
  const heavy = items
    .filter((i) => i.placed.frame.origin.y * lean > 0)
    .sort(
      (a, b) =>
        Math.abs(b.placed.part.body.massKg * b.placed.frame.origin.y) -
        Math.abs(a.placed.part.body.massKg * a.placed.frame.origin.y),
    );
  return [
    {
      ...aboutHull(hull),
      code: 'leans',
      severity: 'look',
      curable: true,
      says: say`Gear weighs to ${side}: as if ${kg(Math.abs(lean))} stood on that gunwale.`,
      because: say`That is ${Math.round((Math.abs(lean) / total) * 100)} % of the gear; ${Math.round(shop.limits.list * 100)} % is let pass.`,
      tries: heavy
        .slice(0, 4)
        .flatMap((i) => toOtherSide(hull, i).map((t) => ({ ...t, says: say`${i.letter}, ${nameOf(i)}, to the other side` }))),
    },
  ];
};
