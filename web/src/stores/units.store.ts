import { computed, Injectable, signal } from '@angular/core';
import type { UnitSystem } from '@plain-cleat/core';

const KEY = 'plain-cleat.units';

/** One unit system at a time, everywhere on the screen; remembered on this device. */
@Injectable({ providedIn: 'root' })
export class UnitsStore {
  private readonly chosen = signal<UnitSystem>(localStorage.getItem(KEY) === 'metric' ? 'metric' : 'imperial');
  readonly system = this.chosen.asReadonly();
  readonly label = computed(() => (this.chosen() === 'imperial' ? 'ft · in' : 'mm'));

  toggle(): void {
    this.chosen.update((s) => (s === 'imperial' ? 'metric' : 'imperial'));
    localStorage.setItem(KEY, this.chosen());
  }
}
