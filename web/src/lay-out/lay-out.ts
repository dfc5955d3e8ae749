import {
  afterNextRender,
  ChangeDetectionStrategy,
  Component,
  computed,
  DestroyRef,
  effect,
  HostListener,
  inject,
  Injector,
  signal,
  untracked,
  viewChild,
} from '@angular/core';
import { DragDropModule } from '@angular/cdk/drag-drop';
import { Icons } from '../controls/icons';
import { Fixes } from '../findings/fixes';
import { ChoiceField } from '../controls/choice-field';
import { MatTooltipModule } from '@angular/material/tooltip';
import { MatButtonToggleModule } from '@angular/material/button-toggle';
import { MatSlideToggleModule } from '@angular/material/slide-toggle';
import { MatButtonModule } from '@angular/material/button';
import { adviceSetting, mountAdvice, type MountAdvice } from '@plain-cleat/core/checks/advice';
import type { Part } from '@plain-cleat/core/parts/parts';
import { type Fix, mayHelp } from '@plain-cleat/core/proposals/fixes';
import type { Fitted } from '@plain-cleat/core/holding/fitted';
import { unsettled } from '@plain-cleat/core/checks/findings';
import { hookAt, RUN_NAMES } from '@plain-cleat/core/boat/hull';
import type { RoomOffer } from '@plain-cleat/core/holding/inside';
import { type Plan, type Assembly, type Place, takeOff } from '@plain-cleat/core/rig';
import { MM_PER_INCH } from '@plain-cleat/core/base/units';
import { Lanes } from '../boat-view/lanes';
import { BoatView } from '../boat-view/boat-view';
import { inputOf, RigStore } from '../stores/rig.store';
import { UnitsStore } from '../stores/units.store';
import { asOne } from '../stores/as-one';
import { copies } from './arrange';
import { Making } from '../own-part/making';
import { Moves } from './moves';
import { Card } from './card';
import { Choice } from './choice';
import { Drawn } from './drawn';
import { Hands } from './hands';
import { InsideAnswers } from '../inside/inside-answers';
import { keyFor } from './key-for';
import { Keys } from './keys';
import { AssemblyStore } from '../stores/assembly.store';
import { Palette } from './palette';
import { SetsBar } from './sets-bar';
import { MultiSelect } from './multi-select';
import { Stowing } from '../inside/stowing';
import { ToSettle } from './to-settle';
import { field, liveForm } from '../controls/live-form';

/** Laying out: the strip, the tape, sets, what to settle under the boat, lanes, palette and card. */
@Component({
  selector: 'pc-lay-out',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    BoatView,
    Lanes,
    Card,
    Palette,
    ToSettle,
    Keys,
    SetsBar,
    MultiSelect,
    Stowing,
    Hands,
    MatButtonModule,
    MatButtonToggleModule,
    MatSlideToggleModule,
    InsideAnswers,
    MatTooltipModule,
    ChoiceField,
    Icons,
    DragDropModule,
  ],
  providers: [Fixes, Moves, Making],
  templateUrl: './lay-out.html',
  styleUrl: './lay-out.scss',
})
export default class LayOut {
  protected readonly store = inject(RigStore);
  protected readonly units = inject(UnitsStore);
  protected readonly fixes = inject(Fixes);
  protected readonly moves = inject(Moves);
  private readonly makingOf = inject(Making);
  protected readonly library = inject(AssemblyStore);
  private readonly palette = viewChild(Palette);
  private readonly card = viewChild(Card);
  private readonly boat = viewChild(BoatView);
  private readonly injector = inject(Injector);
  protected readonly tapeRuns = Object.entries(RUN_NAMES).map(([value, says]) => ({
    value: value as keyof typeof RUN_NAMES,
    says,
  }));
  protected readonly choice = new Choice();
  protected readonly chosen = this.choice.one;
  protected readonly selection = this.choice.selection;
  protected readonly spoken = this.choice.spoken;
  protected readonly placing = signal<Part | null>(null);
  /** The rooms that take what is being placed. */
  protected readonly offers = signal<readonly RoomOffer[]>([]);
  protected readonly placingAssembly = signal<Assembly | null>(null);
  /** A place pointed at before a part was chosen. */
  protected readonly spot = signal<{ x: number; y: number } | null>(null);
  protected readonly carrying = signal(false);
  protected readonly flipped = signal(false);
  /** The deck is lifted off: what stands inside is to hand. */
  protected readonly lifted = signal(false);
  private liftedByHand = false;
  protected readonly showKeys = signal(false);
  /** What stands beside the boat while nothing is chosen. */
  protected readonly aside = signal<'parts' | 'stowed' | 'hands'>('parts');
  protected readonly compare = signal<string | null>(null);

