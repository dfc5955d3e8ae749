import {
  ChangeDetectionStrategy,
  Component,
  computed,
  Directive,
  effect,
  ElementRef,
  forwardRef,
  inject,
  input,
  signal,
  untracked,
  viewChild,
} from '@angular/core';
import {
  type AbstractControl,
  type ControlValueAccessor,
  NG_VALIDATORS,
  NG_VALUE_ACCESSOR,
  ReactiveFormsModule,
  type ValidationErrors,
  type Validator,
} from '@angular/forms';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatInputModule } from '@angular/material/input';
import {
  figureOf,
  printQuantity,
  type QuantityKind,
  type ReadQuantity,
  readQuantity,
  unitOf,
} from '@plain-cleat/core/base/units';
import { PreferencesStore } from '../stores/preferences.store';
import { UnitsStore } from '../stores/units.store';
import { Field, SHOWN_ONCE_LEFT } from './field';

/**
 * Makes a Material input one of a quantity: typed and shown in the reader's units, kept in the base unit (mm, kg,
 * cents); read when the field is left or Enter is pressed, with a sentence for what cannot be read.
 */
@Directive({
  selector: 'input[pcQuantity]',
  providers: [
    { provide: NG_VALUE_ACCESSOR, useExisting: forwardRef(() => QuantityInput), multi: true },
    { provide: NG_VALIDATORS, useExisting: forwardRef(() => QuantityInput), multi: true },
  ],
  host: { '(input)': 'typing()', '(change)': 'take()', '(blur)': 'leave()', '(keydown.enter)': 'leave()', autocomplete: 'off' },
})
export class QuantityInput implements ControlValueAccessor, Validator {
  readonly kind = input.required<QuantityKind>({ alias: 'pcQuantity' });
  /** Bounds in the base unit, both allowed themselves. */
  readonly least = input<number | null>(null);
  readonly most = input<number | null>(null);
  /** An empty field is an answer, and its value null. */
  readonly optional = input(false);
  private readonly element = inject<ElementRef<HTMLInputElement>>(ElementRef).nativeElement;
  private readonly units = inject(UnitsStore);
  private readonly preferences = inject(PreferencesStore);
  /** What is read of what is being typed, where that is not what it says anyway; empty once it is entered. */
  readonly reads = signal('');
  private value: number | null = null;
  /** Why what stands in the field is not a value; empty when it is. */
  private says = '';
  private validated?: AbstractControl;
  private unsaid = false;
  private changed: (value: number | null) => void = () => undefined;
  protected touched: () => void = () => undefined;
  private revalidate: () => void = () => undefined;

  focus(): void {
    this.element.focus();
  }

  constructor() {
    effect(() => {
      this.units.system();
      untracked(() => this.print());
    });
    effect(() => {
      this.least();
      this.most();
      untracked(() => this.revalidate());
    });
  }

  private read(text: string): ReadQuantity {
    return readQuantity(this.kind(), text, this.units.system(), this.preferences.numbers());
  }

  private print(): void {
    this.reads.set('');
    if (!this.says) this.element.value = this.value === null ? '' : figureOf(this.kind(), this.value, this.units.system());
  }

  writeValue(value: number | null): void {
    this.value = value;
    this.says = '';
    this.print();
  }

  protected typing(): void {
    const { value } = this.element;
    const [read, system] = [this.read(value), this.units.system()];
    this.reads.set(
      read.ok && figureOf(this.kind(), read.value, system) !== value.trim() ? printQuantity(this.kind(), read.value, system) : '',
    );
    // Nothing is entered yet: only what was said about it goes, until the field is left.
    if (!this.fault()) return;
    this.unsaid = true;
    this.validated?.setErrors(null);
  }

  /** Left as wrong as it was, it is wrong again. */
  protected leave(): void {
    if (this.unsaid) this.revalidate();
    this.unsaid = false;
    this.touched();
  }

