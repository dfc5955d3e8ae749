import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import { trimDegrees, waterAt } from '@plain-cleat/core/water/float';
import type { Body } from '@plain-cleat/core/layout';
import type { Workup } from '@plain-cleat/core/workup';
import type { BoatDrawing, BoatMark } from './drawing';
import { fillingsOf, roomsOf } from './inside';
import { planPath, profilePath, rodLines, sidePath, SIGHT } from './shapes';

/** What stands on the boat, from above and from the side: bodies, rods, what sweeps, and what is drawn faint. */
@Component({
  selector: '[pcBodies]',
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './bodies-layer.html',
  styleUrl: './bodies-layer.scss',
})
export class BodiesLayer {
  readonly boat = input.required<BoatDrawing>();
  readonly workup = input.required<Pick<Workup, 'weight'>>();
  /** What is to hand. */
  readonly marks = input<readonly BoatMark[]>([]);
  /** What is not, and another set. */
  readonly others = input<readonly BoatMark[]>([]);
  readonly ghosts = input<readonly BoatMark[]>([]);
  /** Poses of what turns on the chosen fitting, from rest to its other end. */
  readonly sweeps = input<readonly Body[]>([]);
  readonly lifted = input(false);
  readonly side = input(true);

  private readonly above = (marks: readonly BoatMark[]): string[] =>
    marks.flatMap((m) => m.bodies.map((b) => planPath(this.boat().scale, b)));
  protected readonly faint = computed(() => this.above(this.others()));
  protected readonly ghostBodies = computed(() => this.above(this.ghosts()));
  protected readonly rooms = computed(() => roomsOf(this.boat()));
  protected readonly fillings = computed(() => fillingsOf(this.boat()));
  protected readonly rodLines = computed(() => {
    const { scale, sideY } = this.boat();
    return this.marks().flatMap((m) => (m.rods ?? []).map((r) => rodLines(scale, r, sideY)));
  });
  protected readonly sweepBodies = computed(() => {
    const { scale, sideY } = this.boat();
    return this.sweeps().map((b) => ({ plan: planPath(scale, b), side: sidePath(scale, b, sideY) }));
  });
  protected readonly bodies = computed(() => {
    const { scale, sideY } = this.boat();
    return this.marks().flatMap((m) =>
      m.bodies.map((b) => ({
        id: m.id,
        standing: m.standing,
        d: planPath(scale, b),
        side: sidePath(scale, b, sideY),
        sideX: scale.x(m.at.x),
        top: sideY(Math.min(b.top, SIGHT)),
        cut: b.top > SIGHT,
      })),
    );
  });
  protected readonly profile = computed(() => profilePath(this.boat().scale, this.boat().hull, this.boat().sideY));
  /** The water on the side view, bow and stern, and how it is said. */
  protected readonly water = computed(() => {
    const { float } = this.workup().weight;
    const { sideY, hull } = this.boat();
    const degrees = Math.round(10 * trimDegrees(float)) / 10;
    return {
      bow: sideY(waterAt(float, 0)),
      stern: sideY(waterAt(float, hull.length)),
      says: degrees === 0 ? 'floats level' : `floats ${Math.abs(degrees)}° deeper at the ${degrees > 0 ? 'stern' : 'bow'}`,
    };
  });
}
