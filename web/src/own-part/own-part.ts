import { pointIn } from '../boat-view/pointer';
import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { Toggle } from '../controls/toggle';
import { toSignal } from '@angular/core/rxjs-interop';
import { FormArray, FormControl, FormGroup, ReactiveFormsModule } from '@angular/forms';
import { MatButtonModule } from '@angular/material/button';
import { MatCheckboxModule } from '@angular/material/checkbox';
import { MAT_DIALOG_DATA, MatDialogModule, MatDialogRef } from '@angular/material/dialog';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatSelectModule } from '@angular/material/select';
import { HOLD_WORDS, THREADS } from '@plain-cleat/core/holding/mounting';
import { HOLDS, OFFERED, OFFERED_WORDS, type OwnPart, ownPartSchema, partOfSheet } from '@plain-cleat/core/parts/parts';
import type { Plan } from '@plain-cleat/core/rig';
import { printMoney } from '@plain-cleat/core/base/units';
import { ChoiceField, choicesOf } from '../controls/choice-field';
import { DeleteButton } from '../controls/delete-button';
import { Icons } from '../controls/icons';
import { QuantityField } from '../controls/quantity';
import { TextField } from '../controls/text-field';
import { ValidSubmit } from '../controls/valid-submit';
import { type FlatPhoto, PhotoMarking } from '../photo-marking/photo-marking';

/** What the sheet is opened with. */
export interface OwnPartAsked {
  /** The part as it is, to be changed; null for a new one. */
  readonly sheet: OwnPart | null;
  /** What it may be called: the wish it comes from. */
  readonly name: string;
  /** The photos of the rig: one of them may show it. */
  readonly photos?: Plan['photos'];
}

/** What a field of the sheet is called, for a sentence that says what is wrong with it. */
const FIELDS: Readonly<Record<string, string>> = {
  name: 'Name',
  kind: 'Kind',
  shape: 'Size',
  height: 'Height',
  massKg: 'Weight',
  ways: 'Held by',
  bolts: 'Bolts',
  made: 'Made of',
  rods: 'Rods',
};

const mm = (value: number): FormControl<number | null> => new FormControl<number | null>(value);
type Outline = readonly (readonly [number, number])[];

/** A part made at the bench or brought by the owner, in one sheet. */
@Component({
  selector: 'pc-own-part',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    ReactiveFormsModule,
    MatDialogModule,
    MatButtonModule,
    Toggle,
    MatCheckboxModule,
    MatFormFieldModule,
    MatSelectModule,
    ChoiceField,
    DeleteButton,
    Icons,
    PhotoMarking,
    QuantityField,
    TextField,
    ValidSubmit,
  ],
  templateUrl: './own-part.html',
  styleUrl: './own-part.scss',
})
export class OwnPartSheet {
  private readonly ref = inject<MatDialogRef<OwnPartSheet, OwnPart>>(MatDialogRef);
  private readonly asked = inject<OwnPartAsked>(MAT_DIALOG_DATA);
  private readonly before = this.asked.sheet;
  protected readonly shapes = [
    { value: 'box', says: 'Box' },
    { value: 'cylinder', says: 'Round' },
    { value: 'outline', says: 'Traced on a photo' },
  ] as const;
  protected readonly ways = HOLDS.map((value) => ({ value, says: HOLD_WORDS[value] }));
  protected readonly offered = OFFERED.map((value) => ({ value, says: OFFERED_WORDS[value] }));
  protected readonly feet = [{ value: null, says: 'nothing special' }, ...this.offered];
  protected readonly photos = [
    { value: null, says: 'none' },
    ...Object.entries(this.asked.photos ?? {}).map(([value, p]) => ({ value, says: p.caption || p.name })),
  ];
  protected readonly threads = choicesOf(THREADS.map((t) => t.name));
  protected readonly counts = [
    { value: 0, says: 'no bolts' },
    { value: 1, says: 'one' },
    { value: 2, says: 'two' },
    { value: 4, says: 'four' },
  ];
  protected readonly fault = signal('');
  protected readonly photo = signal<FlatPhoto | null>(null);
  protected readonly traced = signal<Outline>(this.before?.shape.is === 'outline' ? this.before.shape.points : []);
  protected readonly form = this.formOf(this.before);
  protected readonly shape = toSignal(this.form.controls.is.valueChanges, { initialValue: this.form.controls.is.value });
  private readonly typed = toSignal(this.form.valueChanges);
  /** What it costs as the sheet stands, and whether that follows from what it is made of. */
  protected readonly cost = computed(() => {
    this.typed();
    const sheet = this.read();
    const parsed = ownPartSchema.safeParse({
      ...sheet,
      name: 'n',
      kind: 'k',
      ways: ['loose'],
      shape: { is: 'box', length: 1, width: 1 },
    });
    return parsed.success ? printMoney(partOfSheet('n', parsed.data, '2026-01-01').sold.priceCents) : '–';
  });