  protected readonly item = computed(
    () => this.store.state()?.workup.aboard.items.find((i) => i.placed.id === this.chosen()) ?? null,
  );
  protected readonly many = computed((): readonly Fitted[] => {
    const ids = this.selection();
    return ids.size < 2 ? [] : (this.store.state()?.workup.aboard.items ?? []).filter((i) => ids.has(i.placed.id));
  });
  protected readonly drawn = new Drawn(this.store, { item: this.item, compare: this.compare, lifted: this.lifted });
  protected readonly open = computed(() =>
    unsettled(this.store.state()?.workup.findings ?? []).filter((f) => f.step === 'lay out' && this.inShownSet(f.sets)),
  );
  protected readonly accepted = computed(() =>
    (this.store.state()?.workup.findings ?? []).filter((f) => f.accepted && f.step === 'lay out'),
  );
  protected readonly notes = computed(() =>
    (this.store.state()?.workup.findings ?? []).filter((f) => f.severity === 'note' && f.step === 'lay out'),
  );
  private advised: MountAdvice[] = [];
  protected readonly advice = computed(() => {
    const state = this.store.state();
    const item = this.item();
    if (!state || !item) return [];
    // Under the finger the last advice stands: it is asked again when the fitting is let go.
    if (state.plan === state.settled)
      this.advised = mountAdvice(
        state.workup.surface,
        item.placed,
        adviceSetting(item, state.plan, state.doc.shop, state.workup),
      );
    return this.advised;
  });

  private readonly parts = computed(() => this.store.state()?.parts ?? []);
  /** What a fix may bring aboard: the same through a drag. */
  private readonly helpful = computed(() => this.parts().filter(mayHelp));

  constructor() {
    this.library.load();
    // The other steps see the whole rig.
    inject(DestroyRef).onDestroy(() => this.store.showSet(null));
    effect(() => {
      const state = this.store.state();
      if (!state) return;
      const { plan, facts, set } = state;
      const input = { ...inputOf(state), plan, facts, set };
      const range = this.helpful();
      untracked(() =>
        this.fixes.ask(
          input,
          range,
          this.open()
            .filter((f) => f.fixable)
            .map((f) => f.key),
        ),
      );
    });
  }

  private inShownSet(sets: readonly string[] | null): boolean {
    const set = this.store.state()?.set ?? null;
    return set === null || sets === null || sets.includes(set);
  }

  protected pick(id: string | null, more = false): void {
    this.carrying.set(false);
    this.aside.set('parts');
    if (more && id) return this.choice.more(id);
    if (id) this.spot.set(null);
    const mark = this.drawn.marks().find((m) => m.id === id);
    if (mark && (mark.inside ?? false) !== this.lifted()) {
      this.lifted.set(mark.inside ?? false);
      this.liftedByHand = false;
    }
    this.choice.pick(id, mark ? `${mark.label}, ${mark.name}` : '');
  }

  protected drag(at: { id: string; x: number; y: number; done: boolean }): void {
    if (!this.moves.drag(at, this.selection())) this.spoken.set('Locked: unlock it to move it');
  }

  protected slide(item: string, to: Place): void {
    this.moves.slide(item, to);
  }

  protected place(part: Part, at: { x: number; y: number }): void {
    const set = this.store.state()?.set ?? null;
    const item =
      this.lifted() || (part.inside?.usual && this.moves.overAHatch(at))
        ? this.moves.placeInside(part, at, set)
        : this.moves.place(part, at, set);
    // It stays in the hand until it is tapped where a room is.
    if (!item) return this.spoken.set('No room there: tap one of the rooms inside');
    this.placing.set(null);
    this.spot.set(null);
    this.pick(item);
  }

