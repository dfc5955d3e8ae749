import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import type { Fitted } from '@plain-cleat/core/holding/fitted';
import { loadOf } from '@plain-cleat/core/water/float';
import { roomIdOf } from '@plain-cleat/core/holding/inside';
import type { Change, Strap } from '@plain-cleat/core/rig';
import { heldBy, type Lashing, lash, stopsOf, strapsOf, tiePointsOf } from '@plain-cleat/core/holding/ties';
import { ChoiceField } from '../controls/choice-field';
import { DeleteButton } from '../controls/delete-button';
import { Length } from '../boat-view/words';
import type { RigState } from '../stores/rig.store';
import { field, liveRows } from '../controls/live-form';

/** The straps of a fitting: from which tie point to which, how long each is, and what they bear each way. */
@Component({
  selector: 'pc-straps',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [ChoiceField, DeleteButton, Length, MatButtonModule],
  template: `
    <h3>Straps</h3>
    @for (s of rows(); track s.controls; let n = $index) {
      <div class="strap">
        <pc-choice-field [label]="'Strap ' + (n + 1) + ' from'" [choices]="ties()" [control]="s.controls.from" />
        <pc-delete-button [of]="'strap ' + (n + 1)" (pressed)="remove(n)" />
        <pc-choice-field class="across" label="to" [choices]="ties()" [control]="s.controls.to" />
        <p class="small" [class.fault]="s.of.fault">
          @if (s.of.fault) {
            It holds nothing: {{ s.of.fault }}.
          } @else {
            {{ s.of.length | length }} long, {{ s.of.hooked ? 'hooked to it' : 'over it' }}.
          }
        </p>
      </div>
    } @empty {
      <p class="small">No two tie points near it, either side: choose where its straps go.</p>
    }
    @if (held(); as ways) {
      <p class="small muted">
        Bears, of what is asked:
        @for (w of ways; track w.way) {
          {{ w.way }} <b [class.fault]="w.bears < 1">{{ w.says }}</b>{{ $last ? '.' : ', ' }}
        }
      </p>
    }
    <button mat-stroked-button type="button" [disabled]="ties().length < 2 || rows().length >= 8" (click)="add()">
      Add a strap
    </button>
  `,
  styles: `
    :host,
    .strap {
      display: grid;
      gap: 8px;
    }
    .strap {
      grid-template-columns: minmax(0, 1fr) auto;
      align-items: center;
    }
    .strap .across,
    .strap p {
      grid-column: 1 / -1;
      margin: 0;
    }
  `,
})
export class Straps {
  readonly item = input.required<Fitted>();
  readonly state = input.required<RigState>();
  readonly changed = output<Change>();
  private readonly points = computed(() => {
    const { surface, aboard, ledger } = this.state().workup;
    return tiePointsOf(surface, aboard.items, ledger);
  });
  private readonly room = computed(() => roomIdOf(this.state().workup.surface, this.item().placed));
  protected readonly ties = computed(() =>
    this.points()
      .filter((t) => t.room === this.room() || t.fitting === this.item().placed.id)
      .map((t) => ({ value: t.key, says: t.letter ? `${t.letter}, ${t.name}` : t.name })),
  );
  private readonly straps = computed(() => strapsOf(this.item().placed, this.room(), this.points()));
  private readonly lies = computed(() => this.straps().map((s) => lash(this.item().placed, s, this.points())));
  private readonly lashed = computed(() =>
    this.lies().map((l, i) => {
      const strap = this.straps()[i] as Strap;
      return typeof l === 'string'
        ? { ...strap, fault: l, length: 0, hooked: false }
        : { ...strap, fault: '', length: l.length, hooked: l.hooked };
    }),
  );
  protected readonly rows = liveRows(
    () => this.lashed(),
    (strap, at) => ({
      from: field(
        () => strap().from,
        (from) => this.set(at(), { from }),
      ),
      to: field(
        () => strap().to,
        (to) => this.set(at(), { to }),
      ),
    }),
    (_, at) => `${this.item().placed.id} ${at}`,
  );
  protected readonly held = computed(() => {
    const { workup, plan, doc } = this.state();
    const taut = this.lies().filter((l): l is Lashing => typeof l === 'object');
    if (taut.length === 0) return null;
    const load = loadOf(workup.surface, this.item(), workup.aboard.items, plan);
    const { limits, holding } = doc.shop;
    const { placed } = this.item();
    const tied = { placed, load, lashings: taut, stops: stopsOf(workup.surface, placed) };
    return heldBy(tied, limits, holding.shock).map((w) => ({
      ...w,
      // Never rounded to the kind side.
      says: w.bears >= 10 ? 'over 10' : (Math.floor(w.bears * 10) / 10).toFixed(1),
    }));
  });

  private make(to: readonly Strap[]): void {
    const { id, fitting } = this.item().placed;
    this.changed.emit({
      id: crypto.randomUUID(),
      kind: 'strapItem',
      item: id,
      from: fitting.straps ?? null,
      to: to.length ? [...to] : null,
    });
  }

  private set(n: number, end: Partial<Strap>): void {
    this.make(this.straps().map((s, i) => (i === n ? { ...s, ...end } : s)));
  }

  protected remove(n: number): void {
    this.make(this.straps().filter((_, i) => i !== n));
  }

  /** Between the first two ties that no strap joins yet. */
  protected add(): void {
    const keys = this.ties().map((t) => t.value);
    const joined = (a: string, b: string): boolean =>
      this.straps().some((s) => (s.from === a && s.to === b) || (s.from === b && s.to === a));
    for (const [i, from] of keys.entries())
      for (const to of keys.slice(i + 1)) if (!joined(from, to)) return this.make([...this.straps(), { from, to }]);
  }
}
