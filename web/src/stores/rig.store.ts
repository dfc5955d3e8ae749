import { HttpClient, type HttpErrorResponse } from '@angular/common/http';
import { DestroyRef, inject, Injectable } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import type { Changed, Kept, LoggedChange, Problem, RigDocument } from '@plain-cleat/api';
import {
  applyChange,
  asPlanned,
  type Change,
  type Fact,
  type NewFact,
  type Plan,
  type PlannedHole,
  singleChanges,
  type Workup,
  type WorkupInput,
  WorkupSession,
  workUp,
} from '@plain-cleat/core';
import { BehaviorSubject, firstValueFrom } from 'rxjs';
import { Outbox, type Waiting } from './outbox';
import { SessionStore, wordsOf } from './session.store';
import { undoStacks } from './undo';

/** A change of mine on a field somebody else changed first: the person chooses. */
export interface ClashShown {
  readonly change: Change;
  readonly field: string;
  readonly found: unknown;
  readonly wanted: unknown;
}

export interface RigState {
  readonly doc: RigDocument;
  /** The plan with what is not yet sent applied. */
  readonly plan: Plan;
  /** The same without the change still under the finger. */
  readonly settled: Plan;
  readonly facts: readonly Fact[];
  readonly workup: Workup;
  /** The set being shown; null shows every fitting at its own place. */
  readonly set: string | null;
  readonly waiting: number;
  /** Set while the server does not answer. */
  readonly unsent: string | null;
  readonly clash: ClashShown | null;
  /** What the server would not take, in its words. */
  readonly refused: string | null;
}

/**
 * Whether sending again can help: no answer, a broken server, a session that ran out, a stale page.
 * Any other answer is the server's last word on it, such as what only a manager may accept.
 */
function mayPass(error: HttpErrorResponse): boolean {
  const stale = error.status === 403 && (error.error as Problem | null)?.field === 'x-csrf-token';
  return error.status === 0 || error.status >= 500 || error.status === 401 || stale;
}

/** What a workup follows from besides plan and facts. */
export const inputOf = ({ hull, catalog, shop, today, others }: RigDocument): Omit<WorkupInput, 'plan' | 'facts'> => ({
  hull,
  catalog,
  shop,
  others,
  asOf: today,
});

/** A fact before this device has said which rig, when and under which id. */
export type FactBody = NewFact extends infer F ? (F extends NewFact ? Omit<F, 'id' | 'rig' | 'deviceTime'> : never) : never;

const RETRY = 3000;

/** One open rig: its plan and facts, my unsent ones on top, and the workup of both. */
@Injectable()
export class RigStore {
  private readonly http = inject(HttpClient);
  private readonly session = inject(SessionStore);
  private readonly states = new BehaviorSubject<RigState | null>(null);
  private readonly failures = new BehaviorSubject<string | null>(null);
  private workups = new WorkupSession();
  private outbox = new Outbox('');
  private news?: EventSource;
  private sending = false;
  private timer?: ReturnType<typeof setTimeout>;
  private serverPlan?: Plan;
  private previewed: Change | null = null;
  private shownSet: string | null = null;
  private serverFacts: readonly Fact[] = [];

  readonly state$ = this.states.asObservable();
  readonly state = toSignal(this.state$, { initialValue: null });
  readonly failure = toSignal(this.failures.asObservable(), { initialValue: null });

  constructor() {
    inject(DestroyRef).onDestroy(() => this.close());
  }

  /** Opens a rig and goes on listening for news of it. */
  async open(id: string): Promise<void> {
    this.close();
    this.states.next(null);
    this.failures.next(null);
    this.workups = new WorkupSession();
    this.outbox = new Outbox(id);
    try {
      this.take(await firstValueFrom(this.http.get<RigDocument>(`/api/rigs/${id}`)));
    } catch (error) {
      this.failures.next(wordsOf(error));
      return;
    }
    this.news = new EventSource(`/api/events?rigs=${encodeURIComponent(id)}`);
    this.news.addEventListener('rig', (event) =>
      this.heard(JSON.parse((event as MessageEvent<string>).data) as { version: number; factCount: number }),
    );
    void this.send();
  }

  private close(): void {
    this.news?.close();
    clearTimeout(this.timer);
  }

