import { inject, Injectable } from '@angular/core';
import { takeUntilDestroyed, toSignal } from '@angular/core/rxjs-interop';
import { type Changed, type SavedFacts, type LoggedChange, type Override, ROUTES } from '@plain-cleat/api';
import { asPlanned } from '@plain-cleat/core/holding/drilling';
import type { PlannedHole } from '@plain-cleat/core/holding/fitted';
import { applyChange, type Change, type NewFact, type Plan, withLetters } from '@plain-cleat/core/rig';
import { Memory } from '@plain-cleat/core/base/stages';
import { type Newer, overTheirs, workUp } from '@plain-cleat/core/workup';
import { BehaviorSubject, combineLatest, distinctUntilChanged, filter, map, type Observable, Subject, tap } from 'rxjs';
import { Api } from './api';
import { Parts } from './parts';
import { RigConnection } from './rig-connection';
import { type ClashShown, type FactBody, inputOf, type RigState } from './rig.state';
import { SessionStore } from './session.store';
import { catalogFor, shownRig } from './shown-rig';
import type { Waiting, WaitingFact } from './tablet';
import { myStacks } from './undo';

export * from './rig.state';

/** A change as it was made here. */
export interface Done {
  readonly change: Change;
  readonly undoes: string | null;
  readonly before: RigState;
}

/** One open rig: its plan and facts, my unsent ones on top, and the workup of both. */
@Injectable()
export class RigStore {
  private readonly api = inject(Api);
  private readonly session = inject(SessionStore);
  private readonly line = inject(RigConnection);
  private readonly states = new BehaviorSubject<RigState | null>(null);
  private readonly letterWorkups = new Memory();
  private readonly changes = new Subject<Done>();
  /** Each change made here, as it is made, with what it was made on. */
  readonly changed$ = this.changes.asObservable();

  readonly state$ = this.states.asObservable();
  /** Each change of mine that met another's, to be settled by the person. */
  readonly clash$ = this.state$.pipe(
    map((s) => s?.clashes[0] ?? null),
    distinctUntilChanged((a, b) => a?.mine.change.id === b?.mine.change.id),
    filter((clash) => clash !== null),
  );
  readonly state = toSignal(this.state$, { initialValue: null });
  readonly failure = toSignal(this.line.failure$, { initialValue: null });

  constructor() {
    combineLatest([this.line.sources$, inject(Parts).known$])
      .pipe(
        map(([sources, known]) => sources && { ...sources, known }),
        shownRig,
        takeUntilDestroyed(),
      )
      .subscribe(this.states);
  }

  /** What is on its way to the server. */
  unsent = (): readonly Waiting[] => this.line.unsent();

  /** Opens a rig and goes on listening for news of it, until another is opened. */
  open(id: string): void {
    this.line.open(id);
  }

  /** What is newer than what the open rig is made with: hull, materials, settings, parts. */
  newer = (rig: string): Observable<Newer> => this.api.call(ROUTES.newer, { rig });

  /** Fixes the letters of what is aboard for good, as before the first paper. */
  fixLetters = (rig: string): Observable<unknown> => this.api.call(ROUTES.print, { rig, body: {} });

  reload(): void {
    this.line.reload();
  }

  retry(): void {
    this.line.retry();
  }

  /** What the server would not take is sent once more, or put away for good. */
  decide(one: WaitingFact, again: boolean): void {
    this.line.decide(one, again);
  }

  /** Shows what stands aboard in one set, or everything. */
  showSet(set: string | null): void {
    this.line.show({ set });
  }

  /** Shows a change that is still under the finger: everything follows, nothing is sent. */
  preview(change: Change | null): void {
    this.line.show({ previewed: change });
  }

  /** Applies a change here at once and sends it. */
  change(asked: Change, undoes: string | null = null): void {
    const before = this.line.now();
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
      return this.line.show({ previewed: null, notices: { ...before.notices, refused: (error as Error).message } });
    }
    this.line.put(
      { what: 'change', change, undoes, rigger: this.session.rigger() },
      { previewed: null, notices: { ...before.notices, refused: null } },
    );
    this.changes.next({ change, undoes, before: state });
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
  save(body: FactBody, photo?: Blob | null): void {
    const rig = this.states.value?.plan.id ?? null;
    const taken = photo ? { photo: crypto.randomUUID() } : {};
    const fact = { ...body, ...taken, id: crypto.randomUUID(), rig, deviceTime: new Date().toISOString() } as NewFact;
    this.line.put({ what: 'fact', fact, rigger: this.session.rigger(), ...(photo ? { photo } : {}) });
  }

  /**
   * A manager lets a step pass with their own password, typed for this one act. It goes to the server at once and is
   * kept nowhere on the way.
   */
  letPass(step: string, why: string, override: Override): Observable<SavedFacts> {
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
      .pipe(tap(() => this.line.reload()));
  }

  /** A manager accepts a finding, like a step overridden. */
  acceptAs(override: Override, change: Change): Observable<Changed> {
    const doc = this.states.value?.doc;
    const body = { baseVersion: doc?.version ?? 0, change, undoes: null, override };
    return this.api.call(ROUTES.change, { rig: doc?.id ?? '', body }).pipe(tap(() => this.line.reload()));
  }

  /** Keeps a hole as drilled where it was planned; one that is there, piloted or used again, is opened up. */
  drilled(h: PlannedHole, bit = h.bit.mm, photo: Blob | null = null): void {
    const state = this.states.value;
    if (!state) return;
    if (h.drilled) return this.save({ kind: 'holeOpened', of: h.drilled.fact, bit }, photo);
    const measured = asPlanned(h, state.plan.tape, state.doc.hull.revision);
    this.save({ kind: 'holeDrilled', hole: h.id, label: h.label, bit, measured, elsewhere: false }, photo);
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
    const now = this.line.now();
    return now ? myStacks(now.doc.mine, now.serverPlan, now.waiting) : { undo: [], redo: [] };
  }

  /** My change of a clash made anew over what is there now; null when it cannot be. */
  mineAnew(clash: ClashShown): Change | null {
    const plan = this.states.value?.settled;
    return plan ? overTheirs(plan, clash.mine.change, () => crypto.randomUUID()) : null;
  }

  /** Settles a clash: mine stays by sending it again over what is there now; theirs by dropping mine. */
  settle(clash: ClashShown, useMine: boolean): void {
    const mine = useMine ? this.mineAnew(clash) : null;
    this.line.chosen(clash.mine);
    if (mine) this.change(mine);
  }

  dismiss(): void {
    this.line.say({ refused: null });
  }
}

/** What an open rig is provided with. */
export const RIG = [RigStore, RigConnection];
