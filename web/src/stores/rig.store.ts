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
  type RigSince,
  ROUTES,
} from '@plain-cleat/api';
import { partKey } from '@plain-cleat/core/parts';
import { asPlanned, type PlannedHole } from '@plain-cleat/core/drilling';
import { upcastHull } from '@plain-cleat/core/hull';
import {
  applyChange,
  type Change,
  type NewFact,
  partsOf,
  type Plan,
  upcastParts,
  upcastPlan,
  upcastShop,
  withLetters,
} from '@plain-cleat/core/rig';
import { Memory } from '@plain-cleat/core/stages';
import { overTheirs, workUp } from '@plain-cleat/core/workup';
import {
  BehaviorSubject,
  catchError,
  combineLatest,
  concat,
  defer,
  distinctUntilChanged,
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
import { adopts, type ServerSide, withChange, withFacts, withNews } from './acknowledged';
import { Api } from './api';
import { Courier } from './courier';
import { inOrder } from './in-order';
import { rigNews } from './news';
import { Outbox } from './outbox';
import { isGone, isStale, mayPass, wordsOf } from './problems';
import { type ClashShown, type FactBody, inputOf, type Notices, type RigState } from './rig.state';
import { SessionStore } from './session.store';
import { Tablet, type Waiting, type WaitingChange, type WaitingFact } from './tablet';
import { Parts } from './parts';
import { catalogFor, NO_NOTICES, type RigSources, shownRig } from './shown-rig';
import { myStacks } from './undo';

export * from './rig.state';

/** An answer that was asked for before something of mine was acknowledged: it does not know of it. */
class OutOfDate extends Error {}

/** A change as it was made here. */
export interface Done {
  readonly change: Change;
  readonly undoes: string | null;
  readonly before: RigState;
}

/** A copy that an earlier build may have kept, as this one has it. */
const upcast = (doc: RigDocument): RigDocument => ({
  ...doc,
  plan: upcastPlan(doc.plan),
  hull: upcastHull(doc.hull),
  shop: upcastShop(doc.shop),
  catalog: { ...doc.catalog, parts: upcastParts(doc.catalog.parts) },
  range: (doc as Partial<RigDocument>).range ?? '',
});

/** One open rig: its plan and facts, my unsent ones on top, and the workup of both. */
@Injectable()
export class RigStore {
  private readonly api = inject(Api);
  private readonly session = inject(SessionStore);
  private readonly sources = new BehaviorSubject<Omit<RigSources, 'known'> | null>(null);
  private readonly states = new BehaviorSubject<RigState | null>(null);
  private readonly failures = new BehaviorSubject<string | null>(null);
  private readonly letterWorkups = new Memory();
  private readonly tablet = inject(Tablet);
  private readonly parts = inject(Parts);
  private readonly courier = inject(Courier);
  private outbox = Outbox.empty(this.tablet);
  /** How much of mine the server has acknowledged. */
  private acknowledged = 0;
  private readonly opening = new Subject<string>();
  /** What is new to be sent. */
  private readonly added = new Subject<Waiting>();
  /** Somebody asks for the rig as it is now. */
  private readonly asking = new Subject<void>();
  /** Somebody asks to send at once, or the network says it is back. */
  private readonly trying = new Subject<void>();
  private readonly changes = new Subject<Done>();
  /** Each change made here, as it is made, with what it was made on. */
  readonly changed$ = this.changes.asObservable();

  readonly state$ = this.states.asObservable();
  /** Each change of mine that met another's, to be settled by the person. */
  readonly clash$ = this.state$.pipe(
    map((s) => s?.clash ?? null),
    distinctUntilChanged(),
    filter((clash) => clash !== null),
  );
  readonly state = toSignal(this.state$, { initialValue: null });
  readonly failure = toSignal(this.failures.asObservable(), { initialValue: null });

  constructor() {
    combineLatest([this.sources, this.parts.known$])
      .pipe(
        map(([sources, known]) => sources && { ...sources, known }),
        shownRig,
        takeUntilDestroyed(),
      )
      .subscribe(this.states);
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
    this.sources.next(null);
    this.failures.next(null);
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
          switchMap((copy) => (copy ? of({ doc: upcast(copy.doc), copyOf: copy.at }) : throwError(() => error))),
        ),
      ),
    );
  }

  /** What is new here comes in: what happened since by news, all of it after a break or because somebody asks. */
  private hearing(id: string): Observable<unknown> {
    const heard = rigNews(id).pipe(
      tap((news) => news === 'back' && this.trying.next()),
      filter((news) => news === 'back' || this.isNews(news)),
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
    const doc = this.states.value?.doc;
    return !doc || doc.version < news.version || doc.factCount < news.factCount;
  }

  /** The rig as the server has it now, taken. */
  private fresh(id: string): Observable<unknown> {
    return this.upToDate(() => this.api.call(ROUTES.rig, { rig: id })).pipe(tap((doc) => this.take(doc)));
  }

  /** What happened since, taken; all of the rig where that does not follow on what is here. */
  private caughtUp(id: string): Observable<unknown> {
    const ask = (): Observable<RigSince> => {
      const { version, factCount: facts } = this.sources.value?.doc ?? { version: 0, factCount: 0 };
      return this.api.call(ROUTES.rigSince, { rig: id, query: { version, facts } });
    };
    return this.upToDate(ask).pipe(
      switchMap((news) => {
        const now = this.sources.value;
        const after = now && withNews(now, news);
        if (!after) return this.fresh(id);
        this.hold(after);
        return this.lacksParts() ? this.fresh(id) : EMPTY;
      }),
    );
  }

  /** An answer that knows of everything of mine: what was asked for before an acknowledgement is asked for again. */
  private upToDate<T>(ask: () => Observable<T>): Observable<T> {
    return defer(() => {
      const asked = this.acknowledged;
      return ask().pipe(
        tap(() => {
          if (asked !== this.acknowledged) throw new OutOfDate();
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
    this.sources.next({
      doc,
      serverPlan: doc.plan,
      serverFacts: doc.facts,
      waiting: this.outbox.all(),
      notTaken: this.outbox.refused(),
      previewed: before?.previewed ?? null,
      set: before?.set ?? null,
      notices: { ...(before?.notices ?? NO_NOTICES), copyOf },
    });
    if (!copyOf) void this.tablet.keepRig(doc);
  }

  reload(): void {
    this.asking.next();
  }

  /** Something that the rig is shown from is another: all that follows from it follows. */
  private show(more: Partial<RigSources>): void {
    const before = this.sources.value;
    if (before) this.sources.next({ ...before, waiting: this.outbox.all(), notTaken: this.outbox.refused(), ...more });
  }

  private say(more: Partial<Notices>): void {
    const before = this.sources.value;
    if (before) this.show({ notices: { ...before.notices, ...more } });
  }

  /** Shows what stands aboard in one set, or everything. */
  showSet(set: string | null): void {
    this.show({ set });
  }

  /** Shows a change that is still under the finger: everything follows, nothing is sent. */
  preview(change: Change | null): void {
    this.show({ previewed: change });
  }

  /** Applies a change here at once and sends it. */
  change(asked: Change, undoes: string | null = null): void {
    const before = this.sources.value;
    const state = this.states.value;
    if (!before || !state) return;
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
      return this.show({ previewed: null, notices: { ...before.notices, refused: (error as Error).message } });
    }
    this.put({ what: 'change', change, undoes }, { previewed: null, notices: { ...before.notices, refused: null } });
    this.changes.next({ change, undoes, before: state });
  }

  /** Keeps it here, shows it, and sends it when its turn comes. */
  private put(one: Waiting, more: Partial<RigSources> = {}): void {
    this.outbox.add(one);
    this.show(more);
    this.added.next(one);
  }

  private lettersOf({ doc, facts, known, catalog }: RigState, plan: Plan): Map<string, string> {
    const {
      aboard: { owned },
    } = workUp(
      { ...inputOf({ doc, catalog: catalogFor(plan, { doc, known }, catalog) }), plan, facts, set: null },
      this.letterWorkups,
    );
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

  /** Takes back my last change; when one is named, only if it is the last. */
  undo(only?: string): void {
    const last = this.stacks().undo.at(-1);
    if (last && (only === undefined || last.id === only)) this.change({ ...last.inverse, id: crypto.randomUUID() }, last.id);
  }

  redo(): void {
    const last = this.stacks().redo.at(-1);
    if (last) this.change({ ...last.inverse, id: crypto.randomUUID() }, last.id);
  }

  canUndo = (): boolean => this.stacks().undo.length > 0;
  canRedo = (): boolean => this.stacks().redo.length > 0;

  private stacks(): { undo: LoggedChange[]; redo: LoggedChange[] } {
    const now = this.sources.value;
    return now ? myStacks(now.doc.mine, now.serverPlan, now.waiting) : { undo: [], redo: [] };
  }

  /** My change of a clash made anew over what is there now; null when it cannot be. */
  mineAnew(clash: ClashShown): Change | null {
    const plan = this.states.value?.settled;
    return plan ? overTheirs(plan, clash.change, () => crypto.randomUUID()) : null;
  }

  /** Settles a clash: mine stays by sending it again over what is there now; theirs by dropping mine. */
  settle(clash: ClashShown, keepMine: boolean): void {
    const mine = keepMine ? this.mineAnew(clash) : null;
    if (this.states.value?.clash === clash) this.say({ clash: null });
    if (mine) this.change(mine);
  }

  dismiss(): void {
    this.say({ refused: null });
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

  private changeKept(id: string, one: WaitingChange, done: Changed): Observable<unknown> {
    this.outbox.drop(one);
    this.acknowledged++;
    const now = this.sources.value;
    if (!now) return EMPTY;
    this.hold(withChange(now, one, done));
    // Another revision of hull, parts or settings may not be on this device yet.
    return adopts(one.change) || this.lacksParts() ? this.fresh(id) : EMPTY;
  }

  /** Whether the plan has parts that this device does not know. */
  private lacksParts(): boolean {
    const state = this.states.value;
    const known = new Set(state?.catalog.parts.map(partKey));
    return state !== null && partsOf(state.settled).some((ref) => !known.has(partKey(ref)));
  }

  private factKept(id: string, one: WaitingFact, done: KeptFacts): Observable<unknown> {
    this.outbox.drop(one);
    this.acknowledged++;
    const now = this.sources.value;
    if (!now) return EMPTY;
    const after = withFacts(now, done);
    this.hold(after);
    // Somebody else's came in between.
    return after.doc.factCount < done.factCount ? this.caughtUp(id) : EMPTY;
  }

  /** What the server now has of the rig is shown, and kept on the tablet. */
  private hold(after: ServerSide): void {
    const before = this.sources.value;
    if (!before) return;
    this.show({ ...after, notices: { ...before.notices, unsent: null } });
    void this.tablet.keepRig({ ...after.doc, plan: after.serverPlan, facts: [...after.serverFacts] });
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
            ? this.say({ clash: { change: one.change, field: clash.field, found: clash.found, wanted: clash.wanted } })
            : this.say({ refused: wordsOf(error) }),
      }),
    );
  }
}
