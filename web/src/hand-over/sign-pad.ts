import { afterNextRender, ChangeDetectionStrategy, Component, type ElementRef, viewChild } from '@angular/core';
import SignaturePad from 'signature_pad';

/** Where the owner signs. */
@Component({
  selector: 'pc-sign-pad',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `<canvas #canvas width="310" height="120" aria-label="Sign here" role="img"></canvas>`,
  styles: `
    canvas {
      border: 1.5px solid var(--edge);
      border-radius: 4px;
      background: #fff;
      width: 310px;
      height: 120px;
      touch-action: none;
    }
  `,
})
export class SignPad {
  private readonly canvas = viewChild.required<ElementRef<HTMLCanvasElement>>('canvas');
  private pad?: SignaturePad;

  constructor() {
    afterNextRender(() => (this.pad = new SignaturePad(this.canvas().nativeElement, { penColor: '#1d2b33' })));
  }

  /** The signature as a PNG data address, or null while the field is empty. */
  drawing = (): string | null => (!this.pad || this.pad.isEmpty() ? null : this.pad.toDataURL('image/png'));
  clear = (): void => this.pad?.clear();
}
