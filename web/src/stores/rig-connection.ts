import type { HttpErrorResponse } from '@angular/common/http';
import { DestroyRef, inject, Injectable } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { type Changed, type SavedFacts, type Problem, type RigDocument, type RigSince, ROUTES } from '@plain-cleat/api';
import { partKey } from '@plain-cleat/core/parts/parts';
import { partsOf } from '@plain-cleat/core/rig';
import {
  BehaviorSubject,
  catchError,
  concat,
  EMPTY,
  filter,
  forkJoin,
  from,
  fromEvent,
  map,
  merge,
  type Observable,
  Subject,
  switchMap,
  tap,
} from 'rxjs';
import { takesRevision, type ServerSide, withChange, withFacts, withNews } from './acknowledged';
import { Acknowledged } from './up-to-date';
import { Api } from './api';
import { Courier } from './courier';
import { findRig } from './find-rig';
import { inOrder } from './in-order';
import { rigNews } from './news';
import { Outbox } from './outbox';
import { Parts } from './parts';
import { isStale, mayPass, wordsOf } from './problems';
import type { Notices } from './rig.state';
import { SessionStore } from './session.store';
import { NO_NOTICES, type RigSources } from './shown-rig';
import { Tablet, type Waiting, type WaitingChange, type WaitingFact } from './tablet';

/** All that one open rig is shown from, but for the parts that the device knows. */
type Sources = Omit<RigSources, 'known'>;

/** The connection of one open rig to the server: what comes from there, what waits here to go there, and what both make of it. */
@Injectable()
export class RigConnection {
  private readonly api = inject(Api);
  private readonly session = inject(SessionStore);
  private readonly tablet = inject(Tablet);
  private readonly parts = inject(Parts);
  private readonly courier = inject(Courier);
  private readonly sources = new BehaviorSubject<Sources | null>(null);
  private readonly failures = new BehaviorSubject<string | null>(null);
  private outbox = Outbox.empty(this.tablet);
  private readonly acknowledged = new Acknowledged();
  private readonly opening = new Subject<string>();
  /** What is new to be sent. */
  private readonly added = new Subject<Waiting>();
  /** Somebody asks for the rig as it is now. */
  private readonly asking = new Subject<void>();
  /** Somebody asks to send at once, or the network says it is back. */
  private readonly trying = new Subject<void>();

  readonly sources$ = this.sources.asObservable();
  /** Why a rig does not open; null while it does. */
  readonly failure$ = this.failures.asObservable();

  constructor() {
    // Of two rigs opened one after another the first one's answers, news and sending end there and then.
    const opened = this.opening.pipe(switchMap((id) => this.opened(id)));
    const back = fromEvent(window, 'online').pipe(tap(() => this.comeBack()));
    merge(opened, back).pipe(takeUntilDestroyed()).subscribe();
    inject(DestroyRef).onDestroy(() => (this.courier.openRig = ''));
  }

  /** What the rig is shown from now; null while none is open. */
  now = (): Sources | null => this.sources.value;

  /** What is on its way to the server. */
  unsent = (): readonly Waiting[] => this.outbox.onTheWay();

  /** Opens a rig and goes on listening for news of it, until another is opened. */
  open(id: string): void {
    this.opening.next(id);
  }

  private opened(id: string): Observable<unknown> {
    this.sources.next(null);
    this.failures.next(null);
    this.outbox = Outbox.empty(this.tablet);
    this.courier.openRig = id;
    return forkJoin([findRig(id, this.api, this.tablet), from(Outbox.open(id, this.tablet))]).pipe(
      tap(([{ doc, copyOf }, outbox]) => {
        this.outbox = outbox;
        this.take(doc, copyOf);
      }),
      switchMap(() => merge(this.hearing(id), this.sending(id))),
      catchError((error: unknown) => {
        this.failures.next(wordsOf(error));
        return EMPTY;
      }),
    );
  }

