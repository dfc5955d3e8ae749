import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import { ChoiceField } from '../controls/choice-field';
import { QuantityField } from '../controls/quantity';
import { MatCheckboxModule } from '@angular/material/checkbox';
import { MatButtonModule } from '@angular/material/button';
import type { Fitted } from '@plain-cleat/core/holding/fitted';
import { comesOff } from '@plain-cleat/core/layout';
import { HAND_NAMES, OFTEN, OFTEN_WORDS } from '@plain-cleat/core/parts/parts';
import {
  entryOf,
  RIDES,
  RIDES_WORDS,
  setsInOrder,
  USERS,
  type Change,
  type DraftChange,
  type Fitting,
} from '@plain-cleat/core/rig';
import type { RigState } from '../stores/rig.store';
import { Moves } from './moves';
import { OtherHulls } from './other-hulls';
import { standChoices, standOf } from './stand-choices';
import { field, liveForm } from '../controls/live-form';

/** The longest tether, mm. */
const LONGEST = 6000;

/** More of the chosen fitting: what it stands on, its sets, tether, lean, lock, float, and other boats. */
@Component({
  selector: 'pc-more',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatButtonModule, MatCheckboxModule, QuantityField, ChoiceField],
  template: `
    <pc-choice-field label="Stands on" [choices]="places()" [control]="form.controls.on" />
    @if (sets().length) {
      <div role="group" aria-label="Sets it belongs to">
        <span class="small muted">In the sets</span>
        <div class="row">
          @for (s of sets(); track s.id) {
            <mat-checkbox [checked]="s.in" (change)="join(s.id, $event.checked)">{{ s.name }}</mat-checkbox>
          }
        </div>
        @if (state().set; as set) {
          <mat-checkbox [checked]="item().elsewhere === set" (change)="elsewhere(set)">Stands elsewhere in this set</mat-checkbox>
        }
      </div>
    }
    @if (item().placed.part.rods) {
      <pc-quantity label="Leans more than its tube" kind="degrees" [least]="-90" [most]="90" [control]="form.controls.lean" />
    }
    <pc-quantity
      label="Tether, length"
      kind="length"
      placeholder="none"
      [optional]="true"
      [least]="1"
      [most]="longest"
      [control]="form.controls.tether"
    />
    @if (item().placed.fitting.tether) {
      <pc-choice-field label="Tether made fast on" [choices]="anchors()" [control]="form.controls.anchor" />
    }
    <pc-choice-field label="Used" [choices]="uses()" [control]="form.controls.often" />
    <pc-choice-field label="For the road" [choices]="roads()" [control]="form.controls.road" />
    @if (comesOff()) {
      <pc-choice-field label="Rides" [choices]="rides" [control]="form.controls.rides" />
    }
    @if (item().placed.part.control) {
      <pc-choice-field label="Hand" [choices]="hands()" [control]="form.controls.hand" />
    }
    @if (state().plan.brief.second) {
      <pc-choice-field label="Used by" [choices]="users" [control]="form.controls.by" />
    }
    <mat-checkbox [checked]="!!item().placed.fitting.locked" (change)="flag('lockItem', 'locked')">Locked in place</mat-checkbox>
    <mat-checkbox [checked]="!!item().placed.fitting.float" (change)="flag('floatItem', 'float')">Float added</mat-checkbox>
    <mat-checkbox [checked]="!!item().placed.fitting.travels" (change)="flag('travelItem', 'travels')"
      >Moves between boats</mat-checkbox
    >
    @if (item().placed.fitting.swap) {
      <p class="small muted">
        Swaps on one plate with {{ swaps() }}.
        <button mat-button class="link" type="button" (click)="unswap()">Its own plate</button>
      </p>
    }
    @if (item().placed.fitting.travels) {
      <ul class="small">
        @for (t of others(); track t.hull) {
          <li>{{ t.fits ? '✓ fits the' : '– not the' }} {{ t.hull }}. {{ t.says }}</li>
        } @empty {
          <li class="muted" role="status">{{ others() ? 'The shop knows no other hull.' : 'Asking the other hulls' }}</li>
        }
      </ul>
    }
  `,
  styles: `
    :host {
      display: flex;
      flex-direction: column;
      gap: 10px;
    }
  `,
})
export class More {
  readonly item = input.required<Fitted>();
  readonly state = input.required<RigState>();
  readonly changed = output<Change>();
  private readonly moves = inject(Moves);
  private readonly hulls = inject(OtherHulls);
  protected readonly longest = LONGEST;
  private readonly fitting = computed(() => this.item().placed.fitting);
  protected readonly form = liveForm(
    {
      on: field(
        () => standOf(this.item().placed.place),
        (on) => this.standOn(on),
      ),
      lean: field(
        () => this.fitting().lean ?? 0,
        (degrees) => this.leanTo(degrees),
      ),
      tether: field(
        () => this.fitting().tether?.length ?? null,
        (mm) => this.tether(mm),
      ),
      anchor: field(
        () => this.fitting().tether?.to ?? '',
        (to) => this.anchor(to),
      ),
      often: field(
        () => this.fitting().often ?? '',
        (often) => this.useIt(often),
      ),
      road: field(
        () => this.fitting().comesOff ?? null,
        (off) => this.takeOnRoad(off),
      ),
      rides: field(
        () => this.fitting().rides ?? null,
        (by) => this.ride(by),
      ),
      hand: field(
        () => this.fitting().hand ?? null,
        (hand) => this.byHand(hand),
      ),
      by: field(
        () => this.fitting().by ?? null,
        (by) => this.usedBy(by),
      ),
    },
    () => this.item().placed.id,
  );

