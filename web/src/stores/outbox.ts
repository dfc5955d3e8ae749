import type { Change, NewFact } from '@plain-cleat/core';

export type Waiting =
  | { readonly what: 'change'; readonly change: Change; readonly undoes: string | null }
  | { readonly what: 'fact'; readonly fact: NewFact };

type Kept = Pick<Storage, 'getItem' | 'setItem' | 'removeItem' | 'key' | 'length'>;

const prefixOf = (rig: string): string => `plain-cleat.unsent.${rig}.`;

/**
 * What is not yet acknowledged, in order, kept on this device across reloads. Each has a key of its
 * own, so that two tabs of one rig never write over each other; the server keeps an id sent twice once.
 */
export class Outbox {
  private readonly waiting = new Map<string, Waiting>();
  private readonly prefix: string;
  private count = 0;

  constructor(
    rig: string,
    private readonly storage: Kept = localStorage,
  ) {
    this.prefix = prefixOf(rig);
    for (const key of this.keys()) {
      const one = this.read(key);
      if (one) this.waiting.set(key, one);
    }
  }

  private keys(): string[] {
    const all = Array.from({ length: this.storage.length }, (_, i) => this.storage.key(i) ?? '');
    return all.filter((k) => k.startsWith(this.prefix)).sort();
  }

  private read(key: string): Waiting | undefined {
    try {
      return JSON.parse(this.storage.getItem(key) ?? '') as Waiting;
    } catch {
      return undefined;
    }
  }

  all = (): readonly Waiting[] => [...this.waiting.values()];
  first = (): Waiting | undefined => this.all()[0];

  add(one: Waiting): void {
    const { id } = one.what === 'change' ? one.change : one.fact;
    const key = `${this.prefix}${Date.now()}.${String(++this.count).padStart(6, '0')}.${id}`;
    this.waiting.set(key, one);
    this.storage.setItem(key, JSON.stringify(one));
  }

  drop(one: Waiting): void {
    for (const [key, value] of this.waiting)
      if (value === one) {
        this.waiting.delete(key);
        this.storage.removeItem(key);
      }
  }
}