  /** What is new here comes in: what happened since by news, all of it after a break or because somebody asks. */
  private hearing(id: string): Observable<unknown> {
    const heard = rigNews(id).pipe(
      tap((news) => {
        if (news === 'broken') this.say({ noNews: new Date().toISOString() });
        if (news === 'back') {
          this.say({ noNews: null });
          this.trying.next();
        }
      }),
      filter((news) => news === 'back' || (news !== 'broken' && this.isNews(news))),
    );
    return merge(heard, this.asking.pipe(map(() => 'back' as const))).pipe(
      switchMap((news) =>
        (news === 'back' ? this.fresh(id) : this.caughtUp(id)).pipe(
          catchError((error: unknown) => {
            this.say({ unsent: wordsOf(error) });
            return EMPTY;
          }),
        ),
      ),
    );
  }

  private isNews(news: { version: number; factCount: number }): boolean {
    const doc = this.sources.value?.doc;
    return !doc || doc.version < news.version || doc.factCount < news.factCount;
  }

  /** The rig as the server has it now, taken. */
  private fresh(id: string): Observable<unknown> {
    return this.acknowledged.upToDate(() => this.api.call(ROUTES.rig, { rig: id })).pipe(tap((doc) => this.take(doc)));
  }

  /** What happened since, taken; all of the rig where that does not follow on what is here. */
  private caughtUp(id: string): Observable<unknown> {
    const ask = (): Observable<RigSince> => {
      const { version, factCount: facts } = this.sources.value?.doc ?? { version: 0, factCount: 0 };
      return this.api.call(ROUTES.rigSince, { rig: id, query: { version, facts } });
    };
    return this.acknowledged.upToDate(ask).pipe(
      switchMap((news) => {
        const now = this.sources.value;
        const after = now && withNews(now, news);
        if (!after) return this.fresh(id);
        this.hold(after);
        return this.lacksParts() ? this.fresh(id) : EMPTY;
      }),
    );
  }

  /** What waits goes out in its order, and what is added after it. */
  private sending(id: string): Observable<unknown> {
    return concat(from(this.outbox.all()), this.added).pipe(
      inOrder<Waiting, HttpErrorResponse>({
        send: (one) => (this.outbox.isToSend(one) ? this.sendOne(id, one) : EMPTY),
        mayPass,
        waits: (_, error) => {
          this.say({ unsent: wordsOf(error) });
          return isStale(error) ? this.session.renew() : EMPTY;
        },
        refused: (one, error) => this.refused(id, one, error),
        again$: this.trying,
      }),
    );
  }

  /** The network is back: what is new here comes in, what waits goes out. */
  private comeBack(): void {
    this.asking.next();
    this.trying.next();
  }

  /** Takes a rig from the server, or as the tablet kept it at a time. */
  private take(doc: RigDocument, copyOf: string | null = null): void {
    const before = this.sources.value;
    this.parts.need(doc.range);
    const { previewed = null, set = null, notices = NO_NOTICES } = before ?? {};
    const { plan: serverPlan, facts: serverFacts } = doc;
    this.sources.next({ doc, serverPlan, serverFacts, ...this.waits(), previewed, set, notices: { ...notices, copyOf } });
    if (!copyOf) void this.tablet.saveRig(doc);
  }

  /** Asks for the rig as it is now. */
  reload(): void {
    this.asking.next();
  }

  /** Something that the rig is shown from is another: all that follows from it follows. */
  show(more: Partial<Sources>): void {
    const before = this.sources.value;
    if (before) this.sources.next({ ...before, ...this.waits(), ...more });
  }

  private waits(): Pick<Sources, 'waiting' | 'notTaken' | 'clashed'> {
    const { outbox } = this;
    return { waiting: outbox.onTheWay(), notTaken: outbox.refused(), clashed: outbox.clashed() };
  }

  /** Something is said over the rig, or no longer. */
  say(more: Partial<Notices>): void {
    const before = this.sources.value;
    if (before) this.show({ notices: { ...before.notices, ...more } });
  }

