import { HttpClient, type HttpErrorResponse } from '@angular/common/http';
import { DestroyRef, inject, Injectable } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import type { Changed, Kept, LoggedChange, Override, Problem, RigDocument } from '@plain-cleat/api';
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
import { BehaviorSubject, firstValueFrom, type Observable, tap } from 'rxjs';
import { Courier, isStale, mayPass } from './courier';
import { RETRY, RigNews } from './news';
import { Outbox } from './outbox';
import { type FactBody, inputOf, type RigState } from './rig.state';
import { isGone, SessionStore, wordsOf } from './session.store';
import { Tablet, type Waiting, type WaitingFact } from './tablet';
import { myStacks, onTop } from './undo';

export * from './rig.state';

/** One open rig: its plan and facts, my unsent ones on top, and the workup of both. */
@Injectable()
export class RigStore {
  private readonly http = inject(HttpClient);
  private readonly session = inject(SessionStore);
  private readonly states = new BehaviorSubject<RigState | null>(null);
  private readonly failures = new BehaviorSubject<string | null>(null);
  private workups = new WorkupSession();
  private readonly tablet = inject(Tablet);
  private readonly courier = inject(Courier);
  private outbox = Outbox.empty(this.tablet);
  private news?: RigNews;
  private rig = '';
  private sending = false;
  private timer?: ReturnType<typeof setTimeout>;
  private serverPlan?: Plan;
  private previewed: Change | null = null;
  private shownSet: string | null = null;
  private serverFacts: readonly Fact[] = [];
  /** How much of mine the server has acknowledged: an answer asked for before the last of it is out of date. */
  private acknowledged = 0;

  readonly state$ = this.states.asObservable();
  readonly state = toSignal(this.state$, { initialValue: null });
  readonly failure = toSignal(this.failures.asObservable(), { initialValue: null });

  constructor() {
    const back = (): void => void this.comeBack();
    window.addEventListener('online', back);
    inject(DestroyRef).onDestroy(() => {
      window.removeEventListener('online', back);
      this.close();
    });
  }

  /** What is on its way to the server. */
  unsent = (): readonly Waiting[] => this.outbox.all();

  /** Opens a rig and goes on listening for news of it. */
  async open(id: string): Promise<void> {
    this.close();
    this.states.next(null);
    this.failures.next(null);
    this.workups = new WorkupSession();
    this.outbox = Outbox.empty(this.tablet);
    this.rig = id;
    this.courier.openRig = id;
    const asked = firstValueFrom(this.http.get<RigDocument>(`/api/rigs/${id}`));
    const [answer, outbox] = await Promise.allSettled([asked, Outbox.open(id, this.tablet)]);
    if (this.rig !== id) return;
    if (outbox.status === 'fulfilled') this.outbox = outbox.value;
    if (answer.status === 'fulfilled') this.take(answer.value);
    else {
      const copy = isGone(answer.reason) ? await this.tablet.rig(id) : undefined;
      if (!copy) return this.failures.next(wordsOf(answer.reason));
      this.take(copy.doc, copy.at);
    }
    this.news = new RigNews(
      id,
      (news) => this.heard(news),
      () => void this.comeBack(),
    );
    void this.send();
  }

  private close(): void {
    this.news?.close();
    clearTimeout(this.timer);
    // Another rig may have been opened by the time this one is closed.
    if (this.courier.openRig === this.rig) this.courier.openRig = '';
  }

  /** The network is back: what is new here comes in, what waits goes out. */
  private async comeBack(): Promise<void> {
    await this.reload();
    await this.send();
  }

  /** Takes a rig from the server, or as the tablet kept it at a time. */
  private take(doc: RigDocument, copyOf: string | null = null): void {
    this.serverPlan = doc.plan;
    this.serverFacts = doc.facts;
    this.show({ doc, copyOf });
    if (!copyOf) void this.tablet.keepRig(doc);
  }

  private heard(news: { version: number; factCount: number }): void {
    const doc = this.states.value?.doc;
    if (!doc || (doc.version >= news.version && doc.factCount >= news.factCount)) return;
    void this.reload();
  }

  async reload(): Promise<void> {
    const id = this.states.value?.doc.id;
    if (!id) return;
    try {
      for (let asked = -1; asked !== this.acknowledged;) {
        asked = this.acknowledged;
        const doc = await firstValueFrom(this.http.get<RigDocument>(`/api/rigs/${id}`));
        if (this.rig !== id) return;
        if (asked === this.acknowledged) this.take(doc);
      }
    } catch (error) {
      if (this.rig === id) this.show({ unsent: wordsOf(error) });
    }
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
    this.outbox.add({ what: 'change', change, undoes });
    this.show({ refused: null });
    void this.send();
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
    this.outbox.add({ what: 'fact', fact, rigger: this.session.rigger(), ...(photo ? { photo } : {}) });
    this.show({});
    void this.send();
  }

