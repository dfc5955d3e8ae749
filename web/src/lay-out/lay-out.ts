import {
  afterNextRender,
  ChangeDetectionStrategy,
  Component,
  DestroyRef,
  HostListener,
  inject,
  Injector,
  signal,
  viewChild,
} from '@angular/core';
import { Toggle } from '../controls/toggle';
import { DragDropModule } from '@angular/cdk/drag-drop';
import { Icons } from '../controls/icons';
import { Fixes } from '../findings/fixes';
import { ChoiceField } from '../controls/choice-field';
import { MatTooltipModule } from '@angular/material/tooltip';
import { MatSlideToggleModule } from '@angular/material/slide-toggle';
import { MatButtonModule } from '@angular/material/button';
import { type Fix } from '@plain-cleat/core/proposals/fixes';
import type { Part } from '@plain-cleat/core/parts/parts';
import type { Fitted } from '@plain-cleat/core/holding/fitted';
import { hookAt, RUN_NAMES } from '@plain-cleat/core/boat/hull';
import { type Plan, takeOff } from '@plain-cleat/core/rig';
import { MM_PER_INCH } from '@plain-cleat/core/base/units';
import { Lanes } from '../boat-view/lanes';
import { BoatView } from '../boat-view/boat-view';
import { RigStore } from '../stores/rig.store';
import { UnitsStore } from '../stores/units.store';
import { asOne } from '../stores/as-one';
import { copies } from './arrange';
import { Making } from '../own-part/making';
import { Moves } from './moves';
import { BestPlaces } from './best-places';
import { BestPlacesList } from './best-places-list';
import { Card } from './card';
import { Choice } from './choice';
import { Hands } from './hands';
import { InsideAnswers } from '../inside/inside-answers';
import { keyFor } from '../controls/key-for';
import { Keys } from './keys';
import { AssemblyStore } from '../stores/assembly.store';
import { OpenWishes } from './open-wishes';
import { Palette } from './palette';
import { PlaceCalls } from './place-calls';
import { PlaceRest } from './place-rest';
import { Placing } from './placing';
import { SettleAll } from './settle-all';
import { Settling } from './settling';
import { SetsBar } from './sets-bar';
import { MultiSelect } from './multi-select';
import { Stowing } from '../inside/stowing';
import { ToSettle } from './to-settle';
import { field, liveForm } from '../controls/live-form';

/** Laying out: the boat, the tape, sets, what to settle under the boat, lanes, palette and card. */
@Component({
  selector: 'pc-lay-out',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    BoatView,
    Lanes,
    BestPlacesList,
    OpenWishes,
    Card,
    Palette,
    ToSettle,
    Keys,
    SetsBar,
    MultiSelect,
    Stowing,
    Hands,
    MatButtonModule,
    Toggle,
    MatSlideToggleModule,
    InsideAnswers,
    MatTooltipModule,
    ChoiceField,
    Icons,
    DragDropModule,
  ],
  providers: [BestPlaces, Choice, Fixes, Making, Moves, PlaceCalls, PlaceRest, Placing, SettleAll, Settling],
  templateUrl: './lay-out.html',
  styleUrl: './lay-out.scss',
})
export default class LayOut {
  protected readonly store = inject(RigStore);
  protected readonly units = inject(UnitsStore);
  protected readonly fixes = inject(Fixes);
  protected readonly moves = inject(Moves);
  protected readonly choice = inject(Choice);
  protected readonly placing = inject(Placing);
  protected readonly best = inject(BestPlaces);
  protected readonly settling = inject(Settling);
  protected readonly together = inject(SettleAll);
  protected readonly library = inject(AssemblyStore);
  private readonly palette = viewChild(Palette);
  private readonly card = viewChild(Card);
  private readonly boat = viewChild(BoatView);
  private readonly injector = inject(Injector);
  protected readonly tapeRuns = Object.entries(RUN_NAMES).map(([value, says]) => ({
    value: value as keyof typeof RUN_NAMES,
    says,
  }));
  protected readonly asides = [
    { value: 'parts', says: 'On the boat' },
    { value: 'stowed', says: 'Stowed' },
    { value: 'hands', says: 'Hands' },
  ] as const;
  protected readonly flipped = signal(false);
  protected readonly showKeys = signal(false);

