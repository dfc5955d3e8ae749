import { ScrollingModule } from '@angular/cdk/scrolling';
import { ChangeDetectionStrategy, Component, computed, type ElementRef, inject, input, output, viewChild } from '@angular/core';
import {
  catchError,
  concatMap,
  distinctUntilChanged,
  map,
  type Observable,
  of,
  scan,
  startWith,
  Subject,
  switchMap,
  timer,
} from 'rxjs';
import { Icons } from '../controls/icons';
import { MatInputModule } from '@angular/material/input';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatButtonModule } from '@angular/material/button';
import { MatTooltipModule } from '@angular/material/tooltip';
import { FormControl, ReactiveFormsModule } from '@angular/forms';
import { toSignal } from '@angular/core/rxjs-interop';
import { DragDropModule } from '@angular/cdk/drag-drop';
import type { Part } from '@plain-cleat/core/parts/parts';
import type { HullSurface } from '@plain-cleat/core/boat/hull';
import { matchWish } from '@plain-cleat/core/parts/catalog';
import { suits } from '@plain-cleat/core/layout';
import { countWishes, placedWords, type Assembly, type Brief, type Plan } from '@plain-cleat/core/rig';
import { printMoney } from '@plain-cleat/core/base/units';
import { RangeStateNote } from '../controls/range-state';
import type { BoatMark } from '../boat-view/drawing';
import { Parts } from '../stores/parts';
import { WishIndexes } from '../stores/wish-indexes';
import { wordsOf } from '../stores/problems';

/** How long the hand rests before the stores are asked, ms. */
const REST = 250;

/** What was found in the stores beside the range. */
interface Beside {
  readonly parts: readonly Part[];
  readonly more: boolean;
  readonly asking: boolean;
  readonly failure: string;
}
const NOTHING_BESIDE: Beside = { parts: [], more: false, asking: false, failure: '' };

/** How tall each part of the list is, px: a name and a line under it. */
const ROW = 52;

