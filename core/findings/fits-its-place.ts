import type { DeckArea } from '../hull';
import { turn } from '../layout';
import { mm, say } from '../units';
import { about, type Judgement, nameOf, type Raw, slideTo, type Try } from './finding';

/** How far a box of this size is too large for an area, each way round, mm; negative is room to spare. */
export const tooLarge = (area: DeckArea, length: number, width: number): { asIs: number; turned: number } => {
  const [long, wide] = [area.aft - area.fore, area.starboard - area.port];
  return { asIs: Math.max(length - long, width - wide), turned: Math.max(width - long, length - wide) };
};

/** A crate or box that stands in a well drops in, or stands on its rim; on cross bars it stands over it. */
export const fitsItsPlace: Judgement = ({ items, hull }) =>
  items.flatMap((item): Raw[] => {
    const { part, place, frame } = item.placed;
    if (place.on !== 'deck' || !part.holds.includes('loose')) return [];
    const well = hull.model.decks.find((d) => d.kind === 'tank well' && d.name === frame.surface);
    if (!well) return [];
    const quarter = Math.abs(Math.round(place.heading / 90)) % 2 === 1;
    const { length, width } = part.base;
    const { asIs, turned } = quarter ? tooLarge(well, width, length) : tooLarge(well, length, width);
    if (asIs <= 0) return [];
    const bars = items.find((i) => i.placed.part.kind === 'bar');
    const ways: Try[] = turned <= 0 ? [{ says: say`Turn it a quarter`, changes: [slideTo(item, turn(place, 90))] }] : [];
    if (bars)
      ways.push({
        says: say`Onto ${bars.letter}, ${nameOf(bars)}`,
        changes: [slideTo(item, { on: 'fitting', fitting: bars.placed.id, u: 0, v: -bars.placed.frame.origin.y, heading: 0 })],
      });
    return [
      {
        ...about(item),
        code: 'fits-its-place',
        severity: 'stop',
        curable: true,
        says: say`${nameOf(item)} is ${mm(asIs, 'up')} too large for the ${well.name}.`,
        because:
          turned <= 0
            ? say`The other way round it drops in.`
            : say`Turned a quarter it is still ${mm(turned, 'up')} too large. Cross bars on the tracks can carry it over the well.`,
        tries: ways,
      },
    ];
  });
