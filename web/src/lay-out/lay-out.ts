import {
  ChangeDetectionStrategy,
  Component,
  computed,
  effect,
  type ElementRef,
  HostListener,
  inject,
  signal,
  untracked,
  viewChild,
} from '@angular/core';
import {
  type Change,
  type Cure,
  datums,
  type Fitting,
  MM_PER_INCH,
  mountAdvice,
  nudge,
  type Part,
  type Place,
  placeFitting,
  snapPlace,
  strokeBand,
  turn,
  unsettled,
} from '@plain-cleat/core';
import { Lanes, wireThickness } from '../hull-view/lanes';
import { marksOf } from '../hull-view/marks';
import { Strip } from '../hull-view/strip';
import { RigStore } from '../stores/rig.store';
import { UnitsStore } from '../stores/units.store';
import { Card } from './card';
import { Cures } from './cures';
import { Keys } from './keys';
import { Palette } from './palette';
import { ToSettle } from './to-settle';

/** Laying out: the strip, the tape, what to settle under the boat, lanes, palette and card. */
@Component({
  selector: 'pc-lay-out',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Strip, Lanes, Card, Palette, ToSettle, Keys],
  providers: [Cures],
  templateUrl: './lay-out.html',
  styleUrl: './lay-out.scss',
})
export default class LayOut {
  protected readonly store = inject(RigStore);
  protected readonly units = inject(UnitsStore);
  protected readonly cures = inject(Cures);
  private readonly palette = viewChild(Palette);
  private readonly hook = viewChild<ElementRef<HTMLSelectElement>>('hook');
  protected readonly chosen = signal<string | null>(null);
  protected readonly placing = signal<Part | null>(null);
  protected readonly carrying = signal(false);
  protected readonly flipped = signal(false);
  protected readonly showKeys = signal(false);
  protected readonly spoken = signal('');

  protected readonly item = computed(() => this.store.state()?.workup.items.find((i) => i.placed.id === this.chosen()) ?? null);
  protected readonly marks = computed(() => {
    const w = this.store.state()?.workup;
    return w ? marksOf(w) : [];
  });
  protected readonly runs = computed(() =>
    (this.store.state()?.workup.runs ?? []).map((r) => ({ id: r.id, path: r.path, thick: wireThickness(r.awg) })),
  );
  protected readonly open = computed(() =>
    unsettled(this.store.state()?.workup.findings ?? []).filter((f) => f.step === 'lay out'),
  );
  protected readonly accepted = computed(() =>
    (this.store.state()?.workup.findings ?? []).filter((f) => f.accepted && f.step === 'lay out'),
  );
  protected readonly band = computed(() => {
    const state = this.store.state();
    return state?.plan.brief.propulsion.includes('paddle') ? strokeBand(state.workup.surface, state.plan.brief) : null;
  });
  protected readonly hooks = computed(() => {
    const w = this.store.state()?.workup;
    return w ? datums(w.surface) : [];
  });
  protected readonly advice = computed(() => {
    const state = this.store.state();
    const item = this.item();
    return state && item ? mountAdvice(state.workup.surface, item.placed, state.plan.brief, state.doc.shop) : [];
  });

  constructor() {
    effect(() => {
      const state = this.store.state();
      if (!state) return;
      const { plan, facts, doc } = state;
      const input = { plan, hull: doc.hull, facts, catalog: doc.catalog, shop: doc.shop, asOf: doc.today };
      untracked(() =>
        this.cures.ask(
          input,
          this.open().some((f) => f.curable),
        ),
      );
    });
  }

  private id = (): string => crypto.randomUUID();

  protected pick(id: string | null): void {
    this.chosen.set(id);
    this.carrying.set(false);
    const item = this.item();
    if (item) this.spoken.set(`${item.letter}, ${item.placed.part.name}`);
  }

  protected slide(item: string, to: Place): void {
    const from = this.store.state()?.settled.fittings[item]?.place;
    if (from) this.store.change({ id: this.id(), kind: 'slideItem', item, from, to });
  }

  protected drag(at: { id: string; x: number; y: number; done: boolean }): void {
    const state = this.store.state();
    // What is under the finger is only a preview: it moves from where it settled.
    const fitting = state?.settled.fittings[at.id];
    const part = state?.doc.catalog.parts.find((p) => p.id === fitting?.part);
    if (!state || !fitting || !part) return;
    const heading = 'heading' in fitting.place ? fitting.place.heading : 0;
    const to = snapPlace(state.workup.surface, part, at, this.units.system(), heading);
    const mount = this.mountFor(part, to, fitting);
    const slide = { id: this.id(), kind: 'slideItem' as const, item: at.id, from: fitting.place, to };
    const change: Change =
      mount.hold === fitting.mount.hold
        ? slide
        : {
            id: this.id(),
            kind: 'together',
            changes: [slide, { id: this.id(), kind: 'chooseMount', item: at.id, from: fitting.mount, to: mount }],
          };
    if (at.done) this.store.change(change);
    else this.store.preview(change);
  }

  /** The best way to hold a part at a place; kept as it is when it still fits there. */
  private mountFor(part: Part, place: Place, now?: Fitting): Fitting['mount'] {
    const state = this.store.state();
    const draft: Fitting = now
      ? { ...now, place }
      : {
          part: part.id,
          place,
          lift: 0,
          mount: { hold: part.holds[0] ?? 'loose', plate: false, reason: '' },
          suppliedBy: 'shop',
          note: '',
        };
    const placed = state && placeFitting(state.workup.surface, 'new', draft, part);
    if (!state || !placed) return draft.mount;
    const advice = mountAdvice(state.workup.surface, placed, state.plan.brief, state.doc.shop);
    if (now && advice.some((a) => a.hold === now.mount.hold && a.fits)) return now.mount;
    const [best] = advice;
    return best ? { hold: best.hold, plate: best.plate, reason: '' } : draft.mount;
  }

