import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import {
  entryOf,
  type Brief,
  matchWish,
  parseLength,
  parseMass,
  printLength,
  printMass,
  printMoney,
  printStature,
  splitWish,
  strokeBand,
  SURE,
  waterAt,
  type Wish,
} from '@plain-cleat/core';
import { asOne } from '../stores/as-one';
import { RigStore } from '../stores/rig.store';
import { UnitsStore } from '../stores/units.store';
import { Consequences } from './consequences';
import { OwnerPhotos } from './owner-photos';
import { PaddlerView } from './paddler-view';
import { type Part, QUESTIONS, type Taps, type Typed } from './questions';
import { WishImport } from './wish-import';
import { WishList } from './wish-list';

const KM_PER_MILE = 1.609344;

/** The brief: one row a question, the answer a tap, under it what that answer changes. */
@Component({
  selector: 'pc-brief',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [PaddlerView, WishList, WishImport, OwnerPhotos],
  templateUrl: './brief.html',
  styleUrl: './brief.scss',
})
export default class BriefStep {
  protected readonly store = inject(RigStore);
  protected readonly units = inject(UnitsStore);
  protected readonly questions = QUESTIONS;
  protected readonly faults = signal<Partial<Record<string, string>>>({});
  protected readonly brief = computed(() => this.store.state()?.plan.brief);
  protected readonly rules = computed(() => this.store.state()?.doc.shop.rules ?? []);
  protected readonly effects = computed(() => {
    const state = this.store.state();
    return state ? new Consequences(state.plan, state.workup, state.doc.hull, state.doc.shop, this.units.system()) : undefined;
  });
  protected readonly band = computed(() => {
    const state = this.store.state();
    return state ? strokeBand(state.workup.surface, state.plan.brief) : null;
  });

  protected readonly waterAtSeat = computed(() => {
    const state = this.store.state();
    return state ? waterAt(state.workup.float, state.workup.surface.model.seat.x) : 0;
  });

  private answer<K extends keyof Brief>(question: K, to: Brief[K]): void {
    const brief = this.brief();
    // Who was forgotten is a body again once theirs is asked anew.
    const anew = brief?.forgotten === true && (question === 'stature' || question === 'weightKg');
    if (!brief || (JSON.stringify(brief[question]) === JSON.stringify(to) && !anew)) return;
    this.store.change({
      id: crypto.randomUUID(),
      kind: 'answerBrief',
      from: { [question]: brief[question], ...(anew ? { forgotten: true } : {}) },
      to: { [question]: to, ...(anew ? { forgotten: false } : {}) },
    });
  }

  protected tapsOf = (part: Part): Taps | null => ('of' in part ? part : null);
  protected typedOf = (part: Part): Typed | null => ('of' in part ? null : part);

  protected has = (part: Taps, value: string | boolean): boolean => {
    const now = this.brief()?.[part.key];
    return part.kind === 'many' ? (now as readonly string[] | undefined)?.includes(value as string) === true : now === value;
  };

  protected tap(part: Taps, value: string | boolean): void {
    if (part.kind === 'one') return this.answer(part.key, value as never);
    const now = (this.brief()?.[part.key] ?? []) as string[];
    const to = now.includes(value as string) ? now.filter((v) => v !== value) : [...now, value];
    this.answer(part.key, to as never);
  }

  protected rule(id: string): void {
    const now = this.brief()?.rules ?? [];
    this.answer('rules', now.includes(id) ? now.filter((r) => r !== id) : [...now, id]);
  }

  /** What stands in a typed answer. */
  protected shown(part: Typed): string {
    const brief = this.brief();
    const system = this.units.system();
    const value = brief?.[part.key] as number | null | undefined;
    if (value === null || value === undefined) {
      return part.key === 'paddle' ? printLength(this.store.state()?.doc.shop.stroke.paddle ?? 0, system) : '';
    }
    if (part.kind === 'money') return printMoney(value);
    if (part.kind === 'mass') return printMass(value, system);
    if (part.kind === 'count') return String(value);
    if (part.kind === 'distance')
      return system === 'metric' ? `${Math.round(value)} km` : `${Math.round(value / KM_PER_MILE)} mi`;
    return part.key === 'stature' ? printStature(value, system) : printLength(value, system);
  }

