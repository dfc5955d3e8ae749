import type { HttpErrorResponse } from '@angular/common/http';
import { DestroyRef, inject, Injectable } from '@angular/core';
import { takeUntilDestroyed, toSignal } from '@angular/core/rxjs-interop';
import {
  type Changed,
  type KeptFacts,
  type LoggedChange,
  type Override,
  type Problem,
  type RigDocument,
  ROUTES,
} from '@plain-cleat/api';
import {
  applyChange,
  asPlanned,
  type Change,
  type Fact,
  type NewFact,
  type Plan,
  type PlannedHole,
  singleChanges,
  withLetters,
  WorkupSession,
  workUp,
} from '@plain-cleat/core';
import {
  BehaviorSubject,
  catchError,
  concat,
  defer,
  EMPTY,
  filter,
  forkJoin,
  from,
  fromEvent,
  map,
  merge,
  type Observable,
  of,
  retry,
  Subject,
  switchMap,
  tap,
  throwError,
} from 'rxjs';
import { Api } from './api';
import { Courier } from './courier';
import { inOrder } from './in-order';
import { rigNews } from './news';
import { Outbox } from './outbox';
import { isGone, isStale, mayPass, wordsOf } from './problems';
import { type FactBody, inputOf, type RigState } from './rig.state';
import { SessionStore } from './session.store';
import { Tablet, type Waiting, type WaitingFact } from './tablet';
import { myStacks, onTop } from './undo';

export * from './rig.state';

/** An answer that was asked for before something of mine was acknowledged: it does not know of it. */
class OutOfDate extends Error {}

/** One open rig: its plan and facts, my unsent ones on top, and the workup of both. */
@Injectable()
export class RigStore {
  private readonly api = inject(Api);
  private readonly session = inject(SessionStore);
  private readonly states = new BehaviorSubject<RigState | null>(null);
  private readonly failures = new BehaviorSubject<string | null>(null);
  private workups = new WorkupSession();
  private readonly tablet = inject(Tablet);
  private readonly courier = inject(Courier);
  private outbox = Outbox.empty(this.tablet);
  private serverPlan?: Plan;
  private previewed: Change | null = null;
  private shownSet: string | null = null;
  private serverFacts: readonly Fact[] = [];
  /** How much of mine the server has acknowledged. */
  private acknowledged = 0;
  private readonly opening = new Subject<string>();
  /** What is new to be sent. */
  private readonly added = new Subject<Waiting>();
  /** Somebody asks for the rig as it is now. */
  private readonly asking = new Subject<void>();
  /** Somebody asks to send at once, or the network says it is back. */
  private readonly trying = new Subject<void>();

  readonly state$ = this.states.asObservable();
  readonly state = toSignal(this.state$, { initialValue: null });
  readonly failure = toSignal(this.failures.asObservable(), { initialValue: null });

  constructor() {
    // Of two rigs opened one after another the first one's answers, news and sending end there and then.
    this.opening
      .pipe(
        switchMap((id) => this.opened(id)),
        takeUntilDestroyed(),
      )
      .subscribe();
    fromEvent(window, 'online')
      .pipe(takeUntilDestroyed())
      .subscribe(() => this.comeBack());
    inject(DestroyRef).onDestroy(() => (this.courier.openRig = ''));
  }

  /** What is on its way to the server. */
  unsent = (): readonly Waiting[] => this.outbox.all();

  /** Opens a rig and goes on listening for news of it, until another is opened. */
  open(id: string): void {
    this.opening.next(id);
  }

