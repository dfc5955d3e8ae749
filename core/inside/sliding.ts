import type { HullSurface, Room } from '../hull';
import { bodyOverlap, extentOfBox, placeFitting, type Placed } from '../layout';
import type { ShopSettings } from '../shop';
import { boxesOf, trespassOf } from './room';

/** How a thing that lies loose moves when the boat pitches or heels. */
export interface Slide {
  readonly way: 'forward' | 'aft' | 'to port' | 'to starboard';
  /** So far until something stops it, mm. */
  readonly far: number;
  /** What stops it. */
  readonly against: string;
}

type Limits = Pick<ShopSettings['limits'], 'pitch' | 'heel' | 'slip'>;

const WAYS = [
  { way: 'forward', dx: -1, dy: 0 },
  { way: 'aft', dx: 1, dy: 0 },
  { way: 'to port', dx: 0, dy: -1 },
  { way: 'to starboard', dx: 0, dy: 1 },
] as const;

/** A step it is followed by, mm. */
const STEP = 10;
/** Nothing inside a boat slides farther, mm. */
const MOST = 4000;

const degrees = (radians: number): number => (radians * 180) / Math.PI;

/** The tilt at which what lies loose on a level floor lets go, degrees: tan φ is its friction. */
export const letsGoAt = (slip: number): number => degrees(Math.atan(slip));

/**
 * Where a loose thing goes at the tilts a boat has to bear, the farthest way first; none when friction holds it. It is
 * followed over the floor until that rises by more than tilt and friction leave, or a wall, what fills the hull or another
 * thing stops it.
 *
 * @param others what else stands in the room
 */
export function slidesOf(hull: HullSurface, room: Room, placed: Placed, others: readonly Placed[], limits: Limits): Slide[] {
  const { place } = placed;
  if (place.on !== 'space') return [];
  const friction = letsGoAt(limits.slip);
  const slides: Slide[] = [];
  for (const { way, dx, dy } of WAYS) {
    const tilt = dx ? limits.pitch : limits.heel;
    if (tilt <= friction) continue;
    let [far, before]: [number, Placed] = [0, placed];
    let against = `the end of the ${room.space.name}`;
    for (; far < MOST; far += STEP) {
      const to = { ...place, x: place.x + (far + STEP) * dx, y: place.y + (far + STEP) * dy };
      const next = placeFitting(hull, placed.id, placed.fitting, placed.part, { place: to });
      const stops = next && stopOf(hull, room, before, next, others, tilt - friction);
      if (!next || stops) {
        against = stops ?? against;
        break;
      }
      before = next;
    }
    if (far > 0) slides.push({ way, far, against });
  }
  return slides.sort((a, b) => b.far - a.far);
}

function stopOf(hull: HullSurface, room: Room, from: Placed, to: Placed, others: readonly Placed[], most: number): string | null {
  const rise = to.frame.origin.z - from.frame.origin.z;
  if (degrees(Math.atan2(rise, STEP)) > most) return 'the rise of the hull';
  const wall = trespassOf(hull, room, to.bodies);
  if (wall && wall.by > (trespassOf(hull, room, from.bodies)?.by ?? 0)) return wall.into;
  const met = others.find((o) => to.bodies.some((a) => o.bodies.some((b) => bodyOverlap(a, b) > 0.5)));
  return met ? met.part.name : null;
}

/** Whether a thing tips over rather than slides at some tilt: its weight leaves its base. */
export function tipsAt(placed: Pick<Placed, 'bodies'>, tilt: number, over: 'x' | 'y'): boolean {
  const boxes = boxesOf(placed);
  const extent = (k: 'x' | 'y' | 'z'): readonly [number, number] => [
    Math.min(...boxes.map((b) => extentOfBox(b, k)[0])),
    Math.max(...boxes.map((b) => extentOfBox(b, k)[1])),
  ];
  const [low, high] = extent('z');
  const [a, b] = extent(over);
  return Math.tan((tilt * Math.PI) / 180) > (b - a) / (high - low);
}
