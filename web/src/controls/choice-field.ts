import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import { ReactiveFormsModule } from '@angular/forms';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatSelectModule } from '@angular/material/select';
import { Field, SHOWN_ONCE_LEFT } from './field';

/** One of what a choice field offers. */
export interface Choice<T> {
  readonly value: T;
  readonly says: string;
  /** Under which heading it stands, where there are several. */
  readonly under?: string;
}

/** Choices that are called what they are. */
export const choicesOf = <T extends string>(values: readonly T[]): Choice<T>[] => values.map((value) => ({ value, says: value }));

/** Choices from their values and what these are called. */
export const namedChoices = <T>(pairs: readonly (readonly [value: T, says: string])[]): Choice<T>[] =>
  pairs.map(([value, says]) => ({ value, says }));

/** Choices under their headings, in the order in which these first appear. */
export const underHeadings = <T>(choices: readonly Choice<T>[]): { readonly under: string; readonly choices: Choice<T>[] }[] =>
  [...new Set(choices.map((c) => c.under ?? ''))].map((under) => ({
    under,
    choices: choices.filter((c) => (c.under ?? '') === under),
  }));

/** A field that takes one of several. */
@Component({
  selector: 'pc-choice-field',
  providers: [SHOWN_ONCE_LEFT],
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [ReactiveFormsModule, MatFormFieldModule, MatSelectModule],
  template: `
    <mat-form-field appearance="outline" subscriptSizing="dynamic">
      @if (label()) {
        <mat-label>{{ label() }}</mat-label>
      }
      <mat-select
        canSelectNullableOptions
        [formControl]="bound()"
        [placeholder]="placeholder()"
        [aria-label]="name() ?? ''"
        panelWidth=""
      >
        @for (g of groups(); track g.under) {
          @if (g.under) {
            <mat-optgroup [label]="g.under">
              @for (c of g.choices; track c.value) {
                <mat-option [value]="c.value">{{ c.says }}</mat-option>
              }
            </mat-optgroup>
          } @else {
            @for (c of g.choices; track c.value) {
              <mat-option [value]="c.value">{{ c.says }}</mat-option>
            }
          }
        }
      </mat-select>
      <mat-error role="alert">{{ fault().says }}</mat-error>
    </mat-form-field>
  `,
  styles: `
    mat-form-field {
      width: 100%;
    }
  `,
})
export class ChoiceField<T> extends Field<T> {
  readonly choices = input.required<readonly Choice<T>[]>();
  protected readonly groups = computed(() => underHeadings(this.choices()));
}
