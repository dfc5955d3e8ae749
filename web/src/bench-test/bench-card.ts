import { sameJson } from '@plain-cleat/core/rig';
import { ChangeDetectionStrategy, Component, computed, DestroyRef, inject, input, signal } from '@angular/core';
import { Toggle } from '../controls/toggle';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { FormControl } from '@angular/forms';
import { MatButtonModule } from '@angular/material/button';
import {
  aboutWords,
  type BenchCheck,
  builtAs,
  CHECK_WORDS,
  circuitPrint,
  type Diagnosis,
  type Fault,
  FAULTS,
  faultWords,
  measure,
  passes,
  plantFault,
  postsIn,
  READ_WORDS,
  readBy,
  type MeterReading,
  readingsOf,
  tipsOf,
} from '@plain-cleat/core/electric/bench-test';
import type { Sentence } from '@plain-cleat/core/base/units';
import { of, switchMap } from 'rxjs';
import { type Choice, ChoiceField } from '../controls/choice-field';
import { QuantityField } from '../controls/quantity';
import { Words } from '../boat-view/words';
import type { RigState } from '../stores/rig.state';
import { RigStore } from '../stores/rig.store';
import type { FaultWorker } from '../workers/fault.worker';
import { WorkerCalls } from '../workers/worker-calls';
import { byForm, field, liveForm, liveRows } from '../controls/live-form';
import { asLoaded } from '../stores/loaded';
import { Table, TableColumn } from '../controls/table';

interface Row {
  readonly reading: MeterReading;
  readonly about: string;
  readonly how: string;
  readonly tips: Sentence;
  readonly expected: number;
  readonly volts: number | null;
  readonly ok: boolean | null;
  readonly by: string;
}

/**
 * The bench test: what is read with a meter before the boat goes out, typed or from the bench meter; which fault would explain a
 * reading that is wrong, and what to read next. For practice a fault can be planted: nothing of that is kept.
 */
@Component({
  selector: 'pc-bench-card',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [ChoiceField, MatButtonModule, Toggle, Table, TableColumn, QuantityField, Words],
  templateUrl: './bench-card.html',
  styleUrl: './bench-card.scss',
})
export class BenchCard {
  protected readonly verdicts = [
    { value: true, says: 'right' },
    { value: false, says: 'wrong' },
  ];
  readonly state = input.required<RigState>();
  private readonly store = inject(RigStore);
  private readonly calls = new WorkerCalls<FaultWorker>(
    () => new Worker(new URL('../workers/fault.worker', import.meta.url), { type: 'module' }),
  );
  protected readonly byForm = byForm;
  protected readonly kinds: readonly Choice<Fault['is'] | 'any'>[] = [
    { value: 'any', says: 'any fault' },
    ...FAULTS.map((value) => ({ value, says: value })),
  ];
  protected howTo = ({ is }: BenchCheck): string => CHECK_WORDS[is];
  protected readonly byCheck = (c: BenchCheck): string => c.id;
  protected readonly checks = computed(() => this.state().workup.checks);
  protected readonly unchecked = computed(() => this.checks().filter((c) => !c.read).length);
  protected readonly kind = new FormControl<Fault['is'] | 'any'>('any', { nonNullable: true });

  private readonly wiring = computed(() => this.state().workup.wiring);
  private readonly owned = computed(() => this.state().workup.aboard.owned);
  private readonly print = computed(() => circuitPrint(this.wiring()));
  private readonly readings = computed(() => readingsOf(this.wiring()));
  /** What is planted for practice on this very circuit, and what was read of it. */
  private readonly planted = signal<{ readonly print: string; readonly fault: Fault } | null>(null);
  private readonly practised = signal<ReadonlyMap<string, number>>(new Map());
  protected readonly shownFault = signal(false);
  protected readonly practice = computed(() => {
    const planted = this.planted();
    return planted?.print === this.print() ? planted.fault : null;
  });
  protected readonly faultSays = computed(() => faultWords(this.practice(), this.wiring(), this.owned()));

  /** What was read of this circuit, by the reading. */
  private readonly taken = computed((): ReadonlyMap<string, number> => {
    if (this.practice()) return this.practised();
    const facts = [...this.state().workup.ledger.circuitReads.values()].filter(
      (f) => f.circuit === this.print() && (f.meter === 'typed' || this.state().doc.shop.wiring.meter),
    );
    return new Map(facts.map((f) => [f.reading, f.volts]));
  });

  private readonly expected = computed(() => {
    const built = builtAs(
      this.wiring(),
      null,
      postsIn(this.wiring().network, (id) => this.taken().get(id)),
    );
    const full = builtAs(this.wiring());
    const planned = new Map(this.state().workup.tests.map((t) => [t.reading.id, t.expected]));
    // What is planned is worked out already, by what was kept; for practice by what was read in practice.
    return (r: MeterReading): number =>
      (this.practice() ? undefined : planned.get(r.id)) ?? measure(r.reads === 'at the post' ? full : built, r) ?? 0;
  });

