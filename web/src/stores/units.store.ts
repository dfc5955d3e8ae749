import { computed, inject, Injectable } from '@angular/core';
import { PreferencesStore } from './preferences.store';

/** One unit system at a time, everywhere on the screen: the one whoever is here prefers. */
@Injectable({ providedIn: 'root' })
export class UnitsStore {
  private readonly preferences = inject(PreferencesStore);
  readonly system = computed(() => this.preferences.now().units);
  readonly label = computed(() => (this.system() === 'imperial' ? 'ft · in' : 'mm'));

  toggle(): void {
    this.preferences.say({ units: this.system() === 'imperial' ? 'metric' : 'imperial' });
  }
}
