import { cellsTaken, floorGrid, standingRoom } from '../../layout';
import { mm, say, under } from '../../base/units';
import { check } from './check';
import { aboutHull, nameOf, slideTo } from './finding';

/** Open, level deck for one who stands. */
export const standing = check({
  about: 'set',
  finds: {
    'standing-room': { called: 'No room to stand', severity: 'stop', since: 2 },
  },
  judge: ({ plan, items, hull, shop, memory }) => {
    if (plan.brief.stands === 'sits') return [];
    const grid = memory.of('floor', hull, () => floorGrid(hull));
    const onFloor = items.filter((i) => i.placed.part.body.place !== 'underfoot');
    const room =
      grid &&
      standingRoom(
        grid,
        onFloor.map((i) => memory.of('cells', i.placed, () => cellsTaken(grid, i.placed.bodies))),
      );
    const wanted = shop.limits.standing;
    const width = room ? Math.min(room.aft - room.fore, room.starboard - room.port) : 0;
    if (width >= wanted) return [];
    const floor = hull.model.decks.find((d) => d.kind === 'cockpit');
    // Crate and seat go back, the usual way to win deck.
    const movable = items.filter((i) => i.placed.place.on === 'deck' && floor && i.placed.frame.surface === floor.name);
    return [
      {
        ...aboutHull(hull, room?.fore),
        code: 'standing-room',
        fixable: true,
        measure: under(width, 'mm', wanted),
        says: room
          ? say`The clear deck to stand on is ${mm(room.aft - room.fore, 'down')} by ${mm(room.starboard - room.port, 'down')}; ${mm(wanted, 'up')} both ways wanted.`
          : say`This hull has no level deck to stand on.`,
        because: say`The largest disc that is free is ${mm(room?.disc() ?? 0, 'down')} across.`,
        tries: movable.flatMap((i) => {
          const { place, part } = i.placed;
          if (place.on !== 'deck' || !floor) return [];
          const to = { ...place, x: floor.aft + part.body.base.length / 2 + 20 };
          return [{ says: say`Push ${i.letter}, ${nameOf(i)}, back ${mm(to.x - place.x)}`, changes: [slideTo(i, to)] }];
        }),
      },
    ];
  },
});
