import { computed, effect, inject, Injectable, signal, untracked } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { mayComeWith, SHOWN, type ShownPlace, type ShownPlaces } from '@plain-cleat/core/proposals/places';
import type { Part } from '@plain-cleat/core/parts/parts';
import { countWishes, sameJson, type CountedWish } from '@plain-cleat/core/rig';
import type { WorkupInput } from '@plain-cleat/core/workup';
import { EMPTY, Subject, switchMap, tap } from 'rxjs';
import { asOne } from '../stores/as-one';
import { Parts } from '../stores/parts';
import { RigStore, settledInput } from '../stores/rig.store';
import { UnitsStore } from '../stores/units.store';
import { taking } from '../workers/worker-calls';
import { Choice } from './choice';
import { PlaceCalls } from './place-calls';
import { Placing } from './placing';

interface Question {
  readonly input: WorkupInput;
  readonly part: Part;
  readonly range: readonly Part[];
}

/** The best places of what is in the hand, searched as soon as it is, numbered on the boat; and the wishes they are for. */
@Injectable()
export class BestPlaces {
  private readonly store = inject(RigStore);
  private readonly units = inject(UnitsStore);
  private readonly parts = inject(Parts);
  private readonly placing = inject(Placing);
  private readonly choice = inject(Choice);
  private readonly calls = inject(PlaceCalls);
  private readonly asked = new Subject<Question | null>();
  /** The wish that the part in the hand is for. */
  readonly wish = signal<string | null>(null);
  readonly found = signal<ShownPlaces | null>(null);
  /** All that were found, or the best alone. */
  readonly all = signal(false);

  readonly wishes = computed((): readonly CountedWish[] => {
    const plan = this.store.state()?.settled;
    return plan ? countWishes(plan) : [];
  });
  readonly open = computed(() => this.wishes().filter((w) => w.placed < w.count));
  readonly shown = computed((): readonly ShownPlace[] => {
    const places = this.found()?.places ?? [];
    return this.all() ? places : places.slice(0, SHOWN);
  });

  /** Whether more were found than are shown first. */
  readonly hasMore = computed(() => (this.found()?.places.length ?? 0) > SHOWN);

  constructor() {
    this.asked
      .pipe(
        tap(() => this.found.set(null)),
        // What is asked of a plan that has moved on is worth nothing: it is ended, not waited for.
        switchMap((question) => (question ? this.search(question) : EMPTY)),
        takeUntilDestroyed(),
      )
      .subscribe((found) => this.found.set(found));
    // News that changes nothing of the plan begins no search anew.
    const settled = computed(() => this.store.state()?.settled, { equal: sameJson });
    effect(() => {
      const part = this.placing.part();
      const plan = settled();
      untracked(() => {
        const state = this.store.state();
        if (!part) this.wish.set(null);
        this.asked.next(
          state && part && plan ? { input: settledInput(state), part, range: mayComeWith([part], state.parts) } : null,
        );
      });
    });
  }

  private search({ input, part, range }: Question) {
    return this.calls.run<ShownPlaces>((remote, tell) =>
      remote.best(input, part, { units: this.units.system(), range }, taking(tell)),
    );
  }

  /** A wish is taken up: its part is in the hand. */
  choose({ id, part }: Pick<CountedWish, 'id' | 'part'>): void {
    const found = part === null ? undefined : this.store.state()?.parts.find((p) => p.id === part);
    if (!found) return;
    this.choice.pick(null);
    this.all.set(false);
    this.placing.choosePart(found);
    this.wish.set(id);
  }

  /** The next wish that is not placed, round and round. */
  next(): void {
    const open = this.open().filter((w) => w.part !== null);
    const at = open.findIndex((w) => w.id === this.wish());
    const next = open[(at + 1) % open.length];
    if (next) this.choose(next);
    else this.choice.spoken.set('Every wish is placed');
  }

  /** Places it there, with all that comes aboard; the next piece of the same wish is in the hand then. */
  take(n: number): void {
    const place = this.shown()[n - 1];
    const part = this.placing.part();
    const change = place ? asOne(place.changes) : null;
    if (!place || !part || !change) return;
    const wish = this.wish();
    // What more comes aboard is of the range, and known.
    this.parts.take(part);
    this.store.change(change);
    this.choice.spoken.set(`Placed at ${n}`);
    const left = this.open().find((w) => w.id === wish);
    if (left) return;
    this.placing.cancel();
    this.choice.pick(place.item);
  }
}