  protected readonly sets = computed(() => {
    const { plan } = this.state();
    const own = this.item().placed.fitting.sets;
    return setsInOrder(plan).map((id) => ({ id, name: entryOf(plan.sets, id)?.name ?? id, in: !own || own.includes(id) }));
  });
  protected readonly anchors = computed(() => [
    { value: '', says: 'the hull beside it' },
    ...this.state()
      .workup.aboard.owned.filter((i) => i.placed.id !== this.item().placed.id)
      .map((i) => ({ value: i.placed.id, says: `${i.letter}, ${i.placed.part.name}` })),
  ]);
  protected readonly swaps = computed(() => {
    const { swap } = this.item().placed.fitting;
    return this.state()
      .workup.aboard.owned.filter((i) => i.placed.fitting.swap === swap && i.placed.id !== this.item().placed.id)
      .map((i) => `${i.letter}, ${i.placed.part.name}`)
      .join(' and ');
  });
  /** Where it would go on the other hulls the shop knows. */
  protected readonly others = computed(() => this.hulls.taking(this.item().placed.part, this.state().doc.hull.id));

  /** Everything on this boat it could stand on, its own kind of hold first. */
  protected readonly places = computed(() => standChoices(this.item(), this.state(), (part) => this.moves.roomsFor(part)));

  private standOn(value: string): void {
    const to = this.places().find((p) => p.value === value);
    if (to) this.moves.standOn(this.item(), to.place());
  }

  private emit(draft: DraftChange): void {
    this.changed.emit({ ...draft, id: crypto.randomUUID() });
  }

  protected join(set: string, into: boolean): void {
    const all = this.sets().map((s) => s.id);
    const now = this.item().placed.fitting.sets ?? null;
    const next = into ? all.filter((s) => s === set || (now ?? all).includes(s)) : (now ?? all).filter((s) => s !== set);
    this.emit({ kind: 'joinSets', item: this.item().placed.id, from: now, to: next.length === all.length ? null : next });
  }

  /** In this set it has a place of its own, or shares that of the others again. */
  protected elsewhere(set: string): void {
    const { id, fitting, place } = this.item().placed;
    const from = entryOf(fitting.elsewhere, set) ?? null;
    this.emit({ kind: 'slideInSet', item: id, set, from, to: from ? null : place });
  }

  protected leanTo(degrees: number): void {
    const { id, fitting } = this.item().placed;
    this.emit({ kind: 'leanItem', item: id, from: fitting.lean ?? null, to: degrees === 0 ? null : degrees });
  }

  protected tether(length: number | null): void {
    const { id, fitting } = this.item().placed;
    const from = fitting.tether ?? null;
    const to = length === null ? null : { to: from?.to ?? null, length };
    if (from || to) this.emit({ kind: 'tetherItem', item: id, from, to });
  }

  protected anchor(to: string): void {
    const from = this.item().placed.fitting.tether;
    if (from) this.emit({ kind: 'tetherItem', item: this.item().placed.id, from, to: { ...from, to: to || null } });
  }

  /** How often it is used here, its part's usual first. */
  protected readonly uses = computed(() => [
    { value: '', says: `usually ${OFTEN_WORDS[this.item().placed.part.use.often]}` },
    ...OFTEN.map((value) => ({ value, says: OFTEN_WORDS[value] })),
  ]);
  protected readonly roads = computed(() => [
    { value: null, says: this.item().placed.part.use.comesOff ? 'usually comes off' : 'usually stays on' },
    { value: true, says: 'comes off' },
    { value: false, says: 'stays on' },
  ]);

  protected readonly comesOff = computed(() => comesOff(this.item().placed));
  protected readonly rides = [{ value: null, says: 'not said' }, ...RIDES.map((value) => ({ value, says: RIDES_WORDS[value] }))];
  protected readonly users = [
    { value: null, says: 'whoever reaches it best' },
    ...USERS.map((value) => ({ value, says: `the ${value} paddler` })),
  ];
  protected readonly hands = computed(() => {
    const made = this.item().placed.part.control?.hand;
    return [
      { value: null, says: made ? `made for the ${made} hand` : 'whichever is free' },
      ...HAND_NAMES.map((value) => ({ value, says: `the ${value} hand` })),
    ];
  });

  protected ride(to: Fitting['rides'] | null): void {
    const { id, fitting } = this.item().placed;
    this.emit({ kind: 'rideItem', item: id, from: fitting.rides ?? null, to: to ?? null });
  }

  protected byHand(to: Fitting['hand'] | null): void {
    const { id, fitting } = this.item().placed;
    this.emit({ kind: 'handItem', item: id, from: fitting.hand ?? null, to: to ?? null });
  }

  protected usedBy(to: Fitting['by'] | null): void {
    const { id, fitting } = this.item().placed;
    this.emit({ kind: 'userItem', item: id, from: fitting.by ?? null, to: to ?? null });
  }

  protected useIt(often: string): void {
    const { id, fitting } = this.item().placed;
    this.emit({ kind: 'useItem', item: id, from: fitting.often ?? null, to: OFTEN.find((o) => o === often) ?? null });
  }

  protected takeOnRoad(off: boolean | null): void {
    const { id, fitting } = this.item().placed;
    this.emit({ kind: 'roadItem', item: id, from: fitting.comesOff ?? null, to: off });
  }

  protected flag(kind: 'lockItem' | 'floatItem' | 'travelItem', field: 'locked' | 'float' | 'travels'): void {
    const { id, fitting } = this.item().placed;
    const from = fitting[field] ? true : null;
    this.emit({ kind, item: id, from, to: from ? null : true });
  }

  protected unswap(): void {
    const { id, fitting } = this.item().placed;
    this.emit({ kind: 'swapItem', item: id, from: fitting.swap ?? null, to: null });
  }
}
