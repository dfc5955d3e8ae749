import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import {
  type Brief,
  parseLength,
  parseMass,
  printMass,
  printMoney,
  printStature,
  PROPULSION,
  strokeBand,
  type Wish,
  WATERS,
  WORK,
  matchWish,
} from '@plain-cleat/core';
import { RigStore } from '../stores/rig.store';
import { UnitsStore } from '../stores/units.store';
import { Consequences } from './consequences';
import { PaddlerView } from './paddler-view';
import { WishList } from './wish-list';

type Many = 'waters' | 'work' | 'propulsion';
type One = 'hand' | 'seat' | 'holes' | 'wires' | 'road' | 'tier';

const MANY: readonly { key: Many; name: string; of: readonly string[] }[] = [
  { key: 'waters', name: 'Water', of: WATERS },
  { key: 'work', name: 'Work', of: WORK },
  { key: 'propulsion', name: 'Moves by', of: PROPULSION },
];
const ONE: readonly { key: One; name: string; of: readonly (readonly [value: string, says: string])[] }[] = [
  {
    key: 'hand',
    name: 'Hand',
    of: [
      ['right', 'Right'],
      ['left', 'Left'],
    ],
  },
  {
    key: 'seat',
    name: 'Seat',
    of: [
      ['low', 'Low'],
      ['high', 'High'],
      ['both', 'Low and high'],
    ],
  },
  {
    key: 'holes',
    name: 'Holes',
    of: [
      ['none', 'None'],
      ['few', 'Few'],
      ['as needed', 'As needed'],
    ],
  },
  {
    key: 'wires',
    name: 'Wires',
    of: [
      ['inside', 'Inside'],
      ['outside', 'Outside'],
      ['pod', 'Lift-out pod'],
    ],
  },
  {
    key: 'road',
    name: 'Road',
    of: [
      ['roof', 'Roof'],
      ['trailer', 'Trailer'],
      ['truck bed', 'Truck bed'],
    ],
  },
  {
    key: 'tier',
    name: 'Tier',
    of: [
      ['bare', 'Bare'],
      ['working', 'Working'],
      ['everything', 'Everything'],
    ],
  },
];

/** The brief: one row a question, the answer a tap, under it what that answer changes. */
@Component({
  selector: 'pc-brief',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [PaddlerView, WishList],
  templateUrl: './brief.html',
  styleUrl: './brief.scss',
})
export default class BriefStep {
  protected readonly store = inject(RigStore);
  protected readonly units = inject(UnitsStore);
  protected readonly many = MANY;
  protected readonly one = ONE;
  protected readonly brief = computed(() => this.store.state()?.plan.brief);
  protected readonly effects = computed(() => {
    const state = this.store.state();
    return state ? new Consequences(state.plan, state.workup, state.doc.hull, state.doc.shop, this.units.system()) : undefined;
  });
  protected readonly stature = computed(() => printStature(this.brief()?.stature ?? 0, this.units.system()));
  protected readonly weight = computed(() => printMass(this.brief()?.weightKg ?? 0, this.units.system()));
  protected readonly budget = computed(() => {
    const cents = this.brief()?.budgetCents;
    return cents === null || cents === undefined ? '' : printMoney(cents);
  });
  protected readonly band = computed(() => {
    const state = this.store.state();
    return state ? strokeBand(state.workup.surface, state.plan.brief) : null;
  });
  protected fault: Partial<Record<'stature' | 'weight' | 'budget', string>> = {};

  private answer<K extends keyof Brief>(question: K, to: Brief[K]): void {
    const brief = this.brief();
    if (!brief || JSON.stringify(brief[question]) === JSON.stringify(to)) return;
    this.store.change({
      id: crypto.randomUUID(),
      kind: 'answerBrief',
      from: { [question]: brief[question] },
      to: { [question]: to },
    });
  }

  protected capital = (word: string): string => word.charAt(0).toUpperCase() + word.slice(1);
  protected has = (key: Many, value: string): boolean =>
    (this.brief()?.[key] as readonly string[] | undefined)?.includes(value) ?? false;
  protected is = (key: One, value: string): boolean => this.brief()?.[key] === value;

  protected toggle(key: Many, value: string): void {
    const now = (this.brief()?.[key] ?? []) as string[];
    const to = now.includes(value) ? now.filter((v) => v !== value) : [...now, value];
    this.answer(key, to as never);
  }

  protected choose(key: One, value: string): void {
    this.answer(key, value as never);
  }

  protected setStature(input: HTMLInputElement): void {
    const read = parseLength(
      this.units.system() === 'metric' && /^\d+$/.test(input.value.trim()) ? `${input.value} cm` : input.value,
      this.units.system(),
    );
    const ok = read.ok && read.mm >= 1000 && read.mm <= 2300;
    this.fault.stature = ok
      ? ''
      : `Height: write it like ${this.units.system() === 'imperial' ? `5' 10"` : '178 cm'}, between 100 and 230 cm.`;
    if (ok) this.answer('stature', Math.round(read.mm * 10) / 10);
  }

  protected setWeight(input: HTMLInputElement): void {
    const kg = parseMass(input.value, this.units.system());
    const ok = kg !== undefined && kg >= 20 && kg <= 250;
    this.fault.weight = ok
      ? ''
      : `Weight: write it like ${this.units.system() === 'imperial' ? '181 lb' : '82 kg'}, between 20 and 250 kg.`;
    if (ok) this.answer('weightKg', Math.round(kg * 10) / 10);
  }

  protected setBudget(input: HTMLInputElement): void {
    const text = input.value.replace(/[$,\s]/g, '');
    const ok = text === '' || /^\d{1,7}(\.\d{1,2})?$/.test(text);
    this.fault.budget = ok ? '' : 'Budget: a sum like 900, or nothing.';
    if (ok) this.answer('budgetCents', text === '' ? null : Math.round(Number(text) * 100));
  }

  protected setNotes(text: string): void {
    this.answer('notes', text.slice(0, 2000));
  }

  protected setPromise(input: HTMLInputElement): void {
    const state = this.store.state();
    const to = input.value || null;
    if (state && to !== state.plan.promised)
      this.store.change({ id: crypto.randomUUID(), kind: 'promiseRig', from: state.plan.promised, to });
  }

  protected addWish(text: string): void {
    const state = this.store.state();
    if (!state) return;
    const [best] = matchWish(text, state.doc.catalog.parts);
    const wish: Wish = { text, part: best && best.score >= 0.6 ? best.part.id : null };
    this.store.change({
      id: crypto.randomUUID(),
      kind: 'writeWish',
      wish: `w${crypto.randomUUID().slice(0, 8)}`,
      from: null,
      to: wish,
    });
  }

  protected changeWish({ id, to }: { id: string; to: Wish | null }): void {
    const from = this.store.state()?.plan.wishes[id];
    if (from) this.store.change({ id: crypto.randomUUID(), kind: 'writeWish', wish: id, from, to });
  }
}
