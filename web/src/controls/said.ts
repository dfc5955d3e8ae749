import { ChangeDetectionStrategy, Component, input } from '@angular/core';
import type { Sending } from '../stores/sending';

/** What became of what was sent: why it was not taken, or what was done. */
@Component({
  selector: 'pc-said',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (of().fault()) {
      <p class="fault" role="alert">{{ of().fault() }}</p>
    }
    <p role="status" class="small muted">{{ of().done() }}</p>
  `,
  styles: `
    :host {
      display: block;
    }
    p:empty {
      display: none;
    }
  `,
})
export class Said {
  readonly of = input.required<Sending>();
}
