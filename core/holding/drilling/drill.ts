import type { ShopSettings } from '../../parts/shop';
import type { HullSurface } from '../../boat/hull';
import type { Ledger, LedgerHole } from '../../rig';
import type { Memory } from '../../base/stages';
import { drillGate, type DrillGate } from './gate';
import type { OtherHole } from './history';
import type { Fitted, PlannedHole } from '../fitted';

/** What the drilling follows from. */
export interface DrillingInput {
  readonly surface: HullSurface;
  readonly owned: readonly Fitted[];
  readonly ledger: Ledger;
  readonly shop: ShopSettings;
  /** Holes other rigs of this hull plan or use. */
  readonly others: readonly OtherHole[];
}

export interface Drilling {
  /** Every hole the rig makes or uses again, bow to stern. */
  readonly holes: readonly PlannedHole[];
  /** Holes this hull has that no fitting of the plan uses: scars, plugged or open. */
  readonly oldHoles: readonly LedgerHole[];
  /** What stands before the first hole. */
  readonly gate: DrillGate;
}

/** Every hole a rig makes, those the hull has besides, and whether it may be drilled. */
export function drill({ surface, owned, ledger, shop, others }: DrillingInput, memory: Memory): Drilling {
  const holes = owned.flatMap((i) => i.holes).sort((a, b) => a.at.x - b.at.x || a.at.y - b.at.y);
  const under = owned.flatMap((i) => i.under.map((h) => h.fact));
  const inUse = new Set([...holes.map((h) => h.drilled?.fact), ...under, ...others.map((o) => o.fact)]);
  const toMake = holes.filter((h) => !h.drilled || h.openUp).length;
  return {
    holes,
    oldHoles: ledger.holes.filter((h) => !inUse.has(h.fact)),
    gate: memory.last('gate', [surface, ledger, shop, toMake], () => drillGate(surface, ledger, shop, toMake)),
  };
}
