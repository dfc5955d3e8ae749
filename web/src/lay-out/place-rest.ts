import { computed, DestroyRef, inject, Injectable, signal } from '@angular/core';
import { mayComeWith, type ShownRest, type Wanted } from '@plain-cleat/core/proposals/places';
import type { Subscription } from 'rxjs';
import { asOne } from '../stores/as-one';
import { RigStore, settledInput } from '../stores/rig.store';
import { UnitsStore } from '../stores/units.store';
import { taking } from '../workers/worker-calls';
import { BestPlaces } from './best-places';
import { PlaceCalls } from './place-calls';
import { Placing } from './placing';

/** Places all that is wished for and not aboard, in the worker; the best so far is shown on the boat until it is done or stopped. */
@Injectable()
export class PlaceRest {
  private readonly store = inject(RigStore);
  private readonly units = inject(UnitsStore);
  private readonly best = inject(BestPlaces);
  private readonly placing = inject(Placing);
  private readonly calls = inject(PlaceCalls);
  private search: Subscription | null = null;
  readonly running = signal<ShownRest | null>(null);
  /** What came of it, until it is begun anew. */
  readonly said = signal<ShownRest | null>(null);

  /** Every piece that is wished for and not aboard. */
  readonly wanted = computed((): readonly Wanted[] => {
    const parts = this.store.state()?.parts ?? [];
    return this.best.open().flatMap((w) => {
      const part = parts.find((p) => p.id === w.part);
      return part ? Array.from({ length: w.count - w.placed }, () => ({ wish: w.id, part })) : [];
    });
  });

  constructor() {
    inject(DestroyRef).onDestroy(() => this.search?.unsubscribe());
  }

  start(): void {
    const state = this.store.state();
    const wanted = this.wanted();
    if (!state || wanted.length === 0) return;
    this.placing.cancel();
    this.said.set(null);
    const input = settledInput(state);
    const how = {
      units: this.units.system(),
      range: mayComeWith(
        wanted.map((w) => w.part),
        state.parts,
      ),
    };
    this.search = this.calls
      .run<ShownRest>((remote, tell) => remote.rest(input, wanted, how, taking(tell)))
      .subscribe({ next: (rest) => this.tell(rest), complete: () => this.keep() });
  }

  private tell(rest: ShownRest): void {
    const before = this.running()?.changes.length;
    this.running.set(rest);
    if (rest.changes.length !== before) this.store.preview(asOne(rest.changes));
  }

  /** What is placed so far stays. */
  stop(): void {
    this.search?.unsubscribe();
    this.keep();
  }

  private keep(): void {
    const rest = this.running();
    this.search = null;
    this.running.set(null);
    if (!rest) return;
    const change = asOne(rest.changes);
    if (change) this.store.change(change);
    else this.store.preview(null);
    this.said.set(rest);
  }
}
