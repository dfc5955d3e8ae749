import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { entryOf, type Fitting, lineInWords, type PriceLine, printMoney, SUPPLIERS, unsettled } from '@plain-cleat/core';
import { FindingBox } from '../findings/finding-box';
import { documentUrl } from '../stores/document-url';
import { RigStore } from '../stores/rig.store';
import { UnitsStore } from '../stores/units.store';

/** The ledger bow to stern: items, then what follows from holes and runs, labor, tax, to pay. */
@Component({
  selector: 'pc-price',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [FindingBox],
  templateUrl: './price.html',
  styles: `
    .sum td {
      font-weight: 600;
    }
    .pay td {
      font:
        600 20px 'Barlow Semi Condensed',
        sans-serif;
      border-bottom: 2px solid var(--ink);
    }
    td .mark {
      height: 28px;
      min-width: 28px;
    }
    select.line {
      min-height: 32px;
      width: auto;
      padding: 0 6px;
    }
    td {
      padding: 3px 8px;
    }
  `,
})
export default class Price {
  protected readonly store = inject(RigStore);
  private readonly units = inject(UnitsStore);
  protected readonly money = printMoney;
  protected readonly suppliers = SUPPLIERS;
  protected readonly letters = computed(() => new Map(this.store.state()?.workup.items.map((i) => [i.placed.id, i.letter])));
  protected readonly findings = computed(() =>
    unsettled(this.store.state()?.workup.findings ?? []).filter((f) => f.step === 'price'),
  );
  protected readonly labor = computed(() => this.store.state()?.workup.labor.filter((l) => l.minutes > 0) ?? []);
  protected readonly overBudget = computed(() => {
    const state = this.store.state();
    const budget = state?.plan.brief.budgetCents ?? null;
    return state && budget !== null ? state.workup.totals.totalCents - budget : null;
  });

  protected words = (l: PriceLine): { each: string; quantity: string } => lineInWords(l, this.units.system());

  protected from = (l: PriceLine): Fitting['suppliedBy'] | null =>
    entryOf(this.store.state()?.plan.fittings, l.fitting ?? '')?.suppliedBy ?? null;

  protected supply(item: string, to: string): void {
    const from = entryOf(this.store.state()?.plan.fittings, item)?.suppliedBy;
    if (from) this.store.change({ id: crypto.randomUUID(), kind: 'supplyItem', item, from, to: to as Fitting['suppliedBy'] });
  }

  protected file = (name: string): string => documentUrl(this.store.state()?.doc.id ?? '', name, this.units.system());
}
