import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import type { Point } from '@plain-cleat/core/base/units';
import { line } from 'd3-shape';
import type { BoatDrawing } from './drawing';

/** A cable, a strap or a line as it lies. */
export interface BoatRun {
  readonly id: string;
  readonly path: readonly Point[];
  readonly thick: number;
  /** A strap or a line, not a wire. */
  readonly strap?: true;
  readonly cord?: true;
}

/** Cables, straps and lines as they lie. */
@Component({
  selector: '[pcCables]',
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './cables-layer.html',
  styleUrl: './cables-layer.scss',
})
export class CablesLayer {
  readonly boat = input.required<BoatDrawing>();
  readonly runs = input<readonly BoatRun[]>([]);
  readonly selected = input<string | null>(null);
  readonly side = input(true);

  protected readonly runPaths = computed(() => {
    const { scale, sideY } = this.boat();
    const drawn = (path: readonly Point[], down: (p: Point) => number): string =>
      line()(path.map((p): [number, number] => [scale.x(p.x), down(p)])) ?? '';
    return this.runs().map((r) => ({
      ...r,
      d: drawn(r.path, (p) => scale.y(p.y)),
      side: r.cord ? drawn(r.path, (p) => sideY(p.z)) : '',
    }));
  });
}
