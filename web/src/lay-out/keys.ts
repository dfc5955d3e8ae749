import { ChangeDetectionStrategy, Component, output } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';

const KEYS = [
  ['/', 'find a part'],
  ['N', 'the next wish that is not placed'],
  ['1 2 3', 'put what is in the hand at that place'],
  ['← →', 'walk from fitting to fitting'],
  ['Space or Enter', 'pick up, then arrows move it; Shift coarse; again puts it down'],
  ['Ctrl Space', 'choose several: adds or leaves this one'],
  ['Shift F10', 'everything else that can be done with it'],
  ['Ctrl Z', 'undo; Ctrl Shift Z redo; on every step'],
  ['Delete', 'delete it'],
  ['Esc', 'let go'],
  ['?', 'this list'],
] as const;

/** The keys of the Lay out step. */
@Component({
  selector: 'pc-keys',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatButtonModule],
  template: `
    <div class="keys" role="region" aria-label="Keys">
      <div class="spread">
        <h3>Keys</h3>
        <button mat-button class="link" type="button" (click)="closed.emit()">Close</button>
      </div>
      <dl class="facts">
        @for (k of keys; track k[0]) {
          <div>
            <dt>
              <kbd>{{ k[0] }}</kbd>
            </dt>
            <dd>{{ k[1] }}</dd>
          </div>
        }
      </dl>
    </div>
  `,
  styles: `
    .keys {
      position: fixed;
      right: 18px;
      bottom: 18px;
      width: 340px;
      background: var(--card);
      border: 1.5px solid var(--edge);
      border-radius: 6px;
      padding: 12px 16px;
      z-index: 5;
    }
    kbd {
      font:
        600 14px 'Barlow Semi Condensed',
        sans-serif;
    }
  `,
})
export class Keys {
  readonly closed = output<void>();
  protected readonly keys = KEYS;
}
