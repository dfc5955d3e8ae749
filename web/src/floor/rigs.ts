import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { Router, RouterLink } from '@angular/router';
import type { RigSummary } from '@plain-cleat/api';
import { SessionStore, wordsOf } from '../stores/session.store';
import { FloorStore } from './floor.store';
import { promiseOf } from './promise';

/** Every rig by number, and the door for rig files. */
@Component({
  selector: 'pc-rigs',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [FormsModule, RouterLink],
  template: `
    <div class="step">
      <section class="pad">
        <div class="spread">
          <h1>Rigs</h1>
          <input
            class="line find"
            type="search"
            placeholder="Find by number, owner, hull, use"
            aria-label="Find a rig"
            [ngModel]="find()"
            (ngModelChange)="find.set($event)"
          />
        </div>
        @if (store.floor(); as floor) {
          <table>
            <thead>
              <tr>
                <th>Rig</th>
                <th>For</th>
                <th>Hull</th>
                <th>Where</th>
                <th>Next</th>
                <th>Promised</th>
                <th></th>
              </tr>
            </thead>
            <tbody>
              @for (r of found(); track r.id) {
                <tr>
                  <td>
                    <a [routerLink]="['/rigs', r.id]">{{ r.number }}</a> {{ r.title }}
                  </td>
                  <td>{{ r.owner }}</td>
                  <td>{{ r.hull }}</td>
                  <td>{{ r.place }}</td>
                  <td>{{ r.progress.next }}</td>
                  <td>{{ r.place === 'handed over' ? 'kept' : says(r.promised, floor.today) }}</td>
                  <td class="end">
                    @if (mayOpen()) {
                      <button class="link" type="button" [attr.aria-label]="'Duplicate ' + r.number" (click)="duplicate(r)">
                        Duplicate
                      </button>
                    }
                    @if (manages()) {
                      <button
                        class="link"
                        type="button"
                        [attr.aria-label]="(r.place === 'set aside' ? 'Take up ' : 'Set aside ') + r.number"
                        (click)="setAside(r)"
                      >
                        {{ r.place === 'set aside' ? 'Take up' : 'Set aside' }}
                      </button>
                    }
                  </td>
                </tr>
              } @empty {
                <tr>
                  <td colspan="7" class="muted">No rig like that.</td>
                </tr>
              }
            </tbody>
          </table>
        } @else {
          <p class="muted" role="status">{{ store.fault() ?? 'Looking up the rigs' }}</p>
        }
      </section>
      <aside>
        <h2>Open a rig file</h2>
        <p>A file that was exported here or elsewhere opens as a new rig, on a hull of its own, with its parts and its ledger.</p>
        @if (mayOpen()) {
          <label class="way"
            >Choose a file<input class="hidden" type="file" accept=".json,application/json" (change)="open($event)"
          /></label>
        } @else {
          <p class="muted">The front desk opens rig files.</p>
        }
        @if (fault()) {
          <div class="box stop" role="alert">
            <strong>Nothing was opened</strong>
            <p class="fault">{{ fault() }}</p>
          </div>
        }
      </aside>
    </div>
  `,
  styles: `
    .find {
      max-width: 340px;
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
  protected readonly find = signal('');
  protected readonly fault = signal('');
  protected readonly mayOpen = computed(() => this.staff()?.role !== 'rigger');
  protected readonly manages = computed(() => this.staff()?.role === 'manager');
  protected readonly found = computed(() => {
    const wanted = this.find().trim().toLowerCase();
    return (this.store.floor()?.rigs ?? []).filter((r) =>
      `${r.number} ${r.title} ${r.owner} ${r.hull}`.toLowerCase().includes(wanted),
    );
  });
  protected says = (promised: string | null, today: string): string => promiseOf(promised, today).says;

  protected duplicate(rig: RigSummary): void {
    this.store.duplicate(rig.id, `${rig.title}, again`.slice(0, 120)).subscribe({
      next: ({ id }) => void this.router.navigate(['/rigs', id]),
      error: (error: unknown) => this.fault.set(wordsOf(error)),
    });
  }

  /** Off the floor, its drilled holes staying with the hull; or back onto it. */
  protected setAside(rig: RigSummary): void {
    this.store
      .move(rig.id, rig.place === 'set aside' ? 'yard' : 'set aside')
      .subscribe({ error: (error: unknown) => this.fault.set(wordsOf(error)) });
  }

  constructor() {
    this.store.load();
  }

  protected async open(event: Event): Promise<void> {
    const input = event.target as HTMLInputElement;
    const file = input.files?.[0];
    input.value = '';
    if (!file) return;
    this.fault.set(file.size > 4_000_000 ? 'The file is over 4 MB; a rig file is under 1 MB.' : '');
    if (this.fault()) return;
    this.store.importFile(await file.text()).subscribe({
      next: ({ id }) => void this.router.navigate(['/rigs', id]),
      error: (error: unknown) => this.fault.set(wordsOf(error)),
    });
  }
}
