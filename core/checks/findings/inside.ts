import { clearOf, type Room } from '../../boat/hull';
import type { Fitted } from '../../holding/fitted';
import {
  freeSlides,
  isInside,
  letsGoAt,
  roomAbout,
  slidesAmong,
  tipsAt,
  trespassOf,
  wayIn,
  type Slide,
} from '../../holding/inside';
import type { ShopSettings } from '../../parts/shop';
import { markedAt } from '../../layout';
import { kg, mm, say, over } from '../../base/units';
import { check } from './check';
import { about, alone, nameOf, type Raw } from './finding';
import { intoRooms, laidOtherwise, onItsFloor, otherRooms, strapped } from './other-rooms';

/** How high a room is where a thing stands, mm. */
function heightAt({ floor, ceiling }: Room, { placed }: Fitted): number {
  const { x, y } = markedAt(placed);
  return ceiling(x, y) - floor(x, y);
}

/** What stands inside stands clear of the walls of its room, and of what fills the hull. */
export const standsClear = check({
  about: 'set',
  finds: {
    'stands-into': { called: 'Stands into what lies inside', severity: 'stop', acceptedBy: 'nobody', since: 7 },
  },
  judge: alone((item, { hull }): Raw[] => {
    const room = roomAbout(hull, item.placed);
    const met = room && trespassOf(hull, room, item.placed.bodies);
    if (!met) return [];
    return [
      {
        ...about(item),
        code: 'stands-into',
        fixable: true,
        measure: over(met.by, 'mm'),
        says: say`${nameOf(item)} stands ${mm(met.by, 'up')} into ${met.into}.`,
        because: hull.hazards.some((h) => h.hazard.name === met.into)
          ? say`It lies in the ${room.space.name}: nothing goes through it.`
          : say`The ${room.space.name} is ${mm(heightAt(room, item), 'down')} high there.`,
        tries: laidOtherwise(item, room),
      },
    ];
  }),
});

const size = ({ shape, along, across }: ReturnType<typeof clearOf>) =>
  shape === 'circle' ? say`${mm(along, 'down')} round` : say`${mm(along, 'down')} × ${mm(across, 'down')}`;

/** A rigid thing goes into its room by one of its openings, some way round. */
export const goesIn = check({
  about: 'set',
  finds: {
    'does-not-pass': { called: 'Does not pass the opening', severity: 'stop', acceptedBy: 'nobody', since: 7 },
  },
  judge: alone((item, { hull, memory }): Raw[] => {
    const { part } = item.placed;
    const room = roomAbout(hull, item.placed);
    if (!room || part.inside?.soft) return [];
    const way = memory.pair('way in', room, part, () => wayIn(hull, room, part.body));
    if (!way || way.margin >= 0) return [];
    const [l, b, h] = way.sides;
    return [
      {
        ...about(item),
        code: 'does-not-pass',
        fixable: true,
        measure: way.margin === -Infinity ? null : over(-way.margin, 'mm'),
        says:
          way.margin === -Infinity
            ? say`${nameOf(item)} does not go in by the ${way.hatch.name}: there is no room beyond it to bring it round.`
            : say`${nameOf(item)} does not pass the ${way.hatch.name}: ${mm(-way.margin, 'up')} too big, whichever way it is turned.`,
        because: say`It is ${mm(l)} × ${mm(b)} × ${mm(h)}; the opening is ${size(clearOf(way.hatch))} clear.`,
        tries: otherRooms(item, room),
      },
    ];
  }),
});

/** Less than this does no harm (judgement), mm. */
const HARMLESS = 30;
/** What weighs so little does none either (judgement), kg. */
const LIGHT = 0.5;

/** Where a thing that slides off its base goes. */
const OFF = 'off';
/** It stays where it stands, and tips. */
const STAYS: Slide = { way: 'to port', far: 0, against: '' };

type Tilts = Pick<ShopSettings['limits'], 'pitch' | 'heel' | 'slip'>;

/** Whether it tips over at the tilts a boat has to bear, once something stops it or friction holds it. */
const tipsOver = ({ placed }: Fitted, { pitch, heel }: Tilts): boolean => tipsAt(placed, pitch, 'x') || tipsAt(placed, heel, 'y');

/** What stands loose on a board or a box inside slides off that: half of it has to be over the edge before it falls. */
function offItsBase({ placed }: Fitted, { pitch, heel, slip }: Tilts): Slide[] {
  const { below, place } = placed;
  if (!below || place.on !== 'fitting' || Math.max(pitch, heel) <= letsGoAt(slip)) return [];
  const { length, width } = below.part.body.base;
  const along = length / 2 - Math.abs(place.u);
  const across = width / 2 - Math.abs(place.v);
  const aside = heel > letsGoAt(slip) && (across <= along || pitch <= letsGoAt(slip));
  return aside
    ? [{ way: place.v < 0 ? 'to port' : 'to starboard', far: Math.max(HARMLESS, across), against: OFF }]
    : [{ way: place.u < 0 ? 'forward' : 'aft', far: Math.max(HARMLESS, along), against: OFF }];
}

