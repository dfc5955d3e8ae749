import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatCheckboxModule } from '@angular/material/checkbox';
import { MatExpansionModule } from '@angular/material/expansion';
import type { Fix } from '@plain-cleat/core/proposals/fixes';
import { GAUGES, gaugeWords, printAmps, printVolts, RETURN_COLOUR } from '@plain-cleat/core/electric/circuits';
import { currentsOf } from '@plain-cleat/core/electric/day';
import { CONDUCTORS, entryOf, GUARDS, type Conductors, type GuardKind, type Run } from '@plain-cleat/core/rig';
import { guardWords, type Proposal, type WiredRun } from '@plain-cleat/core/electric/wiring';
import { type Choice, ChoiceField, choicesOf } from '../controls/choice-field';
import { Explained } from '../controls/explained';
import { Icons } from '../controls/icons';
import { QuantityField } from '../controls/quantity';
import { TextField } from '../controls/text-field';
import { FindingBox } from '../findings/finding-box';
import { Cut, Words } from '../boat-view/words';
import { RigStore } from '../stores/rig.store';
import { ownRun, putRun } from './plan-run';
import { RunPath } from './run-path';
import { field, liveForm, words } from '../controls/live-form';

/** What a cable's conductors are called. */
export const CONDUCTOR_WORDS: Readonly<Record<Conductors, string>> = {
  both: 'two: out and back',
  plus: 'one: out',
  minus: 'one: back',
  series: 'one: plus to the next minus',
  signal: 'none: a signal cable',
};

type GuardChoice = 'as chosen' | 'none' | GuardKind;

/** One cable: what it carries, why that gauge, what protects it, and what the rigger makes of it. */
@Component({
  selector: 'pc-run-card',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    ...[Cut, Words, FindingBox, MatButtonModule, MatExpansionModule, QuantityField, TextField, ChoiceField, Icons],
    ...[Explained, MatCheckboxModule, RunPath],
  ],
  templateUrl: './run-card.html',
  styles: `
    header {
      flex-wrap: nowrap;
      align-items: flex-start;
    }
    .ruled {
      font-weight: 600;
    }
  `,
})
export class RunCard {
  protected readonly store = inject(RigStore);
  readonly run = input.required<WiredRun>();
  /** What would be proposed as things stand, with why. */
  readonly proposal = input<Proposal | null>(null);
  readonly fixes = input<Readonly<Record<string, readonly Fix[]>>>({});
  readonly deleted = output();
  protected readonly back = RETURN_COLOUR;
  protected readonly conductors = CONDUCTORS.filter((c) => c !== 'signal').map((value) => ({
    value,
    says: CONDUCTOR_WORDS[value],
  }));
  protected readonly gauges = computed(() =>
    [0, ...GAUGES].map((value) => ({ value: value as number, says: value ? this.called(value) : 'as chosen' })),
  );
  protected readonly guards = choicesOf<GuardChoice>(['as chosen', 'none', ...GUARDS]);
  protected readonly plan = computed(() => entryOf(this.store.state()?.plan.runs, this.run().id) ?? null);
  protected readonly form = liveForm(
    {
      awg: field<number>(
        () => this.plan()?.awg ?? 0,
        (awg) => this.set({ awg: awg || null }),
      ),
      way: field(
        () => this.plan()?.way ?? 1,
        (way) => this.set({ way }),
      ),
      name: words(
        () => this.plan()?.name ?? '',
        (name) => this.setName(name),
      ),
      guard: field(
        () => this.guard().choice,
        (choice) => this.setGuard(choice),
      ),
      rating: field(
        () => this.run().guard?.rating ?? null,
        (amps) => this.setRating(amps),
      ),
      along: field(
        () => this.run().guard?.along ?? null,
        (mm) => this.setAlong(mm),
      ),
      loop: field<number | null>(
        () => this.plan()?.loop ?? 0,
        (mm) => this.setLoop(mm),
      ),
      has: field<Conductors>(
        () => this.plan()?.has ?? 'both',
        (has) => this.set({ has }),
      ),
    },
    () => this.run().id,
  );
  private readonly owned = computed(() => this.store.state()?.workup.aboard.owned ?? []);
  private readonly ends = computed(() => {
    const { from, to } = this.run();
    const of = (id: string) => this.owned().find((i) => i.placed.id === id);
    return { from: of(from), to: of(to) };
  });
  protected readonly letter = computed(() => this.ends().to?.letter ?? '?');
  protected readonly fromName = computed(() => this.ends().from?.placed.part.name ?? this.run().from);
  protected readonly toName = computed(() => this.ends().to?.placed.part.name ?? this.run().to);

