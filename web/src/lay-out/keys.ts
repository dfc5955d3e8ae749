import { ChangeDetectionStrategy, Component, output } from '@angular/core';

const KEYS = [
  ['/', 'find a part'],
  ['← →', 'walk from fitting to fitting'],
  ['G', 'pick up, then arrows move it; Shift coarse'],
  ['X', 'choose several: adds or leaves this one'],
  ['S', 'show the next set'],
  ['E', 'type its exact place; Esc leaves the field'],
  ['[ ]', 'turn it'],
  ['M', 'ways to hold it'],
  ['H', 'hook the tape'],
  ['F', 'turn the boat round'],
  ['U', 'undo, Shift-U redo'],
  ['Delete', 'take it off'],
  ['Esc', 'let go'],
  ['?', 'this list'],
] as const;

/** The keys of the layout bench. */
@Component({
  selector: 'pc-keys',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="keys" role="region" aria-label="Keys">
      <div class="spread">
        <h3>Keys</h3>
        <button class="link" type="button" (click)="closed.emit()">Close</button>
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
