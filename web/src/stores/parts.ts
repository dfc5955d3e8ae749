import { computed, inject, Injectable } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { type FoundParts, ROUTES } from '@plain-cleat/api';
import { newestById, type Part, partKey } from '@plain-cleat/core/parts/parts';
import {
  BehaviorSubject,
  catchError,
  concat,
  distinctUntilChanged,
  EMPTY,
  expand,
  from,
  map,
  merge,
  type Observable,
  of,
  scan,
  Subject,
  switchMap,
  tap,
} from 'rxjs';
import { Api } from './api';
import { wordsOf } from './problems';
import { Tablet } from './tablet';

/** The shop's range as far as this device has it. */
export interface RangeState {
  readonly parts: readonly Part[];
  readonly loading: boolean;
  /** Why it is not the shop's as it is now; null when it is. */
  readonly failure: string | null;
}

const NONE: RangeState = { parts: [], loading: true, failure: null };
/** So many pages of the stores are asked for when all are wanted. */
const MOST_PAGES = 20;
/** So many parts from beside the range are kept on the device. */
const FOUND = 60;

/** The parts of the stores: the shop's range, which comes once for as long as it stays as it is, and the rest by search. */
@Injectable({ providedIn: 'root' })
export class Parts {
  private readonly api = inject(Api);
  private readonly tablet = inject(Tablet);
  private readonly wanted = new Subject<string>();
  private readonly again = new Subject<string>();
  private readonly ranges = new BehaviorSubject<RangeState>(NONE);
  private readonly found = new BehaviorSubject<readonly Part[]>([]);
  private hash = '';

  readonly range = toSignal(this.ranges, { initialValue: NONE });
  /** Every part that this device knows besides those of its rigs. */
  readonly known$: Observable<readonly Part[]> = merge(this.ranges, this.found).pipe(
    map(() => [this.ranges.value.parts, this.found.value] as const),
    distinctUntilChanged(([a, b], [c, d]) => a === c && b === d),
    map(([range, found]) => [...range, ...found]),
  );

  private readonly all = toSignal(this.known$, { initialValue: [] });

  /** The same as it is now. */
  known = (): readonly Part[] => [...this.ranges.value.parts, ...this.found.value];

  /** The same, each in its newest revision, by name. */
  readonly newest = computed(() => newestOf(this.all()));

  constructor() {
    merge(this.wanted.pipe(distinctUntilChanged()), this.again)
      .pipe(switchMap((hash) => this.rangeAt(hash)))
      .subscribe(this.ranges);
    from(this.tablet.parts('found')).subscribe((kept) => kept && this.found.next(kept.parts));
  }

  /** The range at this address is wanted: it comes from the device, or else from the server. */
  need(hash: string): void {
    this.hash = hash;
    this.wanted.next(hash);
  }

  /** Asks for the range once more. */
  retry(): void {
    this.again.next(this.hash);
  }

  private rangeAt(hash: string): Observable<RangeState> {
    return from(this.tablet.parts('range')).pipe(
      switchMap((kept): Observable<RangeState> => {
        const parts = kept?.parts ?? [];
        if (kept?.hash === hash || hash === '') return of({ parts, loading: false, failure: null });
        // What was the range before is shown until the new one is there.
        return concat(of({ parts, loading: true, failure: null }), this.fetched(hash, parts));
      }),
    );
  }

  private fetched(hash: string, before: readonly Part[]): Observable<RangeState> {
    return this.api.call(ROUTES.range, { hash }).pipe(
      tap((parts) => void this.tablet.saveParts('range', { hash, parts })),
      map((parts) => ({ parts, loading: false, failure: null })),
      catchError((error: unknown) => of({ parts: before, loading: false, failure: wordsOf(error) })),
    );
  }

  /** Parts of all the stores by words of their names, a page at a time. */
  find = (text: string, page: number): Observable<FoundParts> => this.api.call(ROUTES.findParts, { query: { text, page } });

  /** All of the stores by name, page after page; what came before it failed stays. */
  everything = (): Observable<readonly Part[]> =>
    this.find('', 0).pipe(
      expand((found, i) => (found.more && i + 1 < MOST_PAGES ? this.find('', i + 1) : EMPTY)),
      scan((all, { parts }): readonly Part[] => [...all, ...parts], [] as readonly Part[]),
      catchError(() => of(this.known())),
    );

  /** A part becomes one of the shop's range. Managers alone may. */
  addToRange = (part: Part): Observable<Part> => this.api.call(ROUTES.savePart, { body: { part, expects: 0, active: true } });

  /** Parts are taken from the stores: from now on this device knows them. */
  take(...parts: readonly Part[]): void {
    const known = new Set(this.known().map(partKey));
    const fresh = parts.filter((p) => !known.has(partKey(p)));
    if (fresh.length === 0) return;
    const found = [...fresh, ...this.found.value];
    this.found.next(found);
    void this.tablet.saveParts('found', { hash: '', parts: found.slice(0, FOUND) });
  }
}

/** The newest of each of some parts, by name. */
export const newestOf = (parts: readonly Part[]): Part[] =>
  [...newestById(parts).values()].sort((a, b) => a.name.localeCompare(b.name));
