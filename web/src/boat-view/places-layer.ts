import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import type { Body } from '@plain-cleat/core/layout';
import type { Point } from '@plain-cleat/core/base/units';
import type { BoatDrawing } from './drawing';
import { planPath } from './shapes';

/** A place that is offered, drawn as an outline with its number. */
export interface OfferedPlace {
  readonly bodies: readonly Body[];
  readonly at: Point;
}

/** The places that are offered for what is in the hand: numbered outlines that are tapped. */
@Component({
  selector: '[pcPlaces]',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @for (p of drawn(); track $index) {
      <svg:g
        class="place"
        role="button"
        tabindex="0"
        [class.first]="p.n === 1"
        [attr.aria-label]="'Place ' + p.n"
        [attr.data-offered]="p.n"
        (click)="take($event, p.n)"
        (keydown.enter)="take($event, p.n)"
        (keydown.space)="take($event, p.n)"
      >
        @for (d of p.outlines; track $index) {
          <svg:path class="outline" [attr.d]="d" />
        }
        <svg:circle class="touch" r="26" [attr.cx]="p.x" [attr.cy]="p.y" />
        <svg:circle class="disc" r="14" [attr.cx]="p.x" [attr.cy]="p.y" />
        <svg:text text-anchor="middle" [attr.x]="p.x" [attr.y]="p.y + 5">{{ p.n }}</svg:text>
      </svg:g>
    }
  `,
  styleUrl: './places-layer.scss',
})
export class PlacesLayer {
  readonly boat = input.required<BoatDrawing>();
  readonly places = input.required<readonly OfferedPlace[]>();
  /** The number of the one that was tapped. */
  readonly taken = output<number>();
  protected readonly drawn = computed(() =>
    this.places().map(({ bodies, at }, i) => ({
      n: i + 1,
      outlines: bodies.map((b) => planPath(this.boat().scale, b)),
      ...this.boat().at(at),
    })),
  );

  protected take(event: Event, n: number): void {
    event.stopPropagation();
    event.preventDefault();
    this.taken.emit(n);
  }
}
