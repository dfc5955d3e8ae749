import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import type { BoatDrawing } from './drawing';
import { bandPaths, planEdges } from './shapes';
import { fillingsOf, roomsOf } from './inside';
import { MARK } from './letters';
import { clearOf } from './spread';

/** Where a fitting may not stand in the paddle stroke. */
export interface BoatBand {
  readonly fore: number;
  readonly aft: number;
  readonly inboard: number;
}

/** How long the name of an end is, in drawing units. */
const END_WORD = 36;

/** The hull from above: its edges, decks and what is fixed to it; with the deck lifted off its rooms and what fills it. */
@Component({
  selector: '[pcHull]',
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './hull-layer.html',
  styleUrl: './hull-layer.scss',
})
export class HullLayer {
  readonly boat = input.required<BoatDrawing>();
  readonly band = input<BoatBand | null>(null);
  /** The deck is lifted off. */
  readonly lifted = input(false);
  /** Where marks stand: the names of the ends stand clear of them. */
  readonly marks = input<readonly { readonly x: number; readonly y: number }[]>([]);

  protected readonly edges = computed(() => planEdges(this.boat().scale, this.boat().hull));
  protected readonly rooms = computed(() => roomsOf(this.boat()));
  protected readonly fillings = computed(() => fillingsOf(this.boat()));
  protected readonly decks = computed(() =>
    this.boat().hull.model.decks.map((d) => ({ ...d, rect: this.boat().rect(d.fore, d.aft, d.port, d.starboard) })),
  );
  protected readonly hatches = computed(() =>
    this.boat().hull.model.hatches.map((h) => ({ ...h, rect: this.boat().rect(h.fore, h.aft, h.port, h.starboard) })),
  );
  protected readonly tracks = computed(() =>
    this.boat().hull.model.tracks.map((t) => ({ ...t, rect: this.boat().rect(t.fore, t.aft, t.y - 10, t.y + 10) })),
  );
  protected readonly ties = computed(() =>
    (this.boat().hull.model.ties ?? [])
      .filter((t) => (t.room !== undefined) === this.lifted())
      .map((t) => ({ id: t.id, name: t.name, ...this.boat().at(t) })),
  );
  protected readonly bandPaths = computed(() => {
    const band = this.band();
    return band ? bandPaths(this.boat().scale, this.boat().hull, band) : [];
  });
  /** What the ends are called, beside the tips or above or under them where a mark stands there. */
  protected readonly ends = computed(() => {
    const { scale, middle, flipped, hull } = this.boat();
    const end = (says: 'BOW' | 'STERN', at: number, out: 1 | -1) => {
      const from = scale.x(at) + out * 8;
      const word = from + (out * END_WORD) / 2;
      const y = clearOf(this.marks(), { x: word, y: middle }, { x: (END_WORD + MARK) / 2, y: 5 + MARK / 2 });
      return { says, x: from, y: y + 4, anchor: out < 0 ? 'end' : 'start' };
    };
    const out = flipped ? -1 : 1;
    return [end('BOW', 0, out === 1 ? -1 : 1), end('STERN', hull.length, out)];
  });
}
