import { DestroyRef, inject, Injectable, signal } from '@angular/core';
import type { Cure, WorkupInput } from '@plain-cleat/core';
import { type Remote, wrap } from 'comlink';
import { UnitsStore } from '../stores/units.store';
import type { CureWorker } from '../workers/cures.worker';

/** Cures by finding, stamped with the plan they were tried on and withdrawn when it moves on. */
@Injectable()
export class Cures {
  private readonly units = inject(UnitsStore);
  private worker?: Worker;
  private remote?: Remote<CureWorker>;
  private asked = 0;
  private timer?: ReturnType<typeof setTimeout>;
  readonly byFinding = signal<Readonly<Record<string, readonly Cure[]>>>({});
  readonly searching = signal(false);

  constructor() {
    inject(DestroyRef).onDestroy(() => {
      clearTimeout(this.timer);
      this.worker?.terminate();
    });
  }

  /** Asks for cures of this plan once the hand rests. */
  ask(input: WorkupInput, needed: boolean): void {
    const stamp = ++this.asked;
    this.byFinding.set({});
    this.searching.set(needed);
    clearTimeout(this.timer);
    if (needed) this.timer = setTimeout(() => void this.search(input, stamp), 250);
  }

  private async search(input: WorkupInput, stamp: number): Promise<void> {
    if (!this.worker) {
      this.worker = new Worker(new URL('../workers/cures.worker', import.meta.url), { type: 'module' });
      this.remote = wrap<CureWorker>(this.worker);
    }
    const found = await this.remote?.cures(input, this.units.system());
    if (stamp !== this.asked || !found) return;
    this.byFinding.set(found);
    this.searching.set(false);
  }
}
