import { ChangeDetectionStrategy, Component, computed, effect, inject, signal } from '@angular/core';
import { Explained } from '../controls/explained';
import { Icons } from '../controls/icons';
import { ValidSubmit } from '../controls/valid-submit';
import { QuantityField } from '../controls/quantity';
import { MatExpansionModule } from '@angular/material/expansion';
import { MatTableModule } from '@angular/material/table';
import { wordsWanted } from '../controls/zod-validator';
import { FormControl, FormGroup, ReactiveFormsModule } from '@angular/forms';
import { type Choice, ChoiceField, choicesOf } from '../controls/choice-field';
import { MatButtonModule } from '@angular/material/button';
import { printVolts, type BatteryInUse } from '@plain-cleat/core/circuits';
import type { Fitted } from '@plain-cleat/core/drilling';
import { unsettled } from '@plain-cleat/core/findings';
import { entryOf, LANES, type Run } from '@plain-cleat/core/rig';
import { FUSE_WITHIN, RETURN_COLOUR, type WiredRun } from '@plain-cleat/core/wiring';
import { FindingBox } from '../findings/finding-box';
import { wireThickness } from '../hull-view/lanes';
import { marksOf } from '../hull-view/marks';
import { Scale, WIDTH } from '../hull-view/scale';
import { Strip } from '../hull-view/strip';
import { Cut, Length } from '../hull-view/words';
import { RigStore } from '../stores/rig.store';

interface Box {
  readonly id: string;
  readonly x: number;
  readonly lane: number;
  readonly title: string;
  readonly more: string;
}

/** Wiring: the circuit stands along the boat, every part at its own x; thickness is gauge. */
@Component({
  selector: 'pc-wire',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    Strip,
    Cut,
    Length,
    FindingBox,
    MatButtonModule,
    ReactiveFormsModule,
    MatTableModule,
    MatExpansionModule,
    QuantityField,
    ChoiceField,
    ValidSubmit,
    Icons,
    Explained,
  ],
  templateUrl: './wire.html',
  styleUrl: './wire.scss',
})
export default class Wire {
  protected readonly store = inject(RigStore);
  private readonly picked = signal<string | null>(null);
  protected readonly lanes = choicesOf(LANES);
  protected readonly sides = choicesOf(['port', 'starboard'] as const);
  protected readonly columns = ['run', 'lane', 'cut', 'gauge', 'colour', 'drop', 'fuse'];
  protected readonly byId = (_: number, r: WiredRun): string => r.id;
  protected readonly adding = new FormGroup({
    from: new FormControl('', { nonNullable: true, validators: wordsWanted('Place a battery in the layout first.') }),
    to: new FormControl('', {
      nonNullable: true,
      validators: [wordsWanted('Nothing aboard draws current.'), ({ value }) => this.fed(String(value))],
    }),
    lane: new FormControl<Run['lane']>(LANES[0], { nonNullable: true }),
  });
  protected readonly point = new FormGroup({
    along: new FormControl<number | null>(null),
    off: new FormControl<number | null>(null),
    side: new FormControl<'port' | 'starboard'>('port', { nonNullable: true }),
  });
  protected readonly fault = signal('');
  protected readonly width = WIDTH;
  protected readonly fuseWithin = FUSE_WITHIN;
  protected readonly back = RETURN_COLOUR;
  protected readonly gauges = ([0, 18, 16, 14, 12, 10, 8, 6, 4, 2] as const).map((value) => ({
    value: value as number,
    says: value ? `${value} AWG` : 'as chosen',
  }));
  protected readonly runs = computed(() => this.store.state()?.workup.wiring.runs ?? []);
  protected readonly run = computed(() => this.runs().find((r) => r.id === this.picked()) ?? this.runs()[0] ?? null);
  protected readonly plan = computed(() => entryOf(this.store.state()?.plan.runs, this.run()?.id ?? '') ?? null);
  protected readonly marks = computed(() => {
    const state = this.store.state();
    const wired = new Set(this.runs().flatMap((r) => [r.from, r.to]));
    return state ? marksOf(state.workup).filter((m) => wired.has(m.id) || this.loads().some((l) => l.placed.id === m.id)) : [];
  });
  protected readonly stripRuns = computed(() =>
    this.runs().map((r) => ({ id: r.id, path: r.path, thick: wireThickness(r.awg) })),
  );
  protected readonly items = computed(() => this.store.state()?.workup.aboard.items ?? []);
  protected readonly batteries = computed(() => this.items().filter((i) => i.placed.part.power?.battery));
  protected readonly loads = computed(() => this.items().filter((i) => i.placed.part.power?.draw));
  protected readonly findings = computed(() =>
    unsettled(this.store.state()?.workup.findings ?? []).filter((f) => f.step === 'wire'),
  );
  /** What is about no run: a battery, a load that nothing feeds. */
  protected readonly otherFindings = computed(() => {
    const shown = new Set(this.runs().flatMap((r) => [r.id, r.to]));
    return this.findings().filter((f) => !shown.has(f.where));
  });
  protected readonly inUse = computed(() => this.store.state()?.workup.circuits.filter((b) => b.loads.length > 0) ?? []);
  protected readonly ofBattery = (_: number, b: BatteryInUse): string => b.fitting;
  protected readonly batteryColumns = ['battery', 'gives', 'most', 'full', 'low', 'hours'];
  /** What the load of the run shown gets. */
  protected readonly gets = computed(
    () =>
      this.inUse()
        .flatMap((b) => b.loads)
        .find((l) => l.run === this.run()?.id) ?? null,
  );
  protected volts = (v: number | null | undefined): string => (v === null || v === undefined ? 'not steady' : printVolts(v));
  protected readonly total = computed(() => this.runs().reduce((sum, r) => sum + 2 * r.cut, 0));