  /** Keeps it here, shows it, and sends it when its turn comes. */
  put(one: Waiting, more: Partial<Sources> = {}): void {
    this.outbox.add(one);
    this.show(more);
    this.added.next(one);
  }

  /** What the server would not take is sent once more, or put away for good. */
  decide(one: WaitingFact, again: boolean): void {
    const { refused: _, ...rest } = one;
    if (again) this.outbox.replace(one, rest);
    else this.outbox.drop(one);
    this.show({});
    if (again) this.added.next(rest);
  }

  /** One of a clash was chosen: mine does not wait any more. */
  chosen(one: WaitingChange): void {
    this.outbox.drop(one);
    this.show({});
  }

  /** Tries at once what waits; on the tablet's own copy, asks for the rig again. */
  retry(): void {
    if (this.sources.value?.notices.copyOf) this.comeBack();
    else this.trying.next();
  }

  private sendOne(id: string, one: Waiting): Observable<unknown> {
    if (one.what === 'fact') return this.courier.carry(id, one).pipe(switchMap((done) => this.factKept(id, one, done)));
    const { change, undoes, rigger } = one;
    const keptBy = rigger && rigger.name !== this.session.signedInAs() ? { keptBy: rigger } : {};
    const version = this.sources.value?.doc.version ?? 0;
    return this.api
      .call(ROUTES.change, { rig: id, body: { baseVersion: version, change, undoes, ...keptBy } })
      .pipe(switchMap((done) => this.changeKept(id, one, done)));
  }

  private changeKept(id: string, one: WaitingChange, done: Changed): Observable<unknown> {
    this.outbox.drop(one);
    this.acknowledged.one();
    const now = this.sources.value;
    if (!now) return EMPTY;
    this.hold(withChange(now, one, done));
    this.say({ unsent: null });
    // Another revision of hull, parts or settings may not be on this device yet.
    return takesRevision(one.change) || this.lacksParts() ? this.fresh(id) : EMPTY;
  }

  /** Whether the plan has parts that this device does not know. */
  private lacksParts(): boolean {
    const now = this.sources.value;
    const known = new Set([...(now?.doc.catalog.parts ?? []), ...this.parts.known()].map(partKey));
    return now !== null && partsOf(now.serverPlan).some((ref) => !known.has(partKey(ref)));
  }

  private factKept(id: string, one: WaitingFact, done: SavedFacts): Observable<unknown> {
    this.outbox.drop(one);
    this.acknowledged.one();
    const now = this.sources.value;
    if (!now) return EMPTY;
    const after = withFacts(now, done);
    this.hold(after);
    this.say({ unsent: null });
    // Somebody else's came in between.
    return after.doc.factCount < done.factCount ? this.caughtUp(id) : EMPTY;
  }

  /** What the server now has of the rig is shown, and kept on the tablet. */
  private hold(after: ServerSide): void {
    this.show(after);
    void this.tablet.saveRig({ ...after.doc, plan: after.serverPlan, facts: [...after.serverFacts] });
  }

  /** The server's last word on it: a fact stays here until somebody decides, a change gives way or clashes. */
  private refused(id: string, one: Waiting, error: HttpErrorResponse): Observable<unknown> {
    if (one.what === 'fact') {
      this.outbox.replace(one, { ...one, refused: wordsOf(error) });
      this.show({});
      return EMPTY;
    }
    const clash = (error.error as Problem | null)?.clash;
    // Neither is lost before somebody has chosen, whatever becomes of this page.
    if (clash) this.outbox.replace(one, { ...one, clash: { field: clash.field, found: clash.found, wanted: clash.wanted } });
    else this.outbox.drop(one);
    return this.fresh(id).pipe(
      catchError(() => EMPTY),
      tap({ complete: () => (clash ? this.show({}) : this.say({ refused: wordsOf(error) })) }),
    );
  }
}
