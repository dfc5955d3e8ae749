import { ChangeDetectionStrategy, Component, computed, effect, input, untracked } from '@angular/core';
import { takeUntilDestroyed, toObservable, toSignal } from '@angular/core/rxjs-interop';
import { FormControl, ReactiveFormsModule } from '@angular/forms';
import { MatAutocompleteModule } from '@angular/material/autocomplete';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatInputModule } from '@angular/material/input';
import { map, startWith, switchMap } from 'rxjs';
import { type Choice, underHeadings } from './choice-field';
import { Field } from './field';

/** So many are offered at once: a letter or two more find the rest. */
const AT_ONCE = 50;

/** A field that takes one of many, found by typing part of what it is called. */
@Component({
  selector: 'pc-pick-field',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [ReactiveFormsModule, MatAutocompleteModule, MatFormFieldModule, MatInputModule],
  template: `
    <mat-form-field appearance="outline" subscriptSizing="dynamic">
      @if (label()) {
        <mat-label>{{ label() }}</mat-label>
      }
      <input
        matInput
        autocomplete="off"
        [formControl]="text"
        [matAutocomplete]="list"
        [errorStateMatcher]="shownOnceLeft"
        [placeholder]="placeholder()"
        [attr.aria-label]="name() ?? null"
        (focus)="$any($event.target).select()"
        (blur)="leave()"
      />
      <!-- The press on an option leaves the focus in the field: leaving it would put back what was chosen before. -->
      <mat-autocomplete
        #list
        autoActiveFirstOption
        panelWidth="min(480px, 92vw)"
        [hideSingleSelectionIndicator]="true"
        [displayWith]="says"
        (optionSelected)="pick($event.option.value)"
      >
        @for (g of groups(); track g.under) {
          @if (g.under) {
            <mat-optgroup [label]="g.under">
              @for (c of g.choices; track c.value) {
                <mat-option [value]="c" (mousedown)="$event.preventDefault()">{{ c.says }}</mat-option>
              }
            </mat-optgroup>
          } @else {
            @for (c of g.choices; track c.value) {
              <mat-option [value]="c" (mousedown)="$event.preventDefault()">{{ c.says }}</mat-option>
            }
          }
        }
        @if (groups().length === 0) {
          <mat-option disabled>{{ choices().length ? 'No match' : 'Loading' }}</mat-option>
        }
      </mat-autocomplete>
      <mat-error role="alert">{{ fault().says }}</mat-error>
    </mat-form-field>
  `,
  styles: `
    mat-form-field {
      width: 100%;
    }
    input {
      text-overflow: ellipsis;
    }
  `,
})
export class PickField<T> extends Field<T> {
  readonly choices = input.required<readonly Choice<T>[]>();
  /** What is typed, or what was just picked. */
  protected readonly text = new FormControl<string | Choice<T>>('', { nonNullable: true });
  private readonly typed = toSignal(this.text.valueChanges.pipe(map((text) => this.says(text))), { initialValue: '' });
  /** What the field showed when nobody typed in it. */
  private shown = '';
  protected readonly groups = computed(() => {
    const words = this.typed().toLowerCase().split(/\s+/).filter(Boolean);
    const chosen = this.choices().some((c) => c.says === this.typed());
    const found = chosen ? this.choices() : this.choices().filter((c) => words.every((w) => c.says.toLowerCase().includes(w)));
    return underHeadings(found.slice(0, AT_ONCE));
  });
  protected readonly shownOnceLeft = { isErrorState: (): boolean => this.bound().invalid && this.bound().touched };

  constructor() {
    super();
    toObservable(this.bound)
      .pipe(
        switchMap((c) => c.valueChanges.pipe(startWith(c.value))),
        takeUntilDestroyed(),
      )
      .subscribe(() => this.show());
    effect(() => {
      this.choices();
      // What is just being typed stays when the list comes late.
      untracked(() => this.text.value === this.shown && this.show());
    });
    // The focus goes to the first field that is wrong.
    effect(() => {
      const { says } = this.fault();
      untracked(() => this.text.setErrors(says ? { says } : null, { emitEvent: false }));
    });
  }

  protected says = (text: string | Choice<T>): string => (typeof text === 'string' ? text : text.says);

  /** What is chosen, in its words. */
  private show(): void {
    this.shown = this.choices().find((c) => c.value === this.bound().value)?.says ?? '';
    if (this.text.value !== this.shown) this.text.setValue(this.shown);
  }

  protected pick(choice: Choice<T>): void {
    this.bound().setValue(choice.value);
    this.show();
  }

  /** What was typed is one of them, or what was chosen before stays. */
  protected leave(): void {
    const typed = this.says(this.text.value).trim().toLowerCase();
    const [one, another] = this.choices().filter((c) => c.says.toLowerCase() === typed);
    if (one && !another && one.value !== this.bound().value) this.pick(one);
    this.bound().markAsTouched();
    this.show();
  }
}
