import { computed, signal } from '@angular/core';
import { select, type Selection } from 'd3-selection';
import { zoom, zoomIdentity, type D3ZoomEvent, type ZoomBehavior, type ZoomTransform } from 'd3-zoom';

/** Of a notch of a wheel, some hundred pixels, it is seen half as close again; a line is so many pixels. */
const WHEEL = 0.005;
const LINE = 16;
/** So close at the most. */
const MOST = 8;

/** A drawing seen closer and moved about, never off its edge. */
export class Zoomed {
  private readonly transform = signal<ZoomTransform>(zoomIdentity);
  private held: {
    readonly svg: Selection<SVGSVGElement, unknown, null, undefined>;
    readonly behaviour: ZoomBehavior<SVGSVGElement, unknown>;
    readonly size: () => readonly [number, number];
  } | null = null;

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
    this.held = { svg: select(svg).call(behaviour).on('dblclick.zoom', null), behaviour, size };
  }

  whole(): void {
    this.held?.behaviour.transform(this.held.svg, zoomIdentity);
  }

  /** Twice as close about a point of the drawing, which comes to the middle unless it is seen; at the closest it is the whole again. */
  closer([px, py]: readonly [number, number]): void {
    if (!this.held) return;
    if (this.k() >= MOST) return this.whole();
    const { svg, behaviour, size } = this.held;
    const [width, height] = size();
    const [x, y] = this.transform().apply([px, py]);
    if (x > 0 && x < width && y > 0 && y < height) return behaviour.scaleBy(svg, 2, [x, y]);
    behaviour.scaleBy(svg, 2);
    behaviour.translateTo(svg, px, py);
  }
}
