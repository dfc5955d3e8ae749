import { effect, signal, type Signal, untracked } from '@angular/core';
import { FormControl, FormGroup, type ValidatorFn } from '@angular/forms';
import { sameJson } from '@plain-cleat/core/rig';

/** Why what was entered is not taken, in words that say what would be right; nothing when it was taken. */
type Refused = string | undefined | void;

/** More about a field of a live form. */
interface FieldRules {
  /** What is right, beside what the field itself can read. */
  readonly right?: ValidatorFn;
  /** Whether nothing can be entered at the moment. */
  readonly off?: () => boolean;
  /** It is left empty for the next after each that was entered. */
  readonly clears?: boolean;
  /** Words are entered when the field is left; everything else at once. */
  readonly words?: boolean;
}

/** A field of a form over what somebody else keeps: what stands there, and what is done with what was entered. */
export interface LiveField<V> extends FieldRules {
  readonly stands: () => V;
  /** Takes what was entered and is right. */
  entered(value: V): Refused;
}
type Fields = Readonly<Record<string, LiveField<unknown>>>;
type Controls<F extends Fields> = {
  [K in keyof F]: FormControl<F[K] extends { stands: () => infer V } ? V : never>;
};

/** A field of figures, choices, days. */
export const field = <V>(stands: () => V, entered: (value: V) => Refused, more: FieldRules = {}): LiveField<V> => ({
  stands,
  entered,
  ...more,
});

/** A field of words: entered when it is left. */
export const words = (stands: () => string, entered: (value: string) => Refused, more: FieldRules = {}): LiveField<string> => ({
  stands,
  entered,
  words: true,
  ...more,
});

/** A field for each of some keys. */
export const fieldsOf = <const K extends string, V>(
  keys: readonly K[],
  make: (key: K) => LiveField<V>,
): Readonly<Record<K, LiveField<V>>> =>
  Object.fromEntries(keys.map((key) => [key, make(key)])) as Readonly<Record<K, LiveField<V>>>;

function controlOf<V>(of: LiveField<V>): FormControl<V> {
  const control = new FormControl<V | null>(null, {
    validators: of.right ?? null,
    updateOn: of.words ? 'blur' : 'change',
  }) as FormControl<V>;
  control.valueChanges.subscribe((value) => {
    if (control.invalid || sameJson(value, of.stands())) return;
    const refused = of.entered(value);
    if (refused) {
      control.setErrors({ says: refused });
      control.markAsTouched();
    } else if (of.clears) control.reset(undefined, { emitEvent: false });
  });
  return control;
}

/** The fields of one form with their controls. */
class Live<F extends Fields> {
  private readonly shown = new Map<string, unknown>();
  readonly controls: Controls<F>;

  constructor(private readonly fields: F) {
    const made = Object.entries(fields).map(([key, one]) => [key, controlOf(one)] as const);
    this.controls = Object.fromEntries(made) as Record<string, unknown> as Controls<F>;
  }

  /** Shows everything anew, what was typed too. */
  forget(): void {
    this.shown.clear();
  }

  /** The controls as things stand; what was typed and is wrong stays until what stands there is another. */
  follow(): void {
    for (const [key, one] of Object.entries(this.fields)) {
      const control = this.controls[key] as FormControl<unknown>;
      const [value, off] = [one.stands(), one.off?.() ?? false];
      untracked(() => {
        if (off && control.enabled) control.disable({ emitEvent: false });
        else if (!off && control.disabled) control.enable({ emitEvent: false });
        if (this.shown.has(key) && sameJson(this.shown.get(key), value)) return;
        this.shown.set(key, value);
        control.setValue(value);
      });
    }
  }
}

/**
 * A typed form over what somebody else keeps: it shows what stands there as that changes, and tells what was entered
 * once it is right. Made where a component is.
 * @param about what the form is of: when that is another, nothing typed before is left in it
 * @example form = liveForm({ note: words(() => this.fitting().note, (note) => this.write(note)) })
 */
export function liveForm<F extends Fields>(fields: F, about: () => unknown = () => null): FormGroup<Controls<F>> {
  const live = new Live(fields);
  let of: unknown;
  effect(() => {
    if (about() !== of) live.forget();
    of = about();
    live.follow();
  });
  return new FormGroup(live.controls);
}

/** A row of a live list: what it is of, and its form. */
export interface LiveRow<R, F extends Fields> {
  readonly of: R;
  readonly at: number;
  readonly controls: Controls<F>;
}

/**
 * A form for each of a list that somebody else keeps; each keeps its form, and the focus in it, while its key is there.
 * @param fields the fields of one, from what it is of and its place in the list as they are then
 * @param key what a row is known by; its place when left out
 */
export function liveRows<R, F extends Fields>(
  rows: () => readonly R[],
  fields: (row: () => R, at: () => number) => F,
  key: (row: R, at: number) => string | number = (_, at) => at,
): Signal<readonly LiveRow<R, F>[]> {
  const make = (of: R, at: number) => {
    const now = { of, at };
    const rowFields = fields(
      () => now.of,
      () => now.at,
    );
    return { now, live: new Live(rowFields) };
  };
  let held = new Map<string | number, ReturnType<typeof make>>();
  const shown = signal<readonly LiveRow<R, F>[]>([]);
  effect(() => {
    const before = held;
    held = new Map();
    const all = rows().map((of, at) => {
      const one = before.get(key(of, at)) ?? untracked(() => make(of, at));
      Object.assign(one.now, { of, at });
      held.set(key(of, at), one);
      one.live.follow();
      return { of, at, controls: one.live.controls };
    });
    untracked(() => shown.set(all));
  });
  return shown.asReadonly();
}

/** What a row of a list is known by: its form. */
export const byForm = ({ controls }: { readonly controls: object }): object => controls;
