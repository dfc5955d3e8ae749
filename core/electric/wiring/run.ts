import type { ShopSettings } from '../../parts/shop';
import type { BoxedHazard, HullSurface } from '../../boat/hull';
import type { Placed } from '../../layout';
import { isLaid, isThere, type Feeding, type Run } from '../../rig';
import { cableBetween } from './jacks';
import { hazardsOn } from './obstacles';
import { pathLength, type Point } from '../../base/units';
import { routeRun, type Routed } from './route';

/** A cable as it lies. */
export interface Laid extends Routed {
  readonly id: string;
  readonly run: Run;
  /** Along the path, mm. */
  readonly length: number;
  /** Cut length of each conductor, mm: of a cable that is there already, how long that is. */
  readonly cut: number;
  /** What it would be cut to: the path with its loops and slack, mm. */
  readonly wanted: number;
  /** What it is not cut for: it comes with a part, is sold with its plugs on, or lies in the boat; null for one that is cut. */
  readonly given: 'with its part' | 'ready made' | 'aboard' | null;
  /** What a signal cable is bought as; null for one that comes with a part, lies aboard, or is sold in no length. */
  readonly material: string | null;
  /** It lies in the boat as it lay: it is neither pulled nor ended. */
  readonly there: boolean;
  /** What of the hull's inside it goes through. */
  readonly through: readonly BoxedHazard[];
  /** Some of it lies in a room that gets hot. */
  readonly hot: boolean;
}

/** What is the same of a cable that feeds and of one that carries signals. */
export interface LaidRun
  extends
    Pick<Laid, 'id' | 'lies' | 'path' | 'legs' | 'glands' | 'length' | 'cut' | 'wanted' | 'given' | 'there' | 'through'>,
    Pick<Run, 'from' | 'to' | 'lane'> {}

/** Path plus a loop at each end plus slack, rounded up to what is cut. */
export const cutLength = (length: number, w: ShopSettings['wiring']): number =>
  Math.ceil((length * (1 + w.slackPercent / 100) + 2 * w.loop) / w.cutTo - 1e-9) * w.cutTo;

/** A run with both its ends aboard. */
export interface RunInput {
  readonly hull: HullSurface;
  readonly id: string;
  readonly run: Run;
  readonly from: Placed;
  readonly to: Placed;
  readonly shop: ShopSettings;
  /** The glands it goes through. */
  readonly glands: readonly Placed[];
}

/** How far the middle of what moves on a part goes, mm: its cable follows. */
function travelOf({ part }: Pick<Placed, 'part'>): number {
  const far = (part.body.moves ?? []).map(({ solid, hinge, turns, slides }) => {
    const mid = (k: 'u' | 'v' | 'w'): number => (solid[k][0] + solid[k][1]) / 2 - hinge[k];
    const arm = Math.hypot(mid('u'), mid('v'), mid('w'));
    const chord = 2 * arm * Math.abs(Math.sin((Math.min(180, Math.abs(turns)) * Math.PI) / 360));
    return chord + (slides ? Math.hypot(slides.u, slides.v, slides.w) : 0);
  });
  return Math.max(0, ...far);
}

/** A drip loop where a cable comes down to a gland or goes in from outside (judgement), mm. */
const DRIP = 60;

/** Lays one run: its path, its length, what is cut. */
export function layRun({ hull, id, run, from, to, shop, glands }: RunInput): Laid {
  const glandAt = (fitting: string): Point | undefined => glands.find((g) => g.id === fitting)?.frame.origin;
  const routed = routeRun(hull, run, from.frame.origin, to.frame.origin, glandAt);
  const length = pathLength(routed.path);
  const loops = shop.wiring.follows * (travelOf(from) + travelOf(to)) + DRIP * routed.glands.length + (run.loop ?? 0);
  const wanted = cutLength(length + loops, shop.wiring);
  const as = asItComes(run, from, to, wanted);
  const stood = new Set([from, to, ...glands].flatMap((p) => (isThere(p.fitting, p.place) ? [p.id] : [])));
  const there = isLaid(run, (fitting) => stood.has(fitting));
  const through = hazardsOn(hull, routed.legs);
  return {
    ...routed,
    id,
    run,
    length,
    wanted,
    there,
    through,
    hot: liesHot(hull, routed, shop.wiring.hot),
    cut: as?.cut ?? wanted,
    given: as?.given ?? null,
    material: as?.material ?? null,
  };
}

