import { addressOf, ROUTES } from '@plain-cleat/api';
import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { TextField } from '../controls/text-field';
import { FileButton } from '../controls/file-button';
import { MatExpansionModule } from '@angular/material/expansion';
import { MatButtonModule } from '@angular/material/button';
import { cautionsAt, crossMeasure, toleranceBudget, toolName } from '@plain-cleat/core/holding/drilling';
import { unsettled } from '@plain-cleat/core/checks/findings';
import { waterAt } from '@plain-cleat/core/water/float';
import { findDatum, RUN_WORDS } from '@plain-cleat/core/boat/hull';
import { pickList } from '@plain-cleat/core/holding/mounting';
import { FindingBox } from '../findings/finding-box';
import { Figure } from '../boat-view/figure';
import { HoldButton } from '../boat-view/hold-button';
import { BoatView } from '../boat-view/boat-view';
import { Length } from '../boat-view/words';
import { documentUrl } from '../stores/document-url';
import { Print } from '../rig/print';
import { RigStore } from '../stores/rig.store';
import { UnitsStore } from '../stores/units.store';
import { BeforeFirst } from './before-first';
import { HolePatch } from './hole-patch';
import { InsideSection } from './inside-section';
import { SomethingElse } from './something-else';
import { Templates } from './templates';
import { doneWord, roundKey, type Task, tasksOf } from './working';
import { liveRows, words } from '../controls/live-form';
import { momentWords } from '../controls/days';

/** Drilling: one hole at a time in huge figures, one bit at a time, held to mark, always taken back. */
@Component({
  selector: 'pc-drill',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    BeforeFirst,
    Print,
    BoatView,
    Figure,
    HoldButton,
    HolePatch,
    InsideSection,
    Length,
    FindingBox,
    SomethingElse,
    Templates,
    MatButtonModule,
    MatExpansionModule,
    FileButton,
    TextField,
  ],
  host: { '(document:keydown)': 'onKey($event)' },
  templateUrl: './drill.html',
  styleUrl: './drill.scss',
})
export default class Drill {
  protected readonly store = inject(RigStore);
  protected readonly units = inject(UnitsStore);
  private readonly picked = signal<string | null>(null);
  /** The round whose bit is in the drill. */
  private readonly bitIn = signal('');
  protected readonly photoOf = (rig: string, photo: string): string => addressOf(ROUTES.photo, { rig, photo });
  protected readonly elsewhere = signal(false);
  protected readonly inside = signal(false);
  /** A photo that goes with the next mark. */
  protected readonly photo = signal<File | null>(null);
  protected readonly holes = computed(() => this.store.state()?.workup.drilling.holes ?? []);
  protected readonly rounds = computed(() => this.store.state()?.workup.rounds ?? []);
  protected readonly tasks = computed(() => tasksOf(this.rounds(), this.holes()));
  /** What is chosen, else the first still to do in working order. */
  protected readonly task = computed(() => this.tasks().find((t) => t.key === this.picked()) ?? this.next() ?? this.tasks()[0]);
  private readonly next = computed(() => this.tasks().find((t) => !t.done && t.hole.abandoned === null));
  /** Its hole; a hole that no bit goes to any more is still looked at. */
  protected readonly hole = computed(
    () => this.holes().find((h) => h.id === this.picked()) ?? this.task()?.hole ?? this.holes()[0] ?? null,
  );
  /** Old holes used again as they are: no bit goes to them. */
  protected readonly asTheyAre = computed(() => this.holes().filter((h) => h.reused && !h.openUp));
  protected readonly place = computed(() => this.tasks().findIndex((t) => t.key === this.task()?.key));
  protected readonly drilled = computed(() => this.holes().filter((h) => h.drilled && !h.openUp).length);
  /** What is to do at the hole shown; null when it is done, or no bit goes to it. */
  protected readonly due = computed(() => {
    const task = this.task();
    return task && !task.done && task.hole.id === this.hole()?.id ? task : null;
  });
  /** Another bit must go into the drill first. */
  protected readonly change = computed(() => {
    const task = this.due();
    return task && roundKey(task.round) !== this.bitIn() ? task : null;
  });
  protected readonly cross = computed(() => {
    const h = this.hole();
    return h && !h.drilled ? crossMeasure(h, this.holes(), this.oldHoles()) : null;
  });
  /** The way of the hand, drawn on the boat. */
  protected readonly hand = computed(() => {
    const path = this.hole()?.behind.access?.path;
    return path ? [{ id: 'hand', path, thick: 5 }] : [];
  });
  /** How far bolt and nut of this hole stand out behind. */
  protected readonly deep = computed(() => {
    const item = this.store.state()?.workup.aboard.owned.find((i) => i.placed.id === this.hole()?.fitting);
    return Math.max(10, item?.mounted.behind ?? 0);
  });
  protected readonly datum = computed(() => {
    const state = this.store.state();
    return state ? findDatum(state.workup.surface, state.plan.tape.datum).name.toUpperCase() : '';
  });
  protected readonly run = computed(() => RUN_WORDS[this.hole()?.run ?? 'taut']);
  protected readonly budget = computed(() =>
    toleranceBudget(this.store.state()?.doc.shop.drilling ?? ({ tape: 0, hull: 0, wander: 0 } as never)),
  );
  protected readonly cautions = computed(() => {
    const [state, h] = [this.store.state(), this.hole()];
    return state && h ? cautionsAt(h, state.doc.hull, state.doc.shop, waterAt(state.workup.weight.float, h.at.x)) : [];
  });
  /** What to carry to the boat. */
  protected readonly picks = computed(() => {
    const state = this.store.state();
    return state ? pickList(state.workup.aboard.owned, state.doc.shop) : [];
  });
  protected readonly gate = computed(() => this.store.state()?.workup.drilling.gate);
  private readonly own = computed(() =>
    (this.store.state()?.workup.findings ?? []).filter((f) => f.step === 'drill' && !f.accepted),
  );
  /** What concerns the hole shown: said beside the button that marks it, wherever it is settled. */
  protected readonly here = computed(() => {
    const h = this.hole();
    const all = (this.store.state()?.workup.findings ?? []).filter((f) => !f.accepted);
    return h
      ? all.filter((f) => f.where === h.id || (f.where === h.fitting && (f.step === 'drill' || f.severity === 'stop')))
      : [];
  });
  /** Stops at this hole: it is not marked before each has a reason. */
  protected readonly stopsHere = computed(() => this.here().filter((f) => f.severity === 'stop').length);
  /** Everything of this step that is unsettled, the rest of the boat's after this hole's, and notes: what the badge counts. */
  protected readonly findings = computed(() => {
    const here = new Set(this.here().map((f) => f.key));
    return this.own().filter((f) => !here.has(f.key));
  });
  /** Stops of the layout: a hole is for ever, so they are said before it. */
  protected readonly unsettledStops = computed(() =>
    unsettled(this.store.state()?.workup.findings ?? []).filter((f) => f.severity === 'stop' && f.step === 'lay out'),
  );
  protected readonly last = computed(() => {
    const facts = this.store.state()?.facts ?? [];
    const back = new Set(facts.flatMap((f) => (f.kind === 'tookBack' ? [f.fact] : [])));
    const own = this.store.state()?.plan.id;
    const f = facts
      .flatMap((one) => (one.kind === 'holeDrilled' || one.kind === 'holeOpened' ? [one] : []))
      .filter((one) => one.rig === own && !back.has(one.id))
      .at(-1);
    if (f?.kind === 'holeDrilled') return { ...f, word: '' };
    const opened = this.holes().find((h) => h.drilled?.fact === f?.of);
    return f && opened ? { ...f, label: opened.label, word: ' opened up' } : null;
  });