  private take(doc: RigDocument): void {
    this.serverPlan = doc.plan;
    this.serverFacts = doc.facts;
    this.show({ doc });
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
      this.take(await firstValueFrom(this.http.get<RigDocument>(`/api/rigs/${id}`)));
    } catch (error) {
      this.show({ unsent: wordsOf(error) });
    }
  }

  /** Works everything up again from the server's truth and what waits on top of it. */
  private show(more: Partial<RigState>): void {
    const before = this.states.value;
    const doc = more.doc ?? before?.doc;
    if (!doc || !this.serverPlan) return;
    let plan = this.serverPlan;
    const by = this.session.staff()?.name ?? '';
    const seen = new Set(this.serverFacts.map((f) => f.id));
    const own: Fact[] = [];
    for (const w of this.outbox.all()) {
      if (w.what === 'fact') {
        if (!seen.has(w.fact.id)) own.push({ ...w.fact, by, serverTime: w.fact.deviceTime });
      } else {
        try {
          plan = applyChange(plan, w.change).plan;
        } catch {
          // It will come back from the server as a clash and be shown then.
        }
      }
    }
    const settled = plan;
    if (this.previewed) {
      try {
        plan = applyChange(plan, this.previewed).plan;
      } catch {
        this.previewed = null;
      }
    }
    const set = this.shownSet !== null && Object.hasOwn(plan.sets, this.shownSet) ? this.shownSet : null;
    const facts = own.length ? [...this.serverFacts, ...own] : this.serverFacts;
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
  change(change: Change, undoes: string | null = null): void {
    this.previewed = null;
    const state = this.states.value;
    if (!state) return;
    try {
      applyChange(state.settled, change);
    } catch (error) {
      this.show({ refused: (error as Error).message });
      return;
    }
    this.outbox.add({ what: 'change', change, undoes });
    this.show({ refused: null });
    void this.send();
  }

  /** Keeps what happened on the boat: never refused as stale. */
  keep(body: FactBody): void {
    const rig = this.states.value?.plan.id ?? null;
    this.outbox.add({
      what: 'fact',
      fact: { ...body, id: crypto.randomUUID(), rig, deviceTime: new Date().toISOString() } as NewFact,
    });
    this.show({});
    void this.send();
  }

  /** Keeps a hole as drilled where it was planned; one that is there, piloted or used again, is opened up. */
  drilled(h: PlannedHole, bit = h.bit.mm): void {
    const state = this.states.value;
    if (!state) return;
    if (h.drilled) return this.keep({ kind: 'holeOpened', of: h.drilled.fact, bit });
    const measured = asPlanned(h, state.plan.tape, state.doc.hull.revision);
    this.keep({ kind: 'holeDrilled', hole: h.id, label: h.label, bit, measured, elsewhere: false });
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

  /** My changes: what the server logged and what is on its way there. */
  private stacks(): { undo: LoggedChange[]; redo: LoggedChange[] } {
    const state = this.states.value;
    if (!state) return { undo: [], redo: [] };
    const logged = new Set(state.doc.mine.map((m) => m.id));
    let plan = this.serverPlan ?? state.plan;
    const sent: LoggedChange[] = [];
    for (const w of this.outbox.all()) {
      if (w.what !== 'change' || logged.has(w.change.id)) continue;
      try {
        const applied = applyChange(plan, w.change);
        plan = applied.plan;
        sent.push({ id: w.change.id, version: 0, undoes: w.undoes, inverse: applied.inverse });
      } catch {
        break;
      }
    }
    return undoStacks([...state.doc.mine, ...sent]);
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
    void this.send();
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
        this.serverPlan = done.plan;
        const mine = inverse ? [...doc.mine, { id: change.id, version: done.version, undoes, inverse }] : doc.mine;
        this.show({ doc: { ...(this.states.value?.doc ?? doc), version: done.version, mine }, unsent: null });
        // Another revision of hull, parts or settings is not on this device yet.
        if (singleChanges(change).some((c) => c.kind === 'adoptRevision')) await this.reload();
      } else {
        const done = await firstValueFrom(this.http.post<Kept>(`/api/rigs/${doc.id}/facts`, { facts: [next.fact] }));
        this.outbox.drop(next);
        const known = new Set(this.serverFacts.map((f) => f.id));
        this.serverFacts = [...this.serverFacts, ...(done.facts as Fact[]).filter((f) => !known.has(f.id))];
        this.show({ doc: { ...(this.states.value?.doc ?? doc), factCount: done.factCount }, unsent: null });
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
      this.timer = setTimeout(() => void this.send(), RETRY);
      return false;
    }
    this.outbox.drop(next);
    const clash = (error.error as Problem | null)?.clash;
    await this.reload();
    if (clash && next.what === 'change')
      this.show({ clash: { change: next.change, field: clash.field, found: clash.found, wanted: clash.wanted } });
    else this.show({ refused: wordsOf(error) });
    return true;
  }
}
