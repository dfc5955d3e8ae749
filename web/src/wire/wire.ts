import { ChangeDetectionStrategy, Component, computed, effect, inject, signal, untracked } from '@angular/core';
import { takeUntilDestroyed, toSignal } from '@angular/core/rxjs-interop';
import { FormControl, FormGroup, ReactiveFormsModule } from '@angular/forms';
import { MatButtonModule } from '@angular/material/button';
import { MatTabsModule } from '@angular/material/tabs';
import { merge } from 'rxjs';
import { freeWay, printVolts, RETURN_COLOUR, type BatteryInUse } from '@plain-cleat/core/electric/circuits';
import type { Fitted } from '@plain-cleat/core/holding/fitted';
import { unsettled } from '@plain-cleat/core/checks/findings';
import { proposeLines } from '@plain-cleat/core/lines';
import { CONDUCTORS, LANES, type Conductors, type Run } from '@plain-cleat/core/rig';
import {
  isSignal,
  labelled,
  proposeCircuit,
  type Labelled,
  type SignalRun,
  type WiredRun,
} from '@plain-cleat/core/electric/wiring';
import { type Choice, ChoiceField, choicesOf } from '../controls/choice-field';
import { Icons } from '../controls/icons';
import { ValidSubmit } from '../controls/valid-submit';
import { wordsWanted } from '../controls/zod-validator';
import { Fixes } from '../findings/fixes';
import { FindingBox } from '../findings/finding-box';
import { LineComparison, linesProposed } from '../lines/lines-proposed';
import { cordOnBoat, wireOnBoat } from '../boat-view/lanes';
import { marksOf } from '../boat-view/marks';
import { BoatView } from '../boat-view/boat-view';
import { Cut, Words } from '../boat-view/words';
import { Print } from '../rig/print';
import { asOne } from '../stores/as-one';
import { documentUrl, type Printed } from '../stores/document-url';
import { inputOf, RigStore } from '../stores/rig.store';
import { UnitsStore } from '../stores/units.store';
import { BenchCard } from '../bench-test/bench-card';
import { CircuitDiagram } from './circuit-diagram';
import { CircuitLanes } from './circuit-lanes';
import { DayCard } from '../day/day-card';
import { LabelPrinter } from './label-printer';
import { LineCard } from '../lines/line-card';
import { LinesCard } from '../lines/lines-card';
import { CONDUCTOR_WORDS, RunCard } from './run-card';
import { SignalCard } from './signal-card';
import { Table, TableColumn } from '../controls/table';

/** Wiring: the circuit along the boat, what is cut, what each battery gives; the chosen cable beside it. */
@Component({
  selector: 'pc-wire',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    ...[
      BoatView,
      Cut,
      Words,
      FindingBox,
      MatButtonModule,
      ReactiveFormsModule,
      Table,
      TableColumn,
      ChoiceField,
      ValidSubmit,
      Icons,
    ],
    ...[
      BenchCard,
      CircuitLanes,
      CircuitDiagram,
      DayCard,
      LabelPrinter,
      LineCard,
      LinesCard,
      MatTabsModule,
      RunCard,
      SignalCard,
      Print,
    ],
  ],
  providers: [Fixes, LineComparison],
  templateUrl: './wire.html',
  styleUrls: ['../rows/listed.scss', './wire.scss'],
})
export default class Wire {
  protected readonly store = inject(RigStore);
  protected readonly fixes = inject(Fixes).byFinding;
  private readonly units = inject(UnitsStore);
  private readonly picked = signal<string | null>(null);
  protected readonly lanes = choicesOf(LANES);
  protected readonly conductors = CONDUCTORS.map((value) => ({ value, says: CONDUCTOR_WORDS[value] }));
  protected readonly back = RETURN_COLOUR;
  protected readonly byId = (r: WiredRun): string => r.id;
  protected readonly bySignal = (l: Labelled<SignalRun>): string => l.run.id;
  protected readonly ofBattery = (b: BatteryInUse): string => b.fitting;
  protected readonly adding = new FormGroup({
    from: new FormControl('', { nonNullable: true, validators: wordsWanted('Place a battery in the layout first.') }),
    to: new FormControl('', {
      nonNullable: true,
      validators: [wordsWanted('Nothing aboard draws current.'), ({ value }) => this.fed(String(value))],
    }),
    has: new FormControl<Conductors>('both', { nonNullable: true }),
    lane: new FormControl<Run['lane']>(LANES[0], { nonNullable: true }),
  });
  private readonly has = toSignal(this.adding.controls.has.valueChanges, { initialValue: 'both' as const });

