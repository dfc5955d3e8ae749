import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatExpansionModule } from '@angular/material/expansion';
import { rankHulls, type HullAsk } from '@plain-cleat/core/proposals/which-hull';
import type { ShopSettings } from '@plain-cleat/core/parts/shop';
import { printMass } from '@plain-cleat/core/base/units';
import { Words } from '../boat-view/words';
import { EveryHull } from '../stores/every-hull';
import { UnitsStore } from '../stores/units.store';
import { WhenLoaded } from '../controls/when-loaded';

/** The shop's hulls for a brief: what nothing rules out first, each with its reasons and what would have to give. */
@Component({
  selector: 'pc-hull-list',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatButtonModule, MatExpansionModule, WhenLoaded, Words],
  template: `
    <ng-container *pcWhenLoaded="every.models; waits: 'Loading the hulls'">
      <mat-accordion>
        @for (r of ranks(); track r.hull.id; let first = $first) {
          <mat-expansion-panel [expanded]="first">
            <mat-expansion-panel-header>
              <mat-panel-title
                >{{ r.hull.maker }} {{ r.hull.name }}{{ r.hull.id === now() ? ' · this rig' : '' }}</mat-panel-title
              >
              <mat-panel-description [class.stop]="r.fails.length" [class.look]="!r.fails.length && r.gives.length">{{
                r.says
              }}</mat-panel-description>
            </mat-expansion-panel-header>
            <ng-template matExpansionPanelContent>
              <ul>
                @for (f of r.fails; track $index) {
                  <li class="stop">{{ f | words }}</li>
                }
                @for (g of r.gives; track $index) {
                  <li class="look">{{ g | words }}</li>
                }
                @for (s of r.reasons; track $index) {
                  <li>{{ s | words }}</li>
                }
              </ul>
              @if (choosing()) {
                <button mat-stroked-button type="button" (click)="chosen.emit(r.hull.id)">Choose {{ r.hull.name }}</button>
              }
            </ng-template>
          </mat-expansion-panel>
        } @empty {
          <p class="muted">The shop knows no hull yet. Measure one under Hulls.</p>
        }
      </mat-accordion>
      <p class="small muted">Estimates: they replace neither the maker’s rated capacity nor a test in shallow water.</p>
    </ng-container>
  `,
  styles: `
    .stop {
      color: var(--port);
      font-weight: 600;
    }
    .look {
      color: var(--look);
      font-weight: 600;
    }
    ul {
      margin: 0 0 8px;
      padding-left: 20px;
    }
  `,
})
export class HullList {
  readonly ask = input.required<HullAsk>();
  readonly shop = input.required<ShopSettings>();
  /** The hull the rig is on already. */
  readonly now = input<string | null>(null);
  /** Whether one can be chosen here. */
  readonly choosing = input(false);
  readonly chosen = output<string>();
  protected readonly every = inject(EveryHull);
  private readonly units = inject(UnitsStore);

  constructor() {
    this.every.want();
  }

  protected readonly ranks = computed(() => {
    const models = this.every.models.value();
    const system = this.units.system();
    return (
      models &&
      rankHulls(models, this.ask(), this.shop()).map((r) => ({
        ...r,
        says: r.fails.length
          ? 'does not suit'
          : r.gives.length
            ? `${r.gives.length} ${r.gives.length === 1 ? 'thing' : 'things'} would have to give`
            : `suits · the hull weighs ${printMass(r.hull.massKg, system)}`,
      }))
    );
  });
}