  protected letter = (id: string): string => this.items().find((i) => i.placed.id === id)?.letter ?? '?';
  protected name = (id: string): string => this.items().find((i) => i.placed.id === id)?.placed.part.name ?? id;
  protected thick = (r: WiredRun): number => wireThickness(r.awg);

  /** Loads, fuses and batteries at their own x, pushed apart just enough to read. */
  protected readonly circuit = computed(() => {
    const w = this.store.state()?.workup;
    if (!w) return { boxes: [], joins: [] };
    const scale = new Scale(w.surface, 0);
    const at = (id: string): number => scale.x(w.aboard.items.find((i) => i.placed.id === id)?.placed.frame.origin.x ?? 0);
    const loads = this.loads().map((i): Box => ({
      id: i.placed.id,
      lane: 0,
      x: at(i.placed.id),
      title: `${i.letter} ${i.placed.part.kind}`,
      more: `${i.placed.part.power?.draw?.amps ?? 0} A`,
    }));
    const fuses = this.runs().map((r, n): Box => ({
      id: `fuse ${r.id}`,
      lane: 1,
      x: at(r.from) + n * 4,
      title: `${r.fuse.rating ?? '–'} A`,
      more: r.kind === 'motor' ? 'breaker' : 'fuse',
    }));
    const batteries = this.batteries().map((i): Box => ({
      id: i.placed.id,
      lane: 2,
      x: at(i.placed.id),
      title: `${i.letter} ${i.placed.part.power?.battery?.ampHours ?? 0} Ah`,
      more: `${i.placed.part.power?.battery?.volts ?? 0} V`,
    }));
    const boxes = [loads, fuses, batteries].flatMap(spread);
    const where = new Map(boxes.map((b) => [b.id, b]));
    const joins = this.runs().flatMap((r) => {
      const [load, fuse, battery] = [where.get(r.to), where.get(`fuse ${r.id}`), where.get(r.from)];
      if (!load || !fuse || !battery) return [];
      return [
        { id: r.id, thick: this.thick(r), d: `M${battery.x} 160V120M${fuse.x} 84V62H${load.x}V48M${fuse.x} 118H${battery.x}` },
      ];
    });
    return { boxes, joins };
  });

  protected pick(id: string): void {
    this.picked.set(id);
    this.fault.set('');
  }

  private put(run: string, from: Run | null, to: Run | null): void {
    this.store.change({ id: crypto.randomUUID(), kind: 'routeRun', run, from, to });
  }

  private readonly named = (items: readonly Fitted[]): Choice<string>[] =>
    items.map((i) => ({ value: i.placed.id, says: `${i.letter} ${i.placed.part.name}` }));
  protected readonly batteryChoices = computed(() => this.named(this.batteries()));
  protected readonly loadChoices = computed(() => this.named(this.loads()));

  private fed(to: string): { says: string } | null {
    return to && this.runs().some((r) => r.to === to) ? { says: `${this.name(to)} has a feed already.` } : null;
  }

  constructor() {
    // The first of each is chosen, so that there is something to bend.
    effect(() => {
      const { from, to } = this.adding.controls;
      const [battery, load] = [this.batteryChoices()[0], this.loadChoices().find((l) => !this.fed(l.value))];
      if (!from.value && battery) from.setValue(battery.value);
      if (!to.value && load) to.setValue(load.value);
    });
  }

  protected add(): void {
    const { from, to, lane } = this.adding.getRawValue();
    const id = `feed-${crypto.randomUUID().slice(0, 8)}`;
    this.put(id, null, { from, to, lane, via: [], awg: null });
    this.picked.set(id);
    this.adding.controls.to.reset();
  }

  protected set(more: Partial<Run>): void {
    const [run, plan] = [this.run(), this.plan()];
    if (run && plan) this.put(run.id, plan, { ...plan, ...more });
  }

  protected drop(): void {
    const [run, plan] = [this.run(), this.plan()];
    if (run && plan) this.put(run.id, plan, null);
  }

  /** A point the wire must pass, from the bow and off the centre line. */
  protected addPoint(): void {
    const { along, off, side } = this.point.getRawValue();
    const hull = this.store.state()?.workup.surface;
    const plan = this.plan();
    if (!hull || !plan || along === null || off === null) return;
    this.fault.set(off > hull.halfBreadth(along) ? 'Off centre: that is off the hull there.' : '');
    if (this.fault()) return;
    this.set({ via: [...plan.via, { at: 'point', x: along, y: side === 'port' ? -off : off }] });
    this.point.reset();
  }

  protected removePoint(index: number): void {
    this.set({ via: this.plan()?.via.filter((_, i) => i !== index) ?? [] });
  }
}

/** Pushes boxes of one lane apart from bow to stern, then back inside the right edge. */
function spread(boxes: readonly Box[]): Box[] {
  const gap = 98;
  const out: Box[] = [];
  for (const b of [...boxes].sort((p, q) => p.x - q.x)) out.push({ ...b, x: Math.max(b.x, (out.at(-1)?.x ?? 60) + gap, 140) });
  for (let i = out.length - 1, most = WIDTH - 50; i >= 0; i--, most -= gap) {
    const b = out[i];
    if (b && b.x > most) out[i] = { ...b, x: most };
  }
  return out;
}
