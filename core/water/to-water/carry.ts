import type { HullModel } from '../../boat/hull';
import type { Brief } from '../../rig';
import type { ShopSettings } from '../../parts/shop';

type ToWater = Brief['way'];
type Limits = ShopSettings['limits'];

const PEOPLE: Readonly<Record<Brief['lifts'], number>> = { alone: 1, two: 2 };

/** How much harder a ground is to carry over than hard ground, as a share of what is carried (judgement). */
const FOOTING: Readonly<Record<ToWater['ground'], number>> = { hard: 1, grass: 1, ramp: 1, sand: 0.8, stones: 0.7, steps: 0.7 };

/**
 * What one or two people carry to the water: what each lifts, and over a distance what weight times way allows. A 25 lb boat
 * is carried 400 yards on a shoulder (common practice, no source): 11.3 kg over 366 m, so about 4150 kg·m.
 */
export function mostCarried({ metres, ground }: ToWater, lifts: Brief['lifts'], limits: Limits): number {
  const far = metres > 0 ? limits.carryKgMetres / metres : Infinity;
  return PEOPLE[lifts] * FOOTING[ground] * Math.min(limits.aloneKg, far);
}

/** What one or two people lift easily, kg. */
export const liftedEasily = (lifts: Brief['lifts'], { aloneKg }: Pick<Limits, 'aloneKg'>): number => PEOPLE[lifts] * aloneKg;

/** Grounds that the wheels of a cart go over. */
export const ROLLS: Readonly<Record<ToWater['ground'], boolean>> = {
  hard: true,
  grass: true,
  ramp: true,
  sand: false,
  stones: false,
  steps: false,
};

/** Two scuppers abreast that take the posts of a cart. */
export interface CartPosts {
  readonly port: string;
  readonly starboard: string;
  readonly x: number;
}

/** Scuppers stand abreast within this, mm (judgement). */
const ABREAST = 10;
/** A post wants a scupper so wide, mm (judgement). */
const POST = 30;

/** Pairs of scuppers that the posts of a cart go through, the nearest to a place first. */
export function cartPosts({ scuppers }: Pick<HullModel, 'scuppers'>, taken: ReadonlySet<string>, near: number): CartPosts[] {
  const free = scuppers.filter((s) => s.diameter >= POST && !taken.has(s.id));
  return free
    .filter((s) => s.y < 0)
    .flatMap((p): CartPosts[] => {
      const twin = free.find((s) => s.y > 0 && Math.abs(s.x - p.x) <= ABREAST && Math.abs(s.y + p.y) <= 2 * ABREAST);
      return twin ? [{ port: p.id, starboard: twin.id, x: (p.x + twin.x) / 2 }] : [];
    })
    .sort((a, b) => Math.abs(a.x - near) - Math.abs(b.x - near));
}

/**
 * What is lifted at a handle while the boat stands on an axle: by moments about the axle. The other end's handle when the
 * boat tips that way.
 *
 * @param handles x of the handles, mm
 * @returns kg, and the handle it is lifted at; null where no handle is on that side
 */
export function liftedAt(
  load: { readonly kg: number; readonly x: number },
  axle: number,
  handles: readonly number[],
): { readonly kg: number; readonly x: number } | null {
  const arm = load.x - axle;
  const side = handles.filter((x) => Math.sign(x - axle) === Math.sign(arm));
  if (Math.abs(arm) < 1) return { kg: 0, x: axle };
  const far = side.sort((a, b) => Math.abs(b - axle) - Math.abs(a - axle))[0];
  return far === undefined ? null : { kg: (load.kg * arm) / (far - axle), x: far };
}
