import { ChangeDetectionStrategy, Component, input } from '@angular/core';
import { MatExpansionModule } from '@angular/material/expansion';
import type { Source } from '@plain-cleat/core/base/units';

/** Where a figure comes from: its sources, and whether the value is from memory. */
@Component({
  selector: 'pc-explained',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatExpansionModule],
  template: `
    <mat-expansion-panel>
      <mat-expansion-panel-header><mat-panel-title>Explained</mat-panel-title></mat-expansion-panel-header>
      <ul class="small muted">
        @for (s of sources(); track s.title) {
          <li>{{ s.title }}{{ s.fromMemory ? ', value from memory' : '' }}</li>
        }
      </ul>
    </mat-expansion-panel>
  `,
})
export class Explained {
  readonly sources = input.required<readonly Source[]>();
}
