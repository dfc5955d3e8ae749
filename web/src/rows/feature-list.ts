import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import { DeleteButton } from '../controls/delete-button';
import type { HullModel } from '@plain-cleat/core/boat/hull';
import type { QuantityKind } from '@plain-cleat/core/base/units';
import { Icons } from '../controls/icons';
import { QuantityField } from '../controls/quantity';
import { TextField } from '../controls/text-field';
import { MatCheckboxModule } from '@angular/material/checkbox';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatSelectModule } from '@angular/material/select';
import { MatExpansionModule } from '@angular/material/expansion';
import { type Choice, ChoiceField } from '../controls/choice-field';
import { PickField } from '../controls/pick-field';
import type { Part } from '@plain-cleat/core/parts/parts';
import { MatButtonModule } from '@angular/material/button';
import { NAMED, type Column, type FeatureList, type Named, type Row } from './feature-rows';
import { type FormControl, ReactiveFormsModule } from '@angular/forms';
import { byForm, field, type LiveField, liveRows, type LiveRow, words } from '../controls/live-form';
import { Table, TableColumn } from '../controls/table';

/** A list of things on the hull, each row typed in the units of the moment. */
@Component({
  selector: 'pc-feature-list',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    ReactiveFormsModule,
    MatButtonModule,
    MatExpansionModule,
    Table,
    TableColumn,
    MatCheckboxModule,
    MatFormFieldModule,
    MatSelectModule,
    ChoiceField,
    PickField,
    TextField,
    QuantityField,
    Icons,
    DeleteButton,
  ],
  template: `
    <mat-expansion-panel>
      <mat-expansion-panel-header>
        <mat-panel-title>{{ list().name }}</mat-panel-title>
        <mat-panel-description>{{ rows().length }}</mat-panel-description>
      </mat-expansion-panel-header>
      <ng-template matExpansionPanelContent>
        <div class="scroll" tabindex="0" role="group" [attr.aria-label]="list().name + ', all of it'">
          <pc-table [label]="list().name" class="cells narrow" [rows]="forms()" [key]="byForm">
            @for (c of list().columns; track c.key) {
              <ng-template [pcColumn]="c.key" [head]="c.name" let-r let-n="index">
                @if (c.when && !c.when(r.of)) {
                  <span class="muted">–</span>
                } @else if (c.kind === 'yes') {
                  <mat-checkbox [aria-label]="label(c, n)" [formControl]="r.controls[c.key]" />
                } @else if (options(c); as all) {
                  <pc-choice-field [name]="label(c, n)" [choices]="all" [control]="r.controls[c.key]" />
                } @else if (c.kind === 'part') {
                  <pc-pick-field class="part" [name]="label(c, n)" [choices]="partChoices()" [control]="r.controls[c.key]" />
                } @else if (c.kind === 'openings') {
                  <mat-form-field class="openings" appearance="outline" subscriptSizing="dynamic">
                    <mat-select multiple placeholder="stands open" [aria-label]="label(c, n)" [formControl]="r.controls[c.key]">
                      @for (h of hull().hatches ?? []; track h.id) {
                        <mat-option [value]="h.id">{{ h.name }}</mat-option>
                      }
                    </mat-select>
                  </mat-form-field>
                } @else if (c.kind === 'text' || c.kind === 'words') {
                  <pc-text-field
                    [class]="c.kind"
                    [name]="label(c, n)"
                    [max]="c.kind === 'words' ? 120 : 60"
                    [control]="words(r, c)"
                  />
                } @else {
                  <pc-quantity
                    unit=""
                    [kind]="measure(c)"
                    [name]="label(c, n)"
                    [optional]="c.else !== undefined || c.key.startsWith('lid.')"
                    [placeholder]="c.else ?? ''"
                    [control]="figure(r, c)"
                  />
                }
              </ng-template>
            }
            <ng-template pcColumn="acts" head="Delete" headHidden let-n="index"
              ><pc-delete-button [disabled]="disabled()" [of]="list().one + ' ' + (n + 1)" (pressed)="remove(n)"
            /></ng-template>
          </pc-table>
        </div>
        <button mat-button type="button" [disabled]="disabled()" (click)="add()">
          <mat-icon svgIcon="add" />Add {{ list().one }}
        </button>
      </ng-template>
    </mat-expansion-panel>
  `,
  styles: `
    .scroll {
      overflow-x: auto;
    }
    pc-quantity {
      display: block;
      width: 88px;
    }
    pc-choice-field {
      display: block;
      width: 130px;
    }
    .part {
      width: 230px;
    }
    .openings {
      width: 190px;
    }
    .text {
      display: block;
      width: 160px;
    }
    .words {
      display: block;
      width: 290px;
    }
  `,
})
export class FeatureRows {
  readonly list = input.required<FeatureList>();
  readonly rows = input.required<readonly Row[]>();
  readonly changed = output<readonly Row[]>();
  /** The hull, for what opens by some of its hatches, or names a room, a track, a rail, what moves. */
  readonly hull = input<Partial<Pick<HullModel, 'hatches' | (typeof NAMED)[Named]>>>({});
  /** The parts of the stores. */
  readonly parts = input<readonly Pick<Part, 'id' | 'name'>[]>([]);
  readonly disabled = input(false);
  protected readonly byForm = byForm;
  protected readonly forms = liveRows(
    () => this.rows(),
    (row, at) =>
      Object.fromEntries(
        this.list().columns.map((c) => [
          c.key,
          (this.isTyped(c) ? words : field)(
            () => this.shown(row(), c) as never,
            (value: unknown) => this.set(at(), c, value),
            { off: () => this.disabled() },
          ),
        ]),
      ) as Readonly<Record<string, LiveField<unknown>>>,
  );

