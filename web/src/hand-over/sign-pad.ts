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
  /** A name was written into it. */
  private written = false;

  constructor() {
    afterNextRender(() => (this.pad = new SignaturePad(this.canvas().nativeElement, { penColor: '#1d2b33' })));
  }

  /** The signature as a PNG data address, or null while the field is empty. */
  drawing = (): string | null =>
    !this.pad || (this.pad.isEmpty() && !this.written) ? null : this.canvas().nativeElement.toDataURL('image/png');

  clear(): void {
    this.pad?.clear();
    this.written = false;
  }

  /** Writes a name into the field, for who cannot draw it: as large as it fits. */
  write(name: string): void {
    const canvas = this.canvas().nativeElement;
    const ink = canvas.getContext('2d');
    if (!ink || !name) return;
    ink.font = 'italic 40px Barlow, sans-serif';
    const size = Math.min(40, (40 * (canvas.width - 24)) / ink.measureText(name).width);
    ink.font = `italic ${size}px Barlow, sans-serif`;
    ink.fillStyle = '#1d2b33';
    this.clear();
    ink.fillText(name, 12, canvas.height / 2 + size / 3);
    this.written = true;
  }
}
