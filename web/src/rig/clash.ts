import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MAT_DIALOG_DATA, MatDialogModule } from '@angular/material/dialog';
import { fieldWords, valueWords } from '@plain-cleat/core/workup';
import { Words } from '../boat-view/words';
import type { ClashShown, RigState } from '../stores/rig.state';

/** What a clash is shown from. */
export interface ClashToSettle {
  readonly clash: ClashShown;
  readonly state: RigState;
  /** Mine can be made anew over theirs. */
  readonly mayUseMine: boolean;
}

/** A change of mine on a field somebody else changed first: both values side by side, and the person chooses. */
@Component({
  selector: 'pc-clash',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatDialogModule, MatButtonModule, Words],
  template: `
    <h2 mat-dialog-title>Changed meanwhile</h2>
    <mat-dialog-content>
      <p>
        Somebody else changed <strong>{{ field() }}</strong> before your change arrived.
      </p>
      <dl class="both">
        <div>
          <dt>Theirs, there now</dt>
          <dd>{{ theirs() | words }}</dd>
        </div>
        <div>
          <dt>Yours</dt>
          <dd>{{ mine() | words }}</dd>
        </div>
      </dl>
      @if (!shown.mayUseMine) {
        <p class="small muted">Yours cannot be used any more: what it is about is gone, or the plan would not hold together.</p>
      }
    </mat-dialog-content>
    <mat-dialog-actions align="end">
      <button mat-stroked-button type="button" [mat-dialog-close]="false">Keep theirs</button>
      @if (shown.mayUseMine) {
        <button mat-flat-button type="button" [mat-dialog-close]="true">Use mine</button>
      }
    </mat-dialog-actions>
  `,
  styles: `
    .both {
      display: grid;
      grid-template-columns: 1fr 1fr;
      gap: 12px;
      margin: 14px 0 6px;
    }
    .both > div {
      border: 1px solid var(--edge);
      border-radius: 4px;
      padding: 10px 14px;
    }
    dt {
      color: var(--muted);
      font-size: 13px;
    }
    dd {
      margin: 4px 0 0;
      font-weight: 500;
      overflow-wrap: anywhere;
    }
    mat-dialog-actions {
      gap: 10px;
      padding: 12px 24px 20px;
    }
  `,
})
export class Clash {
  protected readonly shown = inject<ClashToSettle>(MAT_DIALOG_DATA);
  protected readonly field = computed(() => fieldWords(this.shown.clash.field, this.shown.state));
  protected readonly theirs = computed(() => this.words(this.shown.clash.found));
  protected readonly mine = computed(() => this.words(this.shown.clash.wanted));

  private words = (value: unknown) => valueWords(this.shown.clash.field, value, this.shown.state);
}
