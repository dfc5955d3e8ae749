import { type Hatch, type HullSurface, mouthOf } from '../../boat/hull';
import type { Fitted } from '../../holding/fitted';
import { inHand, inHandAfloat, roomAbout, standsOnLid, touchedOf } from '../../holding/inside';
import { usedHow } from '../../layout';
import { OFTEN_WORDS } from '../../parts/parts';
import { mm, say, type Point } from '../../base/units';
import { check } from './check';
import { about, alone, nameOf, type Raw } from './finding';
import { laidOtherwise, otherRooms } from './other-rooms';

/** Whatever is reset, plugged in or opened inside is reached by an opening: from the seat where it is used afloat. */
export const inTheHand = check({
  about: 'set',
  ofBody: true,
  finds: {
    'out-of-hand': { called: 'Out of reach inside', severity: 'look', since: 7 },
  },
  judge: alone((item, judged): Raw[] => {
    const { hull, plan } = judged;
    const { part } = item.placed;
    const room = roomAbout(hull, item.placed);
    const often = usedHow(item.placed);
    if (!room || (!part.use.byHand && !part.inside?.touched)) return [];
    const hand = inHand(hull, room, item.placed, plan.brief.stature);
    if (!hand.access)
      return [
        {
          ...about(item),
          code: 'out-of-hand',
          fixable: true,
          says: say`No hand gets to the ${hand.touched.what} of ${nameOf(item)} in the ${room.space.name}.`,
          because: hand.blocked ? say`${hand.blocked}.` : say`It has no opening.`,
          tries: laidOtherwise(item, room),
        },
      ];
    if (inHandAfloat(hull, room, item.placed, judged)) return [];
    return [
      {
        ...about(item),
        code: 'out-of-hand',
        fixable: true,
        says: say`${nameOf(item)} is used ${OFTEN_WORDS[often]}, and no opening of the ${room.space.name} is reached from the seat.`,
        because: say`What is used afloat is taken from the seat, ${often === 'always' ? 'without turning' : 'with a half turn at most'}; stature ${mm(plan.brief.stature)}.`,
        tries: otherRooms(item, room),
      },
    ];
  }),
});

/** What has to be reached inside without taking other things off its lid first. */
export const underThings = check({
  about: 'set',
  finds: {
    'under-things': { called: 'Under other things', severity: ['note', 'look'], since: 7 },
  },
  judge: (judged) => {
    const { items, hull, plan, memory } = judged;
    return items.flatMap((item): Raw[] => {
      const { part } = item.placed;
      const room = roomAbout(hull, item.placed);
      if (!room || !part.inside?.touched || room.hatches.length === 0) return [];
      const covered = room.hatches.map((hatch) => ({
        hatch,
        by: items.filter((i) => memory.pair('on a lid', hatch, i.placed, () => standsOnLid(i.placed, hatch))),
      }));
      const free = covered.filter((c) => c.by.length === 0).map((c) => c.hatch);
      const through = (hatches: readonly Hatch[]) =>
        memory.last(
          `hand ${item.placed.id} ${hatches.map((h) => h.id).join()}`,
          [item.placed],
          () => inHand(hull, room, item.placed, plan.brief.stature, hatches).access,
        );
      if (through(free)) return [];
      const first = covered.find((c) => c.by.length && through([c.hatch]));
      if (!first) return [];
      const { what } = touchedOf(item.placed);
      const names = first.by.map((i) => `${i.letter}, ${nameOf(i)}`).join(' and ');
      const needed = what === 'reset' || usedHow(item.placed) !== 'ashore';
      return [
        {
          ...about(item),
          code: 'under-things',
          severity: needed ? 'look' : 'note',
          fixable: needed,
          says: say`To get to the ${what} of ${nameOf(item)}, ${names} has to come off the ${first.hatch.name}.`,
          because: needed
            ? say`What is reset or used afloat is reached without emptying anything.`
            : say`Each time it is charged: ashore, before the boat is loaded.`,
          tries: otherRooms(item, room),
        },
      ];
    });
  },
});

/** Where a hand takes a thing: the mouth of its room for what stands inside. */
export function takenAt(hull: HullSurface, item: Fitted): Point | null {
  const hatch = roomAbout(hull, item.placed)?.hatches[0];
  return hatch ? mouthOf(hatch) : null;
}
