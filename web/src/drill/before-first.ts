import { ChangeDetectionStrategy, Component, computed, effect, inject, input, signal } from '@angular/core';
import { ValidSubmit } from '../controls/valid-submit';
import { FileButton } from '../controls/file-button';
import { ChoiceField } from '../controls/choice-field';
import { TextField } from '../controls/text-field';
import { QuantityField } from '../controls/quantity';
import { MatCheckboxModule } from '@angular/material/checkbox';
import { MatExpansionModule } from '@angular/material/expansion';
import { wordsWanted } from '../controls/zod-validator';
import { FormControl, FormGroup, ReactiveFormsModule } from '@angular/forms';
import { MatButtonModule } from '@angular/material/button';
import type { ToMeasure } from '@plain-cleat/core/holding/drilling';
import { beforeHoles, type BuildStep, byItself, readySteps } from '@plain-cleat/core/work/scheduling';
import { datums } from '@plain-cleat/core/boat/hull';
import { mmApart, printLength, say, type Sentence } from '@plain-cleat/core/base/units';
import { Length, Words } from '../boat-view/words';
import { RigStore, type RigState } from '../stores/rig.store';
import { UnitsStore } from '../stores/units.store';
import { field, liveRows } from '../controls/live-form';

/** Before the first hole: known distances of this very boat, and the owner's agreement to the taped layout. */
@Component({
  selector: 'pc-before-first',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    Length,
    Words,
    MatButtonModule,
    ReactiveFormsModule,
    MatCheckboxModule,
    MatExpansionModule,
    QuantityField,
    TextField,
    ChoiceField,
    FileButton,
    ValidSubmit,
  ],
  template: `
    <mat-expansion-panel [expanded]="!gate().open || early().length > 0">
      <mat-expansion-panel-header>
        <mat-panel-title>Before the first hole</mat-panel-title>
        <mat-panel-description>{{
          !gate().open ? 'drilling is locked' : early().length ? early().length + ' to do on Build' : '✓ done'
        }}</mat-panel-description>
      </mat-expansion-panel-header>
      <ul class="small wants">
        @for (w of gate().wants; track w.id) {
          <li [class.open]="!w.done">{{ w.done ? '✓' : '○' }} {{ w.says | words }}</li>
        }
      </ul>
      @if (early().length) {
        <div class="box look">
          <p>Not done on Build yet: a hole drilled now counts as too early.</p>
          <ul class="wants">
            @for (s of early(); track s.id) {
              <li>
                @if (ready().has(s.id)) {
                  <mat-checkbox (change)="tick(s)">{{ s.says }}</mat-checkbox>
                } @else {
                  ○ {{ s.says }}
                }
              </li>
            }
          </ul>
        </div>
      }
      <p class="small muted">Tape pulled taut between two marks of this boat. What it differs by corrects every reading.</p>
      @for (r of distances(); track r.controls) {
        @let d = r.of;
        <p class="between">{{ d.fromName }} to {{ d.toName }}</p>
        <pc-quantity
          [label]="'drawn ' + print(d.expected)"
          kind="length"
          placeholder="measured"
          [least]="1"
          [most]="longest()"
          [control]="r.controls.reading"
        />
        @if (d.measured; as m) {
          <p class="small">Measured {{ m.reading | length }}: {{ differs(m.reading, d.expected) | words }}.</p>
        }
      }
      <form class="another" [formGroup]="other" (pcSubmit)="another()">
        <span class="small">Another, such as from the stern: the two must make the length</span>
        <pc-choice-field label="Hooked on" [choices]="places()" [control]="other.controls.from" />
        <pc-choice-field label="Measured to" [choices]="places()" [control]="other.controls.to" />
        <pc-quantity label="Measured" kind="length" [least]="1" [most]="longest()" [control]="other.controls.reading" />
        <button mat-stroked-button type="submit">Save</button>
      </form>
      @if (asked() || agreed()) {
        @if (agreed(); as a) {
          <p class="small">{{ a.name }} agreed to the taped layout{{ a.photo ? ', photographed' : '' }}.</p>
        } @else {
          <form class="another" [formGroup]="agreeing" (pcSubmit)="agree()">
            <pc-text-field label="Owner agrees to the taped layout: name" [max]="120" [control]="agreeing.controls.name" />
            <pc-file-button
              [label]="picture() ? 'Photo of the tape goes with it' : 'Photo of the tape, if there is one'"
              icon="photo_camera"
              accept="image/jpeg,image/png,image/webp"
              (chosen)="picture.set($event)"
            />
            <button mat-stroked-button type="submit">Agreed</button>
          </form>
        }
      }
    </mat-expansion-panel>
  `,
  styles: `
    .wants li {
      padding: 2px 0;
    }
    .wants .open {
      color: var(--look);
      font-weight: 600;
    }
    .between {
      margin: 12px 0 6px;
    }
    .another {
      display: grid;
      gap: 6px;
      margin-top: 10px;
    }
  `,
})
export class BeforeFirst {
  readonly state = input.required<RigState>();
  private readonly store = inject(RigStore);
  private readonly units = inject(UnitsStore);
  protected readonly gate = computed(() => this.state().workup.drilling.gate);
  protected readonly asked = computed(() => this.state().doc.shop.drilling.agree);
  /** Steps of the build that every hole waits for, as far as the panel itself does not ask for them. */
  protected readonly early = computed(() =>
    this.holes() ? beforeHoles(this.state().workup.build.steps).filter((s) => !this.isAskedHere(s)) : [],
  );
  /** Those of them that a tick does now. */
  protected readonly ready = computed(
    () =>
      new Set(
        readySteps(this.state().workup.build.steps)
          .filter((s) => !byItself(s, this.state().doc.shop) && (s.work !== 'receive' || !this.unseen()))
          .map((s) => s.id),
      ),
  );
  private readonly unseen = computed(() => this.state().workup.reception.unseen.length);
  private readonly holes = computed(() => this.state().workup.drilling.holes.length);
  private isAskedHere = (s: BuildStep): boolean => s.work === 'measure' || (s.work === 'agree' && this.asked());
  protected readonly agreed = computed(() => this.state().workup.ledger.agreed);
  protected readonly places = computed(() => datums(this.state().workup.surface).map((d) => ({ value: d.id, says: d.name })));
  protected readonly picture = signal<File | null>(null);
  protected readonly longest = computed(() => this.state().workup.surface.length + 200);
  protected readonly other = new FormGroup(
    {
      from: new FormControl('stern', { nonNullable: true }),
      to: new FormControl('', { nonNullable: true, validators: wordsWanted('Choose what it was measured to.') }),
      reading: new FormControl<number | null>(null),
    },
    { validators: (g) => (g.get('from')?.value === g.get('to')?.value ? { says: 'Choose two different places.' } : null) },
  );
  protected readonly agreeing = new FormGroup({
    name: new FormControl('', { nonNullable: true, validators: wordsWanted('Say who agreed, such as the owner.') }),
  });
  /** How far a reading is from the drawing, by the figures that are shown. */
  protected differs = (reading: number, drawn: number): Sentence =>
    this.print(reading) === this.print(drawn)
      ? say`as drawn`
      : say`${mmApart(reading, drawn)} ${reading > drawn ? 'over' : 'under'} the drawing`;
  protected print = (mm: number): string => printLength(mm, this.units.system());

  constructor() {
    effect(() => {
      const [first] = this.gate().distances;
      if (first && !this.other.controls.to.value) this.other.controls.to.setValue(first.to);
    });
  }

  protected readonly distances = liveRows(
    () => this.gate().distances,
    (between) => ({
      reading: field<number | null>(
        () => null,
        (reading) => this.save(between(), reading),
        { clears: true },
      ),
    }),
    (d) => d.from + d.to,
  );

  private save({ from, to }: Pick<ToMeasure, 'from' | 'to'>, reading: number | null): void {
    if (reading !== null) this.store.save({ kind: 'readingTaken', from, to, run: 'taut', reading });
  }

  protected another(): void {
    const { reading, ...between } = this.other.getRawValue();
    this.save(between, reading);
    this.other.controls.reading.reset();
  }

  protected tick(step: BuildStep): void {
    this.store.save({ kind: 'stepDone', step: step.id });
  }

  protected agree(): void {
    const who = this.agreeing.getRawValue().name.trim();
    this.store.save({ kind: 'layoutAgreed', name: who, photo: null }, this.picture());
  }
}