  /** Into a room, at the place that was offered. */
  protected putInside(part: Part, { place }: RoomOffer): void {
    const item = this.moves.add(part, place, this.store.state()?.set ?? null);
    this.placing.set(null);
    this.pick(item);
  }

  /** Lifts the deck off, or puts it back on. */
  protected lift(): void {
    this.lifted.update((l) => !l);
    this.liftedByHand = this.lifted();
    if ((this.item() && this.drawn.marks().find((m) => m.id === this.chosen())?.inside) !== this.lifted()) this.pick(null);
    this.spot.set(null);
    this.spoken.set(this.lifted() ? 'Deck lifted off: what stands inside is to hand' : 'Deck back on');
  }

  /** A tap on the boat: puts down what was chosen, or asks what suits the place. */
  protected dropped(at: { x: number; y: number; part: string }): void {
    const part = this.store.state()?.parts.find((p) => p.id === at.part) ?? this.placing();
    const assembly = this.placingAssembly();
    if (part) this.place(part, at);
    else if (assembly) this.placeAssembly(assembly, at);
    else if (this.lifted()) this.pick(null);
    else {
      this.pick(null);
      this.spot.set(at);
      this.spoken.set('Parts that suit this place come first');
    }
  }

  private placeAssembly(assembly: Assembly, at: { x: number; y: number }): void {
    const base = this.moves.placeAssembly(assembly, at, this.store.state()?.set ?? null);
    this.placingAssembly.set(null);
    this.spot.set(null);
    this.pick(base);
  }

  /** By a tap it waits for its place; by Enter it goes into the well, or where was pointed at. */
  protected chooseAssembly({ assembly, now }: { assembly: Assembly; now: boolean }): void {
    const spot = this.spot();
    const hull = this.store.state()?.doc.hull;
    const well = hull?.decks.find((d) => d.kind === 'tank well');
    const usual = well ? { x: (well.fore + well.aft) / 2, y: 0 } : { x: (hull?.seat.x ?? 1500) + 600, y: 0 };
    if (spot || now) this.placeAssembly(assembly, spot ?? usual);
    else this.placingAssembly.set(assembly);
  }

  /** A part of one's own: told in its sheet, then in the hand like any other. */
  protected make(): void {
    this.makingOf.open(null).subscribe((id) => {
      const part = this.store.state()?.parts.find((p) => p.id === id);
      if (part) this.choosePart(part);
    });
  }

  protected choosePart(part: Part): void {
    const spot = this.spot();
    if (spot) return this.place(part, spot);
    this.placing.set(part);
    this.offers.set(part.inside ? this.moves.roomsFor(part) : []);
    const inside = part.inside?.usual && this.offers().length > 0;
    // Lifted off by hand it stays off for what can be set down in there.
    this.lifted.set(inside || (this.liftedByHand && part.holding.ways.includes('loose')));
  }

  /** By keyboard a part comes aboard aft of the seat, on the first track it can ride; its exact place is typed at once. */
  protected placeFromKeyboard(part: Part): void {
    const hull = this.store.state()?.doc.hull;
    if (!hull) return;
    const [offer] = part.inside?.usual || this.lifted() ? this.moves.roomsFor(part) : [];
    const track = part.holding.ways.includes('track') ? hull.tracks.find((t) => t.fore > hull.seat.x) : undefined;
    afterNextRender(() => document.querySelector<HTMLElement>('pc-card .exact input:enabled')?.focus(), {
      injector: this.injector,
    });
    if (offer) return this.putInside(part, offer);
    this.lifted.set(false);
    const spot = this.spot() ?? (track ? { x: track.fore + 60, y: track.y } : { x: hull.seat.x + 500, y: 0 });
    this.place(part, spot);
  }

  protected takeOff(item: string): void {
    const plan = this.store.state()?.plan;
    const change = plan ? asOne(takeOff(plan, [item]).changes) : null;
    if (change) this.store.change(change);
    this.pick(null);
  }

