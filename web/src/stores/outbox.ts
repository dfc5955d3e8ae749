import type { Change, NewFact } from '@plain-cleat/core';

export type Waiting =
  | { readonly what: 'change'; readonly change: Change; readonly undoes: string | null }
  | { readonly what: 'fact'; readonly fact: NewFact };

/** What is not yet acknowledged, in order, kept on this device across reloads. */
export class Outbox {
  private waiting: Waiting[];
  private readonly key: string;

  constructor(
    rig: string,
    private readonly storage: Pick<Storage, 'getItem' | 'setItem' | 'removeItem'> = localStorage,
  ) {
    this.key = `plain-cleat.unsent.${rig}`;
    this.waiting = this.read();
  }

  private read(): Waiting[] {
    try {
      return JSON.parse(this.storage.getItem(this.key) ?? '[]') as Waiting[];
    } catch {
      return [];
    }
  }

  private write(): void {
    if (this.waiting.length) this.storage.setItem(this.key, JSON.stringify(this.waiting));
    else this.storage.removeItem(this.key);
  }

  all = (): readonly Waiting[] => this.waiting;
  first = (): Waiting | undefined => this.waiting[0];

  add(one: Waiting): void {
    this.waiting = [...this.waiting, one];
    this.write();
  }

  drop(one: Waiting): void {
    this.waiting = this.waiting.filter((w) => w !== one);
    this.write();
  }
}
