import { pointIn } from './pointer';
import { ChangeDetectionStrategy, Component, computed, input, output, signal } from '@angular/core';
import type { Fitted } from '@plain-cleat/core/holding/fitted';
import { curveLinearClosed, line } from 'd3-shape';

interface Extent {
  readonly x0: number;
  readonly x1: number;
  readonly y0: number;
  readonly y1: number;
  readonly z0: number;
  readonly z1: number;
}

const MARGIN = 24;
const GAP = 18;
const LETTER = 26;

/** The space all bodies fill, hull axes. */
export function extentOf(parts: readonly Fitted[]): Extent {
  const bodies = parts.flatMap((p) => p.placed.bodies);
  const points = bodies.flatMap((b) => b.outline);
  const range = (values: number[]): [number, number] => (values.length ? [Math.min(...values), Math.max(...values)] : [0, 1]);
  const [x0, x1] = range(points.map((p) => p[0]));
  const [y0, y1] = range(points.map((p) => p[1]));
  const [z0, z1] = range(bodies.flatMap((b) => [b.bottom, b.top]));
  return { x0, x1, y0, y1, z0, z1 };
}

/** A fitting and what stands on it, from above and from the side to one scale; parts can be dragged. */
@Component({
  selector: 'pc-assembly-view',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <svg
      [attr.viewBox]="'0 0 ' + width() + ' ' + height()"
      role="img"
      [attr.aria-label]="'From above and from the side: ' + names()"
      (pointermove)="move($event)"
      (pointerup)="drop()"
      (pointercancel)="drop()"
    >
      @for (b of bodies(); track $index) {
        <path [class.base]="b.base" [class.chosen]="b.chosen" [attr.d]="b.d" />
        <rect
          [class.base]="b.base"
          [class.chosen]="b.chosen"
          [attr.x]="b.x"
          [attr.y]="b.y"
          [attr.width]="b.w"
          [attr.height]="b.h"
        />
      }
      @for (h of holes(); track $index) {
        <circle class="hole" r="3" [attr.cx]="h.x" [attr.cy]="h.y" />
      }
      <line class="rule" x1="0" [attr.x2]="width()" [attr.y1]="floor()" [attr.y2]="floor()" />
      @for (m of marks(); track m.id) {
        <g
          class="letter"
          [class.chosen]="m.id === chosen()"
          [attr.data-fitting]="m.id"
          [attr.transform]="'translate(' + m.x + ' ' + m.y + ')'"
          (pointerdown)="pickUp($event, m.id)"
        >
          <circle r="12" />
          <text text-anchor="middle" y="5">{{ m.letter }}</text>
        </g>
      }
    </svg>
  `,
  styles: `
    svg {
      width: 100%;
      display: block;
      background: var(--ground);
      border: 1px solid var(--line);
      touch-action: none;
    }
    path,
    rect {
      fill: var(--card);
      fill-opacity: 0.75;
      stroke: var(--tide);
    }
    .base {
      fill: var(--hull);
    }
    .chosen {
      stroke-width: 2.4;
    }
    .letter {
      cursor: grab;
    }
    .letter circle {
      fill: var(--card);
      stroke: var(--tide);
      stroke-width: 2;
    }
    .letter.chosen circle {
      fill: var(--tape);
    }
    .letter text {
      font-size: 14px;
      font-weight: 600;
    }
  `,
})
export class AssemblyView {
  readonly parts = input.required<readonly Fitted[]>();
  readonly base = input.required<string>();
  readonly chosen = input<string | null>(null);
  readonly width = input(310);
  readonly height = input(300);
  readonly picked = output<string>();
  /** Under the finger, hull axes, mm; done when it is let go. */
  readonly dragged = output<{ id: string; x: number; y: number; done: boolean }>();
  private readonly pickedUp = signal<{ id: string; extent: Extent; dx: number; dy: number; x: number; y: number } | null>(null);

  protected readonly names = computed(() =>
    this.parts()
      .map((p) => p.placed.part.name)
      .join(', '),
  );
  /** The scale stays as it is while something is under the finger. */
  private readonly extent = computed(() => this.pickedUp()?.extent ?? extentOf(this.parts()));
  private readonly perMm = computed(() => {
    const e = this.extent();
    const tall = e.y1 - e.y0 + (e.z1 - e.z0);
    return Math.min(
      (this.width() - 2 * MARGIN) / Math.max(1, e.x1 - e.x0),
      (this.height() - 2 * MARGIN - GAP) / Math.max(1, tall),
    );
  });
  private readonly x = (mm: number): number => {
    const e = this.extent();
    return this.width() / 2 + (mm - (e.x0 + e.x1) / 2) * this.perMm();
  };
  /** Starboard lies above, as on the boat view. */
  private readonly y = (mm: number): number => MARGIN + (this.extent().y1 - mm) * this.perMm();
  private readonly z = (mm: number): number => this.floor() - (mm - this.extent().z0) * this.perMm();
  protected readonly floor = computed(() => {
    const e = this.extent();
    return MARGIN + (e.y1 - e.y0 + e.z1 - e.z0) * this.perMm() + GAP;
  });

  protected readonly bodies = computed(() =>
    this.parts().flatMap((p) =>
      p.placed.bodies.map((b) => {
        const xs = b.outline.map(([x]) => this.x(x));
        const [left, right] = [Math.min(...xs), Math.max(...xs)];
        return {
          base: p.placed.id === this.base(),
          chosen: p.placed.id === this.chosen(),
          d: line().curve(curveLinearClosed)(b.outline.map(([x, y]): [number, number] => [this.x(x), this.y(y)])) ?? '',
          x: left,
          y: this.z(b.top),
          w: right - left,
          h: this.z(b.bottom) - this.z(b.top),
        };
      }),
    ),
  );
  protected readonly holes = computed(() =>
    this.parts().flatMap((p) => p.holes.map((h) => ({ x: this.x(h.at.x), y: this.y(h.at.y) }))),
  );
  /** Letters at their middles, side by side where one stands on another. */
  protected readonly marks = computed(() => {
    const out: { id: string; letter: string; x: number; y: number }[] = [];
    for (const p of this.parts()) {
      const { origin } = p.placed.frame;
      const [y, at] = [this.y(origin.y), this.x(origin.x)];
      let x = at;
      while (out.some((m) => Math.hypot(m.x - x, m.y - y) < LETTER)) x += LETTER;
      out.push({ id: p.placed.id, letter: p.letter, x, y });
    }
    return out;
  });

  /** Where a pointer is, in hull millimetres. */
  private at(event: PointerEvent): { x: number; y: number } {
    const [px, py] = pointIn(event, (event.currentTarget as Element).closest('svg') as SVGSVGElement);
    const e = this.extent();
    return { x: (px - this.width() / 2) / this.perMm() + (e.x0 + e.x1) / 2, y: e.y1 - (py - MARGIN) / this.perMm() };
  }

  protected pickUp(event: PointerEvent, id: string): void {
    const part = this.parts().find((p) => p.placed.id === id);
    this.picked.emit(id);
    if (!part || id === this.base()) return;
    const at = this.at(event);
    const { origin } = part.placed.frame;
    this.pickedUp.set({ id, extent: this.extent(), dx: origin.x - at.x, dy: origin.y - at.y, x: origin.x, y: origin.y });
    (event.currentTarget as Element).closest('svg')?.setPointerCapture(event.pointerId);
  }

  protected move(event: PointerEvent): void {
    const g = this.pickedUp();
    if (!g) return;
    const at = this.at(event);
    const moved = { ...g, x: at.x + g.dx, y: at.y + g.dy };
    this.pickedUp.set(moved);
    this.dragged.emit({ id: g.id, x: moved.x, y: moved.y, done: false });
  }

  protected drop(): void {
    const g = this.pickedUp();
    this.pickedUp.set(null);
    if (g) this.dragged.emit({ id: g.id, x: g.x, y: g.y, done: true });
  }
}