/** What can come aboard, wished-for parts first; tap then tap the hull, drag it there, or press Enter. */
@Component({
  selector: 'pc-palette',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    DragDropModule,
    ScrollingModule,
    ReactiveFormsModule,
    MatButtonModule,
    MatTooltipModule,
    MatFormFieldModule,
    MatInputModule,
    Icons,
    RangeStateNote,
  ],
  templateUrl: './palette.html',
  styleUrl: './palette.scss',
})
export class Palette {
  readonly parts = input.required<readonly Part[]>();
  readonly wishes = input.required<Plan['wishes']>();
  readonly fittings = input.required<Plan['fittings']>();
  readonly marks = input.required<readonly BoatMark[]>();
  readonly placing = input<Part | null>(null);
  readonly chosen = output<Part>();
  readonly typed = output<Part>();
  /** A part of one's own is wanted. */
  readonly making = output<void>();
  readonly picked = output<{ id: string; more: boolean }>();
  /** A place that was pointed at: what suits it comes first. */
  readonly spot = input<{ x: number; y: number } | null>(null);
  readonly hull = input.required<HullSurface>();
  readonly brief = input.required<Brief>();
  readonly assemblies = input<readonly Assembly[]>([]);
  readonly assembled = output<{ assembly: Assembly; now: boolean }>();
  protected readonly kits = computed(() => {
    const wanted = this.text().trim().toLowerCase();
    return this.spot() ? [] : this.assemblies().filter((a) => a.name.toLowerCase().includes(wanted));
  });
  protected price = (a: Assembly): number =>
    Object.values(a.fittings).reduce((sum, f) => sum + (this.parts().find((p) => p.id === f.part)?.sold.priceCents ?? 0), 0);
  protected readonly typing = new FormControl('', { nonNullable: true });
  protected readonly text = toSignal(this.typing.valueChanges, { initialValue: '' });
  protected readonly money = printMoney;
  private readonly find = viewChild.required<ElementRef<HTMLInputElement>>('find');
  /** How many of each part are wished for, and how many of them stand aboard. */
  private readonly wished = computed((): ReadonlyMap<string, { readonly count: number; readonly placed: number }> => {
    const all = new Map<string, { count: number; placed: number }>();
    for (const { part, count, placed } of countWishes({ wishes: this.wishes(), fittings: this.fittings() })) {
      const so = part === null ? null : (all.get(part) ?? { count: 0, placed: 0 });
      if (part !== null && so) all.set(part, { count: so.count + count, placed: so.placed + placed });
    }
    return all;
  });
  private readonly indexes = inject(WishIndexes);
  /** What the trade would mean by what is typed, the likeliest first. */
  private readonly meant = computed((): readonly Part[] => {
    const text = this.text().trim();
    return text.length < 3 ? [] : matchWish(text, this.indexes.of(this.parts())).map((m) => m.part);
  });
  protected readonly found = computed(() => {
    const spot = this.spot();
    // A name that begins as it was typed is what was meant.
    const starts = (p: Part): boolean => wanted !== '' && p.name.toLowerCase().startsWith(wanted);
    const wanted = this.text().trim().toLowerCase();
    const wished = this.wished();
    const meant = this.meant();
    const rank = (p: Part): number => (meant.includes(p) ? meant.indexOf(p) : meant.length);
    return this.parts()
      .filter((p) => `${p.name} ${p.kind}`.toLowerCase().includes(wanted) || meant.includes(p))
      .map((part) => {
        const fit = spot ? suits(this.hull(), part, spot, this.brief()) : { rank: 0, says: '' };
        const wish = wished.get(part.id);
        return {
          part,
          wish: wish ? `wished for, ${placedWords(wish)}` : '',
          open: wish !== undefined && wish.placed < wish.count,
          fit,
        };
      })
      .filter((p) => !spot || p.fit.rank > 0)
      .sort(
        (a, b) =>
          b.fit.rank - a.fit.rank ||
          Number(starts(b.part)) - Number(starts(a.part)) ||
          rank(a.part) - rank(b.part) ||
          Number(b.open) - Number(a.open) ||
          a.part.name.localeCompare(b.part.name),
      );
  });
  private readonly store = inject(Parts);
  /** One more page of what was found beside the range. */
  protected readonly nextPage = new Subject<void>();
  /** What the stores have of that name beside what is listed, found by the server as one stops typing. */
  protected readonly beside = toSignal(
    this.typing.valueChanges.pipe(
      map((text) => text.trim()),
      distinctUntilChanged(),
      switchMap((text) =>
        text.length < 2
          ? of(NOTHING_BESIDE)
          : timer(REST).pipe(
              switchMap(() => this.pages(text)),
              startWith({ ...NOTHING_BESIDE, asking: true }),
            ),
      ),
    ),
    { initialValue: NOTHING_BESIDE },
  );

  private pages(text: string): Observable<Beside> {
    const page = (n: number): Observable<Beside> =>
      this.store.find(text, n).pipe(
        map(({ parts, more }): Beside => ({ ...NOTHING_BESIDE, parts, more })),
        catchError((error: unknown) => of({ ...NOTHING_BESIDE, failure: wordsOf(error) })),
      );
    const known = new Set(this.parts().map((p) => p.id));
    return this.nextPage.pipe(
      startWith(undefined),
      concatMap((_, n) => page(n)),
      map((found): Beside => ({ ...found, parts: found.parts.filter((p) => !known.has(p.id)) })),
      scan((before, found) => ({ ...found, parts: [...before.parts, ...found.parts] })),
    );
  }

  protected readonly row = ROW;
  protected readonly Math = Math;
  protected byId = (_: number, p: { part: Part }): string => p.part.id;

  focus(): void {
    this.find().nativeElement.focus();
  }

  protected first(): void {
    const [only] = this.found();
    if (only && this.text().trim()) this.typed.emit(only.part);
  }
}