  constructor() {
    this.library.load();
    // The other steps see the whole rig.
    inject(DestroyRef).onDestroy(() => this.store.showSet(null));
  }

  protected drag(at: { id: string; x: number; y: number; done: boolean }): void {
    if (!this.moves.drag(at, this.choice.selection())) this.choice.spoken.set('Locked: unlock it to move it');
  }

  /** By keyboard: where it stands is typed at once. */
  protected placeByKeyboard(part: Part): void {
    afterNextRender(() => this.card()?.focusPlace(), { injector: this.injector });
    this.placing.placeFromKeyboard(part);
  }

  protected takeOff(item: string): void {
    const plan = this.store.state()?.plan;
    const change = plan ? asOne(takeOff(plan, [item]).changes) : null;
    if (change) this.store.change(change);
    this.choice.pick(null);
  }

  protected copy(item: Fitted, where: 'behind' | 'other side'): void {
    const surface = this.store.state()?.workup.surface;
    if (!surface) return;
    const { change, ids } = copies(surface, [item], where);
    if (change) this.store.change(change);
    this.choice.pick(ids[0] ?? null);
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

  private nudgeBy(event: KeyboardEvent): void {
    const id = this.choice.one();
    if (!id) return;
    const fine = this.units.system() === 'imperial' ? MM_PER_INCH / 16 : 1;
    const step = (event.shiftKey ? 16 : 1) * fine * (this.flipped() ? -1 : 1);
    const [dx, dy] = (
      { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, 1], ArrowDown: [0, -1] } as Record<string, [number, number]>
    )[event.key] ?? [0, 0];
    this.moves.nudge(id, dx * step, dy * step, this.choice.selection());
  }

  private readonly always: Readonly<Record<string, () => void>> = {
    '/': () => {
      // At once where it is shown, so that no letter typed next is lost; else as soon as it is.
      const shown = this.palette();
      this.choice.pick(null);
      if (shown) shown.focus();
      else afterNextRender(() => this.palette()?.focus(), { injector: this.injector });
    },
    n: () => this.best.next(),
    N: () => this.best.next(),
    '1': () => this.best.take(1),
    '2': () => this.best.take(2),
    '3': () => this.best.take(3),
    '?': () => this.showKeys.update((s) => !s),
    Escape: () => {
      // What lies on top goes first.
      if (this.showKeys()) this.showKeys.set(false);
      else if (this.boat()?.putBack()) this.store.preview(null);
      else if (this.choice.carrying() || this.placing.isInHand() || this.choice.spot()) {
        this.choice.carrying.set(false);
        this.placing.cancel();
      } else this.choice.pick(null);
    },
  };

  private readonly withOne: Readonly<Record<string, (id: string) => void>> = {
    Delete: (id) => this.takeOff(id),
    'Ctrl+ ': (id) => this.choice.more(id),
    'Shift+F10': () => this.card()?.openMenu(),
    ContextMenu: () => this.card()?.openMenu(),
    Enter: () => this.choice.carry(),
    ' ': () => this.choice.carry(),
  };

  @HostListener('window:keydown', ['$event'])
  protected key(event: KeyboardEvent): void {
    const key = keyFor(event);
    if (key === null) return;
    const id = this.choice.one();
    const one = id ? this.withOne[key] : undefined;
    if (event.key.startsWith('Arrow') && this.choice.carrying()) this.nudgeBy(event);
    else if (event.key === 'ArrowLeft' || event.key === 'ArrowRight') this.choice.walk(event.key === 'ArrowRight' ? 1 : -1);
    else if (id && one) one(id);
    else if (Object.hasOwn(this.always, key)) this.always[key]?.();
    else return;
    event.preventDefault();
  }
}
