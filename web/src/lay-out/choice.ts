import { signal } from '@angular/core';

/** Something that can be chosen: a mark on the boat. */
interface Choosable {
  readonly id: string;
  readonly label: string;
  readonly name: string;
}

/** What is chosen on the boat: the one, and several round it; said aloud as it changes. */
export class Choice {
  readonly one = signal<string | null>(null);
  /** More than the one: picked with Shift or X, or by a frame drawn round them. */
  readonly selection = signal<ReadonlySet<string>>(new Set());
  readonly spoken = signal('');

  /** The one alone, or nothing. */
  pick(id: string | null, said = ''): void {
    this.selection.set(new Set());
    this.one.set(id);
    if (said) this.spoken.set(said);
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
  walk(marks: readonly Choosable[], step: 1 | -1): void {
    if (marks.length === 0) return;
    const i = marks.findIndex((m) => m.id === this.one());
    const next = marks[i < 0 ? (step > 0 ? 0 : marks.length - 1) : (i + step + marks.length) % marks.length];
    if (this.selection().size === 0) this.pick(next?.id ?? null);
    else this.one.set(next?.id ?? null);
    this.spoken.set(`${next?.label ?? ''}, ${next?.name ?? ''}`);
  }
}
