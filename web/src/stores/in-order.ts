import {
  catchError,
  concat,
  concatMap,
  defer,
  EMPTY,
  ignoreElements,
  type Observable,
  race,
  retry,
  throwError,
  timer,
} from 'rxjs';
import { RETRY } from './news';

/** How things are sent one after another. */
export interface InOrder<T, E> {
  /** Sends one; empty when it is no longer wanted. */
  readonly send: (one: T) => Observable<unknown>;
  /** Whether sending it again can help; else it is the other side's last word. */
  readonly mayPass: (error: E) => boolean;
  /** It will be tried again: what to do and say meanwhile. */
  readonly waits: (one: T, error: E) => Observable<unknown>;
  /** It was not taken, and the next one goes. */
  readonly refused: (one: T, error: E) => Observable<unknown>;
  /** Somebody asks to try at once. */
  readonly again$: Observable<unknown>;
}

/**
 * Sends what comes one after another, each until it is acknowledged or refused: nothing overtakes what waits, and
 * nothing is lost while the other side is silent.
 */
export const inOrder =
  <T, E>({ send, mayPass, waits, refused, again$ }: InOrder<T, E>) =>
  (ones$: Observable<T>): Observable<unknown> =>
    ones$.pipe(
      concatMap((one) =>
        defer(() => send(one)).pipe(
          retry({
            delay: (error: E) =>
              mayPass(error)
                ? concat(
                    waits(one, error).pipe(
                      ignoreElements(),
                      catchError(() => EMPTY),
                    ),
                    race(timer(RETRY), again$),
                  )
                : throwError(() => error),
          }),
          catchError((error: E) => refused(one, error)),
        ),
      ),
    );
