import type { Hold } from '../../parts/parts';
import type { ShopSettings } from '../../parts/shop';
import { type HullSurface } from '../../boat/hull';
import type { Placed } from '../../layout';
import {
  allowed,
  bearing,
  boltGroup,
  type FastenerLoad,
  loadCases,
  type Mounted,
  plateFor,
  pullThrough,
  rocking,
  SCREWS,
  WALLS,
  workingLoad,
} from '../../holding/mounting';

/** How much a way of holding bears, over what the use asks of it; under one it fails. */
export interface Strength {
  readonly factor: number;
  /** What gives first, in words. */
  readonly rules: string;
  /** How far it rocks under its working pull, degrees; null where no wall bends. */
  readonly rocks: number | null;
  readonly load: FastenerLoad;
}

/** What holds without the wall's thickness bears, N a fastener (judgement): slot lips, moulded-in inserts, posts. */
const BEARS: Readonly<Partial<Record<Hold, number>>> = {
  track: 1200,
  insert: 600,
  scupper: 500,
  clamp: 350,
  // Two ties of 4.8 mm, 50 lbf a loop (the usual class, from memory), half of it for sun and a sharp edge (judgement).
  'cable tie': 222,
};
/** What a magnet bears sideways of what it bears straight out: it slides on wet steel (judgement). */
const MAGNET_SIDEWAYS = 0.2;
/** Hook-and-loop over its pad, wet and used: what it bears steadily before it peels, MPa (judgement). */
const HOOKS = 0.01;
/** A glue pad bears so much over its base in steady pull, MPa (judgement): it peels long before. */
const GLUE = { hull: 0.02, fabric: 0.06 } as const;
/** Flat wall about a fitting that bends with it, mm (judgement). */
const PANEL = 110;
/** Steel through the hull, MPa at proof: stainless A2-70 (ISO 3506, from memory), on the thread's stress area. */
const PROOF = 450;
/** An aluminium blind rivet bears about this over its section, MPa (judgement). */
const RIVET = 110;

const worst = (loads: readonly FastenerLoad[]): FastenerLoad => ({
  tension: Math.max(0, ...loads.map((l) => l.tension)),
  shear: Math.max(0, ...loads.map((l) => l.shear)),
});

/** Diameter of the fastener, and of the rim it is pulled through the wall by, mm. */
function sizes({ hold, thread, rivet, bore, plate, spots }: Mounted): { d: number; rim: number } {
  if (hold === 'rivet') return { d: rivet?.diameter ?? 4, rim: 2 * (rivet?.diameter ?? 4) };
  if (hold === 'screw') return { d: SCREWS[thread?.name ?? '']?.diameter ?? (bore ?? 4) / 0.76, rim: 0 };
  if (hold === 'well nut') return { d: bore ?? 10, rim: 1.35 * (bore ?? 10) };
  const d = thread?.diameter ?? 6;
  if (!plate) return { d, rim: thread?.washerDiameter ?? 2 * d };
  const { long, wide } = plateFor(spots, d, thread?.washerDiameter ?? 2 * d);
  // One plate behind them all: its rim is shared out among them.
  return { d, rim: (2 * (long + wide)) / Math.PI / Math.max(1, spots.length) };
}

interface Limit {
  readonly factor: number;
  readonly rules: string;
}

const least = (limits: readonly Limit[]): Limit => limits.reduce((a, b) => (b.factor < a.factor ? b : a));
const over = (may: number, does: number): number => (does > 1e-9 ? Math.min(99, may / does) : 99);

/**
 * What a way of holding bears against what the use of the part asks, shock included: every load case shared
 * out among its fasteners; then bearing and pull-through of the wall, the fastener itself, and how far a
 * small base rocks on a flexible wall. Null for what is only set in place or closed by its own nut.
 */
export function strengthOf(hull: HullSurface, placed: Placed, mounted: Mounted, shop: ShopSettings): Strength | null {
  const { part, fitting, frame } = placed;
  const { hold, spots } = mounted;
  if (hold === 'loose' || spots.length === 0) return null;
  const working = workingLoad(part);
  const under = (shock: number): FastenerLoad =>
    worst(loadCases(working, fitting.lift, shock).flatMap((f) => boltGroup(spots, f, part.body.base)));
  const load = under(shop.holding.shock);
  const bears = BEARS[hold];
  if (bears)
    return { ...only({ factor: over(bears, Math.hypot(load.tension, load.shear)), rules: BEAR_WORDS[hold] ?? '' }), load };
  if (hold === 'glue' || hold === 'hook and loop') {
    const area = part.body.base.length * part.body.base.width;
    const glue = GLUE[hull.model.material === 'pvc fabric' ? 'fabric' : 'hull'];
    const [most, rules] = hold === 'glue' ? [glue, 'the glue peels'] : [HOOKS, 'the hook-and-loop peels'];
    return { ...only({ factor: over(most * area, Math.hypot(load.tension, load.shear)), rules }), load };
  }
  if (hold === 'magnet') {
    const most = part.holding.magnet ?? 0;
    const used = Math.hypot(load.tension, load.shear / MAGNET_SIDEWAYS);
    return { ...only({ factor: over(most, used), rules: 'the magnet lets go' }), load };
  }
  const wall = WALLS[hull.model.material];
  if (!wall || placed.below) return null;
  const { d, rim } = sizes(mounted);
  const steel = hold === 'rivet' ? RIVET * 0.785 * d ** 2 : PROOF * (mounted.thread?.stressArea ?? 0.6 * d ** 2);
  // The pull that is held is judged against creep, the shock against the strength.
  const limits = (['held', 'shock'] as const).flatMap((how): Limit[] => {
    const may = allowed(wall)[how];
    const { shear, tension } = how === 'held' ? under(1) : load;
    const strips = may.shear * Math.PI * d * frame.wall * 0.5;
    return [
      { factor: over(may.bearing, bearing(shear, d, frame.wall)), rules: 'the hole pulls long in the wall' },
      hold === 'screw'
        ? { factor: over(strips, tension), rules: 'the threads strip out of the wall' }
        : { factor: over(may.shear, pullThrough(tension, rim, frame.wall)), rules: 'it pulls through the wall' },
      { factor: over(steel, Math.hypot(tension, 1.7 * shear)), rules: `the ${hold === 'rivet' ? 'rivet' : 'bolt'} itself gives` },
    ];
  });
  const plate = plateFor(spots, d, rim);
  const hub = mounted.plate ? Math.min(plate.long, plate.wide) / 2 : Math.min(part.body.base.length, part.body.base.width) / 2;
  const moment = working.newtons * (working.lever + fitting.lift);
  const stiff = wall.modulus[0];
  // Plate and wall bend together: as if the wall were thicker.
  const thick = mounted.plate ? Math.cbrt(frame.wall ** 3 + shop.holding.plate ** 3) : frame.wall;
  // What is let into the wall leans on its tube and the edge of its bore, not on its rim.
  const sunk = part.body.recess !== undefined;
  const rocks = working.toward === 'out' || sunk ? 0 : rocking(moment, hub, thick, stiff, PANEL);
  return { ...least(limits), rocks, load };
}

const only = (limit: Limit): Omit<Strength, 'load'> => ({ ...limit, rocks: null });

const BEAR_WORDS: Readonly<Partial<Record<Hold, string>>> = {
  track: 'the slot opens',
  insert: 'the insert turns or pulls out',
  scupper: 'its post bends',
  clamp: 'the clamp slips',
  'cable tie': 'a tie lets go',
};
