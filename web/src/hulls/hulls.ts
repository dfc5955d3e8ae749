import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { RouterLink } from '@angular/router';
import type { DescribeHull, HullSummary, OwnHull } from '@plain-cleat/api';
import { forkJoin } from 'rxjs';
import { Length } from '../hull-view/words';
import { wordsOf } from '../stores/session.store';
import { HullStore } from './hull-store';

/** Hulls: the ones the shop knows, and the very boats of its owners. */
@Component({
  selector: 'pc-hulls',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [RouterLink, Length],
  template: `
    <div class="step">
      <section class="pad">
        <div class="spread">
          <h1>Hulls</h1>
          <a class="act" routerLink="/hulls/new">New hull from the tape</a>
        </div>
        @if (library(); as all) {
          <ul class="models">
            @for (h of all; track h.id) {
              <li>
                <a [routerLink]="['/hulls', h.id]">{{ h.maker }} {{ h.name }}</a>
                <span class="muted"
                  >{{ h.kind }} · {{ h.length | length }} × {{ h.beam | length }} · revision {{ h.revision }}</span
                >
              </li>
            } @empty {
              <li class="muted">No hull yet. Measure one with the tape, or bring its offsets.</li>
            }
          </ul>
          <h2>Owners' own boats</h2>
          <table>
            <thead>
              <tr>
                <th>Owner</th>
                <th>Hull</th>
                <th>Serial</th>
                <th>Year, colour</th>
                <th>Rigs</th>
                <th>Ledger</th>
              </tr>
            </thead>
            <tbody>
              @for (h of own(); track h.id) {
                <tr [class.chosen]="chosen()?.id === h.id">
                  <td>
                    <button class="link" type="button" (click)="chosen.set(h)">{{ h.owner.name }}</button>
                  </td>
                  <td>{{ name(h.model) }}</td>
                  <td>{{ h.serial || '–' }}</td>
                  <td>{{ h.year ?? '' }} {{ h.colour }}</td>
                  <td>
                    @for (r of h.rigs; track r.id) {
                      <a [routerLink]="['/rigs', r.id]">{{ r.number }}</a>&ngsp;
                    }
                  </td>
                  <td>
                    <a [routerLink]="['/hulls', 'own', h.id]">{{ h.facts ? h.facts + ' entries' : 'untouched' }}</a>
                  </td>
                </tr>
              } @empty {
                <tr>
                  <td colspan="6" class="muted">No boat here yet.</td>
                </tr>
              }
            </tbody>
          </table>
        } @else {
          <p class="muted" role="status">{{ failed() || 'Looking up the hulls' }}</p>
        }
      </section>
      <aside>
        @if (chosen(); as h) {
          <h2>{{ h.owner.name }}'s {{ name(h.model) }}</h2>
          <form
            class="about"
            (submit)="
              $event.preventDefault();
              keep(h, { serial: serial.value, year: yearOf(year.value), colour: colour.value, notes: notes.value })
            "
          >
            <label class="field"><span>Serial number</span><input #serial [value]="h.serial" maxlength="60" /></label>
            <label class="field"
              ><span>Year</span><input #year inputmode="numeric" [value]="h.year ?? ''" placeholder="2024"
            /></label>
            <label class="field"><span>Colour</span><input #colour [value]="h.colour" maxlength="40" /></label>
            <label class="field"
              ><span>Notes</span><textarea #notes rows="3" maxlength="1000" [value]="h.notes"></textarea>
            </label>
            @if (fault()) {
              <p class="fault" role="alert">{{ fault() }}</p>
            }
            <p role="status" class="small muted">{{ kept() }}</p>
            <button class="act" type="submit">Keep</button>
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
    tr.chosen {
      background: var(--tide-soft);
    }
    .about {
      display: grid;
      gap: 10px;
    }
  `,
})
export default class Hulls {
  private readonly store = inject(HullStore);
  protected readonly library = signal<readonly HullSummary[] | null>(null);
  protected readonly own = signal<readonly OwnHull[]>([]);
  protected readonly chosen = signal<OwnHull | null>(null);
  protected readonly failed = signal('');
  protected readonly fault = signal('');
  protected readonly kept = signal('');
  private readonly names = computed(() => new Map(this.library()?.map((h) => [h.id, h.name])));

  constructor() {
    this.load();
  }

  private load(): void {
    forkJoin([this.store.library(), this.store.own()]).subscribe({
      next: ([library, own]) => {
        this.library.set(library);
        this.own.set(own);
      },
      error: (error: unknown) => this.failed.set(wordsOf(error)),
    });
  }

  protected name = (model: string): string => this.names().get(model) ?? model;
  protected yearOf = (text: string): number | null => (text.trim() === '' ? null : Number(text));

  protected keep(hull: OwnHull, about: DescribeHull): void {
    this.kept.set('');
    const wrong = about.year !== null && !(Number.isInteger(about.year) && about.year >= 1950 && about.year <= 2100);
    this.fault.set(wrong ? 'Year: four figures, like 2024, or nothing.' : '');
    if (wrong) return;
    this.store.describe(hull.id, about).subscribe({
      next: () => {
        this.kept.set('Kept.');
        this.load();
      },
      error: (error: unknown) => this.fault.set(wordsOf(error)),
    });
  }
}
