import { HttpClient, type HttpErrorResponse, type HttpInterceptorFn } from '@angular/common/http';
import { inject, Injectable } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { type CanActivateFn, Router } from '@angular/router';
import type { Problem, Session, Staff } from '@plain-cleat/api';
import { API_VERSION } from '@plain-cleat/api/version';
import { BehaviorSubject, catchError, map, type Observable, of, tap, throwError } from 'rxjs';

/** Who is signed in here, and the token every writing call carries. */
@Injectable({ providedIn: 'root' })
export class SessionStore {
  private readonly http = inject(HttpClient);
  private readonly state = new BehaviorSubject<Session | null>(null);
  readonly session$ = this.state.asObservable();
  readonly staff = toSignal(this.session$.pipe(map((s): Staff | null => s?.staff ?? null)), { initialValue: null });

  /** The server speaks another version than this page. */
  readonly outdated = toSignal(this.session$.pipe(map((s) => s !== null && s.apiVersion !== API_VERSION)), {
    initialValue: false,
  });

  get csrf(): string | null {
    return this.state.value?.csrf ?? null;
  }

  /** The session as the server knows it, asked once a page. */
  find(): Observable<Session> {
    if (this.state.value?.staff) return of(this.state.value);
    return this.http.get<Session>('/api/session').pipe(tap((s) => this.state.next(s)));
  }

  signIn(login: string, password: string): Observable<Session> {
    return this.http.post<Session>('/api/sign-in', { login, password }).pipe(tap((s) => this.state.next(s)));
  }

  signOut(): Observable<Session> {
    return this.http.post<Session>('/api/sign-out', {}).pipe(tap((s) => this.state.next(s)));
  }

  /** The session ran out on the server. What was not sent stays on this device. */
  ended(): void {
    this.state.next(null);
  }
}

/** Adds the token; sends people whose session ran out to sign in and back. */
export const withSession: HttpInterceptorFn = (req, next) => {
  const session = inject(SessionStore);
  const router = inject(Router);
  const csrf = session.csrf;
  const sent = csrf && req.method !== 'GET' ? req.clone({ setHeaders: { 'X-CSRF-Token': csrf } }) : req;
  return next(sent).pipe(
    catchError((error: HttpErrorResponse) => {
      if (error.status === 401 && !req.url.endsWith('/sign-in')) {
        session.ended();
        void router.navigate(['/sign-in'], { queryParams: { back: router.url } });
      }
      return throwError(() => error);
    }),
  );
};

export const signedIn: CanActivateFn = (_route, state) => {
  const router = inject(Router);
  const toSignIn = router.createUrlTree(['/sign-in'], { queryParams: { back: state.url } });
  return inject(SessionStore)
    .find()
    .pipe(
      map((s) => (s.staff ? true : toSignIn)),
      catchError(() => of(toSignIn)),
    );
};

/** What went wrong, in words for the person at the screen. */
export function wordsOf(error: unknown): string {
  const response = error as Partial<HttpErrorResponse>;
  const problem = response.error as Partial<Problem> | null | undefined;
  if (problem?.detail)
    return problem.faults?.length ? problem.faults.map((f) => `${f.field}: ${f.says}`).join('\n') : problem.detail;
  if (response.status === 0) return 'The server does not answer. What you did is kept here and sent when it does.';
  return 'Something broke. Nothing was changed; try again.';
}