/** Everything loose inside, room by room: how far it goes when the boat pitches and heels. One finding a room. */
export const slides = check({
  about: 'set',
  finds: {
    slides: { called: 'Slides', severity: ['note', 'look'], since: 7 },
  },
  judge: (judged) => {
    const { hull, shop, items, memory } = judged;
    const inside = items.filter((i) => isInside(i.placed));
    const rooms = new Map<Room, Fitted[]>();
    for (const item of inside) {
      const room = roomAbout(hull, item.placed);
      if (room) rooms.set(room, [...(rooms.get(room) ?? []), item]);
    }
    return [...rooms].flatMap(([room, here]): Raw[] => {
      const loose = here.filter((i) => i.mounted.hold === 'loose' && i.placed.part.body.massKg >= LIGHT);
      const moving = loose
        .filter((i) => onItsFloor(i) || i.placed.below)
        .flatMap((item): { item: Fitted; slide: Slide; tips: boolean }[] => {
          const tips = tipsOver(item, shop.limits);
          if (!onItsFloor(item)) return offItsBase(item, shop.limits).map((slide) => ({ item, slide, tips }));
          const others = here.filter((o) => o !== item).map((o) => o.placed);
          const [slide] = memory.last(`slides ${item.placed.id}`, [item.placed, room, ...others], () =>
            slidesAmong(
              memory.of('free slides', item.placed, () => freeSlides(hull, room, item.placed, shop.limits)),
              others,
            ),
          );
          const far = slide && slide.far >= HARMLESS ? slide : undefined;
          return far ? [{ item, slide: far, tips }] : tips ? [{ item, slide: slide ?? STAYS, tips }] : [];
        })
        .sort((a, b) => b.slide.far * b.item.placed.part.body.massKg - a.slide.far * a.item.placed.part.body.massKg);
      const [worst, ...more] = moving;
      if (!worst) return [];
      const { item, slide, tips } = worst;
      const also = more.length
        ? say` So ${more.length > 1 ? 'do' : 'does'} ${more.map((m) => m.item.letter).join(', ')}.`
        : say``;
      return [
        {
          ...about(item),
          code: 'slides',
          detail: room.space.id,
          severity: item.placed.part.body.massKg >= HEAVY ? 'look' : 'note',
          fixable: true,
          measure: over(slide.far, 'mm', HARMLESS),
          says:
            slide.far < HARMLESS
              ? say`${nameOf(item)} tips over in the ${room.space.name}.${also}`
              : say`${nameOf(item)} slides ${mm(slide.far, 'up')} ${slide.way} in the ${room.space.name}, ${slide.against === OFF ? 'off what it stands on' : `up against ${slide.against}`}${tips ? ', and tips over' : ''}.${also}`,
          because: say`${kg(item.placed.part.body.massKg)} loose. It lets go at ${Math.floor(letsGoAt(shop.limits.slip))}°; the boat pitches ${shop.limits.pitch}° and heels ${shop.limits.heel}°.`,
          tries: (now) => {
            const changes = moving.flatMap((m) => strapped(m.item, now));
            return changes.length ? [{ says: moving.length > 1 ? say`Strap them down` : say`Strap it down`, changes }] : [];
          },
        },
      ];
    });
  },
});

/** What weighs so much hurts or breaks something when it comes loose (judgement), kg. */
const HEAVY = 1;

/** What wants to be dry stands dry. */
export const keptDry = check({
  about: 'set',
  finds: {
    'gets-wet': { called: 'Gets wet', severity: 'look', since: 2 },
  },
  judge: alone((item, { hull }): Raw[] => {
    const room = roomAbout(hull, item.placed);
    const { part, below } = item.placed;
    // How what is fed or stores is sealed is judged where that is known.
    if (room?.space.dry || !part.inside?.dry || below || (!room && part.power?.sealed !== undefined)) return [];
    return [
      {
        ...about(item),
        code: 'gets-wet',
        fixable: true,
        says: room
          ? say`${nameOf(item)} wants to be dry; the ${room.space.name} is damp.`
          : say`${nameOf(item)} wants to be dry and stands on the open deck.`,
        because: say`Sealed in a box of its own, or in a room that keeps water out.`,
        tries: (judged) => intoRooms(item, judged, (other) => other !== room && (other.space.dry ?? false)),
      },
    ];
  }),
});

/** What gives off gas is not shut in. */
export const aired = check({
  about: 'set',
  finds: {
    unvented: { called: 'Battery box without a vent', severity: 'look', since: 7 },
  },
  judge: alone((item, { hull }): Raw[] => {
    const room = roomAbout(hull, item.placed);
    if (!room || !item.placed.part.inside?.vents || room.space.vented || room.space.hatches.length === 0) return [];
    return [
      {
        ...about(item),
        code: 'unvented',
        says: say`${nameOf(item)} gives off gas when it is charged, and the ${room.space.name} is shut.`,
        because: say`Charge it with the lid open and never unattended, or lead a vent outside: hydrogen from lead-acid burns.`,
      },
    ];
  }),
});
