import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { Toggle, type ToggleChoice } from '../controls/toggle';
import { FormControl, FormGroup, ReactiveFormsModule } from '@angular/forms';
import { MatButtonModule } from '@angular/material/button';
import type { CameThing } from '@plain-cleat/core/work/reception';
import { entryOf, type DraftChange, foundFitting, type Place, stockFittings } from '@plain-cleat/core/rig';
import { snapPlace } from '@plain-cleat/core/layout';
import type { Part } from '@plain-cleat/core/parts/parts';
import { FileButton } from '../controls/file-button';
import { Icons } from '../controls/icons';
import { PickField } from '../controls/pick-field';
import { TextField } from '../controls/text-field';
import { ValidSubmit } from '../controls/valid-submit';
import { Signing } from '../hand-over/signing';
import { marksOf } from '../boat-view/marks';
import type { BoatMark } from '../boat-view/drawing';
import { BoatView } from '../boat-view/boat-view';
import { ExactPlace } from '../place/exact-place';
import { Print } from '../rig/print';
import { asOne } from '../stores/as-one';
import { documentUrl } from '../stores/document-url';
import { Parts } from '../stores/parts';
import { PreferencesStore } from '../stores/preferences.store';
import { RigStore } from '../stores/rig.store';
import { UnitsStore } from '../stores/units.store';
import { BECOMES_CHOICES, CAME_WORDS, type Fate, fateOf } from './came-with';
import { DayIn } from '../controls/days';

/** Nobody has looked at it yet, and it is there. */
const wantsLooking = ({ seen, becomes }: CameThing): boolean => seen === null && becomes?.is !== 'gone';

/** Receiving: a walk bow to stern over what the boat came with, how each thing is, and the owner's signature for it. */
@Component({
  selector: 'pc-receive',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    DayIn,
    BoatView,
    ExactPlace,
    Print,
    Signing,
    FileButton,
    PickField,
    TextField,
    ValidSubmit,
    Icons,
    MatButtonModule,
    Toggle,
    ReactiveFormsModule,
  ],
  templateUrl: './receive.html',
  styleUrl: './receive.scss',
})
export default class Receive {
  protected readonly store = inject(RigStore);
  private readonly units = inject(UnitsStore);
  private readonly parts = inject(Parts);
  protected readonly papers = inject(PreferencesStore).papers;
  protected readonly came = CAME_WORDS;
  private readonly picked = signal<string | null>(null);
  /** A thing that is not as it should be, while one says what is wrong. */
  protected readonly saying = signal<'worn' | 'broken' | null>(null);
  protected readonly photo = signal<File | null>(null);
  protected readonly form = new FormGroup({ says: new FormControl('', { nonNullable: true }) });
  /** The part of something found aboard that waits for its place. */
  protected readonly finding = signal<Part | null>(null);
  protected readonly part = new FormControl('', { nonNullable: true });

  protected readonly reception = computed(() => this.store.state()?.workup.reception ?? null);
  protected readonly things = computed(() => this.reception()?.things ?? []);
  protected readonly thing = computed(
    () => this.things().find((t) => t.key === this.picked()) ?? this.things().find(wantsLooking) ?? this.things()[0] ?? null,
  );
  protected readonly fate = computed((): Fate => this.thing()?.becomes?.is ?? 'used');
  /** What may be done with it: what stays on the hull is used. */
  protected readonly fates = computed(() =>
    BECOMES_CHOICES.map(({ value, says }): ToggleChoice<Fate> => ({ value, says, off: this.thing()?.stays && value !== 'used' })),
  );
  /** The next that nobody has looked at, going aft and then from the bow again. */
  protected readonly after = computed(() => {
    const all = this.things();
    const here = all.findIndex((t) => t.key === this.thing()?.key);
    return [...all.slice(here + 1), ...all.slice(0, here)].find(wantsLooking) ?? null;
  });
  protected readonly looked = computed(() => this.things().filter((t) => t.seen !== null).length);
  protected readonly item = computed(() =>
    this.store.state()?.workup.aboard.owned.find((i) => i.placed.id === this.thing()?.key),
  );
  /** What the maker fits by the drawing, and this rig does not know of. */
  protected readonly missing = computed(() => {
    const state = this.store.state();
    if (!state) return [];
    return Object.entries(stockFittings(state.doc.hull)).flatMap(([key, fitting]) => {
      const part = state.parts.find((p) => p.id === fitting.part);
      return part && !entryOf(state.plan.fittings, key) ? [{ key, fitting, part }] : [];
    });
  });
  protected readonly partChoices = computed(() => (this.store.state()?.parts ?? []).map((p) => ({ value: p.id, says: p.name })));
  protected readonly marks = computed((): BoatMark[] => {
    const w = this.store.state()?.workup;
    if (!w) return [];
    const fittings = new Map(marksOf(w).map((m) => [m.id, m]));
    return this.things().flatMap((t): BoatMark[] => {
      const standing = t.seen === null || t.seen.is === 'sound' ? 'ok' : t.seen.is === 'worn' ? 'look' : 'stop';
      const drawn = fittings.get(t.key);
      if (drawn) return [{ ...drawn, standing }];
      return t.mark && t.becomes?.is !== 'gone' ? [{ id: t.key, label: t.mark, name: t.name, at: t, standing, bodies: [] }] : [];
    });
  });

