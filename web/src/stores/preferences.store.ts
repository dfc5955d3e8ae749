import { computed, Injectable } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import type { Preferences } from '@plain-cleat/api';
import { BehaviorSubject, Subject } from 'rxjs';

const KEY = 'plain-cleat.preferences';
/** Of whoever has said nothing yet. */
const USUAL: Preferences = { units: 'imperial', theme: 'device', papers: 'en', numbers: 'ask', dates: 'ask' };

const unlessAsked = <T extends string>(said: T | 'ask'): Exclude<T, 'ask'> | null =>
  said === 'ask' ? null : (said as Exclude<T, 'ask'>);

/** What this device was last set to: before anybody is signed in. */
function lastHere(): Preferences {
  try {
    return { ...USUAL, ...(JSON.parse(localStorage.getItem(KEY) ?? '{}') as Partial<Preferences>) };
  } catch {
    return USUAL;
  }
}

/** How the person who is signed in likes it: units, light or dark, the language of owners' papers. */
@Injectable({ providedIn: 'root' })
export class PreferencesStore {
  private readonly state = new BehaviorSubject(lastHere());
  private readonly sayings = new Subject<Partial<Preferences>>();
  /** What they say of it here, to be remembered for them. */
  readonly said$ = this.sayings.asObservable();
  readonly now = toSignal(this.state, { requireSync: true });
  readonly papers = computed(() => this.now().papers);
  /** How they write numbers and dates; null while they have not said. */
  readonly numbers = computed(() => unlessAsked(this.now().numbers));
  readonly dates = computed(() => unlessAsked(this.now().dates));

  constructor() {
    this.state.subscribe(({ theme }) => {
      if (theme === 'device') delete document.documentElement.dataset['theme'];
      else document.documentElement.dataset['theme'] = theme;
    });
  }

  /** Somebody is here, and said so much of it before. */
  take(said: Partial<Preferences> = {}): void {
    this.put({ ...USUAL, ...said });
  }

  say(more: Partial<Preferences>): void {
    this.put({ ...this.state.value, ...more });
    this.sayings.next(more);
  }

  private put(all: Preferences): void {
    localStorage.setItem(KEY, JSON.stringify(all));
    this.state.next(all);
  }
}
