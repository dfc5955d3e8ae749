import { computed, inject, Injectable, signal } from '@angular/core';
import type { Fitted } from '@plain-cleat/core/holding/fitted';
import { RigStore } from '../stores/rig.store';
import { Drawn } from './drawn';

/** What is chosen on the boat, the one and several round it, and what of the boat is to hand; said aloud as it changes. */
@Injectable()
export class Choice {
  private readonly store = inject(RigStore);
  readonly one = signal<string | null>(null);
  /** More than the one: picked with Shift or X, or by a frame drawn round them. */
  readonly selection = signal<ReadonlySet<string>>(new Set());
  readonly spoken = signal('');
  /** Picked up: arrows move it. */
  readonly carrying = signal(false);
  /** A place pointed at before a part was chosen. */
  readonly spot = signal<{ x: number; y: number } | null>(null);
  /** The deck is lifted off: what stands inside is to hand. */
  readonly lifted = signal(false);
  private byHand = false;
  /** The set that is compared with the one shown. */
  readonly compare = signal<string | null>(null);
  /** What stands beside the boat while nothing is chosen. */
  readonly aside = signal<'parts' | 'stowed' | 'hands'>('parts');

  readonly item = computed(() => this.store.state()?.workup.aboard.items.find((i) => i.placed.id === this.one()) ?? null);
  readonly many = computed((): readonly Fitted[] => {
    const ids = this.selection();
    return ids.size < 2 ? [] : (this.store.state()?.workup.aboard.items ?? []).filter((i) => ids.has(i.placed.id));
  });
  readonly drawn = new Drawn(this.store, this);

  /** The one alone, or nothing; with the deck off or on as it is reached. */
  pick(id: string | null, more = false): void {
    this.carrying.set(false);
    this.aside.set('parts');
    if (more && id) return this.more(id);
    if (id) this.spot.set(null);
    const mark = this.drawn.marks().find((m) => m.id === id);
    if (mark && (mark.inside ?? false) !== this.lifted()) {
      this.lifted.set(mark.inside ?? false);
      this.byHand = false;
    }
    this.alone(id);
    if (mark) this.spoken.set(`${mark.label}, ${mark.name}`);
  }

  /** Lifts the deck off, or puts it back on. */
  lift(): void {
    this.lifted.update((l) => !l);
    this.byHand = this.lifted();
    if ((this.item() && this.drawn.marks().find((m) => m.id === this.one())?.inside) !== this.lifted()) this.pick(null);
    this.spot.set(null);
    this.spoken.set(this.lifted() ? 'Deck lifted off: what stands inside is to hand' : 'Deck back on');
  }

  /** Lifted off for what goes inside; where it was so by hand it stays off for what can be set down in there. */
  liftFor({ inside, loose }: { readonly inside: boolean; readonly loose: boolean }): void {
    this.lifted.set(inside || (this.byHand && loose));
  }

  /** Picks the one up to move it by arrows, or puts it down. */
  carry(): void {
    this.carrying.update((c) => !c);
    this.spoken.set(this.carrying() ? 'Picked up: arrows move it' : 'Put down');
  }

  private alone(id: string | null): void {
    this.selection.set(new Set());
    this.one.set(id);
  }

  /** Adds one to the several, or leaves it out again. */
  more(id: string): void {
    const now = new Set(this.selection());
    const first = this.one();
    if (now.size === 0 && first && first !== id) now.add(first);
    if (now.has(id)) now.delete(id);
    else now.add(id);
    this.selection.set(now);
    this.one.set(now.size === 1 ? ([...now][0] ?? null) : id);
    this.spoken.set(`${now.size} chosen`);
  }

  /** All that a frame was drawn round. */
  frame(ids: readonly string[]): void {
    this.selection.set(new Set(ids));
    this.one.set(ids.length === 1 ? (ids[0] ?? null) : (this.one() ?? ids[0] ?? null));
    this.spoken.set(`${ids.length} chosen`);
  }

  /** The next towards the stern or the bow, round and round; several stay chosen meanwhile. */
  walk(step: 1 | -1): void {
    this.carrying.set(false);
    this.aside.set('parts');
    const marks = this.drawn.marks();
    if (marks.length === 0) return;
    const i = marks.findIndex((m) => m.id === this.one());
    const next = marks[i < 0 ? (step > 0 ? 0 : marks.length - 1) : (i + step + marks.length) % marks.length];
    if (this.selection().size === 0) this.alone(next?.id ?? null);
    else this.one.set(next?.id ?? null);
    this.spoken.set(`${next?.label ?? ''}, ${next?.name ?? ''}`);
  }
}
