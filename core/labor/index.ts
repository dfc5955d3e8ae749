import type { ShopSettings } from '../catalog';
import type { Placed } from '../layout';
import type { Mounted } from '../mounting';
import type { PlannedHole } from '../drilling';
import type { WiredRun } from '../wiring';

/** Minutes of one piece of work, by the shop's standard times. */
export interface LaborLine {
  readonly of: string;
  readonly says: string;
  readonly minutes: number;
}

/** Minutes to hold one fitting: its mount, its holes, its plate, more where nothing reaches behind. */
export function mountMinutes(mounted: Mounted, holes: readonly PlannedHole[], shop: ShopSettings['labor']): number {
  const awkward = holes.some((h) => h.behind.blocked) ? shop.awkward : 1;
  const plate = mounted.plate ? shop.plateMinutes : 0;
  return shop.mount[mounted.hold] + awkward * (holes.length * shop.holeMinutes + plate);
}

/** Minutes to pull, terminate and test one run: two conductors, two ends each. */
export function runMinutes(run: WiredRun, shop: ShopSettings['labor']): number {
  const where = run.lane.startsWith('inside') ? 'inside' : 'outside';
  return (run.cut / 1000) * shop.runMinutesPerMetre[where] + 4 * shop.terminationMinutes + shop.circuitTestMinutes;
}

/** All labor of the rig, bow to stern, set-up first. */
export function laborLines(
  items: readonly { placed: Placed; mounted: Mounted; holes: readonly PlannedHole[] }[],
  runs: readonly WiredRun[],
  shop: ShopSettings['labor'],
): LaborLine[] {
  const lines: LaborLine[] = [{ of: 'rig', says: 'Receive, inspect, hand over', minutes: shop.setUpMinutes }];
  for (const { placed, mounted, holes } of items)
    lines.push({ of: placed.id, says: placed.part.name, minutes: mountMinutes(mounted, holes, shop) });
  for (const run of runs) lines.push({ of: run.id, says: 'Pull, terminate, test', minutes: runMinutes(run, shop) });
  return lines;
}
