import { computed, inject, Injectable, signal } from '@angular/core';
import { takeUntilDestroyed, toObservable } from '@angular/core/rxjs-interop';
import type { SettledAll } from '@plain-cleat/core/proposals/fixes';
import { sameJson } from '@plain-cleat/core/rig';
import { EMPTY, switchMap, tap } from 'rxjs';
import { Fixes } from '../findings/fixes';
import { RigStore, settledInput } from '../stores/rig.store';
import { UnitsStore } from '../stores/units.store';
import { PlaceCalls } from './place-calls';
import { Settling } from './settling';

/** Fixes that go together, searched once those of each finding are found; withdrawn when the plan moves on. */
@Injectable()
export class SettleAll {
  private readonly store = inject(RigStore);
  private readonly units = inject(UnitsStore);
  private readonly fixes = inject(Fixes);
  private readonly settling = inject(Settling);
  private readonly calls = inject(PlaceCalls);
  readonly found = signal<SettledAll | null>(null);

  /** The plan, once two findings of it have a fix each and no more are searched. */
  private readonly ripe = computed(
    () => {
      const fixed = Object.values(this.fixes.byFinding()).filter((f) => f.length > 0).length;
      return fixed > 1 && !this.fixes.searching() ? (this.store.state()?.settled ?? null) : null;
    },
    { equal: sameJson },
  );

  constructor() {
    toObservable(this.ripe)
      .pipe(
        tap(() => this.found.set(null)),
        switchMap((plan) => {
          const state = this.store.state();
          if (!plan || !state) return EMPTY;
          const how = { units: this.units.system(), range: this.settling.helpful() };
          return this.calls.run<SettledAll>((remote, tell) => remote.settle(settledInput(state), how).then(tell));
        }),
        takeUntilDestroyed(),
      )
      .subscribe((found) => this.found.set(found));
  }

  take(): void {
    const change = this.found()?.change;
    this.found.set(null);
    if (change) this.store.change({ ...change, id: crypto.randomUUID() });
  }
}
