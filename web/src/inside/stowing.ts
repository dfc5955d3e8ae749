import { ChangeDetectionStrategy, Component, computed, effect, inject, input } from '@angular/core';
import { ValidSubmit } from '../controls/valid-submit';
import { ChoiceField } from '../controls/choice-field';
import { TextField } from '../controls/text-field';
import { QuantityField } from '../controls/quantity';
import { MatCheckboxModule } from '@angular/material/checkbox';
import { wordsWanted, zodValidator } from '../controls/zod-validator';
import { MatSlideToggleModule } from '@angular/material/slide-toggle';
import { FormControl, FormGroup, ReactiveFormsModule } from '@angular/forms';
import { MatButtonModule } from '@angular/material/button';
import { containersOf, contentsOf } from '@plain-cleat/core/holding/inside';
import { entryOf, type Stowed, stowedSchema, TRAITS } from '@plain-cleat/core/rig';
import { printMass, sideOf } from '@plain-cleat/core/base/units';
import { RigStore, type RigState } from '../stores/rig.store';
import { UnitsStore } from '../stores/units.store';

/** What goes inside the boat and on the paddler, and what each scupper is planned to be. */
@Component({
  selector: 'pc-stowing',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    MatButtonModule,
    ReactiveFormsModule,
    MatSlideToggleModule,
    MatCheckboxModule,
    QuantityField,
    TextField,
    ChoiceField,
    ValidSubmit,
  ],
  template: `
    <h2>Stowed away</h2>
    @for (c of containers(); track c.key) {
      <div>
        <h3>{{ c.letter ? c.letter + ', ' : '' }}{{ c.name }}</h3>
        <p class="small muted">
          {{ c.dry ? 'dry' : 'damp' }}{{ c.worn ? ', worn' : '' }} · {{ c.used }} of {{ c.litres }} litres
        </p>
        <ul>
          @for (s of c.things; track s.id) {
            <li>
              {{ s.what }}{{ s.later ? ' (a place kept for later)' : '' }} <span class="small muted">{{ s.kg }}</span>
              <button mat-button class="link" type="button" [attr.aria-label]="'Take out ' + s.what" (click)="takeOut(s.id)">
                Take out
              </button>
            </li>
          }
        </ul>
      </div>
    } @empty {
      <p class="muted">Nothing aboard takes anything, and no room inside this hull is on record. Add rooms under Hulls.</p>
    }
    @if (containers().length) {
      <form [formGroup]="form" (pcSubmit)="put()">
        <pc-text-field label="What" [max]="120" placeholder="spare line" [control]="form.controls.what" />
        <pc-choice-field label="Into" [choices]="into()" [control]="form.controls.into" />
        <div class="two">
          <pc-quantity label="Volume" kind="litres" [least]="0" [most]="500" [control]="form.controls.litres" />
          <pc-quantity label="Weight" kind="mass" [least]="0" [most]="100" [control]="form.controls.kg" />
        </div>
        <mat-checkbox [formControl]="form.controls.wantsDry">Has to stay dry</mat-checkbox>
        <mat-checkbox [formControl]="form.controls.wet">Wet or smelly</mat-checkbox>
        <mat-checkbox [formControl]="form.controls.sharp">Sharp</mat-checkbox>
        <mat-checkbox [formControl]="form.controls.later">A place kept for later</mat-checkbox>
        <button mat-stroked-button type="submit">Stow</button>
      </form>
    }
    @if (scuppers().length) {
      <h2>Scuppers</h2>
      <ul>
        @for (s of scuppers(); track s.id) {
          <li class="spread">
            <span>{{ s.name }}</span>
            @if (s.taken) {
              <span>taken by {{ s.taken }}</span>
            } @else {
              <mat-slide-toggle [checked]="s.plugged" (change)="plug(s.id, $event.checked)">plugged</mat-slide-toggle>
            }
          </li>
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
    form {
      display: grid;
      gap: 8px;
    }
    .two {
      display: grid;
      grid-template-columns: 1fr 1fr;
      gap: 8px;
    }
  `,
})
export class Stowing {
  readonly state = input.required<RigState>();
  private readonly store = inject(RigStore);
  private readonly units = inject(UnitsStore);
  protected readonly form = new FormGroup({
    what: new FormControl('', {
      nonNullable: true,
      validators: zodValidator(stowedSchema.shape.what, 'Say what goes in there.'),
    }),
    into: new FormControl('', { nonNullable: true, validators: wordsWanted('Choose where it goes.') }),
    litres: new FormControl<number | null>(1),
    kg: new FormControl<number | null>(0.5),
    wantsDry: new FormControl(false, { nonNullable: true }),
    wet: new FormControl(false, { nonNullable: true }),
    sharp: new FormControl(false, { nonNullable: true }),
    later: new FormControl(false, { nonNullable: true }),
  });
  protected readonly into = computed(() =>
    this.containers().map((c) => ({ value: c.key, says: c.letter ? `${c.letter}, ${c.name}` : c.name })),
  );
  /** Everything that takes things, with what is in it. */
  protected readonly containers = computed(() => {
    const { plan, workup } = this.state();
    return containersOf(workup.surface, workup.aboard.owned).map((c) => {
      const here = contentsOf(plan.stowage, c);
      return {
        key: c.of === null ? c.in : `${c.of} ${c.in}`,
        container: c,
        letter: c.letter,
        name: c.name,
        dry: c.dry,
        worn: c.worn,
        litres: Math.floor(10 * c.litres) / 10,
        used: Math.round(here.reduce((sum, [, s]) => sum + s.litres, 0) * 10) / 10,
        things: here.map(([id, s]) => ({ id, what: s.what, later: s.later, kg: printMass(s.kg, this.units.system()) })),
      };
    });
  });
  protected readonly scuppers = computed(() => {
    const { plan, workup } = this.state();
    return this.state().doc.hull.scuppers.map((s) => ({
      id: s.id,
      name: `${sideOf(s.y)}, in the ${workup.surface.spot(s.x, s.y).name}`,
      plugged: entryOf(plan.scuppers, s.id) === 'plugged',
      taken: workup.aboard.items.find((i) => i.placed.place.on === 'scupper' && i.placed.place.scupper === s.id)?.placed.part
        .name,
    }));
  });

