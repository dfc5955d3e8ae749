import { ChangeDetectionStrategy, Component, computed, effect, inject, viewChild } from '@angular/core';
import { from, switchMap } from 'rxjs';
import { Icons } from '../controls/icons';
import { FileButton } from '../controls/file-button';
import { MatInputModule } from '@angular/material/input';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatMenuModule } from '@angular/material/menu';
import { toSignal } from '@angular/core/rxjs-interop';
import { FormControl, ReactiveFormsModule } from '@angular/forms';
import { MatPaginator } from '@angular/material/paginator';
import { MatSort, MatSortModule } from '@angular/material/sort';
import { MatTableDataSource, MatTableModule } from '@angular/material/table';
import { Router, RouterLink } from '@angular/router';
import { MatButtonModule } from '@angular/material/button';
import type { ListedRig } from '@plain-cleat/api';
import { SessionStore } from '../stores/session.store';
import { FloorStore } from '../stores/floor.store';
import { promiseOf } from './promise';
import { WhenLoaded } from '../controls/when-loaded';
import { Sending } from '../stores/sending';

/** Every rig by number, and the door for rig files. */
@Component({
  selector: 'pc-rigs',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    ReactiveFormsModule,
    MatPaginator,
    RouterLink,
    MatButtonModule,
    MatTableModule,
    MatSortModule,
    MatMenuModule,
    MatFormFieldModule,
    MatInputModule,
    FileButton,
    Icons,
    WhenLoaded,
  ],
  template: `
    <div class="step">
      <section class="pad">
        <div class="spread">
          <h1>Rigs</h1>
          <mat-form-field class="find" appearance="outline" subscriptSizing="dynamic">
            <mat-label>Find: number, owner, hull, use</mat-label>
            <mat-icon matPrefix svgIcon="search" />
            <input matInput type="search" [formControl]="typing" />
          </mat-form-field>
        </div>
        <ng-container *pcWhenLoaded="store.list; waits: 'Loading the rigs'; let list">
          <table mat-table matSort aria-label="Rigs" [dataSource]="rows" [trackBy]="byId">
            <ng-container matColumnDef="number">
              <th mat-header-cell mat-sort-header *matHeaderCellDef>Rig</th>
              <td mat-cell *matCellDef="let r">
                <a [routerLink]="['/rigs', r.id]">{{ r.number }}</a> {{ r.title }}
              </td>
            </ng-container>
            <ng-container matColumnDef="owner">
              <th mat-header-cell mat-sort-header *matHeaderCellDef>For</th>
              <td mat-cell *matCellDef="let r">{{ r.owner }}</td>
            </ng-container>
            <ng-container matColumnDef="hull">
              <th mat-header-cell mat-sort-header *matHeaderCellDef>Hull</th>
              <td mat-cell *matCellDef="let r">{{ r.hull }}</td>
            </ng-container>
            <ng-container matColumnDef="place">
              <th mat-header-cell mat-sort-header *matHeaderCellDef>Where</th>
              <td mat-cell *matCellDef="let r">{{ r.place }}</td>
            </ng-container>
            <ng-container matColumnDef="next">
              <th mat-header-cell *matHeaderCellDef>Next</th>
              <td mat-cell *matCellDef="let r">{{ r.next }}</td>
            </ng-container>
            <ng-container matColumnDef="promised">
              <th mat-header-cell mat-sort-header *matHeaderCellDef>Promised</th>
              <td mat-cell *matCellDef="let r">
                {{ r.place === 'handed over' ? 'kept' : says(r.promised, list.today) }}
              </td>
            </ng-container>
            <ng-container matColumnDef="acts">
              <th mat-header-cell *matHeaderCellDef><span class="hidden">Actions</span></th>
              <td mat-cell *matCellDef="let r" class="end">
                @if (mayOpen() || manages()) {
                  <button mat-icon-button [attr.aria-label]="'Actions for ' + r.number" [matMenuTriggerFor]="menu">
                    <mat-icon svgIcon="more_vert" />
                  </button>
                  <mat-menu #menu="matMenu">
                    @if (mayOpen()) {
                      <button mat-menu-item (click)="duplicate(r)">Duplicate as a new rig</button>
                    }
                    @if (manages()) {
                      <button mat-menu-item (click)="setAside(r)">
                        {{ r.place === 'set aside' ? 'Take up again' : 'Set aside' }}
                      </button>
                    }
                  </mat-menu>
                }
              </td>
            </ng-container>
            <tr mat-header-row *matHeaderRowDef="columns"></tr>
            <tr mat-row *matRowDef="let r; columns: columns"></tr>
            <tr *matNoDataRow>
              <td colspan="7" class="muted">No rig like that.</td>
            </tr>
          </table>
          <mat-paginator [pageSize]="50" [pageSizeOptions]="[25, 50, 200]" [hidePageSize]="rows.data.length <= 25" />
        </ng-container>
      </section>
      <aside>
        <h2>Import a rig file</h2>
        <p>A file that was exported here or elsewhere opens as a new rig, on a hull of its own, with its parts and its ledger.</p>
        @if (mayOpen()) {
          <pc-file-button label="Import a rig file" accept=".json,application/json" (chosen)="open($event)" />
        } @else {
          <p class="muted">The front desk opens rig files.</p>
        }
        @if (sending.fault()) {
          <div class="box stop" role="alert">
            <strong>Nothing was opened</strong>
            <p class="fault">{{ sending.fault() }}</p>
          </div>
        }
      </aside>
    </div>
  `,
  styles: `
    .find {
      width: 340px;
    }
    table {
      margin-top: 12px;
    }
  `,
})
export default class Rigs {
  protected readonly store = inject(FloorStore);
  private readonly router = inject(Router);
  private readonly staff = inject(SessionStore).staff;
  protected readonly typing = new FormControl('', { nonNullable: true });
  private readonly find = toSignal(this.typing.valueChanges, { initialValue: '' });
  protected readonly columns = ['number', 'owner', 'hull', 'place', 'next', 'promised', 'acts'];
  protected readonly rows = new MatTableDataSource<ListedRig>();
  private readonly sort = viewChild(MatSort);
  private readonly paginator = viewChild(MatPaginator);
  protected byId = (_: number, r: ListedRig): string => r.id;
  protected readonly sending = new Sending();
  protected readonly mayOpen = computed(() => this.staff()?.role !== 'rigger');
  protected readonly manages = computed(() => this.staff()?.role === 'manager');
  private readonly found = computed(() => {
    const wanted = this.find().trim().toLowerCase();
    return (this.store.list.value()?.rigs ?? []).filter((r) =>
      `${r.number} ${r.title} ${r.owner} ${r.hull}`.toLowerCase().includes(wanted),
    );
  });
  protected says = (promised: string | null, today: string): string => promiseOf(promised, today).says;

  protected duplicate(rig: ListedRig): void {
    this.sending.send(
      this.store.duplicate(rig.id, `${rig.title}, again`.slice(0, 120)),
      ({ id }) => void this.router.navigate(['/rigs', id]),
    );
  }

  /** Off the floor, its drilled holes staying with the hull; or back onto it. */
  protected setAside(rig: ListedRig): void {
    const place = rig.place === 'set aside' ? 'yard' : 'set aside';
    this.sending.send(this.store.move(rig.id, place), () => this.store.list.load());
  }

  constructor() {
    this.store.list.load();
    effect(() => {
      this.rows.data = this.found();
      this.rows.sort = this.sort() ?? null;
      this.rows.paginator = this.paginator() ?? null;
    });
  }

  protected open(file: File): void {
    if (this.sending.refuse(file.size > 4_000_000 ? 'The file is over 4 MB; a rig file is under 1 MB.' : '')) return;
    this.sending.send(
      from(file.text()).pipe(switchMap((text) => this.store.importFile(text))),
      ({ id }) => void this.router.navigate(['/rigs', id]),
    );
  }
}
