import { ChangeDetectionStrategy, Component, computed, effect, inject, input, signal, untracked } from '@angular/core';
import { Api } from '../stores/api';
import { MatButtonModule } from '@angular/material/button';
import { type Newer, ROUTES } from '@plain-cleat/api';
import { printMoney, tell } from '@plain-cleat/core/units';
import { type Alteration, workUp, whatAlters } from '@plain-cleat/core/workup';
import { inputOf, RigStore, type RigState } from '../stores/rig.store';
import { UnitsStore } from '../stores/units.store';

type Pin = 'hull' | 'catalog' | 'shop';
const NAMES: Readonly<Record<Pin, string>> = { hull: 'This hull', catalog: 'The parts list', shop: "The shop's settings" };

/** Offers a newer revision of hull, parts or settings, and says what taking it would alter. */
@Component({
  selector: 'pc-newer',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatButtonModule],
  template: `
    @for (o of offers(); track o.pin) {
      <div class="note box" role="status">
        <span>
          {{ o.name }} went from revision {{ o.from }} to {{ o.to }} since this plan was made.
          @if (seen()?.pin === o.pin) {
            {{ says() }}
          }
        </span>
        <span class="row">
          @if (seen()?.pin === o.pin) {
            <button mat-stroked-button type="button" (click)="take(o)">Update to revision {{ o.to }}</button>
          } @else {
            <button mat-button class="link" type="button" (click)="look(o.pin)">See what changes</button>
          }
          <button mat-button class="link" type="button" (click)="later(o.pin)">Later</button>
        </span>
      </div>
    }
  `,
  styles: `
    .note {
      display: flex;
      justify-content: space-between;
      align-items: center;
      gap: 14px;
      margin: 8px 18px 0;
    }
  `,
})
export class NewerRevisions {
  readonly state = input.required<RigState>();
  private readonly api = inject(Api);
  private readonly store = inject(RigStore);
  private readonly units = inject(UnitsStore);
  private readonly newer = signal<Newer | null>(null);
  private readonly put = signal<ReadonlySet<Pin>>(new Set());
  protected readonly seen = signal<{ pin: Pin; alters: Alteration } | null>(null);
  private readonly rig = computed(() => this.state().doc.id);
  private readonly pins = computed(() => JSON.stringify(this.state().plan.pins));

  protected readonly offers = computed(() => {
    const newer = this.newer();
    const { pins } = this.state().plan;
    const now: Readonly<Record<Pin, number>> = { hull: pins.hull.revision, catalog: pins.catalog, shop: pins.shop };
    return (['hull', 'catalog', 'shop'] as const).flatMap((pin) => {
      const to = newer?.[pin]?.revision ?? 0;
      return to > now[pin] && !this.put().has(pin) ? [{ pin, name: NAMES[pin], from: now[pin], to }] : [];
    });
  });

  constructor() {
    let asked = '';
    effect(() => {
      const rig = this.rig();
      const about = `${rig} ${this.pins()}`;
      // Asked while a change of the pins is on its way, the server would answer about the ones before.
      if (this.state().waiting > 0 || about === asked) return;
      asked = about;
      untracked(() => this.seen.set(null));
      this.api.call(ROUTES.newer, { rig }).subscribe({ next: (n) => this.newer.set(n), error: () => this.newer.set(null) });
    });
  }

  protected look(pin: Pin): void {
    const { plan, doc, facts, workup } = this.state();
    const newer = this.newer();
    const own = inputOf(doc);
    const taken = newer?.[pin] ? { [pin]: newer[pin] } : {};
    const after = workUp({ ...own, ...taken, plan, facts });
    // The whole rig both times, whatever set is being shown.
    const before = this.state().set === null ? workup : workUp({ ...own, plan, facts });
    this.seen.set({ pin, alters: whatAlters(before, after) });
  }

  protected readonly says = computed((): string => {
    const a = this.seen()?.alters;
    if (!a) return '';
    const system = this.units.system();
    const named = (list: Alteration['raised']): string =>
      list
        .slice(0, 3)
        .map((f) => tell(f.says, system))
        .join(' ');
    const more = (n: number): string => (n > 0 ? 'more' : 'less');
    const all = [
      a.raised.length ? `New to settle: ${a.raised.length}. ${named(a.raised)}` : '',
      a.settled.length ? `Settled: ${a.settled.length}. ${named(a.settled)}` : '',
      a.cents ? `${printMoney(Math.abs(a.cents))} ${a.cents > 0 ? 'dearer' : 'cheaper'}.` : '',
      a.minutes ? `${Math.round(Math.abs(a.minutes))} minutes ${more(a.minutes)}.` : '',
      a.holes ? `${a.holes} planned holes move.` : '',
    ].filter(Boolean);
    return all.length ? all.join(' ') : 'It changes nothing in this plan.';
  });

  protected take(o: { pin: Pin; from: number; to: number }): void {
    this.store.change({ id: crypto.randomUUID(), kind: 'adoptRevision', pin: o.pin, from: o.from, to: o.to });
  }

  protected later(pin: Pin): void {
    this.put.update((p) => new Set([...p, pin]));
  }
}
