import { clearOf, type Hatch, type HullSurface, type Room } from '../hull';
import type { Fitted } from '../drilling';
import { inHand, isInside, letsGoAt, roomAbout, roomsFor, slidesOf, touchedOf, trespassOf, wayIn, type Slide } from '../inside';
import { boundsOf, markedAt, overBand, paddlers, placeFitting, REACH, reachOf } from '../layout';
import { canBe, mountFitting } from '../mounting';
import { LIES, type DraftChange, type Place } from '../rig';
import { kg, mm, say } from '../units';
import { about, alone, nameOf, slideTo, type Alone, type Judged, type Judgement, type Raw, type Try } from './finding';

/** What stands on the floor of a room itself. */
const onItsFloor = (item: Fitted): Extract<Place, { on: 'space' }> | null =>
  item.placed.place.on === 'space' ? item.placed.place : null;

/** Strapped between two tie points at a place, where there are two; none when it is held already. */
function strapped({ placed }: Fitted, { hull, shop }: Judged, place = placed.place): DraftChange[] {
  const { id, fitting, part } = placed;
  if (fitting.mount.hold !== 'loose' || !canBe(part, 'strap')) return [];
  const to = { ...fitting.mount, hold: 'strap' as const, plate: false };
  const there = placeFitting(hull, id, { ...fitting, mount: to }, part, { place });
  return there && !mountFitting(there, shop, hull.model).cannot
    ? [{ kind: 'chooseMount', item: id, from: fitting.mount, to }]
    : [];
}

/** Into another room that takes it, strapped down there where it can be. */
const otherRooms =
  (item: Fitted, room: Room) =>
  (judged: Judged): Try[] => {
    const { hull, plan, items } = judged;
    const { part, id } = item.placed;
    const others = items.filter((i) => i.placed.id !== id && isInside(i.placed)).map((i) => i.placed);
    return roomsFor(hull, part, { stature: plan.brief.stature, others })
      .filter((offer) => offer.room !== room)
      .map(({ place, room: { space } }) => ({
        says: say`Into the ${space.name}`,
        changes: [slideTo(item, place), ...strapped(item, judged, place)],
      }));
  };

/** Laid another way up, or turned a quarter, where it stands; or into another room. */
const laidOtherwise =
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

/** How high a room is where a thing stands, mm. */
function heightAt({ floor, ceiling }: Room, { placed }: Fitted): number {
  const { x, y } = markedAt(placed);
  return ceiling(x, y) - floor(x, y);
}

/** What stands inside stands clear of the walls of its room, and of what fills the hull. */
export const standsClear = alone((item, { hull }): Raw[] => {
  const room = roomAbout(hull, item.placed);
  const met = room && trespassOf(hull, room, item.placed.bodies);
  if (!met) return [];
  return [
    {
      ...about(item),
      code: 'stands-into',
      severity: 'stop',
      curable: true,
      says: say`${nameOf(item)} stands ${mm(met.by, 'up')} into ${met.into}.`,
      because: hull.hazards.some((h) => h.hazard.name === met.into)
        ? say`It lies in the ${room.space.name}: nothing goes through it.`
        : say`The ${room.space.name} is ${mm(heightAt(room, item), 'down')} high there.`,
      tries: laidOtherwise(item, room),
    },
  ];
});

const size = ({ shape, along, across }: ReturnType<typeof clearOf>) =>
  shape === 'circle' ? say`${mm(along, 'down')} round` : say`${mm(along, 'down')} × ${mm(across, 'down')}`;

/** A rigid thing goes into its room by one of its openings, some way round. */
export const goesIn = alone((item, { hull }): Raw[] => {
  const { part } = item.placed;
  const room = onItsFloor(item) && roomAbout(hull, item.placed);
  if (!room || part.inside?.soft) return [];
  const way = wayIn(hull, room, part.body);
  if (!way || way.margin >= 0) return [];
  const [l, b, h] = way.sides;
  return [
    {
      ...about(item),
      code: 'does-not-pass',
      severity: 'stop',
      curable: true,
      says:
        way.margin === -Infinity
          ? say`${nameOf(item)} does not go in by the ${way.hatch.name}: there is no room beyond it to bring it round.`
          : say`${nameOf(item)} does not pass the ${way.hatch.name}: ${mm(-way.margin, 'up')} too big, whichever way it is turned.`,
      because: say`It is ${mm(l)} × ${mm(b)} × ${mm(h)}; the opening is ${size(clearOf(way.hatch))} clear.`,
      tries: otherRooms(item, room),
    },
  ];
});

