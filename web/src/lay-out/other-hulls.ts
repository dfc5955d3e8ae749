import { inject, Injectable, signal } from '@angular/core';
import type { Part } from '@plain-cleat/core/parts';
import type { HullModel } from '@plain-cleat/core/hull';
import { takenBy } from '@plain-cleat/core/layout';
import { tell } from '@plain-cleat/core/units';
import { forkJoin, of, switchMap } from 'rxjs';
import { HullStore } from '../hulls/hull-store';
import { UnitsStore } from '../stores/units.store';

/** Where a part goes on another hull. */
export interface OnOther {
  readonly hull: string;
  readonly says: string;
  readonly fits: boolean;
}

/** The other hulls the shop knows, asked for once when somebody wants to know what fits them. */
@Injectable({ providedIn: 'root' })
export class OtherHulls {
  private readonly store = inject(HullStore);
  private readonly units = inject(UnitsStore);
  private readonly models = signal<readonly HullModel[] | null>(null);
  private asked = false;

  private load(): void {
    if (this.asked) return;
    this.asked = true;
    this.store
      .library()
      .pipe(switchMap((all) => (all.length ? forkJoin(all.map((h) => this.store.model(h.id))) : of([]))))
      .subscribe({ next: (models) => this.models.set(models), error: () => (this.asked = false) });
  }

  /** For each other hull the first place that takes the part, or why its nearest does not; null while asking. */
  taking(part: Part, own: string): readonly OnOther[] | null {
    this.load();
    const models = this.models();
    return (
      models &&
      models
        .filter((m) => m.id !== own)
        .map((m) => {
          const all = takenBy(part, m);
          const best = all.find((t) => t.fits) ?? all[0];
          return {
            hull: m.name,
            fits: best?.fits ?? false,
            says: best ? `${best.place}: ${tell(best.why, this.units.system())}` : 'nothing there to hold it',
          };
        })
    );
  }
}
