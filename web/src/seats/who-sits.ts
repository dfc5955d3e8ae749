import { ChangeDetectionStrategy, Component, computed, inject, input, signal } from '@angular/core';
import { Toggle } from '../controls/toggle';
import { entryOf, type RigSet, type Sits, sameJson } from '@plain-cleat/core/rig';
import { QuantityField } from '../controls/quantity';
import { LIMITS, tenths } from './limits';
import { RigStore, type RigState } from '../stores/rig.store';
import { SeatRange } from './seat-range';
import { SitterFields, type SitterTyped } from './sitter-fields';
import { field, liveRows } from '../controls/live-form';

type Seat = 'first' | 'second';
type Body = NonNullable<NonNullable<Sits['first']>['body']>;

/** Who sits in a set, and how, where that is another than in the brief: a guest's body, the seat set elsewhere. */
@Component({
  selector: 'pc-who-sits',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Toggle, QuantityField, SeatRange, SitterFields],
  template: `
    @for (seat of seats(); track seat.controls) {
      <section>
        <h3>{{ seat.of.name === 'first' ? 'Seat' : 'Second seat' }} in “{{ one().name }}”</h3>
        @if (seat.of.name === 'second') {
          <pc-toggle name="The second seat" [choices]="taken" [value]="one().sits?.second === null" (chosen)="empty($event)" />
        }
        @if (seat.of.name === 'first' || one().sits?.second !== null) {
          <div class="row">
            <pc-quantity
              class="short"
              label="Guest’s height"
              kind="stature"
              placeholder="as in the brief"
              [optional]="true"
              [least]="limits.stature.least"
              [most]="limits.stature.most"
              [control]="seat.controls.stature"
            />
            <pc-quantity
              class="short"
              label="Guest’s weight"
              kind="mass"
              placeholder="as in the brief"
              [optional]="true"
              [least]="limits.weight.least"
              [most]="limits.weight.most"
              [control]="seat.controls.weightKg"
            />
            <pc-sitter-fields
              placeholder="as in the brief"
              hand="as in the brief"
              [sits]="seat.of.sits"
              (typed)="set(seat.of.name, $event)"
            />
          </div>
          @if (wanted(seat.of.name); as says) {
            <p class="small" role="status">{{ says }}</p>
          }
        }
      </section>
    }
    <pc-seat-range [state]="state()" [set]="of()" />
  `,
  styles: `
    :host {
      display: flex;
      flex-direction: column;
      gap: 10px;
      padding: 10px 18px;
      border-bottom: 1px solid var(--line);
    }
    .short {
      width: 150px;
    }
  `,
})
export class WhoSits {
  protected readonly taken = [
    { value: false, says: 'Somebody sits there' },
    { value: true, says: 'Nobody' },
  ];
  readonly state = input.required<RigState>();
  /** The set it is about. */
  readonly of = input.required<string>();
  private readonly store = inject(RigStore);
  protected readonly limits = LIMITS;
  /** A body half typed: both figures make one. */
  private readonly half = signal<{ readonly seat: Seat; readonly body: Partial<Body> } | null>(null);

  protected readonly one = computed((): RigSet => entryOf(this.state().plan.sets, this.of()) ?? { name: '', order: 0 });
  private readonly sitting = computed(() => {
    const { sits } = this.one();
    const first = { name: 'first' as const, sits: sits?.first };
    const second = { name: 'second' as const, sits: sits?.second ?? undefined };
    return this.state().doc.hull.secondSeat ? [first, second] : [first];
  });

  protected readonly seats = liveRows(
    () => this.sitting(),
    (seat) => ({ stature: this.figure(() => seat().name, 'stature'), weightKg: this.figure(() => seat().name, 'weightKg') }),
    (seat) => `${this.of()} ${seat.name}`,
  );

  private figure(seat: () => Seat, key: keyof Body) {
    return field(
      () => this.bodyOf(seat())[key],
      (value) => this.setBody(seat(), key, value),
    );
  }

  private bodyOf(seat: Seat): { stature: number | null; weightKg: number | null } {
    const half = this.half();
    const body = half?.seat === seat ? half.body : this.one().sits?.[seat]?.body;
    return { stature: body?.stature ?? null, weightKg: body?.weightKg ?? null };
  }

  protected wanted(seat: Seat): string {
    const { stature, weightKg } = this.bodyOf(seat);
    return (stature === null) === (weightKg === null) ? '' : `The guest’s ${stature === null ? 'height' : 'weight'} too.`;
  }

  private setBody(seat: Seat, field: keyof Body, value: number | null): void {
    const now = this.bodyOf(seat);
    const [stature, weightKg] = field === 'stature' ? [value, now.weightKg] : [now.stature, value];
    if (stature !== null && weightKg !== null) {
      this.half.set(null);
      this.put(seat, { body: { stature: tenths(stature), weightKg: tenths(weightKg) } });
    } else if (stature === null && weightKg === null) {
      this.half.set(null);
      this.put(seat, { body: undefined });
    } else
      this.half.set({ seat, body: { ...(stature === null ? {} : { stature }), ...(weightKg === null ? {} : { weightKg }) } });
  }

  protected set(seat: Seat, { field, value }: SitterTyped): void {
    this.put(seat, { [field]: value ?? undefined });
  }

  protected empty(nobody: boolean): void {
    const { sits } = this.one();
    const { second: _, ...others } = sits ?? {};
    this.write(nobody ? { ...others, second: null } : others);
  }

  private put(seat: Seat, fields: Partial<NonNullable<Sits['first']>>): void {
    const { sits } = this.one();
    const sitter = given({ ...sits?.[seat], ...fields });
    const { [seat]: _, ...others } = sits ?? {};
    this.write(Object.keys(sitter).length ? { ...others, [seat]: sitter } : others);
  }

  /** What says nothing is left out: the set sits as the brief does. */
  private write(sits: Sits): void {
    const from = this.one();
    const { sits: _, ...bare } = from;
    const to = Object.keys(sits).length ? { ...bare, sits } : bare;
    if (!sameJson(from, to)) this.store.change({ id: crypto.randomUUID(), kind: 'nameSet', set: this.of(), from, to });
  }
}

/** Only what is there. */
const given = <T extends object>(fields: T): Partial<T> =>
  Object.fromEntries(Object.entries(fields).filter(([, value]) => value !== undefined)) as Partial<T>;
