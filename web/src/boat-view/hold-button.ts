import { ChangeDetectionStrategy, Component, input, output, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';

/** Held, not tapped: for what cannot be undone. Pointer, touch and the space or enter key alike. */
@Component({
  selector: 'pc-hold-button',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatButtonModule],
  template: `<button
      mat-flat-button
      disableRipple
      type="button"
      [class.holding]="holding()"
      [disabled]="disabled()"
      (pointerdown)="start()"
      (pointerup)="stop()"
      (pointerleave)="stop()"
      (keydown.space)="$event.preventDefault(); start()"
      (keyup.space)="stop()"
      (keydown.enter)="$event.preventDefault(); start()"
      (keyup.enter)="stop()"
      (contextmenu)="$event.preventDefault()"
    >
      <span class="fill" (transitionend)="finish()"></span><span class="says"><ng-content /></span>
    </button>
    <p class="hint" role="status">{{ short() ? 'Not marked: hold it down until it fills.' : '' }}</p>`,
  styles: `
    button {
      min-height: 80px;
      width: 100%;
      height: auto;
      overflow: hidden;
      font-size: 22px;
      touch-action: none;
      user-select: none;
    }
    .fill {
      position: absolute;
      inset: 0;
      background: var(--ink);
      transform: scaleX(0);
      transform-origin: left;
      transition: transform 0.15s;
    }
    .holding .fill {
      transform: scaleX(1);
      transition: transform 0.7s linear;
    }
    .says {
      position: relative;
      z-index: 1;
    }
    .hint {
      min-height: 1.4em;
      margin: 2px 0 0;
      color: var(--look);
      font-weight: 600;
    }
  `,
})
export class HoldButton {
  readonly disabled = input(false);
  readonly held = output<void>();
  protected readonly holding = signal(false);

  /** It was tapped where it should have been held. */
  protected readonly short = signal(false);

  protected start(): void {
    if (this.disabled()) return;
    this.short.set(false);
    this.holding.set(true);
  }
  protected stop(): void {
    if (this.holding()) this.short.set(true);
    this.holding.set(false);
  }
  protected finish(): void {
    if (!this.holding()) return;
    this.holding.set(false);
    this.short.set(false);
    this.held.emit();
  }
}
