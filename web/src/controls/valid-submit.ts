import { Directive, ElementRef, inject, output } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { FormGroupDirective } from '@angular/forms';

/** Submits a form that is right; of one that is not, the faults are shown and the first of them has the focus. */
@Directive({ selector: 'form[formGroup][pcSubmit]' })
export class ValidSubmit {
  readonly pcSubmit = output<void>();

  constructor() {
    const form = inject(FormGroupDirective);
    const { nativeElement } = inject<ElementRef<HTMLFormElement>>(ElementRef);
    form.ngSubmit.pipe(takeUntilDestroyed()).subscribe(() => {
      if (form.control.valid) return this.pcSubmit.emit();
      form.control.markAllAsTouched();
      nativeElement.querySelector<HTMLElement>('input.ng-invalid, textarea.ng-invalid, mat-select.ng-invalid')?.focus();
    });
  }
}
