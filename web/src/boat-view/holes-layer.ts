import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import type { PlannedHole } from '@plain-cleat/core/holding/fitted';
import type { Workup } from '@plain-cleat/core/workup';
import type { BoatDrawing } from './drawing';

/** Holes to make, and those there are: old ones stay drawn like scars. */
@Component({
  selector: '[pcHoles]',
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './holes-layer.html',
  styleUrl: './holes-layer.scss',
})
export class HolesLayer {
  readonly boat = input.required<BoatDrawing>();
  readonly workup = input.required<Pick<Workup, 'drilling'>>();
  readonly holes = input<readonly PlannedHole[]>([]);
  readonly chosen = input<string | null>(null);

  protected readonly drawn = computed(() =>
    this.holes().map((h) => ({ id: h.id, label: h.label, drilled: h.drilled, ...this.boat().at(h.drilled?.at ?? h.at) })),
  );
  protected readonly scars = computed(() =>
    this.workup().drilling.oldHoles.flatMap((h) =>
      h.at
        ? [
            {
              id: h.id,
              name: `${h.label}, ${h.plugged ? `plugged with ${h.plugged}` : 'open'}`,
              plugged: h.plugged !== null,
              ...this.boat().at(h.at),
            },
          ]
        : [],
    ),
  );
}
