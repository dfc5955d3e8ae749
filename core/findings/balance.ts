import { kg, say } from '../units';
import { aboutHull, type Judgement, nameOf, type Raw, slideTo, toOtherSide } from './finding';

/** Too light to matter for the lean (judgement), kg. */
const LIGHT = 2;

/** Gear to one side of the boat. */
export const sideToSide: Judgement = ({ items, hull, shop }) => {
  const total = items.reduce((sum, i) => sum + i.placed.part.massKg, 0);
  const half = hull.beam / 2;
  // Weight far out counts for more: moment over the half beam, as a share of all gear.
  const lean = items.reduce((sum, i) => sum + (i.placed.part.massKg * i.placed.frame.origin.y) / half, 0);
  if (total === 0 || Math.abs(lean) < LIGHT || Math.abs(lean) / total <= shop.limits.list) return [];
  const side = lean < 0 ? 'port' : 'starboard';
  const heavy = items
    .filter((i) => i.placed.frame.origin.y * lean > 0)
    .sort(
      (a, b) =>
        Math.abs(b.placed.part.massKg * b.placed.frame.origin.y) - Math.abs(a.placed.part.massKg * a.placed.frame.origin.y),
    );
  return [
    {
      ...aboutHull(hull),
      code: 'leans',
      severity: 'look',
      curable: true,
      says: say`Gear weighs to ${side}: as if ${kg(Math.abs(lean))} stood on that gunwale.`,
      because: say`That is ${Math.round((Math.abs(lean) / total) * 100)} % of the gear; ${Math.round(shop.limits.list * 100)} % is let pass. The full floating check comes with the Float step.`,
      tries: heavy
        .slice(0, 4)
        .flatMap((i) => toOtherSide(hull, i).map((t) => ({ ...t, says: say`${i.letter}, ${nameOf(i)}, to the other side` }))),
    },
  ];
};

/** Most of the load aft: the stern drags. */
export const sternHeavy: Judgement = ({ items, hull, shop, plan }): Raw[] => {
  const { brief } = plan;
  const { seat, secondSeat } = hull.model;
  const loads = [
    ...items.map((i) => ({ kg: i.placed.part.massKg, x: i.placed.frame.origin.x })),
    { kg: brief.weightKg, x: seat.x },
    ...(brief.second ? [{ kg: brief.second.weightKg, x: (secondSeat ?? seat).x }] : []),
  ];
  const gear = items.reduce((sum, i) => sum + i.placed.part.massKg, 0);
  const aft = items.filter((i) => i.placed.frame.origin.x > hull.length / 2);
  const aftKg = aft.reduce((sum, i) => sum + i.placed.part.massKg, 0);
  const total = loads.reduce((sum, l) => sum + l.kg, 0);
  const centre = loads.reduce((sum, l) => sum + l.kg * l.x, 0) / total;
  // The paddler's own place is the maker's choice: gear is judged, and only where it draws the balance aft of the middle.
  if (gear < LIGHT * 3 || aftKg / gear <= shop.limits.stern || centre <= hull.length * 0.55) return [];
  return [
    {
      ...aboutHull(hull, hull.length),
      code: 'stern-heavy',
      severity: 'look',
      curable: true,
      says: say`${kg(aftKg)} of ${kg(gear)} gear stands in the after half; crew and gear balance at ${Math.round((centre / hull.length) * 100)} % of the length.`,
      because: say`${Math.round(shop.limits.stern * 100)} % aft is let pass while the balance is forward of 55 %. Heavy things low and forward.`,
      tries: aft
        .filter((i) => i.placed.place.on === 'deck' && i.placed.part.holds.includes('loose'))
        .sort((a, b) => b.placed.part.massKg - a.placed.part.massKg)
        .slice(0, 3)
        .flatMap((i) => {
          const { place } = i.placed;
          if (place.on !== 'deck') return [];
          const half = i.placed.part.base.length / 2 + 30;
          const fore = hull.model.decks.filter((d) => d.kind === 'foredeck' || d.kind === 'cockpit');
          return fore.flatMap((d) =>
            [(d.fore + d.aft) / 2, d.fore + half].map((x) => ({
              says: say`${i.letter}, ${nameOf(i)}, forward into the ${d.name}`,
              changes: [slideTo(i, { ...place, x, y: 0 })],
            })),
          );
        }),
    },
  ];
};
