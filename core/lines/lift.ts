import { movedPoint, sweptBy } from '../layout';
import type { Line } from '../rig';
import { cross, dot, GRAVITY, pathLength, type Point } from '../base/units';
import { CORD_TRAITS } from './cords';
import { pathOf, type LedOn, type Where } from './laying';
import { hauled, pullAt } from './pull';

/** How a line lifts what turns on a hinge. */
export interface Lift {
  /** What the hand pulls with where it is hardest on the way up, N; Infinity where it cannot be lifted so. */
  readonly hand: number;
  /** What the line pulls the thing with then, N. */
  readonly holds: number;
  /** What the thing is pulled with for each newton of the hand, friction taken off. */
  readonly advantage: number;
  /** How far the hand goes from down to up, mm. */
  readonly travels: number;
}

/** Where on its way something is looked at. */
const STAGES = Array.from({ length: 13 }, (_, i) => i / 12);

const less = (a: Point, b: Point): Point => ({ x: a.x - b.x, y: a.y - b.y, z: a.z - b.z });

/**
 * How a line lifts what it carries: moments about its hinge, looked at on the whole way up. All of the part's weight is taken
 * to hang in the middle of what turns (careful).
 * @returns null when it carries nothing that turns, or is not made fast to what does
 */
export function liftOf(line: Line, places: readonly Where[], on: Pick<LedOn, 'surface' | 'ties' | 'owned'>): Lift | null {
  const placed = on.owned.find((i) => i.placed.id === line.carries)?.placed;
  const riding = line.through.map((p) => {
    const tie = p.at === 'tie' ? on.ties.get(p.tie) : undefined;
    return tie?.fitting === line.carries ? tie?.rides : undefined;
  });
  const mover = placed && sweptBy(placed).find((m) => riding.includes(m.id));
  if (!placed || !mover) return null;
  const { motion, rest } = mover;
  const middle = rest.box?.middle ?? placed.frame.origin;
  const rides = (i: number): boolean => riding[i] === mover.id;
  let [hand, holds, advantage] = [0, 0, Infinity];
  const lengths: number[] = [];
  for (const stage of STAGES) {
    const here = places.map((p, i) => (rides(i) ? { ...p, at: movedPoint(motion, p.at, stage) } : p));
    const path = pathOf(here, line, on.surface);
    const moved = new Set(here.flatMap((p, i) => (rides(i) ? [p.at] : [])));
    lengths.push(pathLength(path.map((b) => b.at)));
    const tight = hauled(path, CORD_TRAITS[line.of].rubs);
    let [turning, pulls] = [0, 0];
    path.forEach(({ at }, i) => {
      if (!moved.has(at)) return;
      const f = pullAt(path, tight, i);
      turning += dot(cross(less(at, motion.at), f), motion.axis);
      pulls += Math.hypot(f.x, f.y, f.z);
    });
    const weight = { x: 0, y: 0, z: -placed.part.body.massKg * GRAVITY };
    const falls = dot(cross(less(movedPoint(motion, middle, stage), motion.at), weight), motion.axis);
    // What falls one way is lifted the other: as it turns, when its weight is against that.
    const up = Math.sign(motion.turns);
    const [asks, gives] = [-falls * up, turning * up];
    if (asks <= 0) continue;
    const needed = gives > 1e-9 ? asks / gives : Infinity;
    if (needed > hand) [hand, holds] = [needed, needed * pulls];
    advantage = Math.min(advantage, pulls);
  }
  return {
    hand,
    holds,
    advantage: Number.isFinite(advantage) ? advantage : 0,
    travels: Math.max(0, (lengths[0] ?? 0) - (lengths.at(-1) ?? 0)),
  };
}
