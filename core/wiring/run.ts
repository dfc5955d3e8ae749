import type { ShopSettings } from '../shop';
import type { HullSurface } from '../hull';
import type { Placed } from '../layout';
import type { Run } from '../rig';
import type { Point } from '../units';
import { laneSpan, pathLength, routePath } from './route';

/** A cable as it lies. */
export interface Laid {
  readonly id: string;
  readonly run: Run;
  readonly path: readonly Point[];
  /** Along the path, mm. */
  readonly length: number;
  /** Cut length of each conductor, mm. */
  readonly cut: number;
  /** From where to where it lies in its lane, mm from the bow. */
  readonly span: readonly [number, number];
}

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
}

/** Lays one run: its path, its length, what is cut. */
export function layRun({ hull, id, run, from, to, shop }: RunInput): Laid {
  const path = routePath(hull, run, from.frame.origin, to.frame.origin);
  const length = pathLength(path);
  return {
    id,
    run,
    path,
    length,
    cut: cutLength(length, shop.wiring),
    span: laneSpan(run, from.frame.origin.x, to.frame.origin.x),
  };
}

/** How many conductors lie in a cable. */
export const conductorsIn = ({ has = 'both' }: Pick<Run, 'has'>): number => (has === 'both' ? 2 : 1);

/**
 * The most conductors that lie side by side with a cable anywhere along its lane, its own among them. Where a cable begins or
 * ends another may begin, so looking at every beginning is enough.
 */
export function bundleOf(one: Laid, all: readonly Laid[]): number {
  const beside = all.filter((o) => o.run.lane === one.run.lane && o.span[0] <= one.span[1] && o.span[1] >= one.span[0]);
  const starts = beside.map((o) => Math.max(o.span[0], one.span[0]));
  const at = (x: number): number =>
    beside.reduce((sum, o) => sum + (o.span[0] <= x && x <= o.span[1] ? conductorsIn(o.run) : 0), 0);
  return Math.max(conductorsIn(one.run), ...starts.map(at));
}