/** Less than this does no harm (judgement), mm. */
const HARMLESS = 30;
/** What weighs so little does none either (judgement), kg. */
const LIGHT = 0.5;

/** Everything loose inside, room by room: how far it goes when the boat pitches and heels. One finding a room. */
export const slides: Judgement = (judged) => {
  const { hull, shop, items, memory } = judged;
  const inside = items.filter((i) => isInside(i.placed));
  const rooms = new Map<Room, Fitted[]>();
  for (const item of inside) {
    const room = roomAbout(hull, item.placed);
    if (room) rooms.set(room, [...(rooms.get(room) ?? []), item]);
  }
  return [...rooms].flatMap(([room, here]): Raw[] => {
    const moving = here
      .filter((i) => i.mounted.hold === 'loose' && onItsFloor(i) && i.placed.part.body.massKg >= LIGHT)
      .flatMap((item): { item: Fitted; slide: Slide }[] => {
        const others = here.filter((o) => o !== item).map((o) => o.placed);
        const [slide] = memory.last(`slides ${item.placed.id}`, [item.placed, room, ...others], () =>
          slidesOf(hull, room, item.placed, others, shop.limits),
        );
        return slide && slide.far >= HARMLESS ? [{ item, slide }] : [];
      })
      .sort((a, b) => b.slide.far * b.item.placed.part.body.massKg - a.slide.far * a.item.placed.part.body.massKg);
    const [worst, ...more] = moving;
    if (!worst) return [];
    const { item, slide } = worst;
    const also = more.length ? say` So ${more.length > 1 ? 'do' : 'does'} ${more.map((m) => m.item.letter).join(', ')}.` : say``;
    return [
      {
        ...about(item),
        code: 'slides',
        detail: room.space.id,
        severity: item.placed.part.body.massKg >= HEAVY ? 'look' : 'note',
        curable: true,
        says: say`${nameOf(item)} slides ${mm(slide.far, 'up')} ${slide.way} in the ${room.space.name}, up against ${slide.against}.${also}`,
        because: say`${kg(item.placed.part.body.massKg)} loose. It lets go at ${Math.floor(letsGoAt(shop.limits.slip))}°; the boat pitches ${shop.limits.pitch}° and heels ${shop.limits.heel}°.`,
        tries: (now) => {
          const changes = moving.flatMap((m) => strapped(m.item, now));
          return changes.length ? [{ says: moving.length > 1 ? say`Strap them down` : say`Strap it down`, changes }] : [];
        },
      },
    ];
  });
};

/** What weighs so much hurts or breaks something when it comes loose (judgement), kg. */
const HEAVY = 1;

/** The openings of a room that somebody reaches from the seat, at hand or by a half turn as it is used. */
function reachedFromSeat(judged: Alone, hatches: readonly Hatch[], often: 'always' | 'hourly'): Hatch[] {
  const { hull, shop, plan } = judged;
  const most = often === 'always' ? 0 : 1;
  return hatches.filter((h) => {
    const at = { x: (h.fore + h.aft) / 2, y: (h.port + h.starboard) / 2, z: h.height };
    return !overBand(shop, (scale) =>
      paddlers(hull, plan.brief, scale).some((p) => REACH.indexOf(reachOf(p, at).zone) > most) ? at : undefined,
    );
  });
}

/** Whatever is reset, plugged in or opened inside is reached by an opening: from the seat where it is used afloat. */
export const inTheHand = alone((item, judged): Raw[] => {
  const { hull, plan } = judged;
  const { part } = item.placed;
  const room = roomAbout(hull, item.placed);
  const often = part.use.often;
  if (!room || (!part.use.byHand && !part.inside?.touched)) return [];
  const hand = inHand(hull, room.space, item.placed, plan.brief.stature);
  if (!hand.access)
    return [
      {
        ...about(item),
        code: 'out-of-hand',
        severity: 'look',
        curable: true,
        says: say`No hand gets to the ${hand.touched.what} of ${nameOf(item)} in the ${room.space.name}.`,
        because: hand.blocked ? say`${hand.blocked}.` : say`It has no opening.`,
        tries: laidOtherwise(item, room),
      },
    ];
  if ((often !== 'always' && often !== 'hourly') || hand.hatches.length === 0) return [];
  const near = reachedFromSeat(judged, hand.hatches, often);
  const afloat = { ...room.space, hatches: near.map((h) => h.id) };
  if (near.length && inHand(hull, afloat, item.placed, plan.brief.stature).access) return [];
  return [
    {
      ...about(item),
      code: 'out-of-hand',
      severity: 'look',
      curable: true,
      says: say`${nameOf(item)} is used ${often === 'always' ? 'every few minutes' : 'every hour'}, and no opening of the ${room.space.name} is reached from the seat.`,
      because: say`What is used afloat is taken from the seat, ${often === 'always' ? 'without turning' : 'with a half turn at most'}; stature ${mm(plan.brief.stature)}.`,
      tries: otherRooms(item, room),
    },
  ];
});

