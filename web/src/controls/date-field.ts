import { ChangeDetectionStrategy, Component, inject, Injectable, signal } from '@angular/core';
import { takeUntilDestroyed, toObservable } from '@angular/core/rxjs-interop';
import { FormControl, ReactiveFormsModule } from '@angular/forms';
import { DateFnsAdapter } from '@angular/material-date-fns-adapter';
import { DateAdapter, MAT_DATE_FORMATS, MAT_DATE_LOCALE, type MatDateFormats } from '@angular/material/core';
import { MatDatepickerModule } from '@angular/material/datepicker';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatInputModule } from '@angular/material/input';
import { formatISO, parseISO } from 'date-fns';
import { enGB } from 'date-fns/locale';
import { startWith, switchMap } from 'rxjs';
import { PreferencesStore } from '../stores/preferences.store';
import { Field } from './field';
import { dayWords } from './days';
import { readDay } from './read-day';

const SHOWN = 'EEE d MMM yyyy';
const FORMATS: MatDateFormats = {
  parse: { dateInput: SHOWN },
  display: { dateInput: SHOWN, monthYearLabel: 'LLL yyyy', dateA11yLabel: 'PP', monthYearA11yLabel: 'LLLL yyyy' },
};

/** Reads days as people write them, in the order of whoever types. */
@Injectable()
class DayAdapter extends DateFnsAdapter {
  private readonly preferences = inject(PreferencesStore);

  override parse(typed: unknown): Date | null {
    if (typed instanceof Date) return typed;
    const text = typeof typed === 'string' ? typed.trim() : '';
    if (text === '') return null;
    const read = readDay(text, this.preferences.dates(), this.today());
    return read.ok ? read.day : this.invalid();
  }
}

/** A day, as `2026-12-11`; typed or picked from a calendar. */
@Component({
  selector: 'pc-date-field',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [ReactiveFormsModule, MatDatepickerModule, MatFormFieldModule, MatInputModule],
  providers: [
    { provide: MAT_DATE_LOCALE, useValue: enGB },
    { provide: DateAdapter, useClass: DayAdapter },
    { provide: MAT_DATE_FORMATS, useValue: FORMATS },
  ],
  template: `
    <mat-form-field appearance="outline" subscriptSizing="dynamic">
      <mat-label>{{ label() }}</mat-label>
      <input
        #typed
        matInput
        autocomplete="off"
        [matDatepicker]="calendar"
        [formControl]="day"
        [placeholder]="placeholder()"
        (input)="typing(typed.value)"
        (blur)="reads.set('')"
      />
      @if (reads(); as read) {
        <span matTextSuffix role="status">= {{ read }}</span>
      }
      <mat-datepicker-toggle matIconSuffix [for]="calendar" />
      <mat-datepicker #calendar />
      <mat-error role="alert">{{ says() }}</mat-error>
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
  private readonly preferences = inject(PreferencesStore);
  /** The day that is read of what is being typed, in words. */
  protected readonly reads = signal('');
  /** Why what was typed is no day. */
  protected readonly says = signal('');

  constructor() {
    super();
    toObservable(this.bound)
      .pipe(
        switchMap((c) => c.valueChanges.pipe(startWith(c.value))),
        takeUntilDestroyed(),
      )
      .subscribe((iso) => this.show(iso));
    this.day.valueChanges.pipe(takeUntilDestroyed()).subscribe((day) => {
      const control = this.bound();
      if (this.day.invalid) {
        const { text = '' } = (this.day.errors?.['matDatepickerParse'] ?? {}) as { text?: string };
        const read = readDay(text, this.preferences.dates(), new Date());
        this.says.set(read.ok ? '' : read.says);
        return control.setErrors({ says: this.says() });
      }
      control.setValue(day ? formatISO(day, { representation: 'date' }) : null);
    });
  }

  protected typing(text: string): void {
    const read = readDay(text, this.preferences.dates(), new Date());
    this.reads.set(read.ok && dayWords(read.day) !== text.trim() ? dayWords(read.day) : '');
  }

  private show(iso: string | null): void {
    const now = this.day.value ? formatISO(this.day.value, { representation: 'date' }) : null;
    if (now !== iso) this.day.setValue(iso ? parseISO(iso) : null, { emitEvent: false });
  }
}
