import { ChangeDetectionStrategy, Component, computed, inject, input, signal } from '@angular/core';
import { FormControl, FormGroup, ReactiveFormsModule } from '@angular/forms';
import { MatButtonModule } from '@angular/material/button';
import { MatExpansionModule } from '@angular/material/expansion';
import { entryOf, LANES, type Run } from '@plain-cleat/core/rig';
import { fishing, HELD_EVERY, heldBy, lettersOf, routeFor, type LaidRun } from '@plain-cleat/core/electric/wiring';
import { type Choice, ChoiceField, choicesOf } from '../controls/choice-field';
import { QuantityField } from '../controls/quantity';
import { ValidSubmit } from '../controls/valid-submit';
import { wordsWanted } from '../controls/zod-validator';
import { Length } from '../boat-view/words';
import { RigStore } from '../stores/rig.store';
import { ownRun, putRun } from './plan-run';
import { field, liveForm } from '../controls/live-form';

/** The way of a cable: its lane, what it must pass, how it is held and fished through; a way found for it. */
@Component({
  selector: 'pc-run-path',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Length, MatButtonModule, MatExpansionModule, ReactiveFormsModule, QuantityField, ChoiceField, ValidSubmit],
  template: `
    @if (plan(); as p) {
      <pc-choice-field label="Lane" [choices]="lanes" [control]="form.controls.lane" />
      <mat-expansion-panel>
        <mat-expansion-panel-header>
          <mat-panel-title>Points it must pass, {{ p.via.length }}</mat-panel-title>
        </mat-expansion-panel-header>
        <ul class="facts">
          @for (v of p.via; track $index) {
            <li>
              <span>{{ wayWords(v) }}</span><button mat-button class="link" type="button" (click)="removePoint($index)">
                Delete
              </button>
            </li>
          }
        </ul>
        <form class="point stack" [formGroup]="point" (pcSubmit)="addPoint()">
          <pc-quantity
            label="From the bow"
            kind="length"
            [least]="0"
            [most]="store.state()?.workup?.surface?.length ?? null"
            [control]="point.controls.along"
          />
          <pc-quantity label="Off centre" kind="length" [least]="0" [control]="point.controls.off" />
          <pc-choice-field label="Side" [choices]="sides" [control]="point.controls.side" />
          <button mat-stroked-button type="submit">Add</button>
        </form>
        @if (glands().length) {
          <form class="point stack" [formGroup]="through" (pcSubmit)="addGland()">
            <pc-choice-field label="Through a gland" [choices]="glands()" [control]="through.controls.gland" />
            <button mat-stroked-button type="submit">Add</button>
          </form>
        }
      </mat-expansion-panel>
      <mat-expansion-panel>
        <mat-expansion-panel-header>
          <mat-panel-title>How it is held and fished through</mat-panel-title>
        </mat-expansion-panel-header>
        <ng-template matExpansionPanelContent>
          <ul class="facts">
            @for (h of held(); track h.by) {
              <li>
                <span>{{ h.by }}, no farther apart than {{ every | length }}</span
                ><span class="figure">{{ h.count }}</span>
              </li>
            }
            @for (p of pulls(); track $index) {
              <li>
                <span>from {{ p.from }} to {{ p.to }}</span>
                <span class="figure">{{ p.by }}{{ p.by === 'hand' ? '' : ', ' + (p.far | length) }}</span>
              </li>
            } @empty {
              <li class="muted">Nothing of it is pulled through the hull.</li>
            }
          </ul>
        </ng-template>
      </mat-expansion-panel>
      @if (fault()) {
        <p class="fault" role="alert">{{ fault() }}</p>
      }
    }
    <div class="row">
      <button mat-stroked-button type="button" (click)="routeIt()">Find a way</button>
      @if (run().given === 'aboard') {
        <button mat-stroked-button type="button" (click)="anew()">Pull a new one</button>
      }
      <ng-content />
    </div>
  `,
  styles: `
    :host {
      display: flex;
      flex-direction: column;
      gap: 10px;
      margin-top: 12px;
    }
  `,
})
export class RunPath {
  protected readonly store = inject(RigStore);
  readonly run = input.required<LaidRun>();
  protected readonly fault = signal('');
  protected readonly lanes = choicesOf(LANES);
  protected readonly sides = choicesOf(['port', 'starboard'] as const);
  protected readonly every = HELD_EVERY;
  protected readonly point = new FormGroup({
    along: new FormControl<number | null>(null),
    off: new FormControl<number | null>(null),
    side: new FormControl<'port' | 'starboard'>('port', { nonNullable: true }),
  });
  protected readonly through = new FormGroup({
    gland: new FormControl('', { nonNullable: true, validators: wordsWanted('Place a gland in the layout first.') }),
  });
  protected readonly plan = computed(() => entryOf(this.store.state()?.plan.runs, this.run().id) ?? null);
  protected readonly form = liveForm(
    {
      lane: field(
        () => this.plan()?.lane ?? LANES[0],
        (lane) => this.set({ lane }),
      ),
    },
    () => this.run().id,
  );
  protected readonly glands = computed((): Choice<string>[] =>
    (this.store.state()?.workup.aboard.owned ?? []).flatMap((i) =>
      i.placed.part.gland ? [{ value: i.placed.id, says: `${i.letter}, ${i.placed.part.name}` }] : [],
    ),
  );
  protected readonly held = computed(() => heldBy(this.run()));
  /** How it is fished through, worked out when somebody looks. */
  protected readonly pulls = computed(() => {
    const state = this.store.state();
    if (!state) return [];
    const { surface, aboard } = state.workup;
    return fishing(surface, this.run(), aboard.openings, state.doc.shop.drilling.riggerStature, lettersOf(aboard.owned));
  });

