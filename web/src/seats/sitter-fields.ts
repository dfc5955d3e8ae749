import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import { HAND_NAMES, type Hand } from '@plain-cleat/core/parts/parts';
import { LIMITS, tenths } from './limits';
import { ChoiceField } from '../controls/choice-field';
import { QuantityField } from '../controls/quantity';
import { field, fieldsOf, liveForm } from '../controls/live-form';

/** How one sits, as far as it is said. */
export interface SitterFigures {
  readonly at?: number | undefined;
  readonly raise?: number | undefined;
  readonly recline?: number | undefined;
  readonly castHand?: Hand | undefined;
  readonly reelHand?: Hand | undefined;
}
/** A figure or a hand of it, given; null where it was taken back. */
export interface SitterTyped {
  readonly field: keyof SitterFigures;
  readonly value: number | Hand | null;
}

const FIELDS = [
  { field: 'at', label: 'Set at', kind: 'length', limits: LIMITS.seatAt },
  { field: 'raise', label: 'Raised by', kind: 'length', limits: LIMITS.raise },
  { field: 'recline', label: 'Back leans', kind: 'degrees', limits: LIMITS.recline },
] as const;

const HANDS = [
  { field: 'castHand', label: 'Casts with' },
  { field: 'reelHand', label: 'Reels with' },
] as const;

/** Where somebody's seat stands, how much it is raised, how far its back leans, which hand casts and which reels. */
@Component({
  selector: 'pc-sitter-fields',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [ChoiceField, QuantityField],
  template: `
    @for (f of fields; track f.field) {
      <pc-quantity
        [label]="f.label"
        [kind]="f.kind"
        [placeholder]="placeholder()"
        [optional]="true"
        [least]="f.limits.least"
        [most]="f.limits.most"
        [control]="form.controls[f.field]"
      />
    }
    @for (f of hands; track f.field) {
      <pc-choice-field [label]="f.label" [choices]="handChoices()" [control]="form.controls[f.field]" />
    }
  `,
  styles: `
    :host {
      display: contents;
    }
    pc-quantity,
    pc-choice-field {
      width: 150px;
    }
  `,
})
export class SitterFields {
  readonly sits = input<SitterFigures>();
  /** What stands in an empty field. */
  readonly placeholder = input('');
  /** What is so while no hand is given. */
  readonly hand = input.required<string>();
  readonly typed = output<SitterTyped>();
  protected readonly form = liveForm({
    ...fieldsOf(
      FIELDS.map((f) => f.field),
      (key) =>
        field<number | null>(
          () => this.sits()?.[key] ?? null,
          (value) => this.typed.emit({ field: key, value: tenths(value) }),
        ),
    ),
    ...fieldsOf(
      HANDS.map((f) => f.field),
      (key) =>
        field<Hand | null>(
          () => this.sits()?.[key] ?? null,
          (value) => this.typed.emit({ field: key, value }),
        ),
    ),
  });
  protected readonly fields = FIELDS;
  protected readonly hands = HANDS;
  protected readonly handChoices = computed(() => [
    { value: null, says: this.hand() },
    ...HAND_NAMES.map((value) => ({ value, says: value })),
  ]);
}
