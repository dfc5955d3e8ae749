import { DestroyRef, Directive, ElementRef, inject, input, output } from '@angular/core';
import { drag, type D3DragEvent } from 'd3-drag';
import { select } from 'd3-selection';
import type { BoatDrawing } from './drawing';
import { pointIn } from './pointer';

/** Where something is dragged to, mm; let go there when it is done. */
export interface Dragged {
  readonly x: number;
  readonly y: number;
  readonly done: boolean;
}

/** So far a hand trembles without dragging, in units of the drawing. */
const STILL = 4;

type Event = D3DragEvent<SVGElement, unknown, unknown>;

/** Drags a thing of the boat by mouse or finger: it keeps its distance to the pointer. */
@Directive({ selector: '[pcDrag]' })
export class Drag {
  /** Where it stands, mm. */
  readonly pcDrag = input.required<{ readonly x: number; readonly y: number }>();
  readonly boat = input.required<BoatDrawing>();
  /** With Shift a frame is drawn from here, and nothing is dragged. */
  readonly frames = input(false);
  readonly pickedUp = output<{ readonly more: boolean }>();
  readonly dragged = output<Dragged>();
  private readonly element = inject<ElementRef<SVGElement>>(ElementRef).nativeElement;
  private held: { readonly dx: number; readonly dy: number; readonly moved: boolean } | null = null;

  constructor() {
    const behaviour = drag<SVGElement, unknown>()
      .filter((event: MouseEvent) => !event.button && !(this.frames() && event.shiftKey))
      .on('start', (event: Event) => this.pickUp(event))
      .on('drag', (event: Event) => this.move(event))
      .on('end', (event: Event) => this.letGo(event));
    const dragged = select(this.element).call(behaviour);
    inject(DestroyRef).onDestroy(() => dragged.on('.drag', null));
  }

  /** It goes back to where it was. */
  putBack(): void {
    this.held = null;
  }

  private pickUp(event: Event): void {
    const at = this.at(event);
    this.held = { dx: this.pcDrag().x - at.x, dy: this.pcDrag().y - at.y, moved: false };
    this.pickedUp.emit({ more: (event.sourceEvent as MouseEvent).shiftKey });
  }

  private move(event: Event): void {
    if (!this.held) return;
    const to = this.to(event, this.held);
    const far = Math.hypot(to.x - this.pcDrag().x, to.y - this.pcDrag().y) * this.boat().scale.perMm;
    if (!this.held.moved && far < STILL) return;
    this.held = { ...this.held, moved: true };
    this.dragged.emit({ ...to, done: false });
  }

  private letGo(event: Event): void {
    const { held } = this;
    this.held = null;
    if (held?.moved) this.dragged.emit({ ...this.to(event, held), done: true });
  }

  /** Where the pointer is, mm. */
  private at({ sourceEvent }: Event): { x: number; y: number } {
    const touch = (sourceEvent as TouchEvent).changedTouches?.[0];
    return this.boat().place(pointIn(touch ?? (sourceEvent as MouseEvent), this.element.parentElement as Element));
  }

  private to(event: Event, { dx, dy }: { readonly dx: number; readonly dy: number }): { x: number; y: number } {
    const at = this.at(event);
    return { x: at.x + dx, y: at.y + dy };
  }
}
