import { ChangeDetectionStrategy, Component, computed, inject, output } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { FormControl, FormGroup, ReactiveFormsModule } from '@angular/forms';
import { MatChipsModule } from '@angular/material/chips';
import { USUAL_GEAR } from '@plain-cleat/core/proposals/which-hull';
import { BY_WORDS, CARRIED_BY, CARRIES, GROUND_WORDS, GROUNDS, PROPULSION, USUAL_BRIEF, type Brief } from '@plain-cleat/core/rig';
import { catchError, map, of, startWith } from 'rxjs';
import { LIMITS } from '../seats/limits';
import { ChoiceField, choicesOf } from '../controls/choice-field';
import { QuantityField } from '../controls/quantity';
import { HullList } from './hull-list';
import { ShopStore } from '../stores/shop.store';

/** A hull chosen for what was answered: the answers go into the brief of the rig. */
export interface ChosenHull {
  readonly hull: string;
  readonly brief: Partial<Brief>;
}

const TEMPLATE_CHOICES = {
  stands: [
    { value: 'sits' as const, says: 'sits' },
    { value: 'stands' as const, says: 'stands' },
    { value: 'both' as const, says: 'both' },
  ],
  lifts: [
    { value: 'two' as const, says: 'two lift it' },
    { value: 'alone' as const, says: 'one alone' },
  ],
  road: choicesOf(['roof', 'trailer', 'truck bed'] as const),
  ground: GROUNDS.map((value) => ({ value, says: GROUND_WORDS[value] })),
  by: CARRIED_BY.map((value) => ({ value, says: BY_WORDS[value] })),
};

/** The few answers that a hull is chosen by, and the shop's hulls as they suit them. */
@Component({
  selector: 'pc-hull-asks',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [ReactiveFormsModule, MatChipsModule, ChoiceField, QuantityField, HullList],
  template: `
    <div class="grid" [formGroup]="form">
      <pc-quantity
        label="Height"
        kind="stature"
        [least]="limits.stature.least"
        [most]="limits.stature.most"
        [control]="form.controls.stature"
      />
      <pc-quantity
        label="Weight"
        kind="mass"
        [least]="limits.weight.least"
        [most]="limits.weight.most"
        [control]="form.controls.weightKg"
      />
      <pc-quantity label="Gear, about" kind="mass" [least]="0" [most]="200" [control]="form.controls.gearKg" />
      <pc-quantity
        label="Distance per day"
        kind="distance"
        [least]="limits.distance.least"
        [most]="limits.distance.most"
        [control]="form.controls.distanceKm"
      />
      <pc-choice-field label="They" [choices]="choices.stands" [control]="form.controls.stands" />
      <pc-choice-field label="By road" [choices]="choices.road" [control]="form.controls.road" />
      <pc-choice-field label="Who lifts" [choices]="choices.lifts" [control]="form.controls.lifts" />
      <pc-quantity label="Way to the water" kind="ground" [least]="0" [most]="20000" [control]="form.controls.metres" />
      <pc-choice-field label="Over" [choices]="choices.ground" [control]="form.controls.ground" />
      <pc-choice-field label="It goes" [choices]="choices.by" [control]="form.controls.by" />
      <mat-chip-listbox class="wide" multiple aria-label="Moves by" formControlName="propulsion">
        @for (p of propulsion; track p) {
          <mat-chip-option [value]="p">{{ p }}</mat-chip-option>
        }
      </mat-chip-listbox>
      <mat-chip-listbox class="wide" multiple aria-label="Carries" formControlName="carries">
        @for (c of carries; track c) {
          <mat-chip-option [value]="c">{{ c }}</mat-chip-option>
        }
      </mat-chip-listbox>
    </div>
    @if (shop(); as settings) {
      <pc-hull-list [ask]="ask()" [shop]="settings" [choosing]="true" (chosen)="choose($event)" />
    } @else {
      <p class="muted" role="status">
        {{ shop() === null ? 'The shop’s settings could not be read. Close and open this again.' : 'Asking the shop' }}
      </p>
    }
  `,
  styles: `
    .grid {
      display: grid;
      grid-template-columns: 1fr 1fr 1fr;
      gap: 10px;
      margin: 16px 0 12px;
    }
    .wide {
      grid-column: span 3;
    }
  `,
})
export class HullAsks {
  readonly chosen = output<ChosenHull>();
  protected readonly limits = LIMITS;
  protected readonly choices = TEMPLATE_CHOICES;
  protected readonly propulsion = PROPULSION;
  protected readonly carries = CARRIES;
  /** Undefined while it is asked for, null where it could not be read. */
  protected readonly shop = toSignal(
    inject(ShopStore)
      .settings()
      .pipe(catchError(() => of(null))),
  );

  protected readonly form = new FormGroup({
    stature: new FormControl<number | null>(USUAL_BRIEF.stature),
    weightKg: new FormControl<number | null>(USUAL_BRIEF.weightKg),
    gearKg: new FormControl<number | null>(USUAL_GEAR[USUAL_BRIEF.tier]),
    distanceKm: new FormControl<number | null>(USUAL_BRIEF.distanceKm),
    stands: new FormControl(USUAL_BRIEF.stands, { nonNullable: true }),
    road: new FormControl(USUAL_BRIEF.road, { nonNullable: true }),
    lifts: new FormControl(USUAL_BRIEF.lifts, { nonNullable: true }),
    metres: new FormControl<number | null>(USUAL_BRIEF.way.metres),
    ground: new FormControl(USUAL_BRIEF.way.ground, { nonNullable: true }),
    by: new FormControl(USUAL_BRIEF.way.by, { nonNullable: true }),
    propulsion: new FormControl<Brief['propulsion']>(USUAL_BRIEF.propulsion, { nonNullable: true }),
    carries: new FormControl<Brief['carries']>(USUAL_BRIEF.carries, { nonNullable: true }),
  });

  /** The answers as far as they are good; a figure that is not stays at what is usual. */
  private readonly answers = toSignal(
    this.form.valueChanges.pipe(
      startWith(null),
      map(() => {
        const { stature, weightKg, gearKg, distanceKm, metres, ground, by, ...taps } = this.form.getRawValue();
        const { controls } = this.form;
        const good = (control: FormControl<number | null>, value: number | null, usual: number): number =>
          value === null || control.invalid ? usual : value;
        const brief: Partial<Brief> = {
          ...taps,
          stature: good(controls.stature, stature, USUAL_BRIEF.stature),
          weightKg: good(controls.weightKg, weightKg, USUAL_BRIEF.weightKg),
          distanceKm: good(controls.distanceKm, distanceKm, USUAL_BRIEF.distanceKm),
          way: { metres: good(controls.metres, metres, 0), ground, by, minutes: null },
        };
        return { brief, gearKg: good(controls.gearKg, gearKg, USUAL_GEAR[USUAL_BRIEF.tier]) };
      }),
    ),
    { requireSync: true },
  );
  protected readonly ask = computed(() => {
    const { brief, gearKg } = this.answers();
    return { brief: { ...USUAL_BRIEF, ...brief }, gearKg };
  });

  protected choose(hull: string): void {
    this.chosen.emit({ hull, brief: this.answers().brief });
  }
}