  protected readonly runs = computed(() => this.store.state()?.workup.wiring.runs ?? []);
  private readonly signals = computed(() => this.store.state()?.workup.wiring.signals ?? []);
  protected readonly labelledSignals = computed(() => labelled(this.signals(), this.items()));
  private readonly cables = computed(() => [...this.runs(), ...this.signals()]);
  protected readonly chosen = computed(() => this.cables().find((r) => r.id === this.picked()) ?? this.cables()[0] ?? null);
  protected readonly run = computed((): WiredRun | null => {
    const chosen = this.chosen();
    return chosen && !isSignal(chosen) ? chosen : null;
  });
  protected readonly signal = computed((): SignalRun | null => {
    const chosen = this.chosen();
    return chosen && isSignal(chosen) ? chosen : null;
  });
  protected readonly tab = signal('Cables');
  protected readonly atLines = computed(() => this.tab() === 'Lines');
  protected readonly pickedLine = signal<string | null>(null);
  private readonly lines = computed(() => this.store.state()?.workup.lines ?? []);
  protected readonly line = computed(() => this.lines().find((l) => l.id === this.pickedLine()) ?? this.lines()[0] ?? null);
  private readonly items = computed(() => this.store.state()?.workup.aboard.owned ?? []);
  private readonly powered = computed(() => this.items().filter((i) => i.placed.part.power));
  private readonly wiredUp = computed(() => this.items().filter(({ placed: { part } }) => part.power ?? part.signal));
  protected readonly marks = computed(() => {
    const state = this.store.state();
    const led = this.lines().flatMap((l) => [l.line.carries, ...l.led.map((p) => p.fitting)]);
    const shown = new Set<string | null | undefined>(this.atLines() ? led : this.wiredUp().map((i) => i.placed.id));
    return state ? marksOf(state.workup).filter((m) => shown.has(m.id)) : [];
  });
  protected readonly boatRuns = computed(() => (this.atLines() ? this.lines().map(cordOnBoat) : this.cables().map(wireOnBoat)));
  protected readonly findings = computed(() =>
    unsettled(this.store.state()?.workup.findings ?? []).filter((f) => f.step === 'wire'),
  );
  /** What is not said on the card of the chosen run. */
  protected readonly otherFindings = computed(() => {
    const said = this.atLines()
      ? [this.line()?.id]
      : [this.chosen()?.id, this.chosen()?.to, ...(this.signal() ? [this.chosen()?.from] : [])];
    return this.findings().filter((f) => !said.includes(f.where));
  });
  protected readonly batteries = computed(() => this.store.state()?.workup.circuits.flatMap((c) => c.batteries) ?? []);
  protected readonly total = computed(() => this.runs().reduce((sum, r) => sum + r.conductors * r.cut, 0));

  /** What a proposal would change, and what it lacks. */
  protected readonly proposal = computed(() => {
    const state = this.store.state();
    return state ? proposeCircuit({ hull: state.workup.surface, plan: state.plan, owned: state.workup.aboard.owned }) : null;
  });

  /** The same of lines, while one looks at them. */
  protected readonly lineProposal = linesProposed(
    computed(() => {
      const state = this.store.state();
      if (!state || !this.atLines()) return null;
      const { plan, facts, workup } = state;
      const { aboard, surface, ledger } = workup;
      return {
        input: { ...inputOf(state), plan, facts, set: null },
        plain: () => proposeLines({ plan, owned: aboard.owned, surface, ledger }),
      };
    }),
  );

