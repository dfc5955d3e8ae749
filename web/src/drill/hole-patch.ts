import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import type { PlannedHole } from '@plain-cleat/core/holding/fitted';
import type { HullSurface } from '@plain-cleat/core/boat/hull';

const SIZE = 284;

/** The patch of hull about one hole, from above, bow left: edge, neighbours, what lies inside. */
@Component({
  selector: 'pc-hole-patch',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <svg [attr.viewBox]="'0 0 ' + size + ' 290'" role="img" [attr.aria-label]="'About hole ' + hole().label">
      <rect class="ground" width="284" height="290" />
      <path class="hull" [attr.d]="hull()" />
      @for (h of hazards(); track h.id) {
        <path class="hazard" [attr.d]="h.d" [attr.stroke-width]="h.width" />
        <text class="inside" [attr.x]="h.x" [attr.y]="h.y">{{ h.name }}, inside</text>
      }
      <path class="edge" [class.star]="hole().side !== 'port'" [attr.d]="edge()" />
      @for (h of near(); track h.id) {
        <circle class="hole" [class.drilled]="h.drilled" [attr.cx]="x(h.at.x)" [attr.cy]="y(h.at.y)" r="9" />
        <text [attr.x]="x(h.at.x) + 13" [attr.y]="y(h.at.y) + 5">{{ h.label }}</text>
      }
      <path
        class="cross"
        [attr.d]="
          'M' + (x(hole().at.x) - 26) + ' ' + y(hole().at.y) + 'h52M' + x(hole().at.x) + ' ' + (y(hole().at.y) - 26) + 'v52'
        "
      />
      <circle class="hole here" [attr.cx]="x(hole().at.x)" [attr.cy]="y(hole().at.y)" r="13" />
      <text class="label" [attr.x]="x(hole().at.x) - 40" [attr.y]="y(hole().at.y) - 20">{{ hole().label }}</text>
      <text class="foot" x="10" y="282">from above · bow ←</text>
    </svg>
  `,
  styles: `
    svg {
      width: 100%;
      border: 1px solid var(--edge);
    }
    .ground {
      fill: var(--ground);
    }
    .hull {
      fill: var(--hull);
    }
    .edge {
      fill: none;
      stroke: var(--port);
      stroke-width: 5;
    }
    .edge.star {
      stroke: var(--starboard);
    }
    .hole {
      fill: var(--card);
      stroke: var(--ink);
      stroke-width: 2;
    }
    .hole.drilled {
      fill: var(--ink);
    }
    .here {
      fill: var(--tape);
    }
    .cross {
      stroke: var(--ink);
    }
    .label {
      font-weight: 600;
      font-size: 18px;
    }
    .hazard {
      stroke: var(--tape);
      fill: none;
      opacity: 0.7;
    }
    .inside {
      fill: var(--look);
      font-size: 13px;
    }
    text {
      font-size: 15px;
    }
    .foot {
      font-size: 13px;
      fill: var(--muted);
    }
  `,
})
export class HolePatch {
  readonly hole = input.required<PlannedHole>();
  readonly holes = input.required<readonly PlannedHole[]>();
  readonly surface = input.required<HullSurface>();
  protected readonly size = SIZE;
  /** Wide enough to show the gunwale edge and the neighbours of one fitting. */
  private readonly reach = computed(() => Math.min(110, Math.max(60, this.hole().fromEdge + 30)));
  protected x = (mm: number): number => SIZE / 2 + ((mm - this.hole().at.x) / this.reach()) * (SIZE / 2);
  protected y = (mm: number): number => SIZE / 2 - ((mm - this.hole().at.y) / this.reach()) * (SIZE / 2);
  protected readonly near = computed(() =>
    this.holes().filter(
      (h) => h.id !== this.hole().id && Math.hypot(h.at.x - this.hole().at.x, h.at.y - this.hole().at.y) < this.reach(),
    ),
  );

  private edgePoints(sign: 1 | -1): string[] {
    const { at } = this.hole();
    return Array.from({ length: 25 }, (_, i) => {
      const x = at.x - this.reach() * 1.2 + (i * this.reach()) / 10;
      return `${this.x(x)} ${this.y(sign * this.surface().halfBreadth(x))}`;
    });
  }

  protected readonly edge = computed(() => `M${this.edgePoints(this.hole().side === 'port' ? -1 : 1).join('L')}`);
  protected readonly hull = computed(() => `M${[...this.edgePoints(1), ...this.edgePoints(-1).reverse()].join('L')}Z`);
  protected readonly hazards = computed(() => {
    const { at } = this.hole();
    const k = SIZE / 2 / this.reach();
    return this.surface().model.hazards.flatMap((h) => {
      const path =
        h.shape === 'tube'
          ? h.path
          : [
              { ...h.from, y: (h.from.y + h.to.y) / 2 },
              { ...h.to, y: (h.from.y + h.to.y) / 2 },
            ];
      const width = h.shape === 'tube' ? 2 * h.radius : h.to.y - h.from.y;
      const close =
        h.shape === 'tube'
          ? path.some((p, i) => {
              const q = path[i + 1];
              return (
                q !== undefined &&
                between(p.x, q.x, at.x, this.reach()) &&
                Math.abs(p.y + ((at.x - p.x) / (q.x - p.x || 1)) * (q.y - p.y) - at.y) < this.reach()
              );
            })
          : between(path[0]?.x ?? 0, path[1]?.x ?? 0, at.x, this.reach()) &&
            Math.abs((path[0]?.y ?? 0) - at.y) < this.reach() + width / 2;
      if (!close) return [];
      return [
        {
          id: h.id,
          name: h.name,
          d: `M${path.map((p) => `${this.x(p.x)} ${this.y(p.y)}`).join('L')}`,
          width: Math.max(4, width * k),
          x: 10,
          y: 262,
        },
      ];
    });
  });
}

const between = (a: number, b: number, x: number, margin: number): boolean =>
  x > Math.min(a, b) - margin && x < Math.max(a, b) + margin;
