import { DestroyRef, inject, Injectable, signal } from '@angular/core';
import type { Cure, WorkupInput } from '@plain-cleat/core';
import { proxy, type Remote, wrap } from 'comlink';
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

  /** Asks for cures of these findings once the hand rests; each is shown as it is found. */
  ask(input: WorkupInput, keys: readonly string[]): void {
    const stamp = ++this.asked;
    this.byFinding.set({});
    clearTimeout(this.timer);
    // A search on a plan that has moved on is worth nothing: it is ended, not waited for.
    if (this.searching()) this.stop();
    this.searching.set(keys.length > 0);
    if (keys.length) this.timer = setTimeout(() => void this.search(input, keys, stamp), 250);
  }

  private stop(): void {
    this.worker?.terminate();
    this.worker = undefined;
  }

  private async search(input: WorkupInput, keys: readonly string[], stamp: number): Promise<void> {
    if (!this.worker) {
      this.worker = new Worker(new URL('../workers/cures.worker', import.meta.url), { type: 'module' });
      this.remote = wrap<CureWorker>(this.worker);
    }
    const found = proxy((key: string, cures: Cure[]): void => {
      if (stamp === this.asked) this.byFinding.update((all) => ({ ...all, [key]: cures }));
    });
    await this.remote?.cures(input, keys, this.units.system(), found);
    if (stamp === this.asked) this.searching.set(false);
  }
}
