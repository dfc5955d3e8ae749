import { ChangeDetectionStrategy, Component, inject } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatProgressBarModule } from '@angular/material/progress-bar';
import { Parts } from '../stores/parts';

/** Says that the shop's parts are on their way, or are not as the shop has them now. */
@Component({
  selector: 'pc-range-state',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatButtonModule, MatProgressBarModule],
  template: `
    @if (parts.range(); as range) {
      @if (range.loading) {
        <p class="small muted" role="status">Fetching the shop’s parts</p>
        <mat-progress-bar mode="indeterminate" aria-label="Fetching the shop’s parts" />
      } @else if (range.failure) {
        <p class="small" role="status">
          The shop’s parts did not come{{ range.parts.length ? ', these are the last ones seen' : '' }}: {{ range.failure }}
          <button mat-button class="link" type="button" (click)="parts.retry()">Try again</button>
        </p>
      }
    }
  `,
})
export class RangeStateNote {
  protected readonly parts = inject(Parts);
}
