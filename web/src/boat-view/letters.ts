import type { BoatDrawing, BoatMark } from './drawing';
import { spreadApart } from './spread';

/** Between the middles of two marks, in drawing units: they do not touch. */
export const MARK = 29;

/** A mark where it is drawn, with a leader to where its fitting stands when that is elsewhere. */
export interface Letter extends BoatMark {
  readonly x: number;
  readonly y: number;
  readonly leader: string;
}

/**
 * The marks, spread where they would lie over each other.
 * @param held the one under the finger: it stays where it is
 */
export function lettersOf({ at, width, middle, half }: BoatDrawing, marks: readonly BoatMark[], held: string | null): Letter[] {
  const own = marks.map((m) => at(m.at));
  const within = { x0: 16, x1: width - 16, y0: 74, y1: middle + half + 8 };
  const spots = spreadApart(
    own,
    MARK,
    within,
    marks.findIndex((m) => m.id === held),
  );
  return marks.map((m, i) => {
    const [from, spot] = [own[i] ?? { x: 0, y: 0 }, spots[i] ?? { x: 0, y: 0 }];
    const far = Math.hypot(spot.x - from.x, spot.y - from.y);
    return { ...m, ...spot, leader: far > 4 ? `M${from.x} ${from.y}L${spot.x} ${spot.y}` : '' };
  });
}
