import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { ValidSubmit } from '../controls/valid-submit';
import { TextField } from '../controls/text-field';
import { zodValidator } from '../controls/zod-validator';
import { MatSortModule } from '@angular/material/sort';
import { FormControl, FormGroup, ReactiveFormsModule } from '@angular/forms';
import { z } from 'zod';
import { RouterLink } from '@angular/router';
import { MatButtonModule } from '@angular/material/button';
import type { OwnHull } from '@plain-cleat/api';
import { forkJoin } from 'rxjs';
import { Length } from '../boat-view/words';
import { HullStore } from '../stores/hull.store';
import { Said } from '../controls/said';
import { WhenLoaded } from '../controls/when-loaded';
import { Loader } from '../stores/loaded';
import { Sending } from '../stores/sending';
import { Table, TableColumn } from '../controls/table';

/** Hulls: the ones the shop knows, and the very boats of its owners. */
/** A year a hull may be of, or nothing. */
const year = z.union([z.literal(''), z.string().regex(/^(19[5-9]\d|20\d\d)$/)]);

@Component({
  selector: 'pc-hulls',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    RouterLink,
    Said,
    WhenLoaded,
    Length,
    MatButtonModule,
    ReactiveFormsModule,
    MatSortModule,
    Table,
    TableColumn,
    TextField,
    ValidSubmit,
  ],
  template: `
    <div class="step">
      <section class="pad">
        <div class="spread">
          <h1>Hulls</h1>
          <a mat-flat-button routerLink="/hulls/new">New hull from the tape</a>
        </div>
        <ng-container *pcWhenLoaded="hulls; waits: 'Loading the hulls'; let all">
          <ul class="models">
            @for (h of all.library; track h.id) {
              <li>
                <a [routerLink]="['/hulls', h.id]">{{ h.maker }} {{ h.name }}</a>
                <span class="muted"
                  >{{ [h.kind, ...h.traits].join(', ') }} · {{ h.length | length }} × {{ h.beam | length }} · revision
                  {{ h.revision }}</span
                >
              </li>
            } @empty {
              <li class="muted">No hull yet. Measure one with the tape, or import its offsets.</li>
            }
          </ul>
          <h2>Owners' own boats</h2>
          <pc-table label="Owners' own boats" [rows]="all.own" [key]="byId" [chosen]="chosen()?.id" none="No boat here yet.">
            <ng-template pcColumn="owner" head="Owner" [sort]="sorts.owner" let-h
              ><button mat-button class="link" type="button" (click)="choose(h)">{{ h.owner.name }}</button></ng-template
            >
            <ng-template pcColumn="model" head="Hull" [sort]="sorts.model" let-h>{{ name(h.model) }}</ng-template>
            <ng-template pcColumn="serial" head="Serial" [sort]="sorts.serial" let-h>{{ h.serial || '–' }}</ng-template>
            <ng-template pcColumn="year" head="Year, colour" [sort]="sorts.year" let-h
              >{{ h.year ?? '' }} {{ h.colour }}</ng-template
            >
            <ng-template pcColumn="rigs" head="Rigs" let-h>
              @for (r of h.rigs; track r.id) {
                <a [routerLink]="['/rigs', r.id]">{{ r.number }}</a>&ngsp;
              }
            </ng-template>
            <ng-template pcColumn="ledger" head="Ledger" let-h
              ><a [routerLink]="['/hulls', 'own', h.id]">{{ h.facts ? h.facts + ' entries' : 'untouched' }}</a></ng-template
            >
          </pc-table>
        </ng-container>
      </section>
      <aside>
        @if (chosen(); as h) {
          <h2>{{ h.owner.name }}'s {{ name(h.model) }}</h2>
          <form class="about" [formGroup]="form" (pcSubmit)="save(h)">
            <pc-text-field label="Serial number" [max]="60" [control]="form.controls.serial" />
            <pc-text-field label="Year" inputmode="numeric" placeholder="2024" [max]="4" [control]="form.controls.year" />
            <pc-text-field label="Colour" [max]="40" [control]="form.controls.colour" />
            <pc-text-field label="Notes" [rows]="3" [max]="1000" [control]="form.controls.notes" />
            <pc-said [of]="saving" />
            <button mat-flat-button type="submit">Save</button>
          </form>
        } @else {
          <h2>One boat, many rigs</h2>
          <p>A boat keeps its ledger of holes over every rig it has had. Choose one to write down its serial, year and colour.</p>
          <p class="muted">A hull the shop does not know yet is measured with the tape: a few stations, any spacing.</p>
        }
      </aside>
    </div>
  `,
  styles: `
    .models {
      margin: 12px 0 22px;
    }
    .models li {
      display: flex;
      gap: 14px;
      align-items: baseline;
      border-bottom: 1px solid var(--line);
      min-height: 44px;
      padding: 9px 0;
    }
    .about {
      display: grid;
      gap: 10px;
    }
  `,
})
export default class Hulls {
  private readonly store = inject(HullStore);
  protected readonly hulls = new Loader(() => forkJoin({ library: this.store.library(), own: this.store.own() }));
  protected readonly byId = (h: OwnHull): string => h.id;
  protected readonly sorts = {
    owner: (h: OwnHull): string => h.owner.name,
    model: (h: OwnHull): string => this.name(h.model),
    serial: (h: OwnHull): string => h.serial,
    year: (h: OwnHull): number => h.year ?? 0,
  };
  protected readonly chosen = signal<OwnHull | null>(null);
  protected readonly form = new FormGroup({
    serial: new FormControl('', { nonNullable: true }),
    year: new FormControl('', { nonNullable: true, validators: zodValidator(year, 'Four figures, like 2024, or nothing.') }),
    colour: new FormControl('', { nonNullable: true }),
    notes: new FormControl('', { nonNullable: true }),
  });
  protected readonly saving = new Sending();
  private readonly names = computed(() => new Map(this.hulls.value()?.library.map((h) => [h.id, h.name])));

  constructor() {
    this.hulls.load();
  }

  protected choose(h: OwnHull): void {
    this.chosen.set(h);
    this.form.setValue({ serial: h.serial, year: h.year === null ? '' : String(h.year), colour: h.colour, notes: h.notes });
  }

  protected name = (model: string): string => this.names().get(model) ?? model;

  protected save(hull: OwnHull): void {
    const { year, ...about } = this.form.getRawValue();
    this.saving.send(this.store.describe(hull.id, { ...about, year: year.trim() === '' ? null : Number(year) }), () => {
      this.hulls.load();
      return 'Saved.';
    });
  }
}
