import { ChangeDetectionStrategy, Component, computed, inject, input, output, signal } from '@angular/core';
import {
  type Change,
  type Fitted,
  growthOver,
  lieOf,
  parseLength,
  printLength,
  ridersOf,
  SHORTEST,
  slotsOf,
} from '@plain-cleat/core';
import { Length } from '../hull-view/words';
import type { RigState } from '../stores/rig.store';
import { UnitsStore } from '../stores/units.store';

/** Bars of track are sold no longer (common practice, no source), mm. */
const LONGEST = 2440;

/** A track that is screwed on: how long it is cut, its holes, how it lies, what its heat wants, what rides on it. */
@Component({
  selector: 'pc-track-lines',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Length],
  template: `
    <form class="row" (submit)="$event.preventDefault(); cut(read.value)">
      <label class="field grow"
        ><span>Cut to</span><input #read [value]="length() | length" [attr.aria-invalid]="fault() ? true : null"
      /></label>
      <button class="way" type="submit">Cut</button>
      @if (item().placed.fitting.length) {
        <button class="link" type="button" (click)="emit(null)">As sold</button>
      }
    </form>
    @if (fault()) {
      <p class="fault" role="alert">{{ fault() }}</p>
    }
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
    form {
      flex-wrap: nowrap;
      align-items: end;
    }
    input {
      min-width: 0;
    }
  `,
})
export class TrackLines {
  readonly state = input.required<RigState>();
  readonly item = input.required<Fitted>();
  readonly changed = output<Change>();
  private readonly units = inject(UnitsStore);
  protected readonly fault = signal('');
  protected readonly length = computed(() => this.item().placed.part.base.length);
  protected readonly holes = computed(() =>
    this.item()
      .placed.part.holes.map((h) => h.u)
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
    ridersOf(this.state().workup.owned, this.item().placed.id).map((item) => {
      const { place } = item.placed;
      return { item, from: this.length() / 2 + (place.on === 'fitting' ? place.u : 0) };
    }),
  );

  private print = (mm: number, how: 'up' | 'down'): string => printLength(mm, this.units.system(), how);

  protected cut(text: string): void {
    const read = parseLength(text, this.units.system());
    const wrong = !read.ok
      ? read.says
      : read.mm < SHORTEST || read.mm > LONGEST
        ? `between ${this.print(SHORTEST, 'up')} and ${this.print(LONGEST, 'down')}, what a bar gives`
        : '';
    this.fault.set(wrong ? `Cut to: ${wrong}.` : '');
    if (!wrong && read.ok) this.emit(Math.round(read.mm * 10) / 10);
  }

  protected emit(to: number | null): void {
    const { id, fitting } = this.item().placed;
    this.changed.emit({ id: crypto.randomUUID(), kind: 'cutTrack', item: id, from: fitting.length ?? null, to });
  }
}