  protected type(part: Typed, text: string): void {
    const read = READERS[part.kind](text, this.units.system(), part.key);
    const says = typeof read === 'string' ? read : '';
    this.faults.update((f) => ({ ...f, [part.key]: says }));
    if (typeof read !== 'string') this.answer(part.key, read.value as never);
  }

  protected faultOf = (parts: readonly { key: string }[]): string => parts.map((p) => this.faults()[p.key]).find((f) => f) ?? '';

  protected second(tall: string, heavy: string): void {
    if (!tall.trim() && !heavy.trim()) {
      this.faults.update((f) => ({ ...f, second: '' }));
      return this.answer('second', null);
    }
    const stature = READERS.length(tall, this.units.system(), 'stature');
    const weight = READERS.mass(heavy, this.units.system(), 'second');
    const says = typeof stature === 'string' ? stature : typeof weight === 'string' ? weight : '';
    this.faults.update((f) => ({ ...f, second: says && `Second paddler. ${says}` }));
    if (typeof stature !== 'string' && typeof weight !== 'string')
      this.answer('second', { stature: stature.value ?? 1700, weightKg: weight.value ?? 70 });
  }

  protected readonly secondShown = computed(() => {
    const second = this.brief()?.second;
    return second
      ? { tall: printStature(second.stature, this.units.system()), heavy: printMass(second.weightKg, this.units.system()) }
      : { tall: '', heavy: '' };
  });

  protected write(key: 'notes' | 'later' | 'ownGear', text: string): void {
    this.answer(key, text.slice(0, key === 'notes' ? 2000 : 1000));
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
    this.addWishes(
      splitWish(text).map(({ text: one, count }): Wish => {
        const [best] = matchWish(one, state.doc.catalog.parts);
        return { text: one, part: best && best.score >= SURE ? best.part.id : null, ...(count > 1 ? { count } : {}) };
      }),
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
}

type Read = { readonly value: number | null } | string;
type Reader = (text: string, system: 'imperial' | 'metric', key: string) => Read;

const tenth = (v: number): { value: number } => ({ value: Math.round(v * 10) / 10 });

/** How each kind of answer is read: its value, or what would be right. */
const READERS: Readonly<Record<Typed['kind'], Reader>> = {
  length(text, system, key) {
    const tall = key === 'stature';
    if (key === 'paddle' && text.trim() === '') return { value: null };
    const bare = tall && system === 'metric' && /^\d+$/.test(text.trim());
    const read = parseLength(bare ? `${text} cm` : text, system);
    const [least, most] = tall ? [1000, 2300] : key === 'paddle' ? [1500, 3500] : [500, 5000];
    if (read.ok && read.mm >= least && read.mm <= most) return tenth(read.mm);
    const like = tall ? (system === 'imperial' ? `5' 10"` : '178 cm') : printLength((least + most) / 2, system);
    const name = tall ? 'Height' : key === 'paddle' ? 'Paddle' : 'Rods';
    const print = (mm: number, how: 'up' | 'down'): string =>
      tall && system === 'metric' ? printStature(mm, system) : printLength(mm, system, how);
    return `${name}: write it like ${like}, between ${print(least, 'up')} and ${print(most, 'down')}.`;
  },
  mass(text, system) {
    const kg = parseMass(text, system);
    if (kg !== undefined && kg >= 20 && kg <= 250) return tenth(kg);
    return `Weight: write it like ${printMass(82, system)}, between ${printMass(20, system)} and ${printMass(250, system)}.`;
  },
  count(text) {
    const n = Number(text);
    return Number.isInteger(n) && n >= 0 && n <= 20 && text.trim() !== '' ? { value: n } : 'Rods: a number from 0 to 20.';
  },
  distance(text, system) {
    const match = /^(\d+(?:[.,]\d+)?)\s*(km|mi|miles?)?$/.exec(text.trim().toLowerCase());
    const n = Number(match?.[1]?.replace(',', '.'));
    const miles = match?.[2] ? match[2] !== 'km' : system === 'imperial';
    const km = miles ? n * KM_PER_MILE : n;
    return match && km <= 200 ? tenth(km) : 'A day’s way: like 8 km or 5 mi, up to 200 km or 124 mi.';
  },
  money(text) {
    const clean = text.replace(/[$,\s]/g, '');
    if (clean === '') return { value: null };
    return /^\d{1,7}(\.\d{1,2})?$/.test(clean)
      ? { value: Math.round(Number(clean) * 100) }
      : 'Budget: a sum like 900, or nothing.';
  },
};