  constructor() {
    this.part.valueChanges.subscribe((id) => {
      const part = this.store.state()?.parts.find((p) => p.id === id) ?? null;
      this.finding.set(part);
    });
  }

  protected pick(key: string | null): void {
    this.picked.set(key);
    this.saying.set(null);
    this.photo.set(null);
    this.form.reset();
  }

  /** As it should be: one tap, and on to the next. */
  protected sound(thing: CameThing): void {
    this.tell(thing, 'sound');
  }

  protected tell(thing: CameThing, is: 'sound' | 'worn' | 'broken'): void {
    const next = this.after()?.key ?? thing.key;
    const says = is === 'sound' ? '' : this.form.getRawValue().says.trim().slice(0, 400);
    this.store.save({ kind: 'thingSeen', thing: thing.key, is, says }, this.photo());
    if (thing.becomes?.is === 'gone') this.decide(thing, 'used');
    this.pick(next);
  }

  /** What is not on this boat: what was found is deleted, of the rest only the holes are left. */
  protected notThere(thing: CameThing): void {
    const next = this.after()?.key ?? null;
    const fitting = entryOf(this.store.state()?.plan.fittings, thing.key);
    if (thing.from === 'found' && fitting) this.make([{ kind: 'takeOffItem', item: thing.key, from: fitting }]);
    else this.decide(thing, 'gone');
    this.pick(next);
  }

  protected decide(thing: CameThing, to: Fate): void {
    const state = this.store.state();
    if (!state || to === (thing.becomes?.is ?? 'used')) return;
    if (thing.feature)
      return this.make([
        { kind: 'keepFeature', feature: thing.key, from: thing.becomes ?? null, to: to === 'used' ? null : { is: to } },
      ]);
    const change = fateOf(state, thing.key, thing.becomes, to);
    if (change) this.store.change(change);
  }

  private make(drafts: readonly DraftChange[]): void {
    const change = asOne(drafts);
    if (change) this.store.change(change);
  }

  protected addMissing(key: string): void {
    const one = this.missing().find((m) => m.key === key);
    if (!one) return;
    const { revision } = one.part;
    this.parts.take(one.part);
    this.make([{ kind: 'placeItem', item: key, to: { ...one.fitting, ...(revision === undefined ? {} : { revision }) } }]);
    this.pick(key);
  }

  /** Something found aboard, where the boat was tapped. */
  protected found(at: { x: number; y: number }): void {
    const state = this.store.state();
    const part = this.finding();
    if (!state || !part) return;
    const { surface } = state.workup;
    const place = snapPlace(surface, part, { ...at, heading: 0 }, this.units.system());
    const item = `${part.id.slice(0, 40)}-${crypto.randomUUID().slice(0, 6)}`;
    this.parts.take(part);
    this.make([{ kind: 'placeItem', item, to: foundFitting(part, place) }]);
    this.finding.set(null);
    this.part.reset();
    this.pick(item);
  }

  /** Measured again: what was found stood there all along. */
  protected measured(place: Place): void {
    const item = this.item();
    const aboard = item?.placed.fitting.aboard;
    if (!item || !aboard) return;
    const { id, place: from } = item.placed;
    this.make([
      { kind: 'slideItem', item: id, from, to: place },
      { kind: 'measureFound', item: id, from: aboard, to: { ...aboard, place } },
    ]);
  }

  protected sign({ name, drawing }: { name: string; drawing: string }): void {
    const reception = this.reception();
    if (reception) this.store.save({ kind: 'received', name, for: reception.for, drawing });
  }

  protected sheet = (): string =>
    documentUrl(this.store.state()?.doc.id ?? '', 'receptionSheet', this.units.system(), { language: this.papers() });
}
