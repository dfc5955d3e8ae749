import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { entryOf, FUSE_WITHIN, LANES, parseLength, type Run, unsettled, type WiredRun } from '@plain-cleat/core';
import { FindingBox } from '../findings/finding-box';
import { wireThickness } from '../hull-view/lanes';
import { marksOf } from '../hull-view/marks';
import { Scale, WIDTH } from '../hull-view/scale';
import { Strip } from '../hull-view/strip';
import { Cut, Length } from '../hull-view/words';
import { RigStore } from '../stores/rig.store';
import { UnitsStore } from '../stores/units.store';

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
  imports: [Strip, Cut, Length, FindingBox],
  templateUrl: './wire.html',
  styleUrl: './wire.scss',
})
export default class Wire {
  protected readonly store = inject(RigStore);
  private readonly units = inject(UnitsStore);
  private readonly picked = signal<string | null>(null);
  protected readonly lanes = LANES;
  protected readonly fault = signal('');
  protected readonly sources = signal(false);
  protected readonly width = WIDTH;
  protected readonly fuseWithin = FUSE_WITHIN;
  protected readonly gauges = [null, 18, 16, 14, 12, 10, 8, 6, 4, 2] as const;
  protected readonly runs = computed(() => this.store.state()?.workup.runs ?? []);
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
  protected readonly items = computed(() => this.store.state()?.workup.items ?? []);
  protected readonly batteries = computed(() => this.items().filter((i) => i.placed.part.battery));
  protected readonly loads = computed(() => this.items().filter((i) => i.placed.part.draw));
  protected readonly findings = computed(() =>
    unsettled(this.store.state()?.workup.findings ?? []).filter((f) => f.step === 'wire'),
  );
  protected readonly total = computed(() => this.runs().reduce((sum, r) => sum + 2 * r.cut, 0));

  protected letter = (id: string): string => this.items().find((i) => i.placed.id === id)?.letter ?? '?';
  protected name = (id: string): string => this.items().find((i) => i.placed.id === id)?.placed.part.name ?? id;
  protected thick = (r: WiredRun): number => wireThickness(r.awg);

  /** Loads, fuses and batteries at their own x, pushed apart just enough to read. */
  protected readonly circuit = computed(() => {
    const w = this.store.state()?.workup;
    if (!w) return { boxes: [], joins: [] };
    const scale = new Scale(w.surface, 0);
    const at = (id: string): number => scale.x(w.items.find((i) => i.placed.id === id)?.placed.frame.origin.x ?? 0);
    const loads = this.loads().map((i): Box => ({
      id: i.placed.id,
      lane: 0,
      x: at(i.placed.id),
      title: `${i.letter} ${i.placed.part.kind}`,
      more: `${i.placed.part.draw?.amps ?? 0} A`,
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
      title: `${i.letter} ${i.placed.part.battery?.ampHours ?? 0} Ah`,
      more: `${i.placed.part.battery?.volts ?? 0} V`,
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

  protected add(from: string, to: string, lane: string): void {
    this.fault.set(
      !from
        ? 'Battery: place one in the layout first.'
        : !to
          ? 'Load: nothing aboard draws current.'
          : this.runs().some((r) => r.to === to)
            ? `${this.name(to)} has a feed already.`
            : '',
    );
    if (this.fault()) return;
    const id = `feed-${crypto.randomUUID().slice(0, 8)}`;
    this.put(id, null, { from, to, lane: lane as Run['lane'], via: [], awg: null });
    this.picked.set(id);
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
  protected addPoint(along: string, off: string, side: string): void {
    const [x, y] = [parseLength(along, this.units.system()), parseLength(off, this.units.system())];
    const hull = this.store.state()?.workup.surface;
    const plan = this.plan();
    if (!hull || !plan) return;
    this.fault.set(
      !x.ok
        ? `From the bow: ${x.says}`
        : !y.ok
          ? `Off centre: ${y.says}`
          : x.mm < 0 || x.mm > hull.length
            ? 'From the bow: that is not on this hull'
            : y.mm < 0 || y.mm > hull.halfBreadth(x.mm)
              ? 'Off centre: that is off the hull there'
              : '',
    );
    if (this.fault() || !x.ok || !y.ok) return;
    const at = { at: 'point' as const, x: x.mm, y: side === 'port' ? -y.mm : y.mm };
    this.set({ via: [...plan.via, at] });
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