  protected readonly oldHoles = computed(() => this.store.state()?.workup.drilling.oldHoles ?? []);

  protected readonly plugs = liveRows(
    () => this.oldHoles(),
    (hole) => ({
      plug: words(
        () => '',
        (what) => this.plug(hole().id, what.trim()),
        { clears: true },
      ),
    }),
    (hole) => hole.fact,
  );

  private plug(hole: string, what: string): void {
    if (what) this.store.save({ kind: 'holePlugged', hole, with: what });
  }

  protected choose(key: string): void {
    this.picked.set(key);
    this.photo.set(null);
    this.elsewhere.set(false);
  }

  /** From hole to hole by the keys, in working order. */
  protected onKey(event: KeyboardEvent): void {
    const typing = event.target instanceof Element && event.target.matches('input, select, textarea');
    const by = { ArrowLeft: -1, ArrowRight: 1 }[event.key];
    if (by && !typing) this.step(by as 1 | -1);
  }

  protected step(by: 1 | -1): void {
    const next = this.neighbour(by);
    if (next) this.choose(next.key);
  }

  protected neighbour = (by: 1 | -1): Task | undefined => this.tasks()[this.place() + by];

  /** How far it is to the next one, along the boat. */
  protected away = (t: Task): number => t.hole.at.x - (this.hole()?.at.x ?? t.hole.at.x);

  protected putIn(task: Task): void {
    this.bitIn.set(roundKey(task.round));
  }

  protected mark(task: Task): void {
    if (task.done) return;
    this.store.drilled(task.hole, task.round.bit.mm, this.photo());
    this.photo.set(null);
    this.picked.set(null);
  }

  /** Takes a mark back, and goes back to where it was made. */
  protected takeBack(fact: string): void {
    const hole = this.holes().find((h) => h.drilled?.fact === fact) ?? this.hole();
    const last = this.tasks()
      .filter((t) => t.hole.id === hole?.id && t.done)
      .at(-1);
    this.store.save({ kind: 'tookBack', fact, why: '' });
    if (last) this.choose(last.key);
  }

  protected time = (iso: string): string => momentWords(iso, this.store.state()?.doc.shop.timeZone, 'HH:mm');
  protected tool = toolName;
  protected doneWord = doneWord;
  protected keyOf = roundKey;
  protected left = (task: Task): number => this.tasksIn(roundKey(task.round)).filter((t) => !t.done).length;
  protected tasksIn = (key: string): Task[] => this.tasks().filter((t) => roundKey(t.round) === key);
  protected sheet = (): string => documentUrl(this.store.state()?.doc.id ?? '', 'drillSheet', this.units.system());
}
