import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatProgressBarModule } from '@angular/material/progress-bar';
import { placedWords, type CountedWish } from '@plain-cleat/core/rig';
import { OFTEN_WORDS, type Part } from '@plain-cleat/core/parts/parts';
import { printMoney } from '@plain-cleat/core/base/units';
import { Words } from '../boat-view/words';
import { BestPlaces } from './best-places';
import { Choice } from './choice';
import { Placing } from './placing';

/** The best places of what is in the hand: numbered as on the boat, each with what speaks for it and against it. */
@Component({
  selector: 'pc-best-places',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Words, MatButtonModule, MatProgressBarModule],
  templateUrl: './best-places-list.html',
  styleUrl: './best-places-list.scss',
})
export class BestPlacesList {
  protected readonly best = inject(BestPlaces);
  protected readonly choice = inject(Choice);
  protected readonly placing = inject(Placing);
  readonly part = input.required<Part>();
  protected readonly wish = computed((): CountedWish | null => this.best.wishes().find((w) => w.id === this.best.wish()) ?? null);
  /** What it is for, in a line: `2 of 3 placed, 38.50 each, used every hour`. */
  protected readonly says = computed(() => {
    const { sold, use } = this.part();
    const wish = this.wish();
    return [
      ...(wish ? [placedWords(wish)] : []),
      `${printMoney(sold.priceCents)}${wish && wish.count > 1 ? ' each' : ''}`,
      `used ${OFTEN_WORDS[use.often]}`,
    ].join(' · ');
  });
}