/** What stands no higher than this over a lid stands on it (judgement), mm. */
const ON_A_LID = 60;

/** What stands on a lid. */
function standingOn({ items, memory }: Judged, hatch: Hatch): Fitted[] {
  return items.filter((i) => {
    if (isInside(i.placed)) return false;
    return i.placed.bodies.some((body) => {
      if (body.bottom > hatch.height + ON_A_LID || body.top < hatch.height) return false;
      const b = memory.of('bounds of a body', body, () => boundsOf([body]));
      return b.fore < hatch.aft && b.aft > hatch.fore && b.port < hatch.starboard && b.starboard > hatch.port;
    });
  });
}

/** What has to be reached inside without taking other things off its lid first. */
export const underThings: Judgement = (judged) => {
  const { items, hull, plan, memory } = judged;
  return items.flatMap((item): Raw[] => {
    const { part } = item.placed;
    const room = roomAbout(hull, item.placed);
    if (!room || !part.inside?.touched || room.space.hatches.length === 0) return [];
    const hatches = hull.model.hatches.filter((h) => room.space.hatches.includes(h.id));
    const covered = hatches.map((hatch) => ({ hatch, by: standingOn(judged, hatch) }));
    const free = covered.filter((c) => c.by.length === 0).map((c) => c.hatch.id);
    const through = (ids: readonly string[]) =>
      memory.last(`hand ${item.placed.id} ${ids.join()}`, [item.placed], () =>
        ids.length ? inHand(hull, { ...room.space, hatches: [...ids] }, item.placed, plan.brief.stature).access : null,
      );
    if (through(free)) return [];
    const first = covered.find((c) => c.by.length && through([c.hatch.id]));
    if (!first) return [];
    const { what } = touchedOf(item.placed);
    const names = first.by.map((i) => `${i.letter}, ${nameOf(i)}`).join(' and ');
    const needed = what === 'reset' || part.use.often !== 'ashore';
    return [
      {
        ...about(item),
        code: 'under-things',
        severity: needed ? 'look' : 'note',
        curable: needed,
        says: say`To get to the ${what} of ${nameOf(item)}, ${names} has to come off the ${first.hatch.name}.`,
        because: needed
          ? say`What is reset or used afloat is reached without emptying anything.`
          : say`Each time it is charged: ashore, before the boat is loaded.`,
        tries: otherRooms(item, room),
      },
    ];
  });
};

/** What wants to be dry stands dry. */
export const keptDry = alone((item, { hull }): Raw[] => {
  const room = roomAbout(hull, item.placed);
  if (!room || room.space.dry || !item.placed.part.inside?.dry || item.placed.below) return [];
  return [
    {
      ...about(item),
      code: 'gets-wet',
      severity: 'look',
      curable: true,
      says: say`${nameOf(item)} wants to be dry; the ${room.space.name} is damp.`,
      because: say`Sealed in a box of its own, or in a room that keeps water out.`,
      tries: otherRooms(item, room),
    },
  ];
});

/** What gives off gas is not shut in. */
export const aired = alone((item, { hull }): Raw[] => {
  const room = roomAbout(hull, item.placed);
  if (!room || !item.placed.part.inside?.vents || room.space.vented || room.space.hatches.length === 0) return [];
  return [
    {
      ...about(item),
      code: 'unvented',
      severity: 'look',
      says: say`${nameOf(item)} gives off gas when it is charged, and the ${room.space.name} is shut.`,
      because: say`Charge it with the lid open and never unattended, or lead a vent outside: hydrogen from lead-acid burns.`,
    },
  ];
});

/** Where a hand takes a thing: the mouth of its room for what stands inside. */
export function takenAt(hull: HullSurface, item: Fitted): { x: number; y: number; z: number } | null {
  const room = roomAbout(hull, item.placed);
  const hatch = room && hull.model.hatches.find((h) => room.space.hatches.includes(h.id));
  return hatch ? { x: (hatch.fore + hatch.aft) / 2, y: (hatch.port + hatch.starboard) / 2, z: hatch.height } : null;
}
