import { toSignal } from '@angular/core/rxjs-interop';
import { map, timer } from 'rxjs';
import {
  afterNextRender,
  ChangeDetectionStrategy,
  Component,
  computed,
  type ElementRef,
  inject,
  signal,
  viewChildren,
} from '@angular/core';
import { ValidSubmit } from '../controls/valid-submit';
import { TextField } from '../controls/text-field';
import { QuantityField } from '../controls/quantity';
import { wordsWanted } from '../controls/zod-validator';
import { FormControl, FormGroup, ReactiveFormsModule } from '@angular/forms';
import { MatButtonModule } from '@angular/material/button';
import type { CableChecked } from '@plain-cleat/core/electric/bench-test';
import { byItself, type BuildStep, readySteps } from '@plain-cleat/core/work/scheduling';
import { RigStore } from '../stores/rig.store';
import { Words } from '../boat-view/words';
import { ManagerForm, type ManagersAct } from '../rig/manager-form';
import { field, liveRows } from '../controls/live-form';
import { momentWords } from '../controls/days';

/** Building: steps to tick in their order, minutes spent, what waits for what. */
@Component({
  selector: 'pc-build',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Words, ManagerForm, MatButtonModule, ReactiveFormsModule, QuantityField, TextField, ValidSubmit],
  templateUrl: './build.html',
  styleUrl: './build.scss',
})
export default class Build {
  protected readonly store = inject(RigStore);
  private readonly lines = viewChildren<ElementRef<HTMLElement>>('line');
  protected readonly form = new FormGroup({
    put: new FormControl('', { nonNullable: true, validators: wordsWanted('Say what, such as rivet 68.') }),
    why: new FormControl('', { nonNullable: true, validators: wordsWanted('A few words.') }),
  });
  protected readonly steps = computed(() => this.store.state()?.workup.build.steps ?? []);
  protected readonly ready = computed(() => new Set(readySteps(this.steps()).map((s) => s.id)));
  protected readonly done = computed(() => this.steps().filter((s) => s.done).length);
  protected readonly next = computed(() => readySteps(this.steps())[0] ?? null);
  protected readonly planned = computed(() => this.steps().reduce((sum, s) => sum + s.minutes, 0));
  protected readonly booked = computed(() => this.steps().reduce((sum, s) => sum + s.booked, 0));
  protected readonly letters = computed(
    () => new Map(this.store.state()?.workup.aboard.items.map((i) => [i.placed.id, i.letter])),
  );

  /** Steps a manager was asked to let pass. */
  protected readonly asked = computed(() => this.store.state()?.workup.ledger.asked);
  /** The step a manager is about to let pass. */
  protected readonly passing = signal<string | null>(null);

  protected letPass: ManagersAct = (why, manager) => this.store.letPass(this.passing() ?? '', why, manager);

  /** Where a step is done that no tick does. */
  protected elsewhere(step: BuildStep): string {
    const state = this.store.state();
    if (!state) return '';
    if (step.byReadings)
      return readingsWords([...state.workup.tests, ...state.workup.checks].filter((t) => step.id === `test.${t.run}`));
    if (byItself(step, state.doc.shop))
      return step.id === 'agree' ? 'Kept on Drill, with their name.' : 'Marked hole by hole on Drill.';
    return step.id === 'measure' && state.workup.drilling.holes.length ? 'Typed on Drill.' : '';
  }

  protected tick(step: BuildStep): void {
    if (step.passed) {
      const passed = this.store.state()?.workup.ledger.passed.get(step.id);
      return passed && this.store.save({ kind: 'tookBack', fact: passed.id, why: '' });
    }
    if (!step.done) return this.store.save({ kind: 'stepDone', step: step.id });
    const said = this.store.state()?.workup.ledger.steps.get(step.id);
    if (said) this.store.save({ kind: 'tookBack', fact: said.id, why: '' });
  }

  protected readonly rows = liveRows(
    () => this.steps(),
    (step) => ({
      minutes: field<number | null>(
        () => null,
        (minutes) => this.book(step(), minutes),
        { clears: true },
      ),
    }),
    (step) => step.id,
  );

  private book(step: BuildStep, minutes: number | null): void {
    if (minutes !== null) this.store.save({ kind: 'minutesBooked', step: step.id, minutes });
  }

  constructor() {
    // The bench opens at the work, not at what was done last week.
    afterNextRender(() =>
      this.lines()
        .find((li) => li.nativeElement.classList.contains('ready'))
        ?.nativeElement.scrollIntoView({ block: 'center' }),
    );
  }

  /** The step whose fastener is being substituted, and what was put in each fitting instead. */
  protected readonly substituting = signal<string | null>(null);
  protected readonly instead = computed(() => {
    const facts = this.store.state()?.workup.ledger.substituted ?? [];
    return new Map(facts.flatMap((f) => (f.kind === 'fastenerSubstituted' ? [[f.fitting, `${f.with}: ${f.why}`] as const] : [])));
  });
  protected fastens = (s: BuildStep): boolean => /^(fasten|fit)\./.test(s.id);

  protected substitute(step: BuildStep): void {
    const { put, why } = this.form.getRawValue();
    if (!step.fitting) return;
    this.store.save({ kind: 'fastenerSubstituted', fitting: step.fitting, with: put.trim(), why: why.trim() });
    this.form.reset();
    this.substituting.set(null);
  }

  /** The clock as the bench reads it: a cure is over when it is over, whether anybody presses something or not. */
  private readonly now = toSignal(timer(0, 20_000).pipe(map(() => Date.now())), { initialValue: Date.now() });
  /** A cure that is not over yet. */
  protected runs = (s: BuildStep): boolean => !s.done && s.opens !== null && Date.parse(s.opens) > this.now();

  /** For what each step waits, and until when where a cure runs: as it stands on its button. */
  protected readonly waits = computed(() => {
    const steps = new Map(this.steps().map((s) => [s.id, s]));
    const until = (s: BuildStep): string => (s.opens && this.runs(s) ? `until ${this.time(s.opens)}` : '');
    return new Map(
      this.steps().flatMap((s): [string, string][] => {
        if (s.done) return [];
        if (this.runs(s)) return [[s.id, until(s)]];
        if (this.ready().has(s.id)) return [];
        const wanted = s.needs.flatMap((n) => steps.get(n) ?? []).filter((n) => !n.done);
        const cure = wanted.find((n) => this.runs(n));
        const [first] = cure ? [cure] : wanted;
        if (!first) return [];
        const more = wanted.length > 1 ? ` and ${wanted.length - 1} more` : '';
        return [[s.id, `waits for: ${first.says}${more}${cure ? `, ${until(cure)}` : ''}`]];
      }),
    );
  });
  protected time = (iso: string): string => momentWords(iso, this.store.state()?.doc.shop.timeZone, 'EEE, HH:mm');
}

/** How far a circuit's bench test is. */
function readingsWords(tests: readonly CableChecked[]): string {
  const [read, wrong] = [tests.filter((t) => t.read).length, tests.filter((t) => t.read && !t.read.ok).length];
  const where = 'Read and checked on Wire, under Bench test';
  if (wrong) return `${where}: ${wrong} of ${tests.length} ${wrong === 1 ? 'is' : 'are'} wrong.`;
  return read < tests.length ? `${where}: ${read} of ${tests.length} done.` : `${where}.`;
}
