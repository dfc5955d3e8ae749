import type { Fitted } from '../../holding/fitted';
import { slicesOf, type Floating } from '../../water/float';
import type { HullSurface } from '../../boat/hull';
import type { Brief, Day } from '../../rig';
import type { Memory } from '../../base/stages';
import type { Wiring } from '../wiring';
import { ownBatteries, type OwnBatteryDay, type UsbDay } from './own-battery';
import { wettedOf } from './resistance';
import { simulateDay, type DayWorked } from './simulate';
import { usualDay } from './usual';

/** What a day on the water follows from. */
export interface GoOutInput {
  readonly surface: HullSurface;
  readonly wiring: Wiring;
  readonly owned: readonly Fitted[];
  readonly float: Floating;
  readonly day: Day | null;
  readonly brief: Brief;
}

/** A day worked out: what hangs on the boat's batteries, and what runs on one of its own. */
export interface DayOut extends DayWorked {
  readonly day: Day;
  readonly own: readonly OwnBatteryDay[];
  readonly usb: UsbDay;
}

/** The day that the plan has, or the usual one of its brief, worked out. */
export function goOut({ surface, wiring, owned, float, day, brief }: GoOutInput, memory: Memory): DayOut {
  const slices = memory.last('slices', [surface], () => slicesOf(surface));
  const wetted = memory.last('wetted', [slices, float], () => wettedOf(slices, float));
  const planned = day ?? usualDay(brief);
  return { ...simulateDay({ day: planned, wiring, owned, wetted }), ...ownBatteries(planned, owned, wiring), day: planned };
}
