import { Directive, input, type Provider, computed, type Signal } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import type { AbstractControl, FormControl } from '@angular/forms';
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

/** A labelled field on the frame of the form, bound to a control of a typed form. */
@Directive()
export abstract class Field<T> {
  /** The label on the frame. */
  readonly label = input('');
  /** What it is called where no label is seen, as in a table's cell. */
  readonly name = input<string>();
  readonly placeholder = input('');
  readonly control = input.required<FormControl<T>>();
  readonly inputId = input<string>();
  protected readonly bound = computed(() => this.control() as FormControl<T | null>);
  protected readonly fault = faultOf(this.bound);
}
