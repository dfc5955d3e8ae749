import { HttpClient, type HttpErrorResponse, type HttpInterceptorFn } from '@angular/common/http';
import { computed, inject, Injectable } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { type CanActivateFn, Router } from '@angular/router';
import type { Crew, Problem, Session, Staff } from '@plain-cleat/api';
import { API_VERSION } from '@plain-cleat/api/version';
import {
  BehaviorSubject,
  catchError,
  filter,
  firstValueFrom,
  from,
  map,
  type Observable,
  of,
  switchMap,
  tap,
  throwError,
} from 'rxjs';
import { knownRigger, rightPin } from './pins';
import { type Rigger, Tablet } from './tablet';

/** Who works here: as the server signed them in, or as they swapped on the tablet while it was out of reach. */
interface Here {
  readonly session: Session;
  /** Known from the tablet alone: the server has not said so yet. */
  readonly alone: boolean;
}

/** No answer came, or none of the server's own. */
export const isGone = (error: unknown): boolean => {
  const { status } = error as Partial<HttpErrorResponse>;
  return status === 0 || status === 502 || status === 503 || status === 504;
};

/** Who is signed in here, and the token every writing call carries. */
@Injectable({ providedIn: 'root' })
export class SessionStore {
  private readonly http = inject(HttpClient);
  private readonly tablet = inject(Tablet);
  private readonly state = new BehaviorSubject<Here | null>(null);
  private readonly here = toSignal(this.state, { initialValue: null });
  /** Each time somebody is signed in here. */
  readonly signedIn$ = this.state.pipe(filter((here) => here !== null && here.session.staff !== null));
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

  /** Who keeps facts here. */
  rigger(): Rigger {
    const session = this.state.value?.session;
    return { name: session?.staff?.name ?? '', proof: session?.proof ?? '' };
  }

  private take(session: Session): void {
    this.server = session;
    this.state.next({ session, alone: false });
    if (session.staff) void this.tablet.keepSession(session);
  }

  /** The session as the server knows it, asked once a page; as the tablet does while there is no network. */
  find(): Observable<Session> {
    const now = this.state.value?.session;
    if (now?.staff) return of(now);
    return this.http.get<Session>('/api/session').pipe(
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
  async renew(): Promise<void> {
    const session = await firstValueFrom(this.http.get<Session>('/api/session'));
    const now = this.state.value;
    // One who swapped in without the network stays here, and is asked for the PIN; where nobody is signed in any
    // more, the next thing sent leads to sign-in, and what is kept until then keeps its name.
    if (now?.alone && now.session.staff?.id !== session.staff?.id) this.server = session;
    else this.take(session);
  }

  signIn(login: string, password: string): Observable<Session> {
    return this.http.post<Session>('/api/sign-in', { login, password }).pipe(tap((s) => this.take(s)));
  }

  signOut(): Observable<Session> {
    return this.http.post<Session>('/api/sign-out', {}).pipe(
      tap((s) => this.take(s)),
      switchMap((s) => from(this.tablet.forget()).pipe(map(() => s))),
    );
  }

  /** Who may take over this tablet: everybody with a PIN; while there is no network, who did so before. */
  async crew(): Promise<Staff[]> {
    try {
      const all = await firstValueFrom(this.http.get<Crew>('/api/crew'));
      return all.filter((c) => c.hasPin);
    } catch (error) {
      if (!isGone(error)) throw error;
      return this.tablet.riggers();
    }
  }

  /**
   * Another takes over this tablet by PIN.
   * @throws Error in words for the person at the screen
   */
  async swap(id: string, pin: string): Promise<void> {
    try {
      const session = await firstValueFrom(this.http.post<Session>('/api/swap', { staff: id, pin }));
      this.take(session);
      if (session.staff) await this.tablet.keepRigger(await knownRigger(session.staff, session.proof ?? '', pin));
    } catch (error) {
      if (!isGone(error)) throw new Error(wordsOf(error), { cause: error });
      const known = (await this.tablet.riggers()).find((r) => r.id === id);
      if (!known) throw new Error('They have not been on this tablet with the network yet.', { cause: error });
      const { staff, fault } = await rightPin(known, pin, this.tablet);
      if (!staff) throw new Error(fault, { cause: error });
      const session = { staff, csrf: null, apiVersion: API_VERSION, proof: known.proof };
      this.state.next({ session, alone: true });
      await this.tablet.keepSession(session);
    }
  }

  choosePin = (password: string, pin: string): Observable<unknown> => this.http.post('/api/pin', { password, pin });

  /** The session ran out on the server. What was not sent stays on this device. */
  ended(): void {
    this.server = null;
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
  if (isGone(error)) return 'The server does not answer. What you did is kept here and sent when it does.';
  return 'Something broke. Nothing was changed; try again.';
}
