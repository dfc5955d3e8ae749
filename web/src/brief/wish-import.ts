import { HttpClient } from '@angular/common/http';
import { ChangeDetectionStrategy, Component, computed, inject, input, output, signal } from '@angular/core';
import type { WishSheet } from '@plain-cleat/api';
import {
  COLUMN_MEANINGS,
  type ColumnMeaning,
  matchWish,
  type Part,
  plainHeading,
  type Plan,
  printMoney,
  sheetSum,
  sheetWishes,
  SURE,
  type WishMatch,
  type Wish,
} from '@plain-cleat/core';
import { wordsOf } from '../stores/session.store';

const MEANINGS: Readonly<Record<ColumnMeaning, string>> = { what: 'what', count: 'how many', price: 'price', note: 'note' };

/** An owner's spreadsheet: its columns mapped, each line matched, and nothing taken before a person says so. */
@Component({
  selector: 'pc-wish-import',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="row">
      <label class="way"
        >{{ sheet() ? 'Another sheet' : 'Bring a spreadsheet'
        }}<input class="hidden" type="file" accept=".csv,.xlsx,.txt" (change)="open($event)"
      /></label>
      @if (busy()) {
        <span class="muted" role="status">Reading it</span>
      }
      @if (fault()) {
        <p class="fault" role="alert">{{ fault() }}</p>
      }
    </div>
    @if (sheet(); as s) {
      <div class="columns">
        @for (h of s.headings; track $index; let c = $index) {
          <label class="field"
            ><span>{{ h || 'no heading' }}</span>
            <select #means (change)="map(c, means.value)">
              <option value="">leave out</option>
              @for (m of meanings; track m) {
                <option [value]="m" [selected]="s.columns[c] === m">{{ says[m] }}</option>
              }
            </select></label
          >
        }
      </div>
      @if (s.dropped) {
        <p class="small muted">{{ s.dropped }} more lines were left out: a wish list has 500 at the most.</p>
      }
      <table>
        <tbody>
          @for (l of lines(); track $index; let n = $index) {
            <tr>
              <td>
                <input
                  type="checkbox"
                  [attr.aria-label]="'Take ' + l.wish.text"
                  [checked]="l.taken"
                  (change)="take(n, !l.taken)"
                />
              </td>
              <td>{{ l.wish.count > 1 ? l.wish.count + ' × ' : '' }}{{ l.wish.text }}</td>
              <td>
                <select #match class="line" [attr.aria-label]="'Part for ' + l.wish.text" (change)="choose(n, match.value)">
                  <option value="">kept as a line of its own</option>
                  @for (o of l.offers; track o.part.id) {
                    <option [value]="o.part.id" [selected]="o.part.id === l.part">
                      {{ o.part.name }}, {{ percent(o.score) }}
                    </option>
                  }
                  <optgroup label="Every part">
                    @for (p of parts(); track p.id) {
                      <option [value]="p.id" [selected]="p.id === l.part && !offered(l.offers, p.id)">{{ p.name }}</option>
                    }
                  </optgroup>
                </select>
              </td>
              <td class="end small">
                @for (ask of l.wish.asks; track $index) {
                  <span class="ask">{{ ask }}</span>
                }
                @if (l.wish.lines.length > 1) {
                  <span class="ask">stands in lines {{ l.wish.lines.join(', ') }}: {{ l.wish.count }} wanted, or one?</span>
                  <button class="link" type="button" (click)="justOne(n)">one</button>
                } @else if (l.known) {
                  <span class="ask">on the list already</span>
                } @else if (l.wish.cents !== null) {
                  {{ money(l.wish.cents) }}
                }
              </td>
            </tr>
          } @empty {
            <tr>
              <td class="muted">Say which column holds what is wished for.</td>
            </tr>
          }
        </tbody>
      </table>
      @if (sum(); as s) {
        @if (s.cents > 0) {
          <p class="small" [class.ask]="s.own !== null && s.own !== s.cents">
            The lines add up to {{ money(s.cents)
            }}{{
              s.own === null ? '' : s.own === s.cents ? ', as the list itself says' : '; the list itself says ' + money(s.own)
            }}.
          </p>
        }
      }
      <div class="row">
        <button class="act" type="button" [disabled]="count() === 0" (click)="add()">
          Take {{ count() }} {{ count() === 1 ? 'line' : 'lines' }}
        </button>
        <button class="link" type="button" (click)="sheet.set(null)">Not now</button>
      </div>
    }
  `,
  styles: `
    :host {
      display: block;
    }
    .columns {
      display: grid;
      grid-template-columns: repeat(auto-fill, minmax(120px, 1fr));
      gap: 8px;
      margin: 8px 0;
    }
    .ask {
      color: var(--look);
      font-weight: 600;
    }
    input[type='checkbox'] {
      width: 22px;
      height: 22px;
    }
    td {
      padding: 4px 6px 4px 0;
    }
  `,
})
export class WishImport {
  readonly parts = input.required<readonly Part[]>();
  readonly wishes = input.required<Plan['wishes']>();
  readonly added = output<readonly Wish[]>();
  private readonly http = inject(HttpClient);
  protected readonly meanings = COLUMN_MEANINGS;
  protected readonly says = MEANINGS;
  protected readonly money = printMoney;
  protected readonly sheet = signal<WishSheet | null>(null);
  protected readonly fault = signal('');
  protected readonly busy = signal(false);
  private readonly own = signal<Readonly<Record<number, { part?: string; taken?: boolean; one?: boolean }>>>({});

  protected readonly lines = computed(() => {
    const sheet = this.sheet();
    if (!sheet || !sheet.columns.includes('what')) return [];
    const listed = new Set(Object.values(this.wishes()).map((w) => plainHeading(w.text)));
    return sheetWishes(sheet).map((wish, n) => {
      const mine = this.own()[n] ?? {};
      const offers = matchWish(wish.text, this.parts());
      const best = offers[0] && offers[0].score >= SURE ? offers[0].part.id : '';
      const known = listed.has(plainHeading(wish.text));
      return {
        wish: mine.one ? { ...wish, count: 1 } : wish,
        offers,
        part: mine.part ?? best,
        known,
        // What is asked about is taken by a person.
        taken: mine.taken ?? (!known && wish.asks.length === 0),
      };
    });
  });
  protected readonly count = computed(() => this.lines().filter((l) => l.taken).length);

  protected offered = (offers: readonly WishMatch[], id: string): boolean => offers.some((o) => o.part.id === id);
  /** The list added up, beside its own total where it has one. */
  protected readonly sum = computed(() => {
    const sheet = this.sheet();
    return sheet ? sheetSum(sheet) : null;
  });
  protected percent = (score: number): string => `${Math.round(score * 100)} %`;

  protected open(event: Event): void {
    const input = event.target as HTMLInputElement;
    const file = input.files?.[0];
    input.value = '';
    if (!file) return;
    this.fault.set(file.size > 5_000_000 ? 'The sheet is over 5 MB; send the wish list alone.' : '');
    if (this.fault()) return;
    const form = new FormData();
    form.append('file', file);
    this.busy.set(true);
    this.own.set({});
    this.http.post<WishSheet>('/api/wish-sheets', form).subscribe({
      next: (sheet) => {
        this.sheet.set(sheet);
        this.busy.set(false);
      },
      error: (error: unknown) => {
        this.fault.set(wordsOf(error));
        this.busy.set(false);
      },
    });
  }

  /** Mapped by hand, and remembered for the next sheet. */
  protected map(column: number, value: string): void {
    const meaning = (COLUMN_MEANINGS as readonly string[]).includes(value) ? (value as ColumnMeaning) : null;
    const sheet = this.sheet();
    if (!sheet) return;
    this.sheet.set({
      ...sheet,
      columns: sheet.columns.map((m, i) => (i === column ? meaning : m === meaning ? null : m)),
    });
    const heading = sheet.headings[column]?.trim();
    if (heading && !/^Column \d+$/.test(heading))
      this.http.post('/api/wish-headings', { heading: heading.slice(0, 80), meaning }).subscribe({ error: () => undefined });
  }

  private note(n: number, more: { part?: string; taken?: boolean; one?: boolean }): void {
    this.own.update((all) => ({ ...all, [n]: { ...all[n], ...more } }));
  }
  protected choose = (n: number, part: string): void => this.note(n, { part });
  protected take = (n: number, taken: boolean): void => this.note(n, { taken });
  protected justOne = (n: number): void => this.note(n, { one: true });

  protected add(): void {
    this.added.emit(
      this.lines()
        .filter((l) => l.taken)
        .map(({ wish, part }) => ({
          text: wish.text,
          part: part || null,
          ...(wish.count > 1 ? { count: wish.count } : {}),
          ...(wish.cents !== null ? { cents: wish.cents } : {}),
        })),
    );
    this.sheet.set(null);
  }
}
