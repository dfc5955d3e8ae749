import { Memory } from '@plain-cleat/core/base/stages';
import { FileButton } from '../controls/file-button';
import { MatCheckboxModule } from '@angular/material/checkbox';
import { ChoiceField } from '../controls/choice-field';
import { PickField } from '../controls/pick-field';
import { ChangeDetectionStrategy, Component, computed, inject, input, output, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { type WishSheet } from '@plain-cleat/api';
import {
  COLUMN_MEANINGS,
  type ColumnMeaning,
  matchWish,
  type WishIndex,
  type WishMatch,
  plainHeading,
  sheetSum,
  sheetWishes,
} from '@plain-cleat/core/parts/catalog';
import { everyPart, partChoices } from './every-part';
import type { Part } from '@plain-cleat/core/parts/parts';
import type { Plan, Wish } from '@plain-cleat/core/rig';
import { printMoney } from '@plain-cleat/core/base/units';
import { field, liveRows } from '../controls/live-form';
import { Said } from '../controls/said';
import { BriefStore } from '../stores/brief.store';
import { Sending } from '../stores/sending';

const MEANINGS: Readonly<Record<ColumnMeaning, string>> = { what: 'what', count: 'how many', price: 'price', note: 'note' };

/** An owner's spreadsheet: its columns mapped, each line matched, and nothing taken before a person says so. */
@Component({
  selector: 'pc-wish-import',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Said, MatButtonModule, MatCheckboxModule, FileButton, ChoiceField, PickField],
  template: `
    <div class="row">
      <pc-file-button
        [label]="sheet() ? 'Import another sheet' : 'Import a spreadsheet'"
        accept=".csv,.xlsx,.txt"
        (chosen)="open($event)"
      />
      @if (reading.busy()) {
        <span class="muted" role="status">Reading it</span>
      }
      <pc-said [of]="reading" />
    </div>
    @if (sheet(); as s) {
      <div class="columns">
        @for (h of headings(); track h.controls) {
          <pc-choice-field [label]="h.of.heading || 'no heading'" [choices]="meanings" [control]="h.controls.means" />
        }
      </div>
      @if (s.dropped) {
        <p class="small muted">{{ s.dropped }} more lines were left out: a wish list has 500 at the most.</p>
      }
      <ul class="lines">
        @for (r of rows(); track r.controls; let n = $index) {
          @let l = r.of;
          <li>
            <mat-checkbox [aria-label]="'Take ' + l.wish.text" [checked]="l.taken" (change)="take(n, $event.checked)" />
            <span>{{ l.wish.count > 1 ? l.wish.count + ' × ' : '' }}{{ l.wish.text }}</span>
            <pc-pick-field [name]="'Part for ' + l.wish.text" [choices]="l.choices" [control]="r.controls.part" />
            <span class="small">
              @for (ask of l.wish.asks; track $index) {
                <span class="ask">{{ ask }}</span>
              }
              @if (l.wish.lines.length > 1) {
                <span class="ask">stands in lines {{ l.wish.lines.join(', ') }}: {{ l.wish.count }} wanted, or one?</span>
                <button mat-button class="link" type="button" (click)="justOne(n)">One</button>
              } @else if (l.known) {
                <span class="ask">on the list already</span>
              } @else if (l.wish.cents !== null) {
                {{ money(l.wish.cents) }}
              }
            </span>
          </li>
        } @empty {
          <li class="muted">Say which column holds what is wished for.</li>
        }
      </ul>
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
        <button mat-flat-button type="button" [disabled]="count() === 0" (click)="add()">
          Add {{ count() }} {{ count() === 1 ? 'line' : 'lines' }}
        </button>
        <button mat-button class="link" type="button" (click)="sheet.set(null)">Cancel</button>
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
    .lines li {
      display: grid;
      grid-template-columns: 40px minmax(0, 1fr) minmax(0, 1.3fr) 110px;
      gap: 8px;
      align-items: center;
      border-bottom: 1px solid var(--line);
      padding: 4px 0;
    }
  `,
})
export class WishImport {
  readonly parts = input.required<readonly Part[]>();
  readonly index = input.required<WishIndex>();
  readonly wishes = input.required<Plan['wishes']>();
  readonly added = output<readonly Wish[]>();
  private readonly brief = inject(BriefStore);
  protected readonly meanings = [
    { value: '', says: 'leave out' },
    ...COLUMN_MEANINGS.map((m) => ({ value: m as string, says: MEANINGS[m] })),
  ];
  protected readonly money = printMoney;
  protected readonly sheet = signal<WishSheet | null>(null);
  protected readonly reading = new Sending();
  private readonly own = signal<Readonly<Record<number, { part?: string; taken?: boolean; one?: boolean }>>>({});

