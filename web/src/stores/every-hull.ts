import { inject, Injectable, signal, untracked } from '@angular/core';
import type { HullModel } from '@plain-cleat/core/boat/hull';
import { forkJoin, of, switchMap } from 'rxjs';
import { wordsOf } from './problems';
import { HullStore } from './hull-store';

/** Every hull the shop knows, asked for once when somebody first wants to compare them. */
@Injectable({ providedIn: 'root' })
export class EveryHull {
  private readonly store = inject(HullStore);
  private readonly found = signal<readonly HullModel[] | null>(null);
  private asked = false;
  /** Null while they are asked for. */
  readonly models = this.found.asReadonly();
  readonly fault = signal('');

  load(): void {
    if (this.asked) return;
    this.asked = true;
    // It may be asked for while something is being worked out.
    untracked(() => this.fault.set(''));
    this.store
      .library()
      .pipe(switchMap((all) => (all.length ? forkJoin(all.map((h) => this.store.model(h.id))) : of([]))))
      .subscribe({
        next: (models) => this.found.set(models),
        error: (error: unknown) => {
          this.asked = false;
          this.fault.set(wordsOf(error));
        },
      });
  }
}
