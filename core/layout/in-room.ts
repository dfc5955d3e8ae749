import type { HullSurface } from '../hull';
import type { Part } from '../parts';
import type { Place } from '../rig';
import type { Point } from '../units';
import type { Axes, Frame, Placed } from './frame';

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

/** How closely a floor is looked at under what stands on it, mm. */
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
  const box = body ? boxAbout(body) : { u: [0, 0], v: [0, 0], w: [0, 0] as Extent };
  const [cu, cv, cw] = (['u', 'v', 'w'] as const).map((k) => ((box[k][0] ?? 0) + (box[k][1] ?? 0)) / 2) as [
    number,
    number,
    number,
  ];
  const half = (k: 'x' | 'y' | 'z'): number =>
    (['u', 'v', 'w'] as const).reduce((sum, d) => sum + (((box[d][1] ?? 0) - (box[d][0] ?? 0)) / 2) * Math.abs(axes[d][k]), 0);
  const [along, across] = flatSides(box, place.lies);
  const [c, s] = [level.u, level.v];
  let under = -Infinity;
  const [n, m] = [Math.max(1, Math.ceil(along / UNDER)), Math.max(1, Math.ceil(across / UNDER))];
  for (let i = 0; i <= n; i++)
    for (let j = 0; j <= m; j++) {
      const [a, b] = [(i / n - 0.5) * along, (j / m - 0.5) * across];
      under = Math.max(under, floor(place.x + a * c.x + b * s.x, place.y + a * c.y + b * s.y));
    }
  // Where a wall is in the way it stands as low as it would in the middle, and is judged there.
  const foot = Number.isFinite(under) ? under : lowest(floor, place, space);
  const middle = { x: place.x, y: place.y, z: foot + half('z') };
  const at = (k: 'x' | 'y' | 'z'): number => middle[k] - cu * axes.u[k] - cv * axes.v[k] - cw * axes.w[k];
  const off = place.x < space.fore || place.x > space.aft || place.y < space.port || place.y > space.starboard;
  return { origin: { x: at('x'), y: at('y'), z: at('z') }, ...axes, surface: space.name, wall: hull.model.wall, off };
}

const lowest = (
  floor: (x: number, y: number) => number,
  { x, y }: InRoom,
  { port, starboard }: { port: number; starboard: number },
): number => {
  const own = floor(x, y);
  const middle = floor(x, Math.min(starboard, Math.max(port, 0)));
  return Number.isFinite(own) ? own : Number.isFinite(middle) ? middle : 0;
};

/** The sides of what the box about a part stands on, along its heading and across. */
function flatSides(box: Readonly<Record<'u' | 'v' | 'w', readonly number[]>>, lies: InRoom['lies']): [number, number] {
  const size = (k: 'u' | 'v' | 'w'): number => (box[k][1] ?? 0) - (box[k][0] ?? 0);
  if (lies === 'on its side') return [size('u'), size('w')];
  if (lies === 'on its end') return [size('w'), size('v')];
  return [size('u'), size('v')];
}