  private formOf(sheet: OwnPart | null) {
    const shape = sheet?.shape;
    const bolts = sheet?.bolts;
    return new FormGroup({
      name: new FormControl(sheet?.name ?? this.asked.name, { nonNullable: true }),
      kind: new FormControl(sheet?.kind ?? '', { nonNullable: true }),
      is: new FormControl<'box' | 'cylinder' | 'outline'>(shape?.is ?? 'box', { nonNullable: true }),
      length: mm(shape?.is === 'box' ? shape.length : 300),
      width: mm(shape?.is === 'box' ? shape.width : 200),
      diameter: mm(shape?.is === 'cylinder' ? shape.diameter : 100),
      height: mm(sheet?.height ?? 150),
      massKg: mm(sheet?.massKg ?? 1),
      ways: new FormControl<OwnPart['ways']>(sheet?.ways ?? ['loose', 'strap'], { nonNullable: true }),
      bolts: new FormControl<number>(bolts?.count ?? 0, { nonNullable: true }),
      along: mm(bolts?.along ?? 100),
      across: mm(bolts?.across ?? 0),
      thread: new FormControl(bolts?.thread ?? 'M6', { nonNullable: true }),
      offers: new FormControl<OwnPart['offers']>(sheet?.offers ?? [], { nonNullable: true }),
      ports: mm(sheet?.ports ?? 0),
      foot: new FormControl<NonNullable<OwnPart['foot']> | null>(sheet?.foot ?? null),
      rods: mm(sheet?.rods?.count ?? 0),
      lean: mm(sheet?.rods?.lean ?? 15),
      out: mm(sheet?.rods?.out ?? 0),
      photo: new FormControl<string | null>(sheet?.photo ?? null),
      carries: new FormControl(sheet?.carries ?? false, { nonNullable: true }),
      sinks: new FormControl(sheet?.sinks ?? true, { nonNullable: true }),
      cents: new FormControl<number | null>(sheet?.cents ?? null),
      minutes: mm(sheet?.made.minutes ?? 0),
      of: new FormArray((sheet?.made.of ?? []).map((m) => this.materialOf(m))),
    });
  }

  private materialOf(m: OwnPart['made']['of'][number]) {
    return new FormGroup({
      what: new FormControl(m.what, { nonNullable: true }),
      count: mm(m.count),
      cents: mm(m.cents),
    });
  }

  protected addMaterial(): void {
    this.form.controls.of.push(this.materialOf({ what: '', count: 1, cents: 0 }));
  }

  protected removeMaterial(n: number): void {
    this.form.controls.of.removeAt(n);
  }

  /** The sheet as it is filled in; not yet looked at. */
  private read(): object {
    const { is, length, width, diameter, bolts, along, across, thread, minutes, of, ...more } = this.form.getRawValue();
    const { rods, lean, out, foot, ...rest } = more;
    const shape =
      is === 'box'
        ? { is, length, width }
        : is === 'cylinder'
          ? { is, diameter }
          : { is, points: this.traced().map((p) => [...p]) };
    return {
      ...rest,
      shape,
      bolts: bolts === 0 ? null : { count: bolts, along, across, thread },
      made: { minutes, of },
      ...(foot ? { foot } : {}),
      ...(rods ? { rods: { count: rods, lean, out } } : {}),
    };
  }

  /** A tap on the straightened photo: a corner of the outline. */
  protected trace(event: MouseEvent): void {
    // The drawing is in millimetres, starboard up.
    const [u, down] = pointIn(event);
    this.traced.update((all) => [...all, [Math.round(u), Math.round(-down)] as const]);
  }

  /** The outline about its own middle: what is judged stands where the part is put. */
  private centred(points: Outline): [number, number][] {
    const mid = (k: 0 | 1): number => (Math.min(...points.map((p) => p[k])) + Math.max(...points.map((p) => p[k]))) / 2;
    const [u, v] = [mid(0), mid(1)];
    return points.map((p) => [p[0] - u, p[1] - v]);
  }

  protected save(): void {
    const read = ownPartSchema.safeParse(this.read());
    const [issue] = read.success ? [] : read.error.issues;
    this.fault.set(issue ? `${FIELDS[String(issue.path[0])] ?? 'Sheet'}: ${issue.message}.` : '');
    if (!read.success) return;
    const { shape } = read.data;
    this.ref.close(
      shape.is === 'outline' ? { ...read.data, shape: { ...shape, points: this.centred(shape.points) } } : read.data,
    );
  }
}
