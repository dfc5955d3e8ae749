import type { HullSurface, Room } from '../../boat/hull';
import { bodyOfBox, bodyOverlap, boundsOf, extentOfBox, frameOf, near, type Body, type Placed } from '../../layout';
import type { ShopSettings } from '../../parts/shop';
import type { Point } from '../../base/units';
import { boxesOf, fitsIn, trespassOf } from './room';

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

/** The way a loose thing would go with nothing else in the room, step by step. */
export interface FreeSlide {
  readonly way: Slide['way'];
  readonly steps: readonly { readonly bodies: readonly Body[]; readonly bounds: Bounds }[];
  readonly against: string;
}
type Bounds = ReturnType<typeof boundsOf>;

/**
 * Where a loose thing goes at the tilts a boat has to bear, were it alone in its room; no way where friction holds it. It
 * is followed over the floor until that rises by more than tilt and friction leave, or a wall or what fills the hull stops
 * it.
 */
export function freeSlides(hull: HullSurface, room: Room, placed: Placed, limits: Limits): FreeSlide[] {
  const { place } = placed;
  if (place.on !== 'space') return [];
  const friction = letsGoAt(limits.slip);
  const caught = trespassOf(hull, room, placed.bodies)?.by ?? 0;
  return WAYS.flatMap(({ way, dx, dy }): FreeSlide[] => {
    const most = (dx ? limits.pitch : limits.heel) - friction;
    if (most <= 0) return [];
    const steps: { bodies: readonly Body[]; bounds: Bounds }[] = [];
    let against = `the end of the ${room.space.name}`;
    let height = placed.frame.origin.z;
    for (let far = STEP; far <= MOST; far += STEP) {
      const to = frameOf(hull, { ...place, x: place.x + far * dx, y: place.y + far * dy }, undefined, placed.part.body);
      if (!to) break;
      const bodies = movedTo(placed, to.origin);
      const rise = to.origin.z - height;
      const stops = degrees(Math.atan2(rise, STEP)) > most ? 'the rise of the hull' : wallOf(hull, room, bodies, caught);
      if (stops !== null) {
        against = stops;
        break;
      }
      steps.push({ bodies, bounds: boundsOf(bodies) });
      height = to.origin.z;
    }
    return [{ way, steps, against }];
  });
}

/** What a thing fills when its frame stands elsewhere, turned as it is. */
function movedTo({ frame: { origin }, bodies }: Placed, to: Point): Body[] {
  const moved = ({ x, y, z }: Point): Point => ({ x: x + to.x - origin.x, y: y + to.y - origin.y, z: z + to.z - origin.z });
  return bodies.flatMap(({ name, box }) => (box ? [bodyOfBox(name, { ...box, middle: moved(box.middle) })] : []));
}

/** The wall that stops a thing, which may have stood so deep in one before; null for none. */
function wallOf(hull: HullSurface, room: Room, bodies: readonly Body[], caught: number): string | null {
  if (fitsIn(hull, room, bodies)) return null;
  const wall = trespassOf(hull, room, bodies);
  return wall && wall.by > caught ? wall.into : null;
}

/**
 * How far it goes among what else stands in the room, the farthest way first.
 *
 * @param others what else stands in the room
 */
export function slidesAmong(free: readonly FreeSlide[], others: readonly Placed[]): Slide[] {
  const stood = others.map((o) => ({ name: o.part.name, bodies: o.bodies, bounds: boundsOf(o.bodies) }));
  return free
    .map(({ way, steps, against }): Slide => {
      for (const [i, step] of steps.entries())
        for (const o of stood)
          if (near(step.bounds, o.bounds) && step.bodies.some((a) => o.bodies.some((b) => bodyOverlap(a, b) > TOUCH)))
            return { way, far: i * STEP, against: o.name };
      return { way, far: steps.length * STEP, against };
    })
    .filter((s) => s.far > 0)
    .sort((a, b) => b.far - a.far);
}

/** What shares less than this only touches, mm. */
const TOUCH = 0.5;

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
