import { ChangeDetectionStrategy, Component, computed, effect, inject, input, signal, untracked } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { partKey } from '@plain-cleat/core/parts/parts';
import { partsOf } from '@plain-cleat/core/rig';
import { printMoney, tell } from '@plain-cleat/core/base/units';
import { type Alteration, type Offer, offersOf, workUp, whatAlters } from '@plain-cleat/core/workup';
import { asOne } from '../stores/as-one';
import { inputOf, RigStore, type RigState } from '../stores/rig.store';
import { UnitsStore } from '../stores/units.store';
import { catchError, of, Subject, switchMap } from 'rxjs';
import { toSignal } from '@angular/core/rxjs-interop';

/** Offers a newer revision of hull, parts or settings, and says what taking it would alter. */
@Component({
  selector: 'pc-newer',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatButtonModule],
  template: `
    @if (offers().length) {
      <div class="note box" role="status">
        @if (offers().length > few) {
          <p class="line">
            <span>{{ offers().length }} newer than this plan: {{ names() }}.</span>
            <span class="row">
              <button mat-button class="link" type="button" [attr.aria-expanded]="opened()" (click)="opened.set(!opened())">
                {{ opened() ? 'Hide them' : 'Show them' }}
              </button>
              <button mat-button class="link" type="button" (click)="later(offers())">All later</button>
            </span>
          </p>
        }
        <ul class="list" [hidden]="offers().length > few && !opened()">
          @for (o of offers(); track o.of) {
            <li class="line">
              <span>
                {{ o.name }}: revision {{ o.from }} is now {{ o.to }}.
                @if (seen()?.of === o.of) {
                  {{ says() }}
                }
              </span>
              <span class="row">
                @if (seen()?.of === o.of) {
                  <button mat-stroked-button type="button" (click)="take(o)">Update to revision {{ o.to }}</button>
                } @else {
                  <button mat-button class="link" type="button" (click)="look(o)">See what changes</button>
                }
                <button mat-button class="link" type="button" (click)="later([o])">Later</button>
              </span>
            </li>
          }
        </ul>
      </div>
    }
  `,
  styles: `
    .note {
      margin: 8px 18px 0;
    }
    ul {
      max-height: 168px;
      overflow: auto;
    }
    [hidden] {
      display: none;
    }
    .line {
      display: flex;
      justify-content: space-between;
      align-items: center;
      gap: 14px;
    }
  `,
})
export class NewerRevisions {
  readonly state = input.required<RigState>();
  private readonly units = inject(UnitsStore);
  private readonly store = inject(RigStore);
  private readonly asking = new Subject<string>();
  private readonly newer = toSignal(
    this.asking.pipe(switchMap((rig) => this.store.newer(rig).pipe(catchError(() => of(null))))),
    { initialValue: null },
  );
  private readonly put = signal<ReadonlySet<string>>(new Set());
  protected readonly seen = signal<{ of: string; alters: Alteration } | null>(null);
  private readonly rig = computed(() => this.state().doc.id);
  /** What the plan is made with: hull, materials, settings, and its parts. */
  private readonly pins = computed(() => {
    const { plan } = this.state();
    return JSON.stringify([plan.pins, [...new Set(partsOf(plan).map(partKey))].sort()]);
  });

  protected readonly offers = computed(() => {
    const newer = this.newer();
    const { plan, doc, catalog } = this.state();
    return newer ? offersOf({ plan, shop: doc.shop, catalog }, newer).filter((o) => !this.put().has(o.of)) : [];
  });

  /** More than so many are told in one line until somebody wants to see them. */
  protected readonly few = 2;
  protected readonly opened = signal(false);
  protected readonly names = computed(() =>
    this.offers()
      .map((o) => o.name.charAt(0).toLowerCase() + o.name.slice(1))
      .join('; '),
  );

  constructor() {
    let asked = '';
    effect(() => {
      const rig = this.rig();
      const about = `${rig} ${this.pins()}`;
      // Asked while a change of the pins is on its way, the server would answer about the ones before.
      if (this.state().waiting > 0 || about === asked) return;
      asked = about;
      untracked(() => this.seen.set(null));
      this.asking.next(rig);
    });
  }

  protected look({ of, taken }: Offer): void {
    const { plan, facts, workup, set } = this.state();
    const own = { ...inputOf(this.state()), plan, facts };
    // The whole rig both times, whatever set is being shown.
    const before = set === null ? workup : workUp(own);
    this.seen.set({ of, alters: whatAlters(before, workUp(taken(own))) });
  }

  protected readonly says = computed((): string => {
    const a = this.seen()?.alters;
    if (!a) return '';
    const system = this.units.system();
    const named = (list: Alteration['raised']): string =>
      list
        .slice(0, 3)
        .map((f) => tell(f.says, system))
        .join(' ');
    const more = (n: number): string => (n > 0 ? 'more' : 'less');
    const all = [
      a.raised.length ? `New to settle: ${a.raised.length}. ${named(a.raised)}` : '',
      a.settled.length ? `Settled: ${a.settled.length}. ${named(a.settled)}` : '',
      a.cents ? `${printMoney(Math.abs(a.cents))} ${a.cents > 0 ? 'dearer' : 'cheaper'}.` : '',
      a.minutes ? `${Math.round(Math.abs(a.minutes))} minutes ${more(a.minutes)}.` : '',
      a.holes ? `${a.holes} planned holes move.` : '',
    ].filter(Boolean);
    return all.length ? all.join(' ') : 'It changes nothing in this plan.';
  });

  protected take({ changes }: Offer): void {
    const change = asOne(changes);
    if (change) this.store.change(change);
  }

  protected later(offers: readonly Offer[]): void {
    this.put.update((p) => new Set([...p, ...offers.map((o) => o.of)]));
  }
}
