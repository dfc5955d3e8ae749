import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import type { HullSurface } from '@plain-cleat/core/boat/hull';
import { BODY } from '@plain-cleat/core/layout';
import type { Brief } from '@plain-cleat/core/rig';
import { printLength } from '@plain-cleat/core/base/units';
import { curveLinearClosed, line } from 'd3-shape';
import { UnitsStore } from '../stores/units.store';

/** The paddler drawn to scale on the chosen hull, plan and side, with reach and stroke. */
@Component({
  selector: 'pc-paddler-view',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <svg viewBox="0 0 600 400" role="img" [attr.aria-label]="'Paddler to scale: ' + eyes() + ' over the seat'">
      <path class="body" [attr.d]="outline()" />
      <path
        class="hand-zone"
        [attr.d]="'M' + seat() + ' ' + (100 - r()) + 'A' + r() + ' ' + r() + ' 0 0 0 ' + seat() + ' ' + (100 + r()) + 'Z'"
      />
      <path
        class="turn-zone"
        [attr.d]="'M' + seat() + ' ' + (100 - r()) + 'A' + r() + ' ' + r() + ' 0 0 1 ' + seat() + ' ' + (100 + r())"
      />
      @for (sign of [-1, 1]; track sign) {
        @if (band(); as b) {
          <rect
            class="stroke"
            [attr.x]="x(b.fore)"
            [attr.y]="sign < 0 ? 100 - halfAt() - 10 : 100 + halfAt() - 26"
            [attr.width]="x(b.aft) - x(b.fore)"
            height="36"
          />
        }
      }
      <path class="port" [attr.d]="edge(-1)" />
      <path class="starboard" [attr.d]="edge(1)" />
      <path class="starboard second" [attr.d]="edge(1, 4)" />
      <line class="centre" x1="40" x2="570" y1="100" y2="100" />
      <ellipse class="shoulders" [attr.cx]="seat()" cy="100" rx="12" [attr.ry]="shoulders()" />
      <circle class="head" [attr.cx]="seat()" cy="100" r="13" />
      <text x="6" y="104" class="end">BOW</text>
      <text x="40" y="18" class="side s">S · STARBOARD</text>
      <text x="40" y="192" class="side p">P · PORT</text>
      <text [attr.x]="seat() - r() + 14" y="104">at hand</text>
      <text class="t" [attr.x]="seat() + r() * 0.38" y="82">half turn</text>

      <path class="body" [attr.d]="profile()" />
      <line class="water" x1="40" x2="570" [attr.y1]="sideY(water())" [attr.y2]="sideY(water())" />
      @for (p of people(); track p.seat) {
        <g [class.ghost]="p.ghost">
          <path class="limbs" [attr.d]="p.limbs" />
          <circle class="head" [attr.cx]="p.head[0]" [attr.cy]="p.head[1]" r="12" />
        </g>
      }
      <line class="pointer" [attr.x1]="seat() + 18" [attr.x2]="seat() + 78" [attr.y1]="eyeY()" [attr.y2]="eyeY()" />
      <text [attr.x]="seat() + 82" [attr.y]="eyeY() + 4">eyes {{ eyes() }} over the seat</text>
    </svg>
  `,
  styles: `
    svg {
      width: 100%;
    }
    text {
      font-size: 13px;
    }
    .hand-zone {
      fill: var(--tide);
      fill-opacity: 0.18;
    }
    .turn-zone {
      fill: none;
      stroke: var(--tide);
      stroke-width: 2;
      stroke-dasharray: 5 4;
    }
    .stroke {
      fill: var(--look);
      fill-opacity: 0.12;
      stroke: var(--look);
      stroke-dasharray: 5 3;
    }
    .shoulders,
    .head {
      fill: var(--ink);
    }
    .limbs {
      fill: none;
      stroke: var(--ink);
      stroke-width: 8;
      stroke-linecap: round;
      stroke-linejoin: round;
    }
    .ghost {
      opacity: 0.28;
    }
    .water {
      stroke: var(--water);
    }
    .pointer {
      stroke: var(--muted);
      stroke-dasharray: 2 3;
    }
    .t {
      fill: var(--tide);
    }
    .end {
      font-weight: 600;
    }
  `,
})
export class PaddlerView {
  readonly surface = input.required<HullSurface>();
  readonly brief = input.required<Brief>();
  readonly band = input<{ fore: number; aft: number } | null>(null);
  readonly water = input(0);
  private readonly units = inject(UnitsStore);
  private readonly k = computed(() => 530 / this.surface().length);
  protected x = (mm: number): number => 40 + mm * this.k();
  protected sideY = (z: number): number => 392 - z * this.k();
  protected readonly seat = computed(() => this.x(this.surface().model.seat.x));
  protected readonly r = computed(() => BODY.grip * this.brief().stature * this.k());
  protected readonly shoulders = computed(() => BODY.halfShoulders * this.brief().stature * this.k());
  protected readonly halfAt = computed(() => (this.surface().beam / 2) * this.k());
  protected readonly eyes = computed(() =>
    printLength((BODY.hipOverSeat + BODY.eyeOverHip) * this.brief().stature, this.units.system()),
  );
  private readonly seats = computed(() => {
    const { low, high } = this.surface().model.seat;
    return { low: [low], high: [high], both: [low, high] }[this.brief().seat];
  });
  protected readonly eyeY = computed(() =>
    this.sideY((this.seats()[0] ?? 0) + (BODY.hipOverSeat + BODY.eyeOverHip) * this.brief().stature),
  );

  protected edge(sign: 1 | -1, out = 0): string {
    const hull = this.surface();
    const points = Array.from({ length: 61 }, (_, i): [number, number] => {
      const x = (hull.length * i) / 60;
      return [this.x(x), 100 - sign * hull.halfBreadth(x) * this.k() - out];
    });
    return line()(points) ?? '';
  }

  protected readonly outline = computed(() => `${this.edge(1)}L${this.edge(-1).slice(1).split('L').reverse().join('L')}Z`);
  protected readonly profile = computed(() => {
    const hull = this.surface();
    const xs = Array.from({ length: 61 }, (_, i) => (hull.length * i) / 60);
    const top = xs.map((x): [number, number] => [this.x(x), this.sideY(hull.gunwale(x))]);
    return (
      line().curve(curveLinearClosed)([
        ...top,
        ...xs.map((x): [number, number] => [this.x(x), this.sideY(hull.keel(x))]).reverse(),
      ]) ?? ''
    );
  });
  /** Hip to shoulder, arm out over the lap, thigh to knee to foot: the published fractions of stature. */
  protected readonly people = computed(() => {
    const h = this.brief().stature;
    const { seat } = this.surface().model;
    return this.seats().map((z, i) => {
      const hip: [number, number] = [seat.x, z + BODY.hipOverSeat * h];
      const shoulder: [number, number] = [seat.x + 0.03 * h, hip[1] + BODY.shoulderOverHip * h];
      const elbow: [number, number] = [shoulder[0] - 0.1 * h, shoulder[1] - 0.157 * h];
      const hand: [number, number] = [elbow[0] - 0.17 * h, elbow[1] + 0.05 * h];
      const knee: [number, number] = [hip[0] - 0.22 * h, hip[1] + 0.1 * h];
      const foot: [number, number] = [hip[0] - 0.43 * h, hip[1] - 0.06 * h];
      const to = ([x, y]: [number, number]): string => `${this.x(x)} ${this.sideY(y)}`;
      return {
        seat: z,
        ghost: i > 0,
        limbs: `M${to(foot)}L${to(knee)}L${to(hip)}L${to(shoulder)}L${to(elbow)}L${to(hand)}M${to(shoulder)}L${to([shoulder[0], hip[1] + BODY.eyeOverHip * h])}`,
        head: [this.x(shoulder[0]), this.sideY(hip[1] + BODY.eyeOverHip * h)] as const,
      };
    });
  });
}
