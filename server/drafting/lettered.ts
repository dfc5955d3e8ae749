/** A mark of a drawing, and how wide its letters are, points. */
export interface Spot {
  readonly at: readonly [number, number];
  readonly wide: number;
  readonly says: string;
}

/** Where its letters begin, at their top left; and from where a line leads to them where they stand off. */
interface Lettered {
  readonly says: string;
  readonly x: number;
  readonly y: number;
  readonly from: [number, number] | null;
}

/** How high letters of seven points stand, and the room about a mark. */
const HIGH = 7;
const MARK = 3;

/** Places about a mark, the nearest first: beside it, then farther and farther off. */
const places = (wide: number): (readonly [number, number])[] =>
  Array.from({ length: 9 }, (_, ring) => MARK + ring * HIGH).flatMap((far): (readonly [number, number])[] => [
    [MARK, -far - HIGH + 2],
    [MARK, far - 1],
    [-wide - MARK, -far - HIGH + 2],
    [-wide - MARK, far - 1],
    [far, -HIGH / 2],
    [-wide - far, -HIGH / 2],
  ]);

/** Letters beside marks, none on another nor on a mark, as near as that goes. */
export function lettered(spots: readonly Spot[]): Lettered[] {
  interface Box {
    readonly left: number;
    readonly right: number;
    readonly top: number;
    readonly foot: number;
  }
  const taken: Box[] = spots.map(({ at: [x, y] }) => ({ left: x - 2, right: x + 2, top: y - 2, foot: y + 2 }));
  const isFree = (b: Box): boolean =>
    taken.every((t) => b.right <= t.left || t.right <= b.left || b.foot <= t.top || t.foot <= b.top);
  return spots.map(({ at: [x, y], wide, says }): Lettered => {
    const boxAt = ([dx, dy]: readonly [number, number]): Box => ({
      left: x + dx - 0.5,
      right: x + dx + wide + 0.5,
      top: y + dy,
      foot: y + dy + HIGH,
    });
    const all = places(wide);
    const free = all.find((place) => isFree(boxAt(place))) ?? all[0] ?? [MARK, -HIGH - 1];
    const box = boxAt(free);
    taken.push(box);
    const stands = Math.hypot(free[0], free[1] + HIGH / 2) > 14;
    return { says, x: x + free[0], y: y + free[1], from: stands ? [x, y] : null };
  });
}
