import { defer, type Observable, of, retry, tap, throwError } from 'rxjs';

/** An answer that was asked for before something of mine was acknowledged: it does not know of it. */
class OutOfDate extends Error {}

/** What the server has acknowledged of mine, and answers that know of all of it. */
export class Acknowledged {
  private count = 0;

  one(): void {
    this.count++;
  }

  /** An answer that knows of everything of mine: what was asked for before an acknowledgement is asked for again. */
  upToDate<T>(ask: () => Observable<T>): Observable<T> {
    return defer(() => {
      const asked = this.count;
      return ask().pipe(
        tap(() => {
          if (asked !== this.count) throw new OutOfDate();
        }),
      );
    }).pipe(retry({ delay: (error: unknown) => (error instanceof OutOfDate ? of(0) : throwError(() => error)) }));
  }
}
