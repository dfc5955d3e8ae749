import { waterAt } from '../../water/float';
import { containersOf, contentsOf, isInside, roomAbout } from '../../holding/inside';
import { mm, say, over } from '../../base/units';
import { check } from './check';
import { about, nameOf, type Raw } from './finding';
import { intoRooms } from './other-rooms';
import { aboutFitting } from './wires';

/** What is not sealed stands where no spray gets; what is sealed against spray alone, out of the water. */
export const sealed = check({
  about: 'set',
  finds: {
    'not-sealed': { called: 'Not sealed where water comes', severity: ['note', 'look'], since: 12 },
  },
  judge: ({ items, float }) =>
    items.flatMap((item): Raw[] => {
      const kept = item.placed.part.power?.sealed;
      if (kept === undefined || kept === 'under water' || isInside(item.placed)) return [];
      const { x, z } = item.placed.frame.origin;
      const under = waterAt(float, x) - z;
      if (kept === 'spray' && under <= 0) return [];
      const box = item.placed.below?.part;
      const keeps = kept === 'no' && box?.contains?.some((c) => c.dry && c.shut);
      return [
        {
          ...about(item),
          ...{ code: 'not-sealed', severity: keeps ? 'note' : 'look', fixable: true },
          says: keeps
            ? say`${nameOf(item)} is not sealed against spray: in ${box?.name ?? ''} it keeps dry, on it it does not.`
            : kept === 'no'
              ? say`${nameOf(item)} is not sealed against spray and stands on deck.`
              : say`${nameOf(item)} is sealed against spray alone and stands ${mm(under, 'up')} under the water.`,
          because: say`Salt water in its contacts is the usual end of it. In a dry room, in a box of its own, or one that is sealed for it.`,
          tries: (judged) => intoRooms(item, judged, (room) => room.space.dry),
        },
      ];
    }),
});

/** Of a room so much is stowed that what stands in it is not got at before some of it comes out (judgement). */
const FULL = 0.5;

/** A fuse or breaker stands where things are stowed on and about it. */
export const fuseBuried = check({
  about: 'rig',
  finds: {
    'fuse-buried': { called: 'Fuse out of reach', severity: 'look', since: 12 },
  },
  judge: ({ owned, hull, plan, wiring }) => {
    const rooms = containersOf(hull, []).map((c) => ({
      room: c.in,
      name: c.name,
      stowed: contentsOf(plan.stowage, c).reduce((sum, [, s]) => sum + (s.later ? 0 : s.litres), 0),
      litres: () => c.litres,
    }));
    return owned.flatMap((item): Raw[] => {
      const { id } = item.placed;
      const guards = wiring.guards.filter((g) => g.fitting === id);
      const space = roomAbout(hull, item.placed)?.space.id;
      const full = rooms.find((r) => r.room === space && r.stowed > FULL * r.litres());
      if (guards.length === 0 || !full) return [];
      return [
        {
          ...aboutFitting(item),
          ...{ code: 'fuse-buried' },
          measure: over(full.stowed, 'litres', FULL * full.litres()),
          says: say`${guards.length === 1 ? 'The fuse' : `${guards.length} fuses`} at ${nameOf(item)} ${guards.length === 1 ? 'is' : 'are'} under what is stowed in the ${full.name}: ${Math.ceil(full.stowed)} of ${Math.floor(full.litres())} litres.`,
          because: say`A fuse is reset or changed afloat, with one hand: nothing has to come out first. Less in there, or battery and box in another room.`,
        },
      ];
    });
  },
});
