import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import { QuantityField } from '../controls/quantity';
import { MatButtonModule } from '@angular/material/button';
import type { Fitted } from '@plain-cleat/core/holding/fitted';
import type { Change } from '@plain-cleat/core/rig';
import { growthOver, lieOf, ridersOf, SHORTEST, slotsOf } from '@plain-cleat/core/holding/tracks';
import { printLength } from '@plain-cleat/core/base/units';
import { Length } from '../boat-view/words';
import type { RigState } from '../stores/rig.store';
import { UnitsStore } from '../stores/units.store';
import { field, liveForm } from '../controls/live-form';
import { tenths } from '../seats/limits';

/** Bars of track are sold no longer (common practice, no source), mm. */
const LONGEST = 2440;

/** A track that is screwed on: how long it is cut, its holes, how it lies, what its heat wants, what rides on it. */
@Component({
  selector: 'pc-track-lines',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Length, MatButtonModule, QuantityField],
  template: `
    <div class="row cut">
      <pc-quantity
        class="grow"
        label="Cut to"
        kind="length"
        [least]="shortest"
        [most]="longest"
        [control]="form.controls.length"
      />
      @if (item().placed.fitting.length) {
        <button mat-button type="button" (click)="emit(null)">As sold</button>
      }
    </div>
    <ul class="facts small">
      <li>
        <span>Holes</span><span>{{ holes().length }}, {{ pitch() | length }} apart, {{ end() | length }} from the ends</span>
      </li>
      <li>
        <span>Lies</span>
        <span>{{ lie().gap < 0.5 ? 'flat' : (lie().gap | length: 'up') + ' of air under it' }}{{ edge() }}</span>
      </li>
      <li>
        <span>Heat</span>
        <span
          >the hull grows up to {{ growth() | length: 'up' }} more;
          @if (slotted().length) {
            fix {{ fixed() }}, slot
            @for (s of slotted(); track s.label) {
              {{ s.label }} by {{ s.slot | length: 'up' }}{{ $last ? '' : ', ' }}
            }
          } @else {
            round holes do
          }
        </span>
      </li>
      @for (r of riders(); track r.item.placed.id) {
        <li>
          <span
            ><b>{{ r.item.letter }}</b> {{ r.item.placed.part.name }}</span
          ><span>{{ r.from | length }} from its forward end</span>
        </li>
      } @empty {
        <li><span class="muted">Nothing rides on it yet.</span><span></span></li>
      }
    </ul>
  `,
  styles: `
    .cut {
      flex-wrap: nowrap;
      align-items: flex-start;
    }
  `,
})
export class TrackLines {
  readonly state = input.required<RigState>();
  readonly item = input.required<Fitted>();
  readonly changed = output<Change>();
  private readonly units = inject(UnitsStore);
  protected readonly shortest = SHORTEST;
  protected readonly longest = LONGEST;
  protected readonly length = computed(() => this.item().placed.part.body.base.length);
  protected readonly form = liveForm(
    {
      length: field<number | null>(
        () => this.length(),
        (mm) => this.emit(tenths(mm)),
      ),
    },
    () => this.item().placed.id,
  );
  protected readonly holes = computed(() =>
    this.item()
      .placed.part.holes.at.map((h) => h.u)
      .sort((a, b) => a - b),
  );
  protected readonly pitch = computed(() => (this.holes()[1] ?? 0) - (this.holes()[0] ?? 0));
  protected readonly end = computed(() => this.length() / 2 + (this.holes()[0] ?? 0));
  protected readonly lie = computed(() => lieOf(this.state().workup.surface, this.item().placed));
  protected readonly edge = computed(() => {
    const { edge } = this.lie();
    return edge ? `, ${this.print(edge.least, 'down')} to ${this.print(edge.most, 'up')} from the edge` : '';
  });
  private readonly slots = computed(() => slotsOf(this.item(), this.state().doc.hull.material, this.state().doc.shop.holding));
  protected readonly slotted = computed(() => this.slots().filter((s) => s.slot > 0));
  protected readonly fixed = computed(() => this.slots().find((s) => s.slot === 0)?.label ?? 'the middle');
  protected readonly growth = computed(
    () => growthOver(this.length(), this.state().doc.hull.material, this.state().doc.shop.holding.heat)[1],
  );
  protected readonly riders = computed(() =>
    ridersOf(this.state().workup.aboard.owned, this.item().placed.id).map((item) => {
      const { place } = item.placed;
      return { item, from: this.length() / 2 + (place.on === 'fitting' ? place.u : 0) };
    }),
  );

  private print = (mm: number, how: 'up' | 'down'): string => printLength(mm, this.units.system(), how);

  protected emit(to: number | null): void {
    const { id, fitting } = this.item().placed;
    this.changed.emit({ id: crypto.randomUUID(), kind: 'cutTrack', item: id, from: fitting.length ?? null, to });
  }
}
