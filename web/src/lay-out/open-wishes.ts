import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatProgressBarModule } from '@angular/material/progress-bar';
import { RouterLink } from '@angular/router';
import { placedWords, type CountedWish } from '@plain-cleat/core/rig';
import { Words } from '../boat-view/words';
import { RigStore } from '../stores/rig.store';
import { BestPlaces } from './best-places';
import { PlaceRest } from './place-rest';

/** The wishes as they were said, each with its part and how many of it are placed; those that are open, or all. */
@Component({
  selector: 'pc-open-wishes',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatButtonModule, MatProgressBarModule, RouterLink, Words],
  templateUrl: './open-wishes.html',
  styleUrl: './open-wishes.scss',
})
export class OpenWishes {
  private readonly store = inject(RigStore);
  protected readonly best = inject(BestPlaces);
  protected readonly rest = inject(PlaceRest);
  protected readonly all = signal(false);
  protected readonly rows = computed(() => (this.all() ? this.best.wishes() : this.best.open()));
  protected readonly placed = computed(() => this.best.wishes().filter((w) => w.placed >= w.count).length);
  protected readonly rig = computed(() => this.store.state()?.doc.id ?? '');
  protected readonly states = placedWords;

  protected name = ({ part, count }: CountedWish): string => {
    const found = this.store.state()?.parts.find((p) => p.id === part);
    return found ? `${found.name}${count > 1 ? ` · ${count}` : ''}` : '';
  };
  /** What is known to stop it, from the last time the rest was placed. */
  protected stops = (wish: CountedWish) => this.rest.said()?.lacking.find((l) => l.wish === wish.id)?.says ?? null;
}
