import { choicesOf } from '../controls/choice-field';
import { ChangeDetectionStrategy, Component, computed, inject, input, linkedSignal, output, signal } from '@angular/core';
import { Toggle } from '../controls/toggle';
import { ValidSubmit } from '../controls/valid-submit';
import { TextField } from '../controls/text-field';
import { QuantityField } from '../controls/quantity';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { wordsWanted } from '../controls/zod-validator';
import { FormControl, FormGroup, ReactiveFormsModule } from '@angular/forms';
import { MatButtonModule } from '@angular/material/button';
import type { PlannedHole } from '@plain-cleat/core/holding/fitted';
import { findDatum } from '@plain-cleat/core/boat/hull';
import { Length } from '../boat-view/words';
import { RigStore, type RigState } from '../stores/rig.store';

const OTHERWISE = [
  { value: 'elsewhere', says: 'Drilled elsewhere' },
  { value: 'bit', says: 'Another bit' },
  { value: 'fastener', says: 'Another fastener' },
  { value: 'abandoned', says: 'Not drilled' },
] as const;
type Otherwise = (typeof OTHERWISE)[number]['value'];

/** What a drill takes, mm. */
const BITS = { least: 1, most: 80 } as const;

/** What happened otherwise than planned at one hole: where it went, with which bit, which fastener, or not at all. */
@Component({
  selector: 'pc-something-else',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Length, MatButtonModule, ReactiveFormsModule, Toggle, QuantityField, TextField, ValidSubmit],
  template: `
    <pc-toggle name="What happened" [choices]="kinds" [value]="kind()" (chosen)="kind.set($event)" />
    @switch (kind()) {
      @case ('elsewhere') {
        <form class="row away" [formGroup]="place" (pcSubmit)="elsewhere()">
          @if (hole().up === null) {
            <pc-quantity
              [label]="'Measured from ' + datum()"
              kind="length"
              [least]="0"
              [most]="state().workup.surface.length + 200"
              [control]="place.controls.reading"
            />
          } @else {
            <pc-quantity
              label="Measured up from the inside of the bottom"
              kind="length"
              [least]="0"
              [most]="state().workup.surface.gunwale(hole().at.x)"
              [control]="place.controls.up"
            />
          }
          <pc-quantity
            [label]="hole().down === null ? 'Measured off centre' : 'Measured down from the gunwale'"
            kind="length"
            [least]="0"
            [most]="beyond()"
            [control]="place.controls.off"
          />
          @if (hole().down === null) {
            <pc-toggle name="Side it was drilled on" [choices]="sides" [value]="side()" (chosen)="side.set($event)" />
          }
          <button mat-flat-button type="submit">Drilled there</button>
        </form>
        @if (far(); as mm) {
          <div class="box look">
            <strong>That is {{ mm | length: 'up' }} from where the plan has it.</strong>
            <p>Read the tape once more. If it is so, save it.</p>
            <button mat-stroked-button type="button" (click)="elsewhere(true)">It is so: save it</button>
          </div>
        }
      }
      @case ('bit') {
        <form class="row away" [formGroup]="bitForm" (pcSubmit)="another()">
          <pc-quantity
            label="Bit it was drilled with"
            kind="length"
            [placeholder]="hole().bit.name"
            [least]="bits.least"
            [most]="bits.most"
            [control]="bitForm.controls.bit"
          />
          <button mat-flat-button type="submit">Save</button>
        </form>
      }
      @case ('fastener') {
        <form class="row away" [formGroup]="fastening" (pcSubmit)="fastener()">
          <pc-text-field label="Fastener used" placeholder="rivet 68" [max]="120" [control]="fastening.controls.used" />
          <pc-text-field label="Why" placeholder="a screw was lost" [control]="fastening.controls.why" />
          <button mat-flat-button type="submit">Save</button>
        </form>
      }
      @case ('abandoned') {
        <form class="row away" [formGroup]="skipping" (pcSubmit)="abandon()">
          <pc-text-field label="Why it is not drilled" placeholder="foam behind" [control]="skipping.controls.why" />
          <button mat-flat-button type="submit">Skip this hole</button>
        </form>
      }
    }
    @if (fault()) {
      <p class="fault" role="alert">{{ fault() }}</p>
    }
    <button mat-button class="link" type="button" (click)="closed.emit()">Back</button>
  `,
  styles: `
    :host {
      display: grid;
      gap: 10px;
    }
    .away pc-quantity,
    .away pc-text-field {
      width: 190px;
    }
    .away {
      align-items: flex-start;
    }
    .away button {
      min-height: 56px;
    }
  `,
})
export class SomethingElse {
  readonly state = input.required<RigState>();
  readonly hole = input.required<PlannedHole>();
  /** The bit in the drill, mm. */
  readonly bit = input.required<number>();
  /** A photo of it, where one was taken. */
  readonly photo = input<Blob | null>(null);
  readonly closed = output<void>();
  private readonly store = inject(RigStore);
  protected readonly kinds = OTHERWISE;
  protected readonly sides = choicesOf(['port', 'starboard'] as const);
  /** The side it was drilled on: the plan's, until somebody says another; of a hole on the centre line somebody must. */
  protected readonly side = linkedSignal(() => {
    const { side } = this.hole();
    return side === 'centre' ? null : side;
  });
  /** How far the reading just typed is from the plan, when that is asked about, mm. */
  protected readonly far = signal(0);
  protected readonly kind = signal<Otherwise>('elsewhere');
  protected readonly fault = signal('');
  protected readonly datum = computed(() =>
    findDatum(this.state().workup.surface, this.state().plan.tape.datum).name.toUpperCase(),
  );

