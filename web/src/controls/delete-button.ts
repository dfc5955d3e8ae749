import { ChangeDetectionStrategy, Component, input, output } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatTooltipModule } from '@angular/material/tooltip';
import { Icons } from './icons';

/** Deletes one thing of a list; it says which to who cannot see where it stands. */
@Component({
  selector: 'pc-delete-button',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatButtonModule, MatTooltipModule, Icons],
  template: `
    <button
      mat-icon-button
      type="button"
      matTooltip="Delete"
      [disabled]="disabled()"
      [attr.aria-label]="'Delete ' + of()"
      (click)="pressed.emit()"
    >
      <mat-icon svgIcon="delete" />
    </button>
  `,
})
export class DeleteButton {
  readonly of = input.required<string>();
  readonly disabled = input(false);
  readonly pressed = output<void>();
}
