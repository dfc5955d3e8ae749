import { DestroyRef, inject, Injectable, signal } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import type { Fix } from '@plain-cleat/core/proposals/fixes';
import type { Part } from '@plain-cleat/core/parts/parts';
import type { WorkupInput } from '@plain-cleat/core/workup';
import { EMPTY, finalize, type Observable, Subject, switchMap, tap, timer } from 'rxjs';
import { UnitsStore } from '../stores/units.store';
import { fixCalls } from '../workers/fix-calls';
import { taking } from '../workers/worker-calls';

/** How long the hand rests before a search begins, ms. */
const REST = 250;

interface Question {
  readonly input: WorkupInput;
  /** Parts that may come aboard. */
  readonly range: readonly Part[];
  readonly keys: readonly string[];
}

/** Fixes by finding, tried on the plan of the moment and withdrawn when it moves on. */
@Injectable()
export class Fixes {
  private readonly units = inject(UnitsStore);
  private readonly calls = fixCalls();
  private readonly asked = new Subject<Question>();
  readonly byFinding = signal<Readonly<Record<string, readonly Fix[]>>>({});
  readonly searching = signal(false);

  constructor() {
    inject(DestroyRef).onDestroy(() => this.calls.close());
    this.asked
      .pipe(
        tap(({ keys }) => {
          this.byFinding.set({});
          this.searching.set(keys.length > 0);
        }),
        // A search on a plan that has moved on is worth nothing: it is ended, not waited for.
        switchMap((question) => (question.keys.length ? timer(REST).pipe(switchMap(() => this.search(question))) : EMPTY)),
        takeUntilDestroyed(),
      )
      .subscribe(([key, fixes]) => this.byFinding.update((all) => ({ ...all, [key]: fixes })));
  }

  /** Asks for fixes of these findings once the hand rests; each is shown as it is found. */
  ask(input: WorkupInput, range: readonly Part[], keys: readonly string[]): void {
    this.asked.next({ input, range, keys });
  }

  private search({ input, range, keys }: Question): Observable<readonly [string, readonly Fix[]]> {
    let done = false;
    return this.calls
      .run<readonly [string, readonly Fix[]]>((remote, tell) =>
        remote.fixes(
          input,
          keys,
          { units: this.units.system(), range },
          taking((key: string, fixes: Fix[]) => tell([key, fixes])),
        ),
      )
      .pipe(
        tap({ complete: () => (done = true) }),
        finalize(() => done && this.searching.set(false)),
      );
  }
}
