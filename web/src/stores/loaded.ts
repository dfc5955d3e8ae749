import type { Signal } from '@angular/core';
import { takeUntilDestroyed, toSignal } from '@angular/core/rxjs-interop';
import {
  BehaviorSubject,
  catchError,
  map,
  type Observable,
  of,
  type OperatorFunction,
  startWith,
  Subject,
  switchMap,
} from 'rxjs';
import { wordsOf } from './problems';

/** What was asked for: on its way, here, or why it did not come. What came before stays while it is asked for anew. */
export type Loaded<T> =
  | { readonly is: 'loading'; readonly value: T | null }
  | { readonly is: 'here'; readonly value: T }
  | { readonly is: 'failed'; readonly value: T | null; readonly says: string };

/** It is on its way, and nothing came before. */
export const LOADING: Loaded<never> = { is: 'loading', value: null };

/**
 * An answer as it comes: on its way first, then here, or why it did not come.
 * @param words what went wrong, in words
 * @param value what came before
 */
export const asLoaded =
  <T>(words: (error: unknown) => string = wordsOf, value: T | null = null): OperatorFunction<T, Loaded<T>> =>
  (answer$) =>
    answer$.pipe(
      map((came): Loaded<T> => ({ is: 'here', value: came })),
      startWith<Loaded<T>>({ is: 'loading', value }),
      catchError((error: unknown) => of<Loaded<T>>({ is: 'failed', value, says: words(error) })),
    );

/**
 * Something that is asked of the server, and again whenever that is wanted; the newest asking counts. Made where a
 * component or a service is, and over with it.
 * @param ask what is asked; nothing is asked before the first `load`
 */
export class Loader<T> {
  private readonly state = new BehaviorSubject<Loaded<T>>(LOADING);
  private readonly asking = new Subject<Observable<Loaded<T>>>();
  readonly loaded: Signal<Loaded<T>> = toSignal(this.state, { requireSync: true });
  /** What came last; null before anything did. */
  readonly value: Signal<T | null> = toSignal(this.state.pipe(map((s) => s.value)), { requireSync: true });

  constructor(private readonly ask: () => Observable<T>) {
    this.asking
      .pipe(
        switchMap((answer$) => answer$),
        takeUntilDestroyed(),
      )
      .subscribe(this.state);
  }

  /** Asks, or asks again. */
  load(): void {
    this.asking.next(this.ask().pipe(asLoaded(wordsOf, this.state.value.value)));
  }

  /** It is known by now, as after it was saved: what is still on its way is not waited for. */
  put(value: T): void {
    this.asking.next(of({ is: 'here', value }));
  }
}