  /** Why the proposal made it so, while it stands as it was proposed. */
  protected readonly why = computed(() =>
    this.plan()?.proposed ? (this.proposal()?.runs.get(this.run().id)?.why ?? null) : null,
  );

  /** The ways of what feeds it, where there are several, with what is on them. */
  protected readonly ways = computed((): Choice<number>[] => {
    const { ways = 1 } = this.ends().from?.placed.part.power?.passes ?? {};
    if (ways < 2) return [];
    const others =
      this.store.state()?.workup.wiring.runs.filter((r) => r.from === this.run().from && r.id !== this.run().id) ?? [];
    return Array.from({ length: ways }, (_, i) => {
      const on = others.filter((r) => r.way === i + 1).map((r) => r.name ?? 'taken');
      return { value: i + 1, says: `${i + 1}, ${on.length ? [...new Set(on)].join(', ') : 'free'}` };
    });
  });

  protected readonly guard = computed(() => {
    const own = this.plan()?.guard;
    const { enclosed = false, bothEnds = false } = typeof own === 'object' ? own : {};
    const choice: GuardChoice = own === undefined ? 'as chosen' : own === 'none' ? 'none' : (own.is ?? 'as chosen');
    return { own, choice, enclosed, bothEnds };
  });
  protected readonly guarded = computed(() => guardWords(this.run()));

  protected readonly currents = computed(() => {
    const workup = this.store.state()?.workup;
    return workup ? currentsOf(this.run(), workup) : null;
  });
  /** What the load at its end gets. */
  protected readonly gets = computed(
    () =>
      this.store
        .state()
        ?.workup.circuits.flatMap((c) => c.loads)
        .find((l) => l.fitting === this.run().to) ?? null,
  );
  /** Whether a motor hangs on the same batteries. */
  protected readonly byMotor = computed(
    () =>
      this.store
        .state()
        ?.workup.circuits.some(
          ({ loads }) => loads.some((l) => l.of === 'motor') && loads.some((l) => l.fitting === this.run().to),
        ) ?? false,
  );
  protected readonly findings = computed(
    () => this.store.state()?.workup.findings.filter((f) => !f.accepted && f.step === 'wire' && this.isAbout(f.where)) ?? [],
  );

  private isAbout = (where: string): boolean => where === this.run().id || where === this.run().to;
  /** A size in the series the shop buys. */
  protected called = (awg: number | null): string => gaugeWords(awg, this.store.state()?.workup.wiring.rules.series ?? 'AWG');
  protected amps = printAmps;
  protected volts = (v: number | null): string => (v === null ? 'not steady' : printVolts(v));

  protected set(more: Partial<Run>): void {
    const plan = this.plan();
    if (plan) this.put(ownRun(plan, more));
  }

  private setGuard(choice: GuardChoice): void {
    const plan = this.plan();
    if (!plan) return;
    const { guard, proposed: _, ...bare } = plan;
    const kept = typeof guard === 'object' ? guard : { amps: null, along: this.run().guard?.along ?? 100 };
    if (choice === 'as chosen') this.put(bare);
    else this.put({ ...bare, guard: choice === 'none' ? 'none' : { ...kept, is: choice } });
  }

  private setRating(amps: number | null): void {
    this.set({ guard: { ...this.ownGuard(), amps } });
  }

  private setAlong(along: number | null): void {
    if (along !== null) this.set({ guard: { ...this.ownGuard(), along } });
  }

  /** Whether what it goes to is a charger or a port for one. */
  protected readonly charger = computed(() =>
    this.store.state()?.workup.wiring.network.ports.some((p) => p.fitting === this.run().to),
  );

  protected setOfGuard(what: 'enclosed' | 'bothEnds', is: boolean): void {
    const { [what]: _, ...guard } = this.ownGuard();
    this.set({ guard: is ? { ...guard, [what]: true } : guard });
  }

  private setLoop(loop: number | null): void {
    const plan = this.plan();
    if (!plan || loop === null) return;
    const { loop: _, proposed: __, ...bare } = plan;
    this.put(loop > 0 ? { ...bare, loop } : bare);
  }

  private ownGuard(): Exclude<Run['guard'], 'none' | undefined> {
    const { own } = this.guard();
    return typeof own === 'object' ? own : { is: null, amps: null, along: this.run().guard?.along ?? 100 };
  }

  private setName(name: string): void {
    const plan = this.plan();
    if (!plan) return;
    const { name: _, proposed: __, ...bare } = plan;
    const words = name.trim();
    this.put(words ? { ...bare, name: words } : bare);
  }

  protected drop(): void {
    this.put(null);
    this.deleted.emit();
  }

  private put(to: Run | null): void {
    putRun(this.store, this.run().id, this.plan(), to);
  }
}
