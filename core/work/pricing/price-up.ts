import type { Catalog } from '../../parts/catalog';
import type { ShopSettings } from '../../parts/shop';
import type { Fitted } from '../../holding/fitted';
import type { Placed } from '../../layout';
import type { LedLine } from '../../lines';
import type { Plan } from '../../rig';
import { laborLines, type LaborItem } from '../labor';
import { cablesOf, type Wiring } from '../../electric/wiring';
import { priceLines, totals, type PriceItem, type Totals } from './price-items';

/** What a price follows from. */
export interface PriceInput extends Pick<Catalog, 'consumables'>, Pick<Plan, 'wishes'> {
  readonly owned: readonly Fitted[];
  readonly takenOff: readonly Placed[];
  readonly wiring: Pick<Wiring, 'runs' | 'signals' | 'guards' | 'rules'>;
  readonly lines: readonly LedLine[];
  readonly shop: ShopSettings;
}

/** What a rig costs. */
export interface Price {
  readonly lines: readonly PriceItem[];
  readonly labor: readonly LaborItem[];
  readonly totals: Totals;
}

/** Prices a rig: its parts and materials, its labor, and their sums. */
export function priceUp({ wishes, owned, takenOff, wiring, lines, consumables, shop }: PriceInput): Price {
  const ledger = priceLines(owned, { ...wiring, lines }, { consumables, wishes });
  const labor = laborLines(owned, takenOff, { cables: cablesOf(wiring), lines }, shop.labor);
  return { lines: ledger, labor, totals: totals(ledger, labor, shop) };
}