  protected set(more: Partial<Run>): void {
    const plan = this.plan();
    if (plan) putRun(this.store, this.run().id, plan, ownRun(plan, more));
  }

  /** Another cable in place of the one that lies in the boat. */
  protected anew(): void {
    const plan = this.plan();
    if (!plan) return;
    const { aboard: _, ...bare } = plan;
    putRun(this.store, this.run().id, plan, bare);
  }

  /** A point the cable must pass, from the bow and off the centre line. */
  protected addPoint(): void {
    const { along, off, side } = this.point.getRawValue();
    const hull = this.store.state()?.workup.surface;
    const plan = this.plan();
    if (!hull || !plan || along === null || off === null) return;
    this.fault.set(off > hull.halfBreadth(along) ? 'Off centre: that is off the hull there.' : '');
    if (this.fault()) return;
    this.set({ via: [...plan.via, { at: 'point', x: along, y: side === 'port' ? -off : off }] });
    this.point.reset();
  }

  protected addGland(): void {
    const plan = this.plan();
    const { gland } = this.through.getRawValue();
    if (!plan || !gland) return;
    this.set({ via: [...plan.via, { at: 'gland', fitting: gland }] });
    this.through.reset();
  }

  /** The cheapest way that goes through nothing. */
  protected routeIt(): void {
    const state = this.store.state();
    if (!state) return;
    const { plan, workup } = state;
    const found = routeFor({ hull: workup.surface, plan, owned: workup.aboard.owned, wiring: workup.wiring }, this.run());
    this.fault.set(found ? '' : 'No way from one to the other goes through nothing: place a gland, or move one of them.');
    if (found) putRun(this.store, this.run().id, this.plan(), found.run);
  }

  protected wayWords(w: Run['via'][number]): string {
    if (w.at === 'point') return 'a point';
    if (w.at === 'lane') return w.lane ?? 'along the lane';
    return `through ${this.glands().find((g) => g.value === w.fitting)?.says ?? 'a gland'}`;
  }

  protected removePoint(index: number): void {
    this.set({ via: this.plan()?.via.filter((_, i) => i !== index) ?? [] });
  }
}
