import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import { findDatum, RUN_WORDS } from '@plain-cleat/core/boat/hull';
import type { Tape } from '@plain-cleat/core/rig';
import { UnitsStore } from '../stores/units.store';
import type { BoatDrawing } from './drawing';
import { pointIn } from './pointer';
import { tapeTicks } from './shapes';

/** The tape over the boat: where it is hooked, how it runs, its marks, and the place it points at. */
@Component({
  selector: '[pcTape]',
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './tape-layer.html',
  styleUrl: './tape-layer.scss',
})
export class TapeLayer {
  readonly boat = input.required<BoatDrawing>();
  readonly tape = input.required<Tape>();
  /** A place it points at, in units of the drawing. */
  readonly here = input<{ readonly x: number; readonly y: number } | null>(null);
  readonly hookable = input(false);
  /** Tapped: where along the hull, mm. */
  readonly hooked = output<number>();
  private readonly units = inject(UnitsStore);

  private readonly datum = computed(() => findDatum(this.boat().hull, this.tape().datum));
  protected readonly how = computed(() => `hooked on ${this.datum().name.toUpperCase()} · ${RUN_WORDS[this.tape().run]}`);
  protected readonly ticks = computed(() =>
    tapeTicks(this.boat().scale, this.datum().at.x, this.boat().hull.length, this.units.system()),
  );
  protected readonly hookX = computed(() => this.boat().scale.x(this.datum().at.x));

  protected hookHere(event: MouseEvent): void {
    if (!this.hookable()) return;
    event.stopPropagation();
    const { x } = this.boat().place(pointIn(event));
    this.hooked.emit(Math.min(this.boat().hull.length, Math.max(0, x)));
  }
}
