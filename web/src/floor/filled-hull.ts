import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import type { Floor, RigSummary } from '@plain-cleat/api';
import { curveLinearClosed, line } from 'd3-shape';

/** A hull in plan, filled from bow to stern as its steps are done. */
@Component({
  selector: 'pc-filled-hull',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <svg viewBox="0 0 480 100" role="img" [attr.aria-label]="rig().progress.done + ' of ' + rig().progress.total + ' steps done'">
      <clipPath [attr.id]="'hull-' + rig().id"><path [attr.d]="path()" /></clipPath>
      <path class="body" [attr.d]="path()" />
      <rect
        class="done"
        [class.waits]="rig().progress.stops > 0"
        [attr.clip-path]="'url(#hull-' + rig().id + ')'"
        x="0"
        y="0"
        [attr.width]="filled()"
        height="100"
      />
      @for (x of ribs; track x) {
        <line class="rib" [attr.clip-path]="'url(#hull-' + rig().id + ')'" [attr.x1]="x" [attr.x2]="x" y1="0" y2="100" />
      }
      <path class="edge" [class.late]="late()" [attr.d]="path()" />
      @if (named()) {
        <text class="number" x="115" y="48">{{ rig().number }} {{ rig().hull }}</text>
        <text class="title" x="115" y="68">{{ rig().title }}</text>
      }
    </svg>
  `,
  styles: `
    svg {
      width: 100%;
    }
    .body {
      fill: var(--card);
    }
    .done {
      fill: var(--tide);
      fill-opacity: 0.3;
    }
    .done.waits {
      fill: var(--tape-edge);
    }
    .rib {
      stroke: var(--line);
    }
    .edge {
      fill: none;
      stroke: var(--ink);
      stroke-width: 2.5;
    }
    .edge.late {
      stroke: var(--port);
      stroke-width: 3.5;
    }
    .number {
      font-weight: 600;
      font-size: 17px;
    }
    .title {
      font-size: 15px;
    }
  `,
})
export class FilledHull {
  readonly rig = input.required<RigSummary>();
  readonly outline = input.required<Floor['outlines'][number]>();
  readonly late = input(false);
  /** Off where the drawing is too small to read. */
  readonly named = input(true);
  protected readonly ribs = [54, 107, 160, 213, 266, 319, 372, 425];
  protected readonly path = computed(() => {
    const outline = this.outline();
    const length = outline.at(-1)?.[0] ?? 1;
    const half = Math.max(1, ...outline.map(([, b]) => b));
    const at = ([x, b]: [number, number], sign: 1 | -1): [number, number] => [
      4 + (x / length) * 472,
      50 + ((sign * b) / half) * 46,
    ];
    return line().curve(curveLinearClosed)([...outline.map((p) => at(p, -1)), ...outline.map((p) => at(p, 1)).reverse()]) ?? '';
  });
  protected readonly filled = computed(() => {
    const { done, total } = this.rig().progress;
    return total ? 4 + (done / total) * 472 : 0;
  });
}
