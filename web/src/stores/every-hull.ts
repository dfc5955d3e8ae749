import { inject, Injectable, untracked } from '@angular/core';
import type { HullModel } from '@plain-cleat/core/boat/hull';
import { forkJoin, type Observable, of, switchMap } from 'rxjs';
import { HullStore } from './hull.store';
import { Loader } from './loaded';

/** Every hull the shop knows, asked for once when somebody first wants to compare them. */
@Injectable({ providedIn: 'root' })
export class EveryHull {
  private readonly store = inject(HullStore);
  private asked = false;
  readonly models = new Loader((): Observable<readonly HullModel[]> =>
    this.store.library().pipe(switchMap((all) => (all.length ? forkJoin(all.map((h) => this.store.model(h.id))) : of([])))),
  );

  /** They are wanted: asked for unless they are here or on their way. */
  want(): void {
    // It may be wanted while something is being worked out.
    untracked(() => {
      if (this.asked && this.models.loaded().is !== 'failed') return;
      this.asked = true;
      this.models.load();
    });
  }
}