  protected readonly partChoices = computed(() => this.parts().map((p) => ({ value: p.id, says: p.name })));
  protected options = (c: Column): readonly Choice<unknown>[] | null =>
    isNamed(c.kind)
      ? [
          ...(c.else ? [{ value: '', says: c.else }] : []),
          ...(this.hull()[NAMED[c.kind]] ?? []).map((r) => ({ value: r.id, says: r.name })),
        ]
      : typeof c.kind === 'string'
        ? null
        : c.kind.map((value) => ({ value, says: value || 'lifts off' }));
  protected measure = (c: Column): QuantityKind => (c.kind === 'length' ? 'length' : 'number');
  protected label = (c: Column, n: number): string => `${this.list().one} ${n + 1}, ${c.name}`;

  private isTyped = ({ kind }: Column): boolean => kind === 'text' || kind === 'words';

  /** What stands in a cell: what is not said is nothing, or the first of what may be chosen. */
  private shown(row: Row, c: Column): unknown {
    const value = row[c.key];
    if (c.kind === 'yes') return value === true;
    if (this.isTyped(c)) return value ?? '';
    if (this.options(c)) return value ?? (isNamed(c.kind) ? '' : (c.else ?? ''));
    return value ?? null;
  }

  private set(n: number, { key }: Column, entered: unknown): void {
    const value = typeof entered === 'number' ? Math.round(entered * 100) / 100 : (entered ?? undefined);
    this.changed.emit(this.rows().map((r, i) => (i === n ? { ...r, [key]: value } : r)));
  }

  protected words = (r: FormRow, c: Column): FormControl<string> => r.controls[c.key] as FormControl<string>;
  protected figure = (r: FormRow, c: Column): FormControl<number | null> => r.controls[c.key] as FormControl<number | null>;

  protected add(): void {
    const ids = new Set(this.rows().map((r) => r['id']));
    let n = this.rows().length + 1;
    while (ids.has(this.list().fresh(n)['id'])) n++;
    this.changed.emit([...this.rows(), this.list().fresh(n)]);
  }

  protected remove(n: number): void {
    this.changed.emit(this.rows().filter((_, i) => i !== n));
  }
}

type FormRow = LiveRow<Row, Readonly<Record<string, LiveField<unknown>>>>;

const isNamed = (kind: Column['kind']): kind is Named => typeof kind === 'string' && kind in NAMED;
