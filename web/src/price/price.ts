import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { ChoiceField, choicesOf } from '../controls/choice-field';
import { MatButtonModule } from '@angular/material/button';
import { unsettled } from '@plain-cleat/core/checks/findings';
import { lineInWords, type PriceItem } from '@plain-cleat/core/work/pricing';
import { entryOf, type Fitting, SUPPLIERS, placedWords } from '@plain-cleat/core/rig';
import { printMoney } from '@plain-cleat/core/base/units';
import { FindingBox } from '../findings/finding-box';
import { documentUrl, type Printed } from '../stores/document-url';
import { Print } from '../rig/print';
import { RigStore } from '../stores/rig.store';
import { UnitsStore } from '../stores/units.store';
import { byForm, field, liveRows } from '../controls/live-form';
import { Table, TableColumn } from '../controls/table';

/** The ledger bow to stern: items, then what follows from holes and runs, labor, tax, to pay. */
@Component({
  selector: 'pc-price',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Print, FindingBox, MatButtonModule, Table, TableColumn, ChoiceField],
  templateUrl: './price.html',
  styles: `
    .totals {
      margin-left: auto;
      max-width: 480px;
    }
    .totals > div {
      font-weight: 600;
    }
    .totals .pay {
      font:
        600 20px 'Barlow Semi Condensed',
        sans-serif;
      border-bottom: 2px solid var(--ink);
    }
    td .mark {
      height: 28px;
      min-width: 28px;
    }
    .from {
      display: block;
      width: 130px;
      padding: 3px 0;
    }
  `,
})
export default class Price {
  protected readonly placed = placedWords;
  protected readonly store = inject(RigStore);
  private readonly units = inject(UnitsStore);
  protected readonly money = printMoney;
  protected readonly suppliers = choicesOf(SUPPLIERS);
  protected readonly byForm = byForm;
  protected readonly letters = computed(
    () => new Map(this.store.state()?.workup.aboard.items.map((i) => [i.placed.id, i.letter])),
  );
  protected readonly findings = computed(() =>
    unsettled(this.store.state()?.workup.findings ?? []).filter((f) => f.step === 'price'),
  );
  protected readonly labor = computed(() => this.store.state()?.workup.price.labor.filter((l) => l.minutes > 0) ?? []);
  protected readonly overBudget = computed(() => {
    const state = this.store.state();
    const budget = state?.plan.brief.budgetCents ?? null;
    return state && budget !== null ? state.workup.price.totals.totalCents - budget : null;
  });

  protected words = (l: PriceItem): { each: string; quantity: string } => lineInWords(l, this.units.system());

  protected readonly lines = liveRows(
    () => this.store.state()?.workup.price.lines ?? [],
    (line) => ({
      by: field(
        () => entryOf(this.store.state()?.plan.fittings, line().fitting ?? '')?.suppliedBy ?? null,
        (by) => this.supply(line().fitting ?? '', by),
      ),
    }),
    (line) => line.key,
  );

  private supply(item: string, to: Fitting['suppliedBy'] | null): void {
    const from = entryOf(this.store.state()?.plan.fittings, item)?.suppliedBy;
    if (from && to) this.store.change({ id: crypto.randomUUID(), kind: 'supplyItem', item, from, to });
  }

  protected file = (name: Printed): string => documentUrl(this.store.state()?.doc.id ?? '', name, this.units.system());
}