/** Whether some of a cable lies inside where a room gets hot, at the same place along the boat. */
const liesHot = ({ model: { spaces = [] } }: HullSurface, { legs }: Pick<Routed, 'legs'>, hot: readonly string[]): boolean =>
  spaces
    .filter((s) => hot.some((name) => name.toLowerCase() === s.name.toLowerCase()))
    .some((s) =>
      legs.some(({ from, to, inside }) => inside && Math.min(from.x, to.x) < s.aft && Math.max(from.x, to.x) > s.fore),
    );

/** How long a cable is that is not cut; null for one that is. */
function asItComes(run: Run, from: Placed, to: Placed, wanted: number): Pick<Laid, 'cut' | 'given' | 'material'> | null {
  if (run.aboard) return { cut: run.aboard.cut, given: 'aboard', material: null };
  if (run.has === 'signal') {
    const cable = cableBetween(from.part.signal, to.part.signal, wanted);
    return cable && { ...cable, given: cable.material === null ? 'with its part' : 'ready made' };
  }
  const own = to.part.power?.cable;
  return own === undefined ? null : { cut: own, given: 'with its part', material: null };
}

/** Which conductors of a cable feed; null for a signal cable. */
export const feedsOver = ({ has = 'both' }: Pick<Run, 'has'>): Feeding | null => (has === 'signal' ? null : has);

/** How many conductors of a cable feed something. */
export const conductorsIn = ({ has = 'both' }: Pick<Run, 'has'>): number => (has === 'both' ? 2 : has === 'signal' ? 0 : 1);

/** So far side by side a screen hears the motor (judgement), mm. */
export const BESIDE_MOTOR = 300;

/** Over how much of their length two cables lie side by side, mm. */
export const sideBySide = (a: Pick<Routed, 'lies'>, b: Pick<Routed, 'lies'>): number =>
  a.lies.reduce(
    (sum, s) =>
      sum +
      b.lies.reduce(
        (more, t) => more + (s.lane === t.lane ? Math.max(0, Math.min(s.to, t.to) - Math.max(s.from, t.from)) : 0),
        0,
      ),
    0,
  );

/**
 * The most conductors that lie side by side with each cable anywhere along its lanes, its own among them. Where a cable begins
 * another may join it, so looking at every beginning is enough.
 * @returns by the id of the cable
 */
export function bundlesOf(all: readonly Pick<Laid, 'id' | 'lies' | 'run'>[]): ReadonlyMap<string, number> {
  const most = new Map(all.map(({ id, run }) => [id, conductorsIn(run)]));
  for (const lane of new Set(all.flatMap(({ lies }) => lies.map((s) => s.lane)))) {
    const lying = all.flatMap(({ id, lies, run }) => {
      const along = lies.filter((s) => s.lane === lane);
      return along.length ? [{ id, along, conductors: conductorsIn(run) }] : [];
    });
    const lieAt = (along: Routed['lies'], x: number): boolean => along.some((s) => s.from <= x && x <= s.to);
    for (const x of new Set(lying.flatMap(({ along }) => along.map((s) => s.from)))) {
      const there = lying.filter(({ along }) => lieAt(along, x));
      const conductors = there.reduce((sum, o) => sum + o.conductors, 0);
      for (const { id } of there) most.set(id, Math.max(most.get(id) ?? 0, conductors));
    }
  }
  return most;
}