  protected place(part: Part, at: { x: number; y: number }): void {
    const state = this.store.state();
    if (!state) return;
    const to = snapPlace(state.workup.surface, part, at, this.units.system());
    const item = `${part.id.slice(0, 40)}-${this.id().slice(0, 6)}`;
    const ownedAlready = Object.values(state.plan.wishes).some((w) => w.part === part.id);
    this.store.change({
      id: this.id(),
      kind: 'placeItem',
      item,
      to: {
        part: part.id,
        place: to,
        lift: 0,
        mount: this.mountFor(part, to),
        suppliedBy: 'shop',
        note: ownedAlready ? 'from the wish list' : '',
      },
    });
    this.placing.set(null);
    this.pick(item);
  }

  protected dropped(at: { x: number; y: number; part: string }): void {
    const part = this.store.state()?.doc.catalog.parts.find((p) => p.id === at.part) ?? this.placing();
    if (part) this.place(part, at);
  }

  /** By keyboard a part comes aboard at the seat, on the first free track it can ride. */
  protected placeFromKeyboard(part: Part): void {
    const hull = this.store.state()?.doc.hull;
    if (!hull) return;
    const track = part.holds.includes('track') ? hull.tracks.find((t) => t.fore > hull.seat.x) : undefined;
    this.place(part, track ? { x: track.fore + 60, y: track.y } : { x: hull.seat.x + 500, y: 0 });
  }

  protected takeOff(item: string): void {
    const plan = this.store.state()?.plan;
    const from = plan?.fittings[item];
    if (!plan || !from) return;
    const runs = Object.entries(plan.runs).filter(([, r]) => r.from === item || r.to === item);
    const off = { id: this.id(), kind: 'takeOffItem' as const, item, from };
    this.store.change(
      runs.length === 0
        ? off
        : {
            id: this.id(),
            kind: 'together',
            changes: [...runs.map(([run, r]) => ({ id: this.id(), kind: 'routeRun' as const, run, from: r, to: null })), off],
          },
    );
    this.pick(null);
  }

  protected cure(cure: Cure): void {
    this.store.change({ ...cure.change, id: this.id() });
  }

  protected hookOn(datum: string, run: string): void {
    const from = this.store.state()?.plan.tape;
    if (from) this.store.change({ id: this.id(), kind: 'hookTape', from, to: { datum, run: run as typeof from.run } });
  }

  private walk(step: 1 | -1): void {
    const marks = this.marks();
    if (marks.length === 0) return;
    const i = marks.findIndex((m) => m.id === this.chosen());
    const next = marks[i < 0 ? (step > 0 ? 0 : marks.length - 1) : (i + step + marks.length) % marks.length];
    this.pick(next?.id ?? null);
  }

  private nudgeBy(event: KeyboardEvent): void {
    const state = this.store.state();
    const id = this.chosen();
    const fitting = id ? state?.plan.fittings[id] : undefined;
    if (!state || !id || !fitting) return;
    const fine = this.units.system() === 'imperial' ? MM_PER_INCH / 16 : 1;
    const step = (event.shiftKey ? 16 : 1) * fine;
    const [dx, dy] = (
      { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, 1], ArrowDown: [0, -1] } as Record<string, [number, number]>
    )[event.key] ?? [0, 0];
    const sign = this.flipped() ? -1 : 1;
    this.slide(id, nudge(state.workup.surface, fitting.place, sign * dx * step, sign * dy * step));
  }

  @HostListener('window:keydown', ['$event'])
  protected key(event: KeyboardEvent): void {
    const target = event.target as HTMLElement;
    if (event.ctrlKey || event.metaKey || event.altKey || target.closest('input, textarea, select, [role=dialog]')) return;
    const id = this.chosen();
    const fitting = id ? this.store.state()?.plan.fittings[id] : undefined;
    const arrows = event.key.startsWith('Arrow');
    const act: Record<string, () => void> = {
      '/': () => {
        this.pick(null);
        setTimeout(() => this.palette()?.focus());
      },
      '?': () => this.showKeys.update((s) => !s),
      u: () => this.store.undo(),
      U: () => this.store.redo(),
      h: () => this.hook()?.nativeElement.focus(),
      f: () => this.flipped.update((x) => !x),
      m: () => document.querySelector<HTMLElement>('.mounts button')?.focus(),
      Escape: () => (this.carrying() || this.placing() ? (this.carrying.set(false), this.placing.set(null)) : this.pick(null)),
      ...(id && fitting
        ? {
            '[': () => this.slide(id, turn(fitting.place, 15)),
            ']': () => this.slide(id, turn(fitting.place, -15)),
            Delete: () => this.takeOff(id),
            g: () => {
              this.carrying.update((c) => !c);
              this.spoken.set(this.carrying() ? 'Picked up: arrows move it' : 'Put down');
            },
          }
        : {}),
    };
    if (arrows && this.carrying()) this.nudgeBy(event);
    else if (event.key === 'ArrowLeft' || event.key === 'ArrowRight') this.walk(event.key === 'ArrowRight' ? 1 : -1);
    else if (act[event.key]) act[event.key]?.();
    else return;
    event.preventDefault();
  }
}
