import { ChangeDetectionStrategy, Component, input, output } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { Icons } from './icons';

/** A button that asks for a file. */
@Component({
  selector: 'pc-file-button',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatButtonModule, Icons],
  template: `
    <button mat-stroked-button type="button" (click)="file.click()"><mat-icon [svgIcon]="icon()" />{{ label() }}</button>
    <input
      #file
      type="file"
      hidden
      [accept]="accept()"
      [attr.aria-label]="label()"
      [attr.capture]="capture() ?? null"
      (change)="take(file)"
    />
  `,
})
export class FileButton {
  readonly label = input.required<string>();
  /** Kinds of file, as `.csv,.svg`. */
  readonly accept = input('');
  readonly icon = input('upload');
  /** Asks the tablet's camera first. */
  readonly capture = input<'environment'>();
  readonly chosen = output<File>();

  protected take(file: HTMLInputElement): void {
    const one = file.files?.[0];
    // The same file may be chosen again.
    file.value = '';
    if (one) this.chosen.emit(one);
  }
}
