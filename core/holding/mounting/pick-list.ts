import type { ShopSettings } from '../../parts/shop';
import type { Placed } from '../../layout';
import type { Mounted } from './mounted';

/** One line of what a rigger takes from the bins. */
export interface Pick {
  readonly what: string;
  /** As many as the plan counts. */
  readonly count: number;
  /** And so many more: one gets lost. */
  readonly spares: number;
}

/**
 * Fasteners of a rig by name, with their washers and nuts, and spares by the shop's share, one at the least.
 *
 * @param items the rig's fittings with how each is held
 */
export function pickList(items: readonly { readonly placed: Placed; readonly mounted: Mounted }[], shop: ShopSettings): Pick[] {
  const counts = new Map<string, number>();
  const add = (what: string, count: number): void => {
    if (count > 0) counts.set(what, (counts.get(what) ?? 0) + count);
  };
  for (const { mounted } of items) {
    const { fastener, count, hold, thread, plate, there } = mounted;
    if (!fastener || there) continue;
    add(fastener, count);
    if (hold === 'through' && thread) {
      add(`Washer ${thread.name}`, count);
      add(`${shop.holding.nut === 'lock' ? 'Lock nut' : 'Nut'} ${thread.name}`, count);
    }
    if (plate) add('Backing plate, cut', 1);
  }
  return [...counts]
    .sort(([a], [b]) => (a < b ? -1 : 1))
    .map(([what, count]) => ({
      what,
      count,
      spares: what === 'Backing plate, cut' ? 0 : Math.max(1, Math.ceil(count * shop.holding.spares - 1e-9)),
    }));
}
