import { computed, signal } from '@angular/core';
import { select } from 'd3-selection';
import { zoom, zoomIdentity, type D3ZoomEvent, type ZoomBehavior, type ZoomTransform } from 'd3-zoom';

/** Of a notch of a wheel, some hundred pixels, it is seen half as close again; a line is so many pixels. */
const WHEEL = 0.005;
const LINE = 16;
/** So close at the most. */
const MOST = 8;

/** A drawing seen closer and moved about, never off its edge. */
export class Zoomed {
  private readonly transform = signal<ZoomTransform>(zoomIdentity);
  private behaviour: ZoomBehavior<SVGSVGElement, unknown> | null = null;
  private svg: SVGSVGElement | null = null;

  /** How much closer. */
  readonly k = computed(() => this.transform().k);
  /** What is seen of the drawing, in its own units. */
  readonly view = computed(() => {
    const { k, x, y } = this.transform();
    return { x: (0 - x) / k, y: (0 - y) / k };
  });
  /** As an element of the drawing takes it. */
  readonly attribute = computed(() => this.transform().toString());

  /**
   * Takes hold of a drawing: the wheel with Ctrl, two fingers, or a drag where it is seen closer.
   * @param size of the whole drawing, in its own units
   * @param moves whether a press may move it
   */
  hold(svg: SVGSVGElement, size: () => readonly [number, number], moves: (event: Event) => boolean): void {
    this.svg = svg;
    const behaviour = zoom<SVGSVGElement, unknown>()
      .scaleExtent([1, MOST])
      .wheelDelta((event: WheelEvent) => -event.deltaY * (event.deltaMode === event.DOM_DELTA_LINE ? LINE : 1) * WHEEL)
      .extent(() => [[0, 0], [...size()]])
      .filter((event: Event) => {
        if (event instanceof WheelEvent) return event.ctrlKey || event.metaKey;
        if ('touches' in event && (event as TouchEvent).touches.length > 1) return true;
        return this.k() > 1 && moves(event);
      })
      .on('zoom', ({ transform }: D3ZoomEvent<SVGSVGElement, unknown>) => this.transform.set(transform));
    // As large as the drawing is, which what stands on it changes.
    behaviour.constrain((transform, extent) => {
      const [[,], [w, h]] = extent;
      const x = Math.min(0, Math.max(transform.x, w - w * transform.k));
      const y = Math.min(0, Math.max(transform.y, h - h * transform.k));
      return zoomIdentity.translate(x, y).scale(transform.k);
    });
    select(svg).call(behaviour).on('dblclick.zoom', null);
    this.behaviour = behaviour;
  }

  whole(): void {
    if (this.svg) this.behaviour?.transform(select(this.svg), zoomIdentity);
  }

  /** Twice as close about a point of the drawing, which comes to the middle unless it is seen; at the closest it is the whole again. */
  closer([px, py]: readonly [number, number], [width, height]: readonly [number, number]): void {
    if (this.k() >= MOST) return this.whole();
    const { k } = this.transform();
    const [x, y] = this.transform().apply([px, py]);
    const seen = x > 0 && x < width && y > 0 && y < height;
    const [sx, sy] = seen ? [x, y] : [width / 2, height / 2];
    const next = zoomIdentity.translate(sx - 2 * k * px, sy - 2 * k * py).scale(2 * k);
    if (this.svg && this.behaviour) {
      const extent = [
        [0, 0],
        [width, height],
      ] as [[number, number], [number, number]];
      this.behaviour.transform(select(this.svg), this.behaviour.constrain()(next, extent, extent));
    }
  }
}
