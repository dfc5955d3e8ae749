import { type HttpInterceptorFn, HttpResponse } from '@angular/common/http';
import { inject, Injectable } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { BehaviorSubject, tap } from 'rxjs';
import { isGone } from './problems';

/** Whether the server answers: one works on without it, and what is done is sent when it is back. */
@Injectable({ providedIn: 'root' })
export class Line {
  private readonly state = new BehaviorSubject(true);
  readonly answers = toSignal(this.state, { initialValue: true });

  heard(answers: boolean): void {
    this.state.next(answers);
  }
}

/** Every call says whether the server answers; one that asks to come back later does not. */
export const withConnection: HttpInterceptorFn = (req, next) => {
  const line = inject(Line);
  return next(req).pipe(
    tap({
      next: (event) => event instanceof HttpResponse && line.heard(true),
      error: (error: unknown) => line.heard(!isGone(error)),
    }),
  );
};