  protected readonly bits = BITS;
  protected readonly place = new FormGroup({
    reading: new FormControl<number | null>(null),
    off: new FormControl<number | null>(null),
    /** In a bulkhead, whose place along the boat is its own. */
    up: new FormControl<number | null>(null),
  });
  protected readonly bitForm = new FormGroup({ bit: new FormControl<number | null>(null) });
  protected readonly fastening = new FormGroup({
    used: new FormControl('', { nonNullable: true, validators: wordsWanted('Say which, such as rivet 68.') }),
    why: new FormControl('', { nonNullable: true, validators: wordsWanted('A few words.') }),
  });
  protected readonly skipping = new FormGroup({
    why: new FormControl('', { nonNullable: true, validators: wordsWanted('Say what stopped it, such as foam behind.') }),
  });
  protected readonly beyond = computed(() => {
    const { surface } = this.state().workup;
    return this.hole().down === null ? surface.beam / 2 : surface.gunwale(this.hole().at.x);
  });

  constructor() {
    // Another reading is asked about anew.
    this.place.valueChanges.pipe(takeUntilDestroyed()).subscribe(() => this.far.set(0));
  }

  protected elsewhere(sure = false): void {
    const { plan, doc } = this.state();
    const h = this.hole();
    const { off, up, ...typed } = this.place.getRawValue();
    const reading = h.up === null ? typed.reading : h.reading;
    if (reading === null || off === null || (h.up !== null && up === null)) return;
    this.fault.set(h.down === null && off > 0 && !this.side() ? 'Side: port or starboard?' : '');
    if (this.fault()) return;
    const sign = this.side() === 'port' ? -1 : 1;
    const beside = h.down === null ? Math.abs(sign * off - h.offCentre) : Math.abs(off - h.down);
    const by = Math.max(Math.abs(reading - h.reading), beside, Math.abs((up ?? 0) - (h.up ?? 0)));
    if (!sure && by > doc.shop.drilling.farFromPlan) return this.far.set(by);
    this.far.set(0);
    this.store.save(
      {
        kind: 'holeDrilled',
        hole: h.id,
        label: h.label,
        bit: this.bit(),
        elsewhere: true,
        measured: {
          hullRevision: doc.hull.revision,
          datum: plan.tape.datum,
          run: h.run,
          reading,
          offCentre: h.down === null ? sign * off : h.offCentre,
          down: h.down === null ? null : off,
          ...(h.up === null || up === null ? {} : { up }),
          aimed: h.at.x,
          ...(h.down === null ? {} : { downBy: 'girth' as const }),
          ...(h.ahead && plan.tape.datum !== 'stern' ? { towards: 'forward' as const } : {}),
        },
      },
      this.photo(),
    );
    this.closed.emit();
  }

  protected another(): void {
    const { bit } = this.bitForm.getRawValue();
    if (bit === null) return;
    const h = this.hole();
    this.store.drilled(h, bit, this.photo());
    this.closed.emit();
  }

  protected fastener(): void {
    const { used, why } = this.fastening.getRawValue();
    this.store.save(
      { kind: 'fastenerSubstituted', fitting: this.hole().fitting, with: used.trim(), why: why.trim() },
      this.photo(),
    );
    this.closed.emit();
  }

  protected abandon(): void {
    const { why } = this.skipping.getRawValue();
    this.store.save({ kind: 'holeAbandoned', hole: this.hole().id, why: why.trim() }, this.photo());
    this.closed.emit();
  }
}
