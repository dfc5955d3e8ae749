import { inject, Injectable } from '@angular/core';
import type { Part } from '@plain-cleat/core/parts/parts';
import { takenBy } from '@plain-cleat/core/layout';
import { tell } from '@plain-cleat/core/base/units';
import { EveryHull } from '../stores/every-hull';
import { UnitsStore } from '../stores/units.store';

/** Where a part goes on another hull. */
export interface OnOther {
  readonly hull: string;
  readonly says: string;
  readonly fits: boolean;
}

/** Where a part goes on the other hulls the shop knows. */
@Injectable({ providedIn: 'root' })
export class OtherHulls {
  private readonly every = inject(EveryHull);
  private readonly units = inject(UnitsStore);

  /** For each other hull the first place that takes the part, or why its nearest does not; null while asking. */
  taking(part: Part, own: string): readonly OnOther[] | null {
    this.every.want();
    const models = this.every.models.value();
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
