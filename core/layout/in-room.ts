import { type HullSurface, liesIn } from '../boat/hull';
import type { Part } from '../parts/parts';
import type { Place } from '../rig';
import type { Point } from '../base/units';
import { type PosedBox, reachOn } from './box';
import type { Axes, Frame, Placed } from './placed';

type InRoom = Extract<Place, { on: 'space' }>;
type Extent = readonly [number, number];

/** Axes of a part laid down: on its side its starboard side is up, on its end its after end. */
function laid({ u, v, w }: Axes, lies: InRoom['lies']): Axes {
  const back = (p: Point): Point => ({ x: -p.x, y: -p.y, z: -p.z });
  if (lies === 'on its side') return { u, v: w, w: back(v) };
  if (lies === 'on its end') return { u: w, v, w: back(u) };
  return { u, v, w };
}

/** The box about all of a part, in its own frame. */
export function boxAbout({ solids }: Pick<Part['body'], 'solids'>): Readonly<Record<'u' | 'v' | 'w', Extent>> {
  const about = (k: 'u' | 'v' | 'w'): Extent => [
    Math.min(...solids.map((s) => s[k][0])),
    Math.max(...solids.map((s) => s[k][1])),
  ];
  return { u: about('u'), v: about('v'), w: about('w') };
}

/** Where a fitting is marked and measured to: in a room the middle of what stands there, on its floor; else its foot. */
export const markedAt = ({ place, frame, bodies }: Pick<Placed, 'place' | 'frame' | 'bodies'>): Point =>
  place.on === 'space' ? { x: place.x, y: place.y, z: Math.min(...bodies.map((b) => b.bottom)) } : frame.origin;

/** How closely a floor is looked at round the edge of what stands on it, mm: no hull is higher amidships than at its side. */
const UNDER = 40;

/**
 * The frame of a part that stands on the floor of a room, on the box about it, by its lowest points: where the hull is
 * round its edges carry it. Undefined when the hull has no such room.
 *
 * @param level the frame's axes before it is laid down
 */
export function frameInRoom(
  hull: HullSurface,
  place: InRoom,
  level: Axes,
  body: Pick<Part['body'], 'solids'> | undefined,
): Frame | undefined {
  const room = hull.rooms.get(place.space);
  if (!room) return undefined;
  const { floor, space } = room;
  const axes = laid(level, place.lies);
  const { u, v, w } = body ? boxAbout(body) : A_POINT;
  const half = ([least, most]: Extent): number => (most - least) / 2;
  // The box about it, over the place it is given, not yet set down.
  const about: PosedBox = {
    middle: { x: place.x, y: place.y, z: 0 },
    axes: [axes.u, axes.v, axes.w],
    half: [half(u), half(v), half(w)],
  };
  const [along, across] = [2 * reachOn(about, level.u), 2 * reachOn(about, level.v)];
  const [c, s] = [level.u, level.v];
  let under = -Infinity;
  const [n, m] = [Math.max(1, Math.ceil(along / UNDER)), Math.max(1, Math.ceil(across / UNDER))];
  for (let i = 0; i <= n; i++)
    for (let j = 0; j <= m; j += i === 0 || i === n ? 1 : m) {
      const [a, b] = [(i / n - 0.5) * along, (j / m - 0.5) * across];
      under = Math.max(under, floor(place.x + a * c.x + b * s.x, place.y + a * c.y + b * s.y));
    }
  // Where a wall is in the way it stands as low as it would in the middle, and is judged there.
  const foot = Number.isFinite(under) ? under : lowest(floor, place, space);
  const middle = { ...about.middle, z: foot + reachOn(about, level.w) };
  const [cu, cv, cw] = [u, v, w].map(([least, most]) => (least + most) / 2) as [number, number, number];
  const at = (k: 'x' | 'y' | 'z'): number => middle[k] - cu * axes.u[k] - cv * axes.v[k] - cw * axes.w[k];
  const off = !liesIn(space, place.x, place.y);
  return { origin: { x: at('x'), y: at('y'), z: at('z') }, ...axes, surface: space.name, wall: hull.model.wall, off };
}

/** What has no size. */
const A_POINT: Readonly<Record<'u' | 'v' | 'w', Extent>> = { u: [0, 0], v: [0, 0], w: [0, 0] };

const lowest = (
  floor: (x: number, y: number) => number,
  { x, y }: InRoom,
  { port, starboard }: { port: number; starboard: number },
): number => {
  const own = floor(x, y);
  const middle = floor(x, Math.min(starboard, Math.max(port, 0)));
  return Number.isFinite(own) ? own : Number.isFinite(middle) ? middle : 0;
};
