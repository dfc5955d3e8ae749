import { tell } from '@plain-cleat/core/base/units';
import { BRIEF_QUESTIONS, consequenceOf, type QuestionId } from '@plain-cleat/core/proposals/brief';
import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { Toggle } from '../controls/toggle';
import { DateField } from '../controls/date-field';
import { TextField } from '../controls/text-field';
import { QuantityField } from '../controls/quantity';
import { MatChipsModule } from '@angular/material/chips';
import { readWishes } from '@plain-cleat/core/parts/catalog';
import { waterAt } from '@plain-cleat/core/water/float';
import { strokeBand } from '@plain-cleat/core/layout';
import {
  BY_WORDS,
  CARRIED_BY,
  entryOf,
  GROUND_WORDS,
  GROUNDS,
  USUAL_BRIEF,
  type Brief,
  type Wish,
  sameJson,
} from '@plain-cleat/core/rig';
import { USUAL_GEAR } from '@plain-cleat/core/proposals/which-hull';
import { Making } from '../own-part/making';
import { SeatRange } from '../seats/seat-range';
import { SitterFields, type SitterTyped } from '../seats/sitter-fields';
import { HullList } from '../which-hull/hull-list';
import { ChoiceField } from '../controls/choice-field';
import { MatExpansionModule } from '@angular/material/expansion';
import { asOne } from '../stores/as-one';
import { RigStore } from '../stores/rig.store';
import { UnitsStore } from '../stores/units.store';
import { WishIndexes } from '../stores/wish-indexes';
import { OwnerPhotos } from './owner-photos';
import { PaddlerView } from './paddler-view';
import { type Part, QUESTIONS, type Taps, type Typed } from './questions';
import { LIMITS, tenths } from '../seats/limits';
import { WishImport } from './wish-import';
import { WishList } from './wish-list';
import { field, fieldsOf, liveForm, words } from '../controls/live-form';

/** The answers that are typed as figures. */
const TYPED = QUESTIONS.flatMap((q) => q.parts).flatMap((part) => ('of' in part ? [] : part.key));

/** The brief: one row a question, the answer a tap, under it what that answer changes. */
@Component({
  selector: 'pc-brief',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    PaddlerView,
    WishList,
    WishImport,
    OwnerPhotos,
    Toggle,
    MatChipsModule,
    QuantityField,
    TextField,
    DateField,
    SeatRange,
    SitterFields,
    ChoiceField,
    HullList,
    MatExpansionModule,
  ],
  providers: [Making],
  templateUrl: './brief.html',
  styleUrl: './brief.scss',
})
export default class BriefStep {
  protected readonly store = inject(RigStore);
  protected readonly units = inject(UnitsStore);
  private readonly making = inject(Making);
  protected readonly questions = QUESTIONS;
  protected readonly limits = LIMITS;
  protected readonly brief = computed(() => this.store.state()?.plan.brief);
  /** The figures that are typed, by the answer they are. */
  protected readonly figures = liveForm(
    fieldsOf(TYPED, (key) =>
      field(
        () => this.figure(key),
        (value) => this.type(key, value),
      ),
    ),
  );
  protected readonly form = liveForm({
    stature: field(
      () => this.second().stature,
      (mm) => this.setSecond('stature', mm),
    ),
    weightKg: field(
      () => this.second().weightKg,
      (kg) => this.setSecond('weightKg', kg),
    ),
    metres: field<number | null>(
      () => this.way().metres,
      (metres) => this.setWay({ metres: metres ?? 0 }),
    ),
    ground: field(
      () => this.way().ground,
      (ground) => this.setWay({ ground }),
    ),
    by: field(
      () => this.way().by,
      (by) => this.setWay({ by }),
    ),
    minutes: field(
      () => this.way().minutes,
      (minutes) => this.setWay({ minutes }),
    ),
    ownGear: this.text('ownGear'),
    later: this.text('later'),
    notes: this.text('notes'),
    promised: field(
      () => this.store.state()?.plan.promised ?? null,
      (day) => this.setPromise(day),
    ),
  });
  protected readonly rules = computed(() => this.store.state()?.doc.shop.rules ?? []);
  /** What the answer to each question changes, in the reader's units. */
  protected readonly effects = computed(() => {
    const state = this.store.state();
    if (!state) return undefined;
    const { plan, workup, doc } = state;
    const system = this.units.system();
    const told = (id: QuestionId): [QuestionId, { says: string; look: boolean }] => {
      const { says, look = false } = consequenceOf(id, { plan, workup, hull: doc.hull, shop: doc.shop });
      return [id, { says: tell(says, system), look }];
    };
    return new Map(BRIEF_QUESTIONS.map(told));
  });
  protected readonly band = computed(() => {
    const state = this.store.state();
    return state ? strokeBand(state.workup.surface, state.plan.brief) : null;
  });

  protected readonly waterAtSeat = computed(() => {
    const state = this.store.state();
    return state ? waterAt(state.workup.weight.float, state.workup.surface.model.seat.x) : 0;
  });

  private answer<K extends keyof Brief>(question: K, to: Brief[K]): void {
    const brief = this.brief();
    // Who was forgotten is a body again once theirs is asked anew.
    const anew = brief?.forgotten === true && (question === 'stature' || question === 'weightKg');
    if (!brief || (sameJson(brief[question], to) && !anew)) return;
    this.store.change({
      id: crypto.randomUUID(),
      kind: 'answerBrief',
      from: { [question]: brief[question], ...(anew ? { forgotten: true } : {}) },
      to: { [question]: to, ...(anew ? { forgotten: false } : {}) },
    });
  }

