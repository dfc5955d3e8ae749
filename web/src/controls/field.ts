import { computed, Directive, effect, input, output, type Provider, type Signal, untracked } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { type AbstractControl, FormControl } from '@angular/forms';
import { ErrorStateMatcher } from '@angular/material/core';
import { map, startWith, switchMap } from 'rxjs';

/**
 * A field is shown as wrong once it was left, and not for having been sent: what is emptied for the next one after it
 * was taken is not wrong.
 */
export const SHOWN_ONCE_LEFT: Provider = {
  provide: ErrorStateMatcher,
  useValue: { isErrorState: (control: AbstractControl | null) => control !== null && control.invalid && control.touched },
};

/** What is wrong with a control, in words, as it changes; empty when nothing is. */
const faultOf = (control: Signal<AbstractControl>): Signal<{ readonly says: string }> =>
  toSignal(
    toObservable(control).pipe(
      switchMap((c) =>
        c.events.pipe(
          startWith(null),
          // A new object each time: a control that was touched is looked at again.
          map(() => ({ says: wordsFor(c) })),
        ),
      ),
    ),
    { initialValue: { says: '' } },
  );

const wordsFor = ({ errors }: AbstractControl): string => {
  const { says = 'This is wanted.' } = (errors ?? { says: '' }) as { says?: string };
  return says;
};

/**
 * A labelled field on the frame of the form: bound to a control of a reactive form, or to a value that somebody else
 * keeps, who hears of what was entered and may refuse it in words.
 */
@Directive()
export abstract class Field<T> {
  /** The label on the frame. */
  readonly label = input('');
  /** What it is called where no label is seen, as in a table's cell. */
  readonly name = input<string>();
  readonly placeholder = input('');
  readonly disabled = input(false);
  readonly control = input<FormControl<T>>();
  readonly value = input<T | null>(null);
  /** Why what was entered was not taken; empty when it was. */
  readonly refused = input('');
  readonly inputId = input<string>();
  /** The field is left empty for the next after each that was entered. */
  readonly clears = input(false);
  /** What was entered, where no control is given and it can be read. */
  readonly entered = output<T>();

  protected readonly own = new FormControl<T | null>(null, {
    validators: () => (this.refused() ? { refused: this.refused() } : null),
  });
  protected readonly bound = computed(() => (this.control() ?? this.own) as FormControl<T | null>);
  private readonly wrong = faultOf(this.bound);
  protected readonly fault = computed(() => ({ says: this.refused() || this.wrong().says }));

  constructor() {
    effect(() => {
      const value = this.value();
      untracked(() => this.own.setValue(value, { emitEvent: false }));
    });
    effect(() => {
      const says = this.refused();
      untracked(() => {
        this.own.updateValueAndValidity({ emitEvent: false });
        if (says) this.own.markAsTouched();
      });
    });
    effect(() => {
      const off = this.disabled();
      untracked(() => (off ? this.own.disable({ emitEvent: false }) : this.own.enable({ emitEvent: false })));
    });
  }

  /** Tells what was entered; what cannot be read is told to nobody. */
  protected enter(): void {
    const { value, errors } = this.own;
    if (this.control() || errors?.['says'] || (value === this.value() && !this.refused())) return;
    this.entered.emit(value as T);
    if (this.clears()) this.own.reset(null, { emitEvent: false });
  }
}