  private readonly named = (items: readonly Fitted[], under: string): Choice<string>[] =>
    items.map((i) => ({ value: i.placed.id, says: `${i.letter} ${i.placed.part.name}`, under }));
  private readonly of = (has: (power: NonNullable<Fitted['placed']['part']['power']>) => unknown): Fitted[] =>
    this.powered().filter((i) => i.placed.part.power && has(i.placed.part.power));
  /** What a signal cable can be plugged into. */
  private readonly signalled = computed(() =>
    this.named(
      this.items().filter((i) => i.placed.part.signal),
      'Signals',
    ),
  );
  protected readonly feeders = computed(() =>
    this.has() === 'signal'
      ? this.signalled()
      : [
          ...this.named(
            this.of((p) => p.battery),
            'Batteries',
          ),
          ...this.named(
            this.of((p) => p.passes),
            'Switches and boxes',
          ),
        ],
  );
  protected readonly takers = computed(() =>
    this.has() === 'signal'
      ? this.signalled()
      : [
          ...this.named(
            this.of((p) => p.draw),
            'Loads',
          ),
          ...this.named(
            this.of((p) => p.passes),
            'Switches and boxes',
          ),
          ...this.named(
            this.of((p) => p.charges),
            'Charge ports',
          ),
          ...(this.has() === 'both' && this.of((p) => p.battery).length < 2
            ? []
            : this.named(
                this.of((p) => p.battery),
                'Batteries',
              )),
        ],
  );

  /** What feeds a run, with the way where there are several. */
  protected from(r: WiredRun): string {
    const { ways = 1 } = this.items().find((i) => i.placed.id === r.from)?.placed.part.power?.passes ?? {};
    return `${this.letter(r.from)}${ways > 1 ? ` way ${r.way}` : ''}`;
  }

  protected letter = (id: string): string => this.items().find((i) => i.placed.id === id)?.letter ?? '?';
  protected name = (id: string): string => this.items().find((i) => i.placed.id === id)?.placed.part.name ?? id;
  protected volts = (v: number | null | undefined): string => (v === null || v === undefined ? 'not steady' : printVolts(v));

  /** Why a load takes no second feed, or null. */
  private fed(to: string): { says: string } | null {
    const { from, has } = this.adding?.getRawValue() ?? {};
    if (to && to === from) return { says: 'A run joins two different fittings.' };
    const twice = has === 'both' && this.runs().some((r) => r.to === to && r.conductors === 2);
    return to && twice ? { says: `${this.name(to)} has a feed already.` } : null;
  }

  constructor() {
    const fixes = inject(Fixes);
    const { from, to, has } = this.adding.controls;
    // Where a cable may go follows from where it comes from.
    merge(from.valueChanges, has.valueChanges)
      .pipe(takeUntilDestroyed())
      .subscribe(() => to.updateValueAndValidity());
    // Nothing that settles a wire or a line brings a part aboard.
    effect(() => {
      const state = this.store.state();
      if (!state) return;
      const { plan, facts, set } = state;
      const keys = this.findings().flatMap((f) => (f.fixable ? [f.key] : []));
      untracked(() => fixes.ask({ ...inputOf(state), plan, facts, set }, [], keys));
    });
    // The first of each is chosen, so that there is something to bend; what the other kind of cable does not go to is not.
    effect(() => {
      if (!this.feeders().some((f) => f.value === from.value)) from.reset();
      if (!this.takers().some((t) => t.value === to.value)) to.reset();
      const [battery, load] = [this.feeders()[0], this.takers().find((l) => l.under === 'Loads' && !this.fed(l.value))];
      if (!from.value && battery) from.setValue(battery.value);
      if (!to.value && load) to.setValue(load.value);
    });
  }

  protected pick(id: string): void {
    this.picked.set(id);
  }

  protected add(): void {
    const { from, to, lane, has } = this.adding.getRawValue();
    const id = `feed-${crypto.randomUUID().slice(0, 8)}`;
    const way = this.freeWay(from);
    const run: Run = {
      ...{ from, to, lane, via: [], awg: null },
      ...(has === 'both' ? {} : { has }),
      ...(way === null ? {} : { way }),
    };
    this.store.change({ id: crypto.randomUUID(), kind: 'routeRun', run: id, from: null, to: run });
    this.picked.set(id);
    this.adding.controls.to.reset();
  }

  /** The first way of a box that nothing hangs on; null where there is no choice of ways. */
  private freeWay(from: string): number | null {
    const { ways = 1 } = this.items().find((i) => i.placed.id === from)?.placed.part.power?.passes ?? {};
    if (ways < 2) return null;
    const taken = new Set(this.runs().flatMap((r) => (r.from === from ? (r.way ?? []) : [])));
    return freeWay(ways, taken) ?? ways;
  }

  protected paper = (name: Printed): string => documentUrl(this.store.state()?.doc.id ?? '', name, this.units.system());

  protected propose(): void {
    const change = asOne(this.proposal()?.changes ?? []);
    if (change) this.store.change(change);
  }
}
