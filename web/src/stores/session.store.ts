import type { HttpErrorResponse, HttpEvent, HttpInterceptorFn } from '@angular/common/http';
import { computed, inject, Injectable } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { type CanActivateFn, Router } from '@angular/router';
import type { Preferences, Session, Staff } from '@plain-cleat/api';
import { SESSION_ENDPOINTS } from '@plain-cleat/api/endpoints';
import { API_VERSION } from '@plain-cleat/api/version';
import { BehaviorSubject, catchError, filter, from, map, type Observable, of, switchMap, tap, throwError } from 'rxjs';
import { Api } from './api';
import { knownRigger, rightPin } from './pins';
import { isGone, isStale, wordsOf } from './problems';
import { type Rigger, Tablet } from './tablet';

/** Who works here: as the server signed them in, or as they swapped on the tablet while it was out of reach. */
interface Here {
  readonly session: Session;
  /** Known from the tablet alone: the server has not said so yet. */
  readonly alone: boolean;
}

/** Who is signed in here, and the token every writing call carries. */
@Injectable({ providedIn: 'root' })
export class SessionStore {
  private readonly api = inject(Api);
  private readonly tablet = inject(Tablet);
  private readonly state = new BehaviorSubject<Here | null>(null);
  private readonly here = toSignal(this.state, { initialValue: null });
  /** Each time somebody is signed in here. */
  readonly signedIn$ = this.state.pipe(filter((here): here is Here => here !== null && here.session.staff !== null));
  readonly staff = computed((): Staff | null => this.here()?.session.staff ?? null);
  /** Only the tablet knows them here: the server is out of reach, or has another signed in. */
  readonly alone = computed(() => this.here()?.alone ?? false);
  /** Whom the server has signed in on this tablet, where that is somebody else. */
  private server: Session | null = null;

  /** The server speaks another version than this page. */
  readonly outdated = computed(() => {
    const here = this.here();
    return here !== null && here.session.apiVersion !== API_VERSION;
  });

  get csrf(): string | null {
    return this.server?.csrf ?? null;
  }

  /** Under whose name the server takes what is sent. */
  signedInAs = (): string | undefined => this.server?.staff?.name;

  /** What somebody prefers, on every device of theirs. */
  prefer = (said: Partial<Preferences>): Observable<unknown> => this.api.call(SESSION_ENDPOINTS.prefer, { body: said });

  /** Who keeps facts here. */
  rigger(): Rigger {
    const session = this.state.value?.session;
    return { name: session?.staff?.name ?? '', proof: session?.proof ?? '' };
  }

  private take(session: Session): void {
    this.server = session;
    this.state.next({ session, alone: false });
    if (session.staff) void this.tablet.saveSession(session);
  }

  /** The session as the server knows it, asked once a page; as the tablet does while there is no network. */
  find(): Observable<Session> {
    const now = this.state.value?.session;
    if (now?.staff) return of(now);
    return this.api.call(SESSION_ENDPOINTS.session).pipe(
      tap((s) => this.take(s)),
      catchError((error: unknown) => (isGone(error) ? from(this.fromTablet(error)) : throwError(() => error))),
    );
  }

  private async fromTablet(error: unknown): Promise<Session> {
    const session = await this.tablet.session();
    if (!session?.staff) throw error;
    this.state.next({ session: { ...session, csrf: null }, alone: true });
    return session;
  }

  /** Asks the server again who is signed in: after a break its token is another. */
  renew(): Observable<Session> {
    return this.api.call(SESSION_ENDPOINTS.session).pipe(
      tap((session) => {
        const now = this.state.value;
        // One who swapped in without the network stays here, and is asked for the PIN; where nobody is signed in any
        // more, the next thing sent leads to sign-in, and what is kept until then keeps its name.
        if (now?.alone && now.session.staff?.id !== session.staff?.id) this.server = session;
        else this.take(session);
      }),
    );
  }

  signIn(login: string, password: string): Observable<Session> {
    return this.api.call(SESSION_ENDPOINTS.signIn, { body: { login, password } }).pipe(tap((s) => this.take(s)));
  }

  signOut(): Observable<Session> {
    return this.api.call(SESSION_ENDPOINTS.signOut).pipe(
      tap((s) => this.take(s)),
      switchMap((s) => from(this.tablet.forget()).pipe(map(() => s))),
    );
  }

  /** Who may take over this tablet: everybody with a PIN; while there is no network, who did so before. */
  crew(): Observable<Staff[]> {
    return this.api.call(SESSION_ENDPOINTS.crew).pipe(
      map((all): Staff[] => all.filter((c) => c.hasPin)),
      catchError((error: unknown) => (isGone(error) ? from(this.tablet.riggers()) : throwError(() => error))),
    );
  }

  /**
   * Another takes over this tablet by PIN.
   * @throws Error in words for the person at the screen
   */
  switchUser(id: string, pin: string): Observable<unknown> {
    return this.api.call(SESSION_ENDPOINTS.switchUser, { body: { staff: id, pin } }).pipe(
      tap((session) => this.take(session)),
      switchMap(({ staff, proof, preferences }) =>
        staff
          ? from(knownRigger({ ...staff, preferences }, proof ?? '', pin)).pipe(
              switchMap((known) => this.tablet.saveRigger(known)),
            )
          : of(null),
      ),
      catchError((error: unknown) =>
        isGone(error) ? from(this.switchAlone(id, pin)) : throwError(() => new Error(wordsOf(error), { cause: error })),
      ),
    );
  }

  /** The same by what the tablet knows, while the server does not answer. */
  private async switchAlone(id: string, pin: string): Promise<void> {
    const known = (await this.tablet.riggers()).find((r) => r.id === id);
    if (!known) throw new Error('They have not been on this tablet with the network yet.');
    const { staff, fault } = await rightPin(known, pin, this.tablet);
    if (!staff) throw new Error(fault);
    const session = { staff, csrf: null, apiVersion: API_VERSION, proof: known.proof, preferences: known.preferences ?? {} };
    this.state.next({ session, alone: true });
    await this.tablet.saveSession(session);
  }

  choosePin = (password: string, pin: string): Observable<unknown> =>
    this.api.call(SESSION_ENDPOINTS.choosePin, { body: { password, pin } });

  /** The session ran out on the server. What was not sent stays on this device. */
  ended(): void {
    this.server = null;
    this.state.next(null);
  }
}

/**
 * Adds the token; one that is not the session's any more is asked for anew, and the call goes once more. Who is not
 * signed in any more is sent to sign in, and back.
 */
export const withSession: HttpInterceptorFn = (req, next) => {
  const session = inject(SessionStore);
  const router = inject(Router);
  const send = (): Observable<HttpEvent<unknown>> => {
    const csrf = session.csrf;
    return next(csrf && req.method !== 'GET' ? req.clone({ setHeaders: { 'X-CSRF-Token': csrf } }) : req);
  };
  return send().pipe(
    catchError((error: HttpErrorResponse) => {
      if (isStale(error)) return session.renew().pipe(switchMap(send));
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
