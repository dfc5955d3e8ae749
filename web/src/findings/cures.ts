import { DestroyRef, inject, Injectable, signal } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import type { Cure } from '@plain-cleat/core/cures';
import type { Part } from '@plain-cleat/core/parts';
import type { WorkupInput } from '@plain-cleat/core/workup';
import { proxy } from 'comlink';
import { EMPTY, finalize, type Observable, Subject, switchMap, tap, timer } from 'rxjs';
import { UnitsStore } from '../stores/units.store';
import { cureDesk } from '../workers/cure-desk';

/** How long the hand rests before a search begins, ms. */
const REST = 250;

interface Question {
  readonly input: WorkupInput;
  /** Parts that may come aboard. */
  readonly range: readonly Part[];
  readonly keys: readonly string[];
}

/** Cures by finding, tried on the plan of the moment and withdrawn when it moves on. */
@Injectable()
export class Cures {
  private readonly units = inject(UnitsStore);
  private readonly desk = cureDesk();
  private readonly asked = new Subject<Question>();
  readonly byFinding = signal<Readonly<Record<string, readonly Cure[]>>>({});
  readonly searching = signal(false);

  constructor() {
    inject(DestroyRef).onDestroy(() => this.desk.close());
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
      .subscribe(([key, cures]) => this.byFinding.update((all) => ({ ...all, [key]: cures })));
  }

  /** Asks for cures of these findings once the hand rests; each is shown as it is found. */
  ask(input: WorkupInput, range: readonly Part[], keys: readonly string[]): void {
    this.asked.next({ input, range, keys });
  }

  private search({ input, range, keys }: Question): Observable<readonly [string, readonly Cure[]]> {
    let done = false;
    return this.desk
      .run<readonly [string, readonly Cure[]]>((remote, tell) =>
        remote.cures(
          input,
          keys,
          { units: this.units.system(), range },
          proxy((key: string, cures: Cure[]) => tell([key, cures])),
        ),
      )
      .pipe(
        tap({ complete: () => (done = true) }),
        finalize(() => done && this.searching.set(false)),
      );
  }
}
