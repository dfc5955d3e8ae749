import { DestroyRef, inject, Injectable, type Signal } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import type { LineProposal } from '@plain-cleat/core/lines';
import type { WorkupInput } from '@plain-cleat/core/workup';
import { catchError, concat, type Observable, of, switchMap } from 'rxjs';
import { fixCalls } from '../workers/fix-calls';

/** Compares how lines could be led, away from the screen. */
@Injectable()
export class LineComparison {
  private readonly calls = fixCalls();

  constructor() {
    inject(DestroyRef).onDestroy(() => this.calls.close());
  }

  propose(input: WorkupInput): Observable<LineProposal> {
    return this.calls.run<LineProposal>((remote, tell) => remote.lines(input).then(tell));
  }
}

/** What lines are proposed for, and what to propose where they cannot be compared. */
export interface LinesAsked {
  readonly input: WorkupInput;
  readonly plain: () => LineProposal;
}

/** The lines that are proposed; null while that is worked out or nothing is asked. */
export function linesProposed(asked: Signal<LinesAsked | null>): Signal<LineProposal | null> {
  const calls = inject(LineComparison);
  return toSignal(
    toObservable(asked).pipe(
      // A plan that has moved on is asked about anew.
      switchMap((question) =>
        question ? concat(of(null), calls.propose(question.input).pipe(catchError(() => of(question.plain())))) : of(null),
      ),
    ),
    { initialValue: null },
  );
}