  private readonly every = computed(() => everyPart(this.parts()));
  private readonly memory = new Memory();
  /** A line is looked up once, however often the list changes. */
  private readonly matched = (text: string): readonly WishMatch[] =>
    this.memory.of(text, this.index(), () => matchWish(text, this.index()));
  protected readonly lines = computed(() => {
    const sheet = this.sheet();
    if (!sheet || !sheet.columns.includes('what')) return [];
    const listed = new Set(Object.values(this.wishes()).map((w) => plainHeading(w.text)));
    return sheetWishes(sheet).map((wish, n) => {
      const mine = this.own()[n] ?? {};
      const offers = this.matched(wish.text);
      const best = offers[0]?.sure ? offers[0].part.id : '';
      const known = listed.has(plainHeading(wish.text));
      return {
        wish: mine.one ? { ...wish, count: 1 } : wish,
        choices: partChoices(
          offers.map((o) => o.part),
          this.every(),
        ),
        part: mine.part ?? best,
        known,
        // What is asked about is taken by a person.
        taken: mine.taken ?? (!known && wish.asks.length === 0),
      };
    });
  });
  protected readonly headings = liveRows(
    () => (this.sheet()?.headings ?? []).map((heading, c) => ({ heading, means: this.sheet()?.columns[c] ?? '' })),
    (column, at) => ({
      means: field<string>(
        () => column().means,
        (means) => this.map(at(), means),
      ),
    }),
  );
  protected readonly rows = liveRows(
    () => this.lines(),
    (line, at) => ({
      part: field(
        () => line().part,
        (part) => this.note(at(), { part }),
      ),
    }),
  );
  protected readonly count = computed(() => this.lines().filter((l) => l.taken).length);

  /** The list added up, beside its own total where it has one. */
  protected readonly sum = computed(() => {
    const sheet = this.sheet();
    return sheet ? sheetSum(sheet) : null;
  });

  protected open(file: File): void {
    if (this.reading.refuse(file.size > 5_000_000 ? 'The sheet is over 5 MB; send the wish list alone.' : '')) return;
    this.own.set({});
    this.reading.send(this.brief.readWishes(file), (sheet) => this.sheet.set(sheet));
  }

  /** Mapped by hand, and remembered for the next sheet. */
  private map(column: number, value: string): void {
    const meaning = (COLUMN_MEANINGS as readonly string[]).includes(value) ? (value as ColumnMeaning) : null;
    const sheet = this.sheet();
    if (!sheet) return;
    this.sheet.set({
      ...sheet,
      columns: sheet.columns.map((m, i) => (i === column ? meaning : m === meaning ? null : m)),
    });
    const heading = sheet.headings[column]?.trim();
    if (heading && !/^Column \d+$/.test(heading))
      this.brief.rememberHeading(heading.slice(0, 80), meaning).subscribe({ error: () => undefined });
  }

  private note(n: number, more: { part?: string; taken?: boolean; one?: boolean }): void {
    this.own.update((all) => ({ ...all, [n]: { ...all[n], ...more } }));
  }
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