  protected readonly rows = computed((): Row[] => {
    const planned = new Set(this.state().workup.tests.map((t) => t.reading.id));
    const taken = this.taken();
    const facts = this.state().workup.ledger.circuitReads;
    return this.readings()
      .filter((r) => planned.has(r.id) || taken.has(r.id))
      .map((reading) => {
        const expected = this.expected()(reading);
        const volts = taken.get(reading.id) ?? null;
        return {
          ...{ reading, expected, volts, tips: tipsOf(reading, this.owned()), how: READ_WORDS[reading.reads] },
          about: aboutWords(reading, this.wiring(), this.owned()),
          ok: volts === null ? null : passes(reading, expected, volts),
          by: this.practice() ? '' : saidBy(facts.get(reading.id)),
        };
      });
  });
  /** The simulated meter reads for practice, and for a demo; a real boat is read with a real one. */
  protected readonly metered = computed(() => this.practice() !== null || this.state().doc.shop.wiring.meter);
  protected readonly unread = computed(() => this.rows().filter((r) => r.volts === null));
  protected readonly wrong = computed(() => this.rows().filter((r) => r.ok === false));
  protected readonly stale = computed(() => !this.practice() && this.state().workup.tests.some((t) => t.stale));

  /** Asked once something reads wrong. */
  private readonly question = computed(
    () => (this.wrong().length ? { taken: [...this.taken()], print: this.print(), wiring: this.wiring() } : null),
    // The same readings of the same circuit are asked about once.
    { equal: (a, b) => a?.print === b?.print && sameJson(a?.taken, b?.taken) },
  );
  protected readonly asked = toSignal(
    toObservable(this.question).pipe(
      switchMap((q) =>
        q
          ? this.calls
              .run<Diagnosis>((remote, tell) => {
                const { network, potentials, runs, guards, rules } = q.wiring;
                return remote.diagnose({ network, potentials, runs, guards, rules }, q.taken).then(tell);
              })
              .pipe(asLoaded())
          : of(null),
      ),
    ),
    { initialValue: null },
  );
  protected readonly suspects = computed(() => {
    return (this.asked()?.value?.suspects ?? [])
      .filter((s) => s.share >= 0.02)
      .slice(0, 5)
      .map((s) => ({ key: s.key, says: faultWords(s.fault, this.wiring(), this.owned()), share: Math.round(100 * s.share) }));
  });
  protected readonly next = computed(() => {
    const reading = this.asked()?.value?.next;
    return reading
      ? {
          reading,
          about: aboutWords(reading, this.wiring(), this.owned()),
          how: READ_WORDS[reading.reads],
          tips: tipsOf(reading, this.owned()),
        }
      : null;
  });

  protected readonly forms = liveRows(
    () => this.rows(),
    (row) => ({
      volts: field(
        () => row().volts,
        (volts) => this.take(row().reading, volts),
      ),
    }),
    (row) => row.reading.id,
  );
  /** What the next reading shows. */
  protected readonly reads = liveForm({
    volts: field<number | null>(
      () => null,
      (volts) => {
        const next = this.next();
        if (next) this.take(next.reading, volts);
      },
      { clears: true },
    ),
  });

  constructor() {
    inject(DestroyRef).onDestroy(() => this.calls.close());
  }

  protected volts = (v: number): string => `${v.toFixed(2)} V`;

  /** What was read: kept as a fact, or for practice here alone. */
  private take(reading: MeterReading, volts: number | null, meter: 'typed' | 'bench meter' = 'typed'): void {
    if (volts === null) return;
    if (this.practice()) this.practised.update((p) => new Map(p).set(reading.id, volts));
    else this.store.save({ kind: 'circuitRead', reading: reading.id, volts, circuit: this.print(), meter });
  }

  /** What was rung through, run or looked at: right or wrong, in whoever's name is signed in. */
  protected saveCheck({ id, circuit }: BenchCheck, ok: boolean): void {
    this.store.save({ kind: 'circuitChecked', check: id, ok, circuit });
  }

  /** The bench meter stands in for a meter with a cable: it shows what the circuit gives, with what was planted in it. */
  protected meter(reading: MeterReading): void {
    const shows = measure(builtAs(this.wiring(), this.practice()), reading);
    // To a hundredth, as its display has it.
    if (shows !== null) this.take(reading, Math.round(shows * 100) / 100, 'bench meter');
  }

  protected meterAll(): void {
    for (const { reading } of this.unread()) this.meter(reading);
  }

  protected plant(): void {
    const kind = this.kind.value === 'any' ? null : this.kind.value;
    const fault = plantFault(this.wiring(), kind, Math.random(), Math.random());
    this.practised.set(new Map());
    this.shownFault.set(false);
    this.planted.set(fault && { print: this.print(), fault });
  }

  protected endPractice(): void {
    this.planted.set(null);
    this.practised.set(new Map());
  }
}

const saidBy = (fact: { readonly by: string; readonly meter: string } | undefined): string =>
  fact ? readBy({ by: fact.by, simulated: fact.meter === 'bench meter' }) : '';
