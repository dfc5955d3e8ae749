import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { from, switchMap } from 'rxjs';
import { Icons } from '../controls/icons';
import { FileButton } from '../controls/file-button';
import { MatInputModule } from '@angular/material/input';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatMenuModule } from '@angular/material/menu';
import { toSignal } from '@angular/core/rxjs-interop';
import { FormControl, ReactiveFormsModule } from '@angular/forms';
import { Router, RouterLink } from '@angular/router';
import { MatButtonModule } from '@angular/material/button';
import type { ListedRig } from '@plain-cleat/api';
import { SessionStore } from '../stores/session.store';
import { FloorStore } from '../stores/floor.store';
import { promiseOf } from './promise';
import { WhenLoaded } from '../controls/when-loaded';
import { Sending } from '../stores/sending';
import { Table, TableColumn } from '../controls/table';

/** Every rig by number, and the door for rig files. */
@Component({
  selector: 'pc-rigs',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    ReactiveFormsModule,
    RouterLink,
    MatButtonModule,
    Table,
    TableColumn,
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
          <pc-table label="Rigs" [rows]="found()" [pages]="50" [key]="byId" none="No rig like that.">
            <ng-template pcColumn="number" head="Rig" [sort]="sorts.number" let-r
              ><a [routerLink]="['/rigs', r.id]">{{ r.number }}</a> {{ r.title }}</ng-template
            >
            <ng-template pcColumn="owner" head="For" [sort]="sorts.owner" let-r>{{ r.owner }}</ng-template>
            <ng-template pcColumn="hull" head="Hull" [sort]="sorts.hull" let-r>{{ r.hull }}</ng-template>
            <ng-template pcColumn="place" head="Where" [sort]="sorts.place" let-r>{{ r.place }}</ng-template>
            <ng-template pcColumn="next" head="Next" let-r>{{ r.next }}</ng-template>
            <ng-template pcColumn="promised" head="Promised" [sort]="sorts.promised" let-r>{{
              r.place === 'handed over' ? 'kept' : says(r.promised, list.today)
            }}</ng-template>
            <ng-template pcColumn="acts" head="Actions" headHidden end let-r>
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
            </ng-template>
          </pc-table>
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
  protected readonly byId = (r: ListedRig): string => r.id;
  protected readonly sorts = {
    number: (r: ListedRig): string => r.number,
    owner: (r: ListedRig): string => r.owner,
    hull: (r: ListedRig): string => r.hull,
    place: (r: ListedRig): string => r.place,
    promised: (r: ListedRig): string => r.promised ?? '',
  };
  protected readonly sending = new Sending();
  protected readonly mayOpen = computed(() => this.staff()?.role !== 'rigger');
  protected readonly manages = computed(() => this.staff()?.role === 'manager');
  protected readonly found = computed(() => {
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
  }

  protected open(file: File): void {
    if (this.sending.refuse(file.size > 4_000_000 ? 'The file is over 4 MB; a rig file is under 1 MB.' : '')) return;
    this.sending.send(
      from(file.text()).pipe(switchMap((text) => this.store.importFile(text))),
      ({ id }) => void this.router.navigate(['/rigs', id]),
    );
  }
}
