import { CdkTextareaAutosize } from '@angular/cdk/text-field';
import { ChangeDetectionStrategy, Component, input } from '@angular/core';
import { ReactiveFormsModule } from '@angular/forms';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatInputModule } from '@angular/material/input';
import { Field, SHOWN_ONCE_LEFT } from './field';

/** A field for words: one line, or several that grow. */
@Component({
  selector: 'pc-text-field',
  providers: [SHOWN_ONCE_LEFT],
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [ReactiveFormsModule, MatFormFieldModule, MatInputModule, CdkTextareaAutosize],
  template: `
    <mat-form-field appearance="outline" subscriptSizing="dynamic">
      @if (label()) {
        <mat-label>{{ label() }}</mat-label>
      }
      @if (rows() > 1) {
        <textarea
          matInput
          cdkTextareaAutosize
          [cdkAutosizeMinRows]="rows()"
          [formControl]="bound()"
          [maxlength]="max()"
          [placeholder]="placeholder()"
          [attr.aria-label]="name() ?? null"
          (change)="leave($any($event.target).value)"
        ></textarea>
      } @else {
        <input
          matInput
          [id]="inputId() ?? ''"
          [type]="type()"
          [formControl]="bound()"
          [maxlength]="max()"
          [placeholder]="placeholder()"
          [autocomplete]="autocomplete()"
          [attr.inputmode]="inputmode() ?? null"
          [attr.aria-label]="name() ?? null"
          (change)="leave($any($event.target).value)"
        />
      }
      <mat-error role="alert">{{ fault().says }}</mat-error>
    </mat-form-field>
  `,
  styles: `
    mat-form-field {
      width: 100%;
    }
  `,
})
export class TextField extends Field<string> {
  readonly max = input(200);
  readonly rows = input(1);
  readonly type = input<'text' | 'password' | 'search'>('text');
  readonly autocomplete = input<'off' | 'username' | 'current-password' | 'new-password'>('off');
  readonly inputmode = input<'numeric' | 'decimal'>();

  /** What is entered when the field is left is so at Enter too. */
  protected leave(text: string): void {
    const control = this.control();
    if (control.updateOn !== 'blur') return;
    control.markAsTouched();
    if (control.value !== text) control.setValue(text, { emitModelToViewChange: false });
  }
}
