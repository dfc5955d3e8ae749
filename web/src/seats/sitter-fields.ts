import { ChangeDetectionStrategy, Component, input, output } from '@angular/core';
import { LIMITS } from '../brief/questions';
import { QuantityField } from '../controls/quantity';

/** How one sits, as far as it is said. */
export interface SitterFigures {
  readonly at?: number | undefined;
  readonly raise?: number | undefined;
  readonly recline?: number | undefined;
}
/** A figure of it, typed; null where it was emptied. */
export interface SitterTyped {
  readonly field: keyof SitterFigures;
  readonly value: number | null;
}

const FIELDS = [
  { field: 'at', label: 'Set at', kind: 'length', limits: LIMITS.seatAt },
  { field: 'raise', label: 'Raised by', kind: 'length', limits: LIMITS.raise },
  { field: 'recline', label: 'Back leans', kind: 'degrees', limits: LIMITS.recline },
] as const;

/** Where somebody's seat stands, how much it is raised, how far its back leans. */
@Component({
  selector: 'pc-sitter-fields',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [QuantityField],
  template: `
    @for (f of fields; track f.field) {
      <pc-quantity
        [label]="f.label"
        [kind]="f.kind"
        [placeholder]="placeholder()"
        [optional]="true"
        [least]="f.limits.least"
        [most]="f.limits.most"
        [value]="sits()?.[f.field] ?? null"
        (entered)="typed.emit({ field: f.field, value: tenths($event) })"
      />
    }
  `,
  styles: `
    :host {
      display: contents;
    }
    pc-quantity {
      width: 150px;
    }
  `,
})
export class SitterFields {
  readonly sits = input<SitterFigures>();
  /** What stands in an empty field. */
  readonly placeholder = input('');
  readonly typed = output<SitterTyped>();
  protected readonly fields = FIELDS;
  protected tenths = tenths;
}

/** As fine as anybody measures a seat or a body. */
export const tenths = <T extends number | null>(value: T): T => (value === null ? value : Math.round(value * 10) / 10) as T;