  protected tapsOf = (part: Part): Taps | null => ('of' in part ? part : null);
  protected typedOf = (part: Part): Typed | null => ('of' in part ? null : part);

  /** What is chosen of one, or of several. */
  protected chosen = (part: Taps): unknown => this.brief()?.[part.key];

  protected tap(part: Taps, value: unknown): void {
    this.answer(part.key, value as never);
  }

  protected setRules(rules: string[]): void {
    this.answer('rules', rules);
  }

  /** What stands in a typed answer; a paddle that nobody chose is the shop's usual one. */
  private figure(key: keyof Brief): number | null {
    const value = this.brief()?.[key] as number | null | undefined;
    return value ?? (key === 'paddle' ? (this.store.state()?.doc.shop.stroke.paddle ?? null) : null);
  }

  private type(key: keyof Brief, value: number | null): void {
    this.answer(key, (key === 'budgetCents' ? value : tenths(value)) as never);
  }

  private readonly half = signal<{ stature: number | null; weightKg: number | null } | null>(null);
  /** The second paddler: as answered, or as far as typed. */
  protected readonly second = computed(
    () => this.half() ?? this.brief()?.second ?? { stature: null as number | null, weightKg: null as number | null },
  );
  protected readonly secondWanted = computed(() => {
    const { stature, weightKg } = this.second();
    return (stature === null) === (weightKg === null)
      ? ''
      : `Second paddler: their ${stature === null ? 'height' : 'weight'} too.`;
  });

  private setSecond(key: 'stature' | 'weightKg', value: number | null): void {
    const next = { ...this.second(), [key]: tenths(value) };
    const { stature, weightKg } = next;
    const whole = stature !== null && weightKg !== null;
    const none = stature === null && weightKg === null;
    this.half.set(whole || none ? null : next);
    if (whole) this.answer('second', { ...this.brief()?.second, stature, weightKg });
    else if (none) this.answer('second', null);
  }

  /** Where and how the second sits; left empty it is as the hull is drawn. */
  protected sitSecond({ field, value }: SitterTyped): void {
    const second = this.brief()?.second;
    if (!second) return;
    const { [field]: _, ...others } = second;
    this.answer('second', value === null ? others : { ...others, [field]: value });
  }

  protected readonly grounds = GROUNDS.map((value) => ({ value, says: GROUND_WORDS[value] }));
  protected readonly carriedBy = CARRIED_BY.map((value) => ({ value, says: BY_WORDS[value] }));
  private way = (): Brief['way'] => this.brief()?.way ?? USUAL_BRIEF.way;
  /** The way to the water, an answer at a time. */
  private setWay(to: Partial<Brief['way']>): void {
    const way = this.brief()?.way;
    if (way) this.answer('way', { ...way, ...to });
  }

  /** What a hull is asked for: the brief, and the gear as it is laid out, or as the tier usually brings. */
  protected readonly hullAsk = computed(() => {
    const state = this.store.state();
    const brief = state?.plan.brief ?? USUAL_BRIEF;
    return { brief, gearKg: Math.max(state?.workup.weight.gearKg ?? 0, USUAL_GEAR[brief.tier]) };
  });

  private text(key: 'notes' | 'later' | 'ownGear') {
    return words(
      () => this.brief()?.[key] ?? '',
      (text) => this.answer(key, text),
    );
  }

  private setPromise(to: string | null): void {
    const state = this.store.state();
    if (state && to !== state.plan.promised)
      this.store.change({ id: crypto.randomUUID(), kind: 'promiseRig', from: state.plan.promised, to });
  }

  private readonly parts = computed(() => this.store.state()?.parts ?? []);
  private readonly indexes = inject(WishIndexes);
  /** The names of the parts, read once for the list, what is typed and what is imported. */
  protected readonly index = computed(() => this.indexes.of(this.parts()));

  protected addWish(text: string): void {
    this.addWishes(
      readWishes(text, this.index()).map(({ text: one, count, part }): Wish => ({
        text: one,
        part: part?.id ?? null,
        ...(count > 1 ? { count } : {}),
      })),
    );
  }

  /** Lines of a sheet or typed ones, each a wish of its own; one gesture. */
  protected addWishes(wishes: readonly Wish[]): void {
    const change = asOne(
      wishes
        .slice(0, 100)
        .map((to) => ({ kind: 'writeWish' as const, wish: `w${crypto.randomUUID().slice(0, 8)}`, from: null, to })),
    );
    if (change) this.store.change(change);
  }

  protected changeWish({ id, to }: { id: string; to: Wish | null }): void {
    const from = entryOf(this.store.state()?.plan.wishes, id);
    if (from) this.store.change({ id: crypto.randomUUID(), kind: 'writeWish', wish: id, from, to });
  }

  /** What no part answers is told in a sheet of its own; the wish is then of that part. */
  protected make({ id, text }: { id: string; text: string }): void {
    this.making.open(null, text.slice(0, 80)).subscribe((part) => {
      const from = entryOf(this.store.state()?.plan.wishes, id);
      if (from) this.changeWish({ id, to: { ...from, part } });
    });
  }
}
