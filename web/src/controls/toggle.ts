import { ChangeDetectionStrategy, Component, input, output } from '@angular/core';
import { MatButtonToggleModule } from '@angular/material/button-toggle';
import type { Choice } from './choice-field';

/** One of what a toggle offers; what cannot be chosen here and now is off. */
export interface ToggleChoice<T> extends Choice<T> {
  readonly off?: boolean;
}

/** Few choices beside each other, one of them pressed. */
@Component({
  selector: 'pc-toggle',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatButtonToggleModule],
  template: `
    <mat-button-toggle-group
      hideSingleSelectionIndicator
      [attr.aria-label]="name()"
      [value]="value()"
      (change)="chosen.emit($event.value)"
    >
      @for (c of choices(); track c.value) {
        <mat-button-toggle [value]="c.value" [disabled]="c.off">{{ c.says }}</mat-button-toggle>
      }
    </mat-button-toggle-group>
  `,
  styles: `
    :host {
      display: inline-flex;
      max-width: 100%;
    }
  `,
})
export class Toggle<T> {
  /** What is chosen by it, for those who cannot see it. */
  readonly name = input.required<string>();
  readonly choices = input.required<readonly ToggleChoice<T>[]>();
  readonly value = input.required<T | null | undefined>();
  readonly chosen = output<T>();
}