  private opened(id: string): Observable<unknown> {
    this.states.next(null);
    this.failures.next(null);
    this.workups = new WorkupSession();
    this.outbox = Outbox.empty(this.tablet);
    this.courier.openRig = id;
    return forkJoin([this.found(id), from(Outbox.open(id, this.tablet))]).pipe(
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

  /** A rig from the server, or while it does not answer as the tablet kept it. */
  private found(id: string): Observable<{ doc: RigDocument; copyOf: string | null }> {
    return this.api.call(ROUTES.rig, { rig: id }).pipe(
      map((doc) => ({ doc, copyOf: null })),
      catchError((error: unknown) =>
        (isGone(error) ? from(this.tablet.rig(id)) : of(undefined)).pipe(
          switchMap((copy) => (copy ? of({ doc: copy.doc, copyOf: copy.at }) : throwError(() => error))),
        ),
      ),
    );
  }

  /** What is new here comes in: by news, after a break, or because somebody asks. */
  private hearing(id: string): Observable<unknown> {
    const news = rigNews(id).pipe(
      tap((heard) => heard === 'back' && this.trying.next()),
      filter((heard) => heard === 'back' || this.isNews(heard)),
    );
    return merge(news, this.asking).pipe(
      switchMap(() =>
        this.fresh(id).pipe(
          catchError((error: unknown) => {
            this.show({ unsent: wordsOf(error) });
            return EMPTY;
          }),
        ),
      ),
    );
  }

  private isNews(news: { version: number; factCount: number }): boolean {
    const doc = this.states.value?.doc;
    return !doc || doc.version < news.version || doc.factCount < news.factCount;
  }

  /** The rig as the server has it now, taken; what was asked for before an acknowledgement of mine is asked for again. */
  private fresh(id: string): Observable<RigDocument> {
    return defer(() => {
      const asked = this.acknowledged;
      return this.api.call(ROUTES.rig, { rig: id }).pipe(
        tap((doc) => {
          if (asked !== this.acknowledged) throw new OutOfDate();
          this.take(doc);
        }),
      );
    }).pipe(retry({ delay: (error: unknown) => (error instanceof OutOfDate ? of(0) : throwError(() => error)) }));
  }

  /** What waits goes out in its order, and what is added after it. */
  private sending(id: string): Observable<unknown> {
    return concat(from(this.outbox.all()), this.added).pipe(
      inOrder<Waiting, HttpErrorResponse>({
        send: (one) => (this.outbox.isToSend(one) ? this.sendOne(id, one) : EMPTY),
        mayPass,
        waits: (_, error) => {
          this.show({ unsent: wordsOf(error) });
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
    this.serverPlan = doc.plan;
    this.serverFacts = doc.facts;
    this.show({ doc, copyOf });
    if (!copyOf) void this.tablet.keepRig(doc);
  }

  reload(): void {
    this.asking.next();
  }

  /** Works everything up again from the server's truth and what waits on top of it. */
  private show(more: Partial<RigState>): void {
    const before = this.states.value;
    const doc = more.doc ?? before?.doc;
    if (!doc || !this.serverPlan) return;
    const top = onTop(this.serverPlan, this.serverFacts, this.outbox.all());
    let plan = top.plan;
    const settled = plan;
    if (this.previewed) {
      try {
        plan = applyChange(plan, this.previewed).plan;
      } catch {
        this.previewed = null;
      }
    }
    const set = this.shownSet !== null && Object.hasOwn(plan.sets, this.shownSet) ? this.shownSet : null;
    const { facts } = top;
    const same =
      before &&
      before.plan === plan &&
      before.facts === facts &&
      before.doc.hull === doc.hull &&
      before.doc.shop === doc.shop &&
      before.set === set;
    const workup = same ? before.workup : workUp({ ...inputOf(doc), plan, facts, set }, this.workups);
    this.states.next({
      doc,
      plan,
      settled,
      facts,
      workup,
      set,
      waiting: this.outbox.all().length,
      notTaken: this.outbox.refused(),
      copyOf: before?.copyOf ?? null,
      unsent: before?.unsent ?? null,
      clash: before?.clash ?? null,
      refused: before?.refused ?? null,
      ...more,
    });
  }

  /** Shows what stands aboard in one set, or everything. */
  showSet(set: string | null): void {
    this.shownSet = set;
    this.show({});
  }

  /** Shows a change that is still under the finger: everything follows, nothing is sent. */
  preview(change: Change | null): void {
    this.previewed = change;
    this.show({});
  }

  /** Applies a change here at once and sends it. */
  change(asked: Change, undoes: string | null = null): void {
    this.previewed = null;
    const state = this.states.value;
    if (!state) return;
    let change: Change;
    try {
      change = withLetters(
        state.settled,
        asked,
        (plan) => this.lettersOf(state, plan),
        () => crypto.randomUUID(),
      );
      applyChange(state.settled, change);
    } catch (error) {
      this.show({ refused: (error as Error).message });
      return;
    }
    this.put({ what: 'change', change, undoes }, { refused: null });
  }

  /** Keeps it here, shows it, and sends it when its turn comes. */
  private put(one: Waiting, more: Partial<RigState> = {}): void {
    this.outbox.add(one);
    this.show(more);
    this.added.next(one);
  }

  private lettersOf({ doc, facts }: RigState, plan: Plan): Map<string, string> {
    const { owned } = workUp({ ...inputOf(doc), plan, facts, set: null }, this.workups);
    return new Map(owned.map((i) => [i.placed.id, i.letter]));
  }

  /** Keeps what happened on the boat, with a photo of it where there is one: never refused as stale. */
  keep(body: FactBody, photo?: Blob | null): void {
    const rig = this.states.value?.plan.id ?? null;
    const taken = photo ? { photo: crypto.randomUUID() } : {};
    const fact = { ...body, ...taken, id: crypto.randomUUID(), rig, deviceTime: new Date().toISOString() } as NewFact;
    this.put({ what: 'fact', fact, rigger: this.session.rigger(), ...(photo ? { photo } : {}) });
  }

  /**
   * A manager lets a step pass with their own password, typed for this one act. It goes to the server at once and is
   * kept nowhere on the way.
   */
  letPass(step: string, why: string, override: Override): Observable<KeptFacts> {
    const state = this.states.value;
    const fact = {
      kind: 'gatePassed',
      step,
      why,
      id: crypto.randomUUID(),
      rig: state?.plan.id ?? null,
      deviceTime: new Date().toISOString(),
    };
    return this.api
      .call(ROUTES.facts, { rig: state?.doc.id ?? '', body: { facts: [fact as NewFact], override } })
      .pipe(tap(() => this.reload()));
  }

  /** A manager accepts a finding, like a step let pass. */
  acceptAs(override: Override, change: Change): Observable<Changed> {
    const doc = this.states.value?.doc;
    const body = { baseVersion: doc?.version ?? 0, change, undoes: null, override };
    return this.api.call(ROUTES.change, { rig: doc?.id ?? '', body }).pipe(tap(() => this.reload()));
  }

  /** What the server would not take is sent once more, or put away for good. */
  decide(one: WaitingFact, again: boolean): void {
    const { refused: _, ...rest } = one;
    if (again) this.outbox.replace(one, rest);
    else this.outbox.drop(one);
    this.show({});
    if (again) this.added.next(rest);
  }

  /** Keeps a hole as drilled where it was planned; one that is there, piloted or used again, is opened up. */
  drilled(h: PlannedHole, bit = h.bit.mm, photo: Blob | null = null): void {
    const state = this.states.value;
    if (!state) return;
    if (h.drilled) return this.keep({ kind: 'holeOpened', of: h.drilled.fact, bit }, photo);
    const measured = asPlanned(h, state.plan.tape, state.doc.hull.revision);
    this.keep({ kind: 'holeDrilled', hole: h.id, label: h.label, bit, measured, elsewhere: false }, photo);
  }

  undo(): void {
    const last = this.stacks().undo.at(-1);
    if (last) this.change({ ...last.inverse, id: crypto.randomUUID() }, last.id);
  }

  redo(): void {
    const last = this.stacks().redo.at(-1);
    if (last) this.change({ ...last.inverse, id: crypto.randomUUID() }, last.id);
  }

  canUndo = (): boolean => this.stacks().undo.length > 0;
  canRedo = (): boolean => this.stacks().redo.length > 0;

  private stacks(): { undo: LoggedChange[]; redo: LoggedChange[] } {
    const state = this.states.value;
    return state ? myStacks(state.doc.mine, this.serverPlan ?? state.plan, this.outbox.all()) : { undo: [], redo: [] };
  }

  /** Settles a clash: mine stays by sending it again over what is there now; theirs by dropping mine. */
  settle(keepMine: boolean): void {
    const clash = this.states.value?.clash;
    this.show({ clash: null });
    if (keepMine && clash && 'from' in clash.change && 'to' in clash.change)
      this.change({ ...clash.change, id: crypto.randomUUID(), from: clash.found } as Change);
  }

  dismiss(): void {
    this.show({ refused: null });
  }

  retry(): void {
    if (this.states.value?.copyOf) this.comeBack();
    else this.trying.next();
  }

  private sendOne(id: string, one: Waiting): Observable<unknown> {
    if (one.what === 'fact') return this.courier.carry(id, one).pipe(switchMap((done) => this.factKept(id, one, done)));
    const { change, undoes } = one;
    const version = this.states.value?.doc.version ?? 0;
    return this.api
      .call(ROUTES.change, { rig: id, body: { baseVersion: version, change, undoes } })
      .pipe(switchMap((done) => this.changeKept(id, one, done)));
  }

  private changeKept(id: string, one: Waiting & { what: 'change' }, done: Changed): Observable<unknown> {
    const { change, undoes } = one;
    const { inverse } = this.inverseOf(change);
    this.outbox.drop(one);
    this.acknowledged++;
    const known = this.states.value?.doc;
    if (!known) return EMPTY;
    // What was heard of meanwhile may be newer than what my change made.
    if (done.version >= known.version) this.serverPlan = done.plan;
    const logged = inverse && !known.mine.some((m) => m.id === change.id);
    const mine = logged ? [...known.mine, { id: change.id, version: done.version, undoes, inverse }] : known.mine;
    this.show({ doc: { ...known, version: Math.max(done.version, known.version), mine }, unsent: null });
    // Another revision of hull, parts or settings is not on this device yet.
    return singleChanges(change).some((c) => c.kind === 'adoptRevision') ? this.fresh(id) : EMPTY;
  }

  private factKept(id: string, one: WaitingFact, done: KeptFacts): Observable<unknown> {
    this.outbox.drop(one);
    this.acknowledged++;
    const doc = this.states.value?.doc;
    if (!doc) return EMPTY;
    const known = new Set(this.serverFacts.map((f) => f.id));
    this.serverFacts = [...this.serverFacts, ...(done.facts as Fact[]).filter((f) => !known.has(f.id))];
    const factCount = this.serverFacts.length;
    this.show({ doc: { ...doc, factCount }, unsent: null });
    // Somebody else's came in between.
    return done.factCount > factCount ? this.fresh(id) : EMPTY;
  }

  private inverseOf(change: Change): { inverse: Change | null } {
    try {
      return applyChange(this.serverPlan as Plan, change);
    } catch {
      return { inverse: null };
    }
  }

  /** The server's last word on it: a fact stays here until somebody decides, a change gives way or clashes. */
  private refused(id: string, one: Waiting, error: HttpErrorResponse): Observable<unknown> {
    if (one.what === 'fact') {
      this.outbox.replace(one, { ...one, refused: wordsOf(error) });
      this.show({});
      return EMPTY;
    }
    this.outbox.drop(one);
    const clash = (error.error as Problem | null)?.clash;
    return this.fresh(id).pipe(
      catchError(() => EMPTY),
      tap({
        complete: () =>
          clash
            ? this.show({ clash: { change: one.change, field: clash.field, found: clash.found, wanted: clash.wanted } })
            : this.show({ refused: wordsOf(error) }),
      }),
    );
  }
}