  constructor() {
    effect(() => {
      const [first] = this.into();
      if (!this.form.controls.into.value && first) this.form.controls.into.setValue(first.value);
    });
  }

  protected put(): void {
    const { what, into, litres, kg, wantsDry, later, ...traits } = this.form.getRawValue();
    const held = this.containers().find((c) => c.key === into)?.container;
    if (!held) return;
    const is = TRAITS.filter((t) => traits[t]);
    const to: Stowed = {
      in: held.in,
      ...(held.of === null ? {} : { of: held.of }),
      what: what.trim(),
      kg: kg ?? 0,
      litres: litres ?? 0,
      wantsDry,
      ...(is.length ? { is } : {}),
      use: 'stopped',
      later,
    };
    this.store.change({
      id: crypto.randomUUID(),
      kind: 'stowThing',
      thing: `s${crypto.randomUUID().slice(0, 8)}`,
      from: null,
      to,
    });
    this.form.controls.what.reset();
  }

  protected takeOut(thing: string): void {
    const from = entryOf(this.state().plan.stowage, thing);
    if (from) this.store.change({ id: crypto.randomUUID(), kind: 'stowThing', thing, from, to: null });
  }

  protected plug(scupper: string, plugged: boolean): void {
    const from = entryOf(this.state().plan.scuppers, scupper) ?? null;
    this.store.change({ id: crypto.randomUUID(), kind: 'planScupper', scupper, from, to: plugged ? 'plugged' : null });
  }
}
