import { ChangeDetectionStrategy, Component, computed, DestroyRef, inject, input } from '@angular/core';
import { takeUntilDestroyed, toObservable, toSignal } from '@angular/core/rxjs-interop';
import { MatButtonModule } from '@angular/material/button';
import { MatProgressBarModule } from '@angular/material/progress-bar';
import { ASKED, seatNow, seatSays, seatTo, type Asked, type SeatRange as Range } from '@plain-cleat/core/proposals/seating';
import { MM_PER_INCH, printLength } from '@plain-cleat/core/base/units';
import { concat, of, switchMap, timer } from 'rxjs';
import { Words } from '../boat-view/words';
import { inputOf } from '../stores/rig.state';
import { RigStore, type RigState } from '../stores/rig.store';
import { UnitsStore } from '../stores/units.store';
import type { SeatWorker } from '../workers/seat.worker';
import { WorkerCalls } from '../workers/worker-calls';
import { asLoaded, type Loaded, LOADING } from '../stores/loaded';

/** How long the hand rests before the seat is tried along its slide, ms. */
const REST = 500;
/** The drawing: from the names on the left to the right end, and a lane. */
const [LEFT, RIGHT, LANE] = [64, 424, 22] as const;

const NAMES: Readonly<Record<Asked, string>> = { legs: 'Legs', stroke: 'Stroke', reach: 'Reach', trim: 'Trim' };

type Search = Loaded<Range | null>;

/** Where the seat can stand: for legs, stroke, reach and trim where each is at its best, and where they agree. */
@Component({
  selector: 'pc-seat-range',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatButtonModule, MatProgressBarModule, Words],
  template: `
    @let search = searched();
    @if (!slides()) {
      <p class="small muted">The seat of this hull does not slide.</p>
    } @else if (search.is === 'failed') {
      <p class="small" role="status">The places of the seat could not be tried. Change an answer to try again.</p>
    } @else if (search.is === 'loading') {
      <mat-progress-bar mode="indeterminate" aria-label="Trying the places of the seat" />
    } @else if (search.value) {
      <svg viewBox="0 0 440 132" role="img" [attr.aria-label]="'Places of the seat: ' + (says() | words)">
        @if (best(); as b) {
          <rect class="best" [attr.x]="b.x" y="0" [attr.width]="b.w" height="104" />
        }
        @for (lane of lanes(); track lane.name) {
          <text x="2" [attr.y]="lane.y + 16">{{ lane.name }}</text>
          <line class="rule" x1="64" x2="424" [attr.y1]="lane.y + 12" [attr.y2]="lane.y + 12" />
          <rect
            class="good"
            [class.not]="lane.by > 0"
            rx="2"
            [attr.x]="lane.x"
            [attr.y]="lane.y + 5"
            [attr.width]="lane.w"
            height="14"
          />
        }
        <path class="now" [attr.d]="'M' + now() + ' 0V104l-6 9h12l-6 -9'" />
        <text class="end" x="64" y="126">{{ ends().fore }}</text>
        <text class="end" x="424" y="126" text-anchor="end">{{ ends().aft }}</text>
      </svg>
      <p class="small">{{ says() | words }}</p>
      @if (away()) {
        <button mat-stroked-button type="button" (click)="setThere(search.value.bestAt)">
          Set the seat {{ print(search.value.bestAt) }} from the bow
        </button>
      }
    }
  `,
  styles: `
    :host {
      display: block;
      max-width: 460px;
    }
    svg {
      width: 100%;
    }
    text {
      font-size: 13px;
    }
    .good {
      fill: var(--tide);
      fill-opacity: 0.55;
    }
    .good.not {
      fill: none;
      stroke: var(--look);
      stroke-width: 2;
      stroke-dasharray: 4 3;
    }
    .best {
      fill: var(--tape);
      fill-opacity: 0.6;
    }
    .now {
      stroke: var(--ink);
      stroke-width: 2;
      fill: var(--ink);
    }
  `,
})
export class SeatRange {
  readonly state = input.required<RigState>();
  /** The set whose sitter is asked about; null for the brief. */
  readonly set = input<string | null>(null);
  private readonly store = inject(RigStore);
  private readonly units = inject(UnitsStore);
  private readonly calls = new WorkerCalls<SeatWorker>(
    () => new Worker(new URL('../workers/seat.worker', import.meta.url), { type: 'module' }),
  );
  protected readonly slides = computed(() => this.state().doc.hull.seat.slide !== undefined);

  private readonly asked = computed(
    () => {
      const state = this.state();
      const step = this.units.system() === 'imperial' ? MM_PER_INCH : 25;
      return { input: { ...inputOf(state), plan: state.settled, facts: state.facts }, how: { step, set: this.set() } };
    },
    {
      equal: (a, b) =>
        a.input.plan === b.input.plan && a.input.facts === b.input.facts && a.how.step === b.how.step && a.how.set === b.how.set,
    },
  );
  /** Tried once the hand rests; a search on a plan that has moved on is ended. */
  protected readonly searched = toSignal(
    toObservable(this.asked).pipe(
      switchMap(({ input, how }) =>
        concat(
          of(LOADING),
          timer(REST).pipe(
            switchMap(() =>
              this.calls.run<Range | null>((remote, tell) => remote.range(input, how).then((range) => tell(range))),
            ),
            asLoaded(),
          ),
        ),
      ),
      takeUntilDestroyed(),
    ),
    { initialValue: LOADING as Search },
  );

  constructor() {
    inject(DestroyRef).onDestroy(() => this.calls.close());
  }

  private readonly range = computed(() => {
    const search = this.searched();
    return search.is === 'here' ? search.value : null;
  });
  protected readonly says = computed(() => {
    const range = this.range();
    return range ? seatSays(range) : [];
  });
  private readonly x = computed(() => {
    const { trials } = this.range() ?? { trials: [] };
    const [fore, aft] = [trials[0]?.at ?? 0, trials.at(-1)?.at ?? 1];
    return (at: number): number => LEFT + ((Math.min(aft, Math.max(fore, at)) - fore) / Math.max(1, aft - fore)) * (RIGHT - LEFT);
  });
  protected readonly lanes = computed(() => {
    const range = this.range();
    const x = this.x();
    if (!range) return [];
    return ASKED.map((asked, i) => {
      const { fore, aft, by } = range.least[asked];
      return { name: NAMES[asked], by, y: 4 + i * (LANE + 3), ...stretch(x, fore, aft) };
    });
  });
  protected readonly best = computed(() => {
    const best = this.range()?.best;
    return best ? stretch(this.x(), best.fore, best.aft) : null;
  });
  private readonly at = computed(() => seatNow({ hull: this.state().doc.hull, plan: this.state().plan }, this.set()));
  protected readonly now = computed(() => this.x()(this.at()));
  protected readonly away = computed(() => Math.abs((this.range()?.bestAt ?? this.at()) - this.at()) > 0.5);
  protected readonly ends = computed(() => {
    const { trials } = this.range() ?? { trials: [] };
    return { fore: this.print(trials[0]?.at ?? 0), aft: this.print(trials.at(-1)?.at ?? 0) };
  });

  protected print = (mm: number): string => printLength(mm, this.units.system());

  protected setThere(at: number): void {
    const change = seatTo(this.state().plan, this.set(), at);
    this.store.change({ ...change, id: crypto.randomUUID() });
  }
}

/** A stretch as it is drawn: a single place is drawn as wide as it can be seen. */
function stretch(x: (at: number) => number, fore: number, aft: number): { x: number; w: number } {
  const [from, to] = [x(fore), x(aft)];
  return { x: from - 3, w: to - from + 6 };
}
