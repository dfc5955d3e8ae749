import { ChangeDetectionStrategy, Component, input, model, output, viewChildren } from '@angular/core';
import type { BoatDrawing, BoatMark } from './drawing';
import { Drag, type Dragged } from './drag';
import type { Letter } from './letters';

/** The marks of what is aboard: picked, dragged and dropped; every gesture has its key elsewhere. */
@Component({
  selector: '[pcMarks]',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Drag],
  templateUrl: './marks-layer.html',
  styleUrl: './marks-layer.scss',
})
export class MarksLayer {
  readonly boat = input.required<BoatDrawing>();
  readonly letters = input.required<readonly Letter[]>();
  readonly selected = input<string | null>(null);
  readonly selection = input<ReadonlySet<string>>(new Set());
  readonly picked = output<{ id: string; more: boolean }>();
  readonly moved = output<{ id: string; x: number; y: number; done: boolean }>();
  /** Which is under the finger, if any. */
  readonly held = model<string | null>(null);
  private readonly drags = viewChildren(Drag);

  protected pickUp({ id }: BoatMark, { more }: { readonly more: boolean }): void {
    this.picked.emit({ id, more });
  }

  protected drag(id: string, at: Dragged): void {
    this.held.set(at.done ? null : id);
    this.moved.emit({ id, ...at });
  }

  /** What is under the finger goes back to where it was; whether anything is. */
  putBack(): boolean {
    const back = this.held() !== null;
    for (const drag of this.drags()) drag.putBack();
    this.held.set(null);
    return back;
  }

  /** By key a mark is chosen first; of the chosen one the key is for whoever arranges here. */
  protected pickByKey(event: Event, id: string): void {
    if (id === this.selected()) return;
    event.preventDefault();
    event.stopPropagation();
    this.picked.emit({ id, more: (event as KeyboardEvent).shiftKey });
  }
}