  protected copy(item: Fitted): void {
    const surface = this.store.state()?.workup.surface;
    if (!surface) return;
    const { change, ids } = copies(surface, [item]);
    if (change) this.store.change(change);
    this.pick(ids[0] ?? null);
  }

  protected fix(fix: Fix): void {
    this.store.change({ ...fix.change, id: crypto.randomUUID() });
  }

  /** How the tape is hooked and runs. */
  protected readonly tape = liveForm({
    datum: field(
      () => this.store.state()?.plan.tape.datum ?? '',
      (datum) => this.hook({ datum }),
    ),
    run: field(
      () => this.store.state()?.plan.tape.run ?? 'taut',
      (run) => this.hook({ run }),
    ),
  });

  private hook(more: Partial<Plan['tape']>): void {
    const from = this.store.state()?.plan.tape;
    if (from) this.store.change({ id: crypto.randomUUID(), kind: 'hookTape', from, to: { ...from, ...more } });
  }

  /** Where the tape itself was tapped: hooked there, on the centre line. */
  protected hookHere(x: number): void {
    this.hook({ datum: hookAt(x, 0) });
  }

  private walk(step: 1 | -1): void {
    this.carrying.set(false);
    this.aside.set('parts');
    this.choice.walk(this.drawn.marks(), step);
  }

  private nudgeBy(event: KeyboardEvent): void {
    const id = this.chosen();
    if (!id) return;
    const fine = this.units.system() === 'imperial' ? MM_PER_INCH / 16 : 1;
    const step = (event.shiftKey ? 16 : 1) * fine * (this.flipped() ? -1 : 1);
    const [dx, dy] = (
      { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, 1], ArrowDown: [0, -1] } as Record<string, [number, number]>
    )[event.key] ?? [0, 0];
    this.moves.nudge(id, dx * step, dy * step, this.selection());
  }

  private readonly always: Readonly<Record<string, () => void>> = {
    '/': () => {
      // At once where it is shown, so that no letter typed next is lost; else as soon as it is.
      const shown = this.palette();
      this.pick(null);
      if (shown) shown.focus();
      else afterNextRender(() => this.palette()?.focus(), { injector: this.injector });
    },
    '?': () => this.showKeys.update((s) => !s),
    'Ctrl+z': () => this.store.undo(),
    'Ctrl+Z': () => this.store.redo(),
    'Ctrl+y': () => this.store.redo(),
    Escape: () => {
      // What lies on top goes first.
      if (this.showKeys()) this.showKeys.set(false);
      else if (this.boat()?.putBack()) this.store.preview(null);
      else if (this.carrying() || this.placing() || this.placingAssembly() || this.spot()) {
        this.placingAssembly.set(null);
        this.carrying.set(false);
        this.placing.set(null);
        this.spot.set(null);
      } else this.pick(null);
    },
  };

  private readonly withOne: Readonly<Record<string, (id: string) => void>> = {
    Delete: (id) => this.takeOff(id),
    'Ctrl+ ': (id) => this.choice.more(id),
    'Shift+F10': () => this.card()?.openMenu(),
    ContextMenu: () => this.card()?.openMenu(),
    Enter: () => this.carry(),
    ' ': () => this.carry(),
  };

  private carry(): void {
    this.carrying.update((c) => !c);
    this.spoken.set(this.carrying() ? 'Picked up: arrows move it' : 'Put down');
  }

  @HostListener('window:keydown', ['$event'])
  protected key(event: KeyboardEvent): void {
    const key = keyFor(event);
    if (key === null) return;
    const id = this.chosen();
    const one = id ? this.withOne[key] : undefined;
    if (event.key.startsWith('Arrow') && this.carrying()) this.nudgeBy(event);
    else if (event.key === 'ArrowLeft' || event.key === 'ArrowRight') this.walk(event.key === 'ArrowRight' ? 1 : -1);
    else if (id && one) one(id);
    else if (Object.hasOwn(this.always, key)) this.always[key]?.();
    else return;
    event.preventDefault();
  }
}
