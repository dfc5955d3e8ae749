import { NgTemplateOutlet } from '@angular/common';
import {
  booleanAttribute,
  ChangeDetectionStrategy,
  Component,
  contentChildren,
  Directive,
  effect,
  inject,
  input,
  TemplateRef,
  viewChild,
  ViewEncapsulation,
} from '@angular/core';
import { MatPaginator } from '@angular/material/paginator';
import { MatSort, MatSortModule } from '@angular/material/sort';
import { MatTableDataSource, MatTableModule } from '@angular/material/table';

/** By what a column sorts a row. */
type SortBy<R> = (row: R) => string | number;

/**
 * A column of a table: what stands in each of its cells.
 * @example <ng-template pcColumn="weight" head="Weight" figure let-row>{{ row.massKg | mass }}</ng-template>
 */
@Directive({ selector: 'ng-template[pcColumn]' })
export class TableColumn {
  readonly name = input.required<string>({ alias: 'pcColumn' });
  /** What it is called; of buttons it is for those who cannot see them. */
  readonly head = input('');
  readonly headHidden = input(false, { transform: booleanAttribute });
  /** Figures stand under each other, at the end of the column. */
  readonly figure = input(false, { transform: booleanAttribute });
  readonly end = input(false, { transform: booleanAttribute });
  /** By what it sorts, where rows can be put in its order. */
  readonly sort = input<SortBy<never>>();
  readonly cell = inject<TemplateRef<unknown>>(TemplateRef);
}

/** A table: a row each, in the order they come or by a column that is pressed. */
@Component({
  selector: 'pc-table',
  changeDetection: ChangeDetectionStrategy.OnPush,
  encapsulation: ViewEncapsulation.None,
  imports: [MatPaginator, MatSortModule, MatTableModule, NgTemplateOutlet],
  template: `
    <table mat-table matSort [attr.aria-label]="label()" [dataSource]="data" [trackBy]="byKey">
      @for (c of columns(); track c) {
        <ng-container [matColumnDef]="c.name()">
          @if (c.sort()) {
            <th mat-header-cell mat-sort-header *matHeaderCellDef>{{ c.head() }}</th>
          } @else {
            <th mat-header-cell *matHeaderCellDef [class.end]="c.end() || c.figure()">
              <span [class.hidden]="c.headHidden()">{{ c.head() }}</span>
            </th>
          }
          <td mat-cell *matCellDef="let row; let index = index" [class.end]="c.end() || c.figure()" [class.figure]="c.figure()">
            <ng-container *ngTemplateOutlet="c.cell; context: { $implicit: row, index }" />
          </td>
        </ng-container>
      }
      <tr mat-header-row *matHeaderRowDef="names()"></tr>
      <tr mat-row *matRowDef="let row; columns: names()" [class.chosen]="isChosen(row)" [class.wrong]="wrong()(row)"></tr>
      @if (none()) {
        <tr *matNoDataRow>
          <td class="muted" [attr.colspan]="columns().length">{{ none() }}</td>
        </tr>
      }
    </table>
    @if (pages(); as size) {
      <mat-paginator [pageSize]="size" [pageSizeOptions]="[25, 50, 200]" [hidePageSize]="rows().length <= 25" />
    }
  `,
  styles: `
    pc-table {
      display: block;
    }
    pc-table tr.chosen.mat-mdc-row {
      background: var(--tape);
      color: var(--tape-ink);
    }
    pc-table tr.chosen :is(.link, .muted) {
      color: inherit;
    }
    pc-table tr.wrong td {
      background: var(--look-soft);
    }
    /* Many fields beside each other. */
    pc-table.narrow th,
    pc-table.narrow td {
      padding: 2px 4px;
      white-space: nowrap;
    }
    pc-table.tight td {
      padding-block: 4px;
    }
  `,
})
export class Table<R> {
  readonly label = input.required<string>();
  readonly rows = input.required<readonly R[]>();
  /** What a row is known by; its place when left out. */
  readonly key = input<(row: R, at: number) => unknown>();
  /** The key of the row that is chosen. */
  readonly chosen = input<unknown>();
  readonly wrong = input<(row: R) => boolean>(() => false);
  /** What is said where there is no row. */
  readonly none = input('');
  /** So many to a page; all on one when left out. */
  readonly pages = input<number>();
  protected readonly columns = contentChildren(TableColumn);
  protected readonly names = (): string[] => this.columns().map((c) => c.name());
  protected readonly data = new MatTableDataSource<R>();
  protected readonly byKey = (at: number, row: R): unknown => this.key()?.(row, at) ?? at;
  protected readonly isChosen = (row: R): boolean => (this.chosen() ?? null) !== null && this.key()?.(row, 0) === this.chosen();
  private readonly sort = viewChild(MatSort);
  private readonly paginator = viewChild(MatPaginator);

  constructor() {
    this.data.sortingDataAccessor = (row, by) =>
      (
        this.columns()
          .find((c) => c.name() === by)
          ?.sort() as SortBy<R> | undefined
      )?.(row) ?? '';
    effect(() => {
      this.data.data = [...this.rows()];
      this.data.sort = this.sort() ?? null;
      this.data.paginator = this.paginator() ?? null;
    });
  }
}
