import { ChangeDetectionStrategy, Component, effect, untracked } from '@angular/core';
import { takeUntilDestroyed, toObservable } from '@angular/core/rxjs-interop';
import { FormControl, ReactiveFormsModule } from '@angular/forms';
import { provideDateFnsAdapter } from '@angular/material-date-fns-adapter';
import { MAT_DATE_LOCALE } from '@angular/material/core';
import { MatDatepickerModule } from '@angular/material/datepicker';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatInputModule } from '@angular/material/input';
import { formatISO, parseISO } from 'date-fns';
import { enGB } from 'date-fns/locale';
import { startWith, switchMap } from 'rxjs';
import { Field } from './field';

const SHOWN = 'EEE d MMM yyyy';

/** A day, as `2026-12-11`; typed or picked from a calendar. */
@Component({
  selector: 'pc-date-field',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [ReactiveFormsModule, MatDatepickerModule, MatFormFieldModule, MatInputModule],
  providers: [
    { provide: MAT_DATE_LOCALE, useValue: enGB },
    provideDateFnsAdapter({
      parse: { dateInput: [SHOWN, 'd MMM yyyy', 'yyyy-MM-dd', 'd/M/yyyy', 'd.M.yyyy'] },
      display: { dateInput: SHOWN, monthYearLabel: 'LLL yyyy', dateA11yLabel: 'PP', monthYearA11yLabel: 'LLLL yyyy' },
    }),
  ],
  template: `
    <mat-form-field appearance="outline" subscriptSizing="dynamic">
      <mat-label>{{ label() }}</mat-label>
      <input matInput autocomplete="off" [matDatepicker]="calendar" [formControl]="day" [placeholder]="placeholder()" />
      <mat-datepicker-toggle matIconSuffix [for]="calendar" />
      <mat-datepicker #calendar />
      <mat-error role="alert">Write it like Fri 11 Dec 2026.</mat-error>
    </mat-form-field>
  `,
  styles: `
    mat-form-field {
      width: 100%;
    }
  `,
})
export class DateField extends Field<string | null> {
  protected readonly day = new FormControl<Date | null>(null);

  constructor() {
    super();
    toObservable(this.bound)
      .pipe(
        switchMap((c) => c.valueChanges.pipe(startWith(c.value))),
        takeUntilDestroyed(),
      )
      .subscribe((iso) => this.show(iso));
    effect(() => {
      const iso = this.value();
      untracked(() => (this.control() ? undefined : this.show(iso)));
    });
    this.day.valueChanges.pipe(takeUntilDestroyed()).subscribe((day) => {
      const control = this.bound();
      if (this.day.invalid) return control.setErrors({ says: 'Write it like Fri 11 Dec 2026.' });
      control.setValue(day ? formatISO(day, { representation: 'date' }) : null);
      this.enter();
    });
  }

  private show(iso: string | null): void {
    const now = this.day.value ? formatISO(this.day.value, { representation: 'date' }) : null;
    if (now !== iso) this.day.setValue(iso ? parseISO(iso) : null, { emitEvent: false });
  }
}
