import { type HullSurface, mouthOf, type Room } from '../../boat/hull';
import { bodyOverlap, placeFitting, type Placed } from '../../layout';
import type { Part } from '../../parts/parts';
import { LIES, type Place } from '../../rig';
import { inHand, inHandAfloat, type Seated, standsOnLid } from './hand';
import { fitsIn } from './room';
import { wayIn } from './way-in';

/** A place in a room that takes a part. */
export interface RoomOffer {
  readonly room: Room;
  readonly place: Extract<Place, { on: 'space' }>;
}

/** Who reaches in, and what else is aboard. */
export interface RoomSetting extends Seated {
  readonly others: readonly Placed[];
}

const LYING = [undefined, ...LIES] as const;

/** Places to try in a room: under its openings, then its middle, on the centre line and to the sides of it. */
function* placesIn({ space, hatches }: Room, part: Part): Generator<RoomOffer['place']> {
  const { width } = part.body.base;
  const xs = [...hatches.map((h) => mouthOf(h).x), (space.fore + space.aft) / 2];
  const aside = [0, width, -width, 2 * width, -2 * width];
  for (const lies of LYING)
    for (const x of new Set(xs.flatMap((middle) => [middle, middle - part.body.base.length, middle + part.body.base.length])))
      for (const y of aside)
        for (const heading of [0, 90]) yield { on: 'space', space: space.id, x, y, heading, ...(lies ? { lies } : {}) };
}

/** The first place in a room that takes a part: it goes in, stands clear of everything, and a hand gets to it there. */
function placeIn(hull: HullSurface, room: Room, part: Part, setting: RoomSetting): RoomOffer | null {
  const { plan, others } = setting;
  const way = wayIn(hull, room, part.body);
  if (way && way.margin < 0 && !part.inside?.soft) return null;
  // What stands on a lid would have to come off first.
  const free = room.hatches.filter((h) => !others.some((o) => standsOnLid(o, h)));
  for (const place of placesIn(room, part)) {
    const placed = placeFitting(hull, 'offered', { ...SET_DOWN, part: part.id, place }, part);
    if (!placed || placed.frame.off || !fitsIn(hull, room, placed.bodies)) continue;
    if (others.some((o) => placed.bodies.some((a) => o.bodies.some((b) => bodyOverlap(a, b) > 0)))) continue;
    if (!inHand(hull, room, placed, plan.brief.stature, free).access) continue;
    if (inHandAfloat(hull, room, placed, setting, free)) return { room, place };
  }
  return null;
}

const SET_DOWN = { lift: 0, mount: { hold: 'loose', plate: false, reason: '' }, suppliedBy: 'shop', note: '' } as const;

/**
 * The rooms inside that take a part, each with a place in it, those that suit it first: dry for what wants to be, aired for
 * what gives off gas. A room that it would be wet in is not offered.
 */
export function roomsFor(hull: HullSurface, part: Part, setting: RoomSetting): RoomOffer[] {
  const { dry = false, vents = false } = part.inside ?? {};
  const rooms = [...hull.rooms.values()].filter(({ space }) => !space.worn && (space.dry || !dry));
  const aired = ({ space }: Room): number => Number(vents && space.hatches.length > 0 && !space.vented);
  // What need not be dry leaves the dry rooms to what must.
  const fit = (room: Room): number => 2 * aired(room) + Number(room.space.dry !== dry);
  return rooms
    .flatMap((room) => placeIn(hull, room, part, setting) ?? [])
    .sort((a, b) => fit(a.room) - fit(b.room) || a.room.space.fore - b.room.space.fore);
}
