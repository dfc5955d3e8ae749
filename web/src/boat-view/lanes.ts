import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import type { LedLine } from '@plain-cleat/core/lines';
import { isSignal, cablesOf, type SignalRun, type WiredRun } from '@plain-cleat/core/electric/wiring';
import type { Workup } from '@plain-cleat/core/workup';
import { Mass } from './words';
import { Scale, WIDTH } from './scale';
import type { BoatRun } from './cables-layer';

/** What stands along the boat, on the boat view's own x: holes, runs, weight, reach. */
@Component({
  selector: 'pc-lanes',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Mass],
  template: `
    <svg [attr.viewBox]="'0 0 ' + width + ' 144'" role="img" aria-label="Holes, runs, weight and reach along the boat">
      @for (y of [0, 36, 72, 108]; track y) {
        <line class="rule" x1="0" [attr.x2]="width" [attr.y1]="y" [attr.y2]="y" />
      }
      <text class="name" x="8" y="15">Holes</text>
      <text class="more" x="8" y="32">{{ open() }} new</text>
      @for (h of workup().drilling.holes; track h.id) {
        <circle class="hole" [class.drilled]="h.drilled" [attr.cx]="scale().x(h.at.x)" cy="18" r="5" />
      }
      <text class="name" x="8" y="51">Runs</text>
      <text class="more" x="8" y="68">{{ runs().length }}</text>
      @for (r of runs(); track r.id) {
        <line class="run" [attr.x1]="r.x1" [attr.x2]="r.x2" [attr.y1]="r.y" [attr.y2]="r.y" [attr.stroke-width]="r.thick" />
      }
      <text class="name" x="8" y="87">Weight</text>
      <text class="more" x="8" y="104">{{ workup().weight.gearKg | mass }} on</text>
      @for (w of weights(); track w.id) {
        <rect class="weight" [attr.x]="w.x - 9" [attr.y]="105 - w.h" width="18" [attr.height]="w.h" />
      }
      <path class="balance" [attr.d]="'M' + (balance() - 8) + ' 78h16l-8 12z'" />
      <text class="more" [attr.x]="balance() - 12" y="90" text-anchor="end">balances with paddler</text>
      <text class="name" x="8" y="123">Reach</text>
      <text class="more" x="8" y="140">seated</text>
      @for (z of zones(); track z.name) {
        <rect class="zone" [class.hand]="z.name === 'at hand'" rx="3" [attr.x]="z.x" y="113" [attr.width]="z.w" height="26" />
        <text class="zone-name" text-anchor="middle" [attr.x]="z.x + z.w / 2" y="131">{{ z.name }}</text>
      }
    </svg>
  `,
  styles: `
    svg {
      width: 100%;
      background: var(--card);
    }
    .run {
      stroke: var(--ink);
      stroke-linecap: round;
    }
    .weight {
      fill: var(--muted);
    }
    .balance {
      fill: var(--ink);
    }
    .zone {
      fill: none;
      stroke: var(--tide);
      stroke-dasharray: 4 3;
    }
    .zone.hand {
      fill: var(--tide);
      fill-opacity: 0.3;
      stroke: none;
    }
    .zone-name {
      font-size: 13px;
    }
  `,
})
export class Lanes {
  readonly workup = input.required<Workup>();
  readonly flipped = input(false);
  protected readonly width = WIDTH;
  protected readonly scale = computed(() => new Scale(this.workup().surface, 0, this.flipped()));
  protected readonly open = computed(() => this.workup().drilling.holes.filter((h) => !h.drilled).length);
  protected readonly runs = computed(() =>
    cablesOf(this.workup().wiring).map((r, i) => {
      const xs = r.path.map((p) => this.scale().x(p.x));
      return { id: r.id, x1: Math.min(...xs), x2: Math.max(...xs), y: 44 + ((i * 7) % 25), thick: wireOnBoat(r).thick };
    }),
  );
  protected readonly weights = computed(() => {
    const heaviest = Math.max(1, ...this.workup().aboard.items.map((i) => i.placed.part.body.massKg));
    return this.workup().aboard.items.map((i) => ({
      id: i.placed.id,
      x: this.scale().x(i.placed.frame.origin.x),
      h: Math.max(2, (i.placed.part.body.massKg / heaviest) * 28),
    }));
  });
  protected readonly balance = computed(() => this.scale().x(this.workup().weight.x));
  protected readonly zones = computed(() =>
    this.workup().seats.shown.reach.map((z) => {
      const [a, b] = [this.scale().x(z.fore), this.scale().x(z.aft)];
      return { name: z.name, x: Math.min(a, b), w: Math.abs(b - a) };
    }),
  );
}

/** A cable as it lies on the boat view: a signal cable as thick as what feeds a screen. */
export const wireOnBoat = (run: WiredRun | SignalRun): BoatRun => ({
  id: run.id,
  path: run.path,
  thick: wireThickness(isSignal(run) ? 16 : run.awg),
});

/** A line as it lies on the boat view. */
export const cordOnBoat = ({ id, path, line }: Pick<LedLine, 'id' | 'path' | 'line'>): BoatRun => ({
  id,
  path,
  thick: Math.max(2, line.diameter / 2),
  cord: true,
});

/** Thickness is gauge: the drawn width of a wire. */
export const wireThickness = (awg: number | null): number => (awg === null ? 1 : Math.max(1.5, (20 - awg) / 2));