  /**
   * A manager lets a step pass with their own password, typed for this one act. It goes to the server at once and is
   * kept nowhere on the way.
   */
  letPass(step: string, why: string, override: Override): Observable<Kept> {
    const state = this.states.value;
    const fact = {
      kind: 'gatePassed',
      step,
      why,
      id: crypto.randomUUID(),
      rig: state?.plan.id ?? null,
      deviceTime: new Date().toISOString(),
    };
    return this.http
      .post<Kept>(`/api/rigs/${state?.doc.id}/facts`, { facts: [fact], override })
      .pipe(tap(() => void this.reload()));
  }

  /** A manager accepts a finding, like a step let pass. */
  acceptAs(override: Override, change: Change): Observable<Changed> {
    const doc = this.states.value?.doc;
    return this.http
      .post<Changed>(`/api/rigs/${doc?.id}/changes`, { baseVersion: doc?.version, change, undoes: null, override })
      .pipe(tap(() => void this.reload()));
  }

  /** What the server would not take is sent once more, or put away for good. */
  decide(one: WaitingFact, again: boolean): void {
    const { refused: _, ...rest } = one;
    if (again) this.outbox.replace(one, rest);
    else this.outbox.drop(one);
    this.show({});
    void this.send();
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
    void (this.states.value?.copyOf ? this.comeBack() : this.send());
  }

  private async send(): Promise<void> {
    if (this.sending) return;
    this.sending = true;
    clearTimeout(this.timer);
    try {
      for (let next = this.outbox.first(); next; next = this.outbox.first()) if (!(await this.sendOne(next))) break;
    } finally {
      this.sending = false;
    }
  }

  /** Sends one; false when the server does not answer and it must wait. */
  private async sendOne(next: Waiting): Promise<boolean> {
    const doc = this.states.value?.doc;
    if (!doc) return false;
    try {
      if (next.what === 'change') {
        const { change, undoes } = next;
        const done = await firstValueFrom(
          this.http.post<Changed>(`/api/rigs/${doc.id}/changes`, { baseVersion: doc.version, change, undoes }),
        );
        const { inverse } = this.inverseOf(change);
        this.outbox.drop(next);
        this.acknowledged++;
        const known = this.states.value?.doc ?? doc;
        // What was heard of meanwhile may be newer than what my change made.
        if (done.version >= known.version) this.serverPlan = done.plan;
        const logged = inverse && !known.mine.some((one) => one.id === change.id);
        const mine = logged ? [...known.mine, { id: change.id, version: done.version, undoes, inverse }] : known.mine;
        this.show({ doc: { ...known, version: Math.max(done.version, known.version), mine }, unsent: null });
        // Another revision of hull, parts or settings is not on this device yet.
        if (singleChanges(change).some((c) => c.kind === 'adoptRevision')) await this.reload();
      } else {
        const done = await this.courier.carry(doc.id, next);
        this.outbox.drop(next);
        this.acknowledged++;
        const known = new Set(this.serverFacts.map((f) => f.id));
        this.serverFacts = [...this.serverFacts, ...(done.facts as Fact[]).filter((f) => !known.has(f.id))];
        const factCount = this.serverFacts.length;
        this.show({ doc: { ...(this.states.value?.doc ?? doc), factCount }, unsent: null });
        // Somebody else's came in between.
        if (done.factCount > factCount) await this.reload();
      }
      return true;
    } catch (error) {
      return this.failed(next, error as HttpErrorResponse);
    }
  }

  private inverseOf(change: Change): { inverse: Change | null } {
    try {
      return applyChange(this.serverPlan as Plan, change);
    } catch {
      return { inverse: null };
    }
  }

  private async failed(next: Waiting, error: HttpErrorResponse): Promise<boolean> {
    if (mayPass(error)) {
      this.show({ unsent: wordsOf(error) });
      if (isStale(error)) await this.session.renew().catch(() => undefined);
      this.timer = setTimeout(() => void this.send(), RETRY);
      return false;
    }
    if (next.what === 'fact') {
      this.outbox.replace(next, { ...next, refused: wordsOf(error) });
      this.show({});
      return true;
    }
    this.outbox.drop(next);
    const clash = (error.error as Problem | null)?.clash;
    await this.reload();
    if (clash) this.show({ clash: { change: next.change, field: clash.field, found: clash.found, wanted: clash.wanted } });
    else this.show({ refused: wordsOf(error) });
    return true;
  }
}