  protected take(): void {
    const text = this.element.value;
    const system = this.units.system();
    if (text.trim() === '') {
      this.value = null;
      this.says = this.optional() ? '' : `Write it like ${this.like()}.`;
    } else {
      const read = this.read(text);
      // What stands there as it was printed is the value itself, not its rounded mark.
      const same = read.ok && this.value !== null && text.trim() === figureOf(this.kind(), this.value, system);
      if (!same) this.value = read.ok ? read.value : null;
      this.says = read.ok ? '' : `${read.says}.`;
    }
    this.print();
    this.changed(this.value);
    this.touched();
  }

  private like(): string {
    return printQuantity(this.kind(), Math.min(Math.max(this.least() ?? 0, 100), this.most() ?? 1000), this.units.system());
  }

  validate(control: AbstractControl): ValidationErrors | null {
    this.validated = control;
    const says = this.fault();
    return says ? { says } : null;
  }

  /** Why what stands in the field is not taken. */
  private fault(): string {
    if (this.says) return this.says;
    const [least, most] = [this.least(), this.most()];
    if (this.value === null) return this.optional() ? '' : `Write it like ${this.like()}.`;
    const print = (value: number, how: 'up' | 'down'): string => printQuantity(this.kind(), value, this.units.system(), how);
    if (least !== null && most !== null && (this.value < least || this.value > most))
      return `From ${print(least, 'up')} to ${print(most, 'down')}.`;
    if (least !== null && this.value < least) return `${print(least, 'up')} at least.`;
    if (most !== null && this.value > most) return `${print(most, 'down')} at the most.`;
    return '';
  }

  registerOnChange(changed: (value: number | null) => void): void {
    this.changed = changed;
  }
  registerOnTouched(touched: () => void): void {
    this.touched = touched;
  }
  registerOnValidatorChange(revalidate: () => void): void {
    this.revalidate = revalidate;
  }
  setDisabledState(disabled: boolean): void {
    this.element.disabled = disabled;
  }
}

/** A quantity's field: its label on the frame, its unit at the end, what is wrong with it under it in words. */
@Component({
  selector: 'pc-quantity',
  providers: [SHOWN_ONCE_LEFT],
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [ReactiveFormsModule, MatFormFieldModule, MatInputModule, QuantityInput],
  template: `
    <mat-form-field appearance="outline" subscriptSizing="dynamic">
      @if (label()) {
        <mat-label>{{ label() }}</mat-label>
      }
      <input
        matInput
        [id]="inputId() ?? ''"
        [formControl]="bound()"
        [pcQuantity]="kind()"
        [least]="least()"
        [most]="most()"
        [optional]="optional()"
        [placeholder]="placeholder()"
        [attr.aria-label]="name() ?? null"
      />
      @if (reads(); as read) {
        <span matTextSuffix class="reads" role="status">= {{ read }}{{ unit() ? ' ' + unit() : '' }}</span>
      } @else if (shownUnit()) {
        <span matTextSuffix>{{ shownUnit() }}</span>
      }
      <mat-error role="alert">{{ fault().says }}</mat-error>
    </mat-form-field>
  `,
  styles: `
    mat-form-field {
      width: 100%;
    }
    .reads {
      color: var(--ink);
    }
  `,
})
export class QuantityField extends Field<number | null> {
  readonly kind = input.required<QuantityKind>();
  readonly least = input<number | null>(null);
  readonly most = input<number | null>(null);
  readonly optional = input(false);
  /** Another unit's name than the kind's own, as `days` after a number. */
  readonly unit = input<string>();
  private readonly units = inject(UnitsStore);
  private readonly typed = viewChild.required(QuantityInput);
  protected readonly reads = computed(() => this.typed().reads());
  protected readonly shownUnit = computed(() => this.unit() ?? unitOf(this.kind(), this.units.system()));

  focus(): void {
    this.typed().focus();
  }
}
