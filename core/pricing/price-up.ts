import type { Catalog } from '../catalog';
import type { ShopSettings } from '../shop';
import type { Fitted } from '../drilling';
import type { Placed } from '../layout';
import type { Plan } from '../rig';
import { laborLines, type LaborLine } from '../labor';
import type { Wiring } from '../wiring';
import { priceLines, totals, type PriceLine, type Totals } from './ledger';

/** What a price follows from. */
export interface PriceInput extends Pick<Catalog, 'consumables'>, Pick<Plan, 'wishes'> {
  readonly owned: readonly Fitted[];
  readonly takenOff: readonly Placed[];
  readonly wiring: Pick<Wiring, 'runs' | 'guards'>;
  readonly shop: ShopSettings;
}

/** What a rig costs. */
export interface Price {
  readonly lines: readonly PriceLine[];
  readonly labor: readonly LaborLine[];
  readonly totals: Totals;
}

/** Prices a rig: its parts and materials, its labor, and their sums. */
export function priceUp({ wishes, owned, takenOff, wiring, consumables, shop }: PriceInput): Price {
  const lines = priceLines(owned, wiring, { consumables, wishes });
  const labor = laborLines(owned, takenOff, wiring.runs, shop.labor);
  return { lines, labor, totals: totals(lines, labor, shop) };
}
