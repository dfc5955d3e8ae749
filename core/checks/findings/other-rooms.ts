import type { Room } from '../../boat/hull';
import type { Fitted } from '../../holding/fitted';
import { roomsFor } from '../../holding/inside';
import { placeFitting } from '../../layout';
import { canBe, mountFitting } from '../../holding/mounting';
import { LIES, type DraftChange, type Place } from '../../rig';
import { say } from '../../base/units';
import { nameOf, slideTo, type Judged, type Try } from './finding';
import { strapChanges, strapsThatHold } from './tied-down';

/** What stands on the floor of a room itself. */
export const onItsFloor = (item: Fitted): Extract<Place, { on: 'space' }> | null =>
  item.placed.place.on === 'space' ? item.placed.place : null;

/** Strapped at a place so that it is held there, else between the nearest two tie points; none when it is held already. */
export function strapped(item: Fitted, judged: Judged, place = item.placed.place): DraftChange[] {
  const { hull, shop } = judged;
  const { id, fitting, part } = item.placed;
  if (fitting.mount.hold !== 'loose' || !canBe(part, 'strap')) return [];
  const to = { ...fitting.mount, hold: 'strap' as const, plate: false };
  const below = place.on === 'fitting' ? item.placed.below : undefined;
  const there = placeFitting(hull, id, { ...fitting, mount: to }, part, { place, below });
  const [straps] = there && !below ? strapsThatHold(judged, { ...item, placed: there }) : [];
  if (straps) return strapChanges(item, straps);
  return there && !mountFitting(there, shop, hull.model).cannot
    ? [{ kind: 'chooseMount', item: id, from: fitting.mount, to }]
    : [];
}

/** Into a room that takes it, strapped down there where it can be. */
export function intoRooms(item: Fitted, judged: Judged, suits: (room: Room) => boolean): Try[] {
  const { hull, plan, shop, items } = judged;
  const { part, id } = item.placed;
  const others = items.filter((i) => i.placed.id !== id).map((i) => i.placed);
  return roomsFor(hull, part, { plan, shop, others })
    .filter((offer) => suits(offer.room))
    .map(({ place, room: { space } }) => ({
      says: say`${nameOf(item)} into the ${space.name}`,
      changes: [slideTo(item, place), ...strapped(item, judged, place)],
    }));
}

/** Into another room than the one it is in. */
export const otherRooms =
  (item: Fitted, room: Room) =>
  (judged: Judged): Try[] =>
    intoRooms(item, judged, (other) => other !== room);

/** Laid another way up, or turned a quarter, where it stands; or into another room. */
export const laidOtherwise =
  (item: Fitted, room: Room) =>
  (judged: Judged): Try[] => {
    const place = onItsFloor(item);
    if (!place) return [];
    const { lies = 'upright', ...rest } = place;
    const ways = (['upright', ...LIES] as const).flatMap((way) =>
      [place.heading, place.heading > 0 ? place.heading - 90 : place.heading + 90].map((heading): Try => {
        const to = { ...rest, heading, ...(way === 'upright' ? {} : { lies: way }) };
        const laid = way === lies ? say`Turn it a quarter` : say`Stand it ${way}`;
        return { says: laid, changes: [slideTo(item, to)] };
      }),
    );
    return [...ways, ...otherRooms(item, room)(judged)];
  };
