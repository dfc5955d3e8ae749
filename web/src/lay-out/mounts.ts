import { ChangeDetectionStrategy, Component, computed, input, output, signal } from '@angular/core';
import { Explained } from '../controls/explained';
import { ValidSubmit } from '../controls/valid-submit';
import { TextField } from '../controls/text-field';
import { MatExpansionModule } from '@angular/material/expansion';
import { MatRadioModule } from '@angular/material/radio';
import { wordsWanted } from '../controls/zod-validator';
import { FormControl, FormGroup, ReactiveFormsModule } from '@angular/forms';
import { MatButtonModule } from '@angular/material/button';
import type { MountAdvice } from '@plain-cleat/core/checks/advice';
import type { Fitted } from '@plain-cleat/core/holding/fitted';
import { slideTo } from '@plain-cleat/core/checks/findings';
import { fastenerWords, HOLD_WORDS, workingLoad } from '@plain-cleat/core/holding/mounting';
import type { Change, DraftChange } from '@plain-cleat/core/rig';
import { asHung, capital, SOURCES } from '@plain-cleat/core/base/units';
import { Length, Mass, Words } from '../boat-view/words';
import { asOne } from '../stores/as-one';
import type { RigState } from '../stores/rig.store';

/** How a fitting is held: first choice with its reason, the others, what will not do and why; old holes before new ones. */
@Component({
  selector: 'pc-mounts',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    Length,
    Mass,
    Words,
    MatButtonModule,
    ReactiveFormsModule,
    MatRadioModule,
    MatExpansionModule,
    TextField,
    ValidSubmit,
    Explained,
  ],
  template: `
    <h3>How it is held</h3>
    <mat-radio-group class="mounts" aria-label="How it is held" [value]="held()" (change)="choose($event.value)">
      @for (a of good(); track keyOf(a); let first = $first) {
        <mat-radio-button [value]="keyOf(a)">
          @if (first) {
            <strong>First choice.</strong>
          }
          {{ capital(a.says | words) }}. <span class="small">{{ minutes(a) }} min</span>
        </mat-radio-button>
      }
      @if (standing(); as a) {
        <mat-radio-button class="cannot" [value]="keyOf(a)">
          {{ words(a) }}: {{ a.says }}.
          @if (reason()) {
            <span class="small">Held so all the same: {{ reason() }}</span>
          }
        </mat-radio-button>
      }
    </mat-radio-group>
    @if (bad().length) {
      <mat-expansion-panel>
        <mat-expansion-panel-header>
          <mat-panel-title>{{ bad().length }} ways that will not do here, and why</mat-panel-title>
        </mat-expansion-panel-header>
        <ul class="small">
          @for (a of bad(); track keyOf(a)) {
            <li>
              <span
                ><b>{{ words(a) }}</b
                >: {{ a.says | words }}.</span
              >
              @if (a.fastener) {
                <button mat-button class="link" type="button" (click)="overruling.set(a)">Use it all the same</button>
              }
            </li>
          }
        </ul>
      </mat-expansion-panel>
    }
    @if (overruling(); as a) {
      <form class="box look" [formGroup]="form" (pcSubmit)="overrule(a)">
        <pc-text-field
          [label]="'Why ' + words(a) + ' all the same'"
          placeholder="seen to hold on this hull"
          [control]="form.controls.why"
        />
        <div class="row">
          <button mat-flat-button type="submit">Use anyway</button>
          <button mat-stroked-button type="button" (click)="overruling.set(null)">Cancel</button>
        </div>
      </form>
    }
    @if (reuse(); as offer) {
      <div class="box">
        <p>
          {{ offer.count }} old {{ offer.count === 1 ? 'hole serves' : 'holes serve' }}
          @if (offer.slides >= 1) {
            when it slides {{ offer.slides | length }}
          }
          : {{ offer.labels }}. {{ offer.left ? offer.left + ' new to drill.' : 'None new.' }}
        </p>
        <button mat-stroked-button type="button" (click)="take()">Use them again</button>
      </div>
    }
    @if (uses().length) {
      <p class="small">
        Uses the old {{ uses().length === 1 ? 'hole' : 'holes' }} {{ uses().join(', ') }} again.
        <button mat-button class="link" type="button" (click)="giveUp()">Drill new ones instead</button>
      </p>
    }
    @if (item().mounted.fastener; as fastener) {
      <p class="small">
        <b>{{ item().mounted.count }} × {{ fastener }}</b
        >{{ fastening().goesOn ? ', ' + fastening().goesOn : '' }}. {{ fastening().tighten }}
        @if (item().mounted.first; as first) {
          {{ first | words }}
        }
      </p>
      @if (sources().length) {
        <pc-explained [sources]="sources()" />
      }
    }
    @if (strength(); as s) {
      <p class="small muted">
        Judged at {{ pull() | mass }}, {{ lever() | length }} over its base, {{ state().doc.shop.holding.shock }} times that with
        shock{{ own() ? '' : ', the usual of its kind' }}. Strength {{ (s.factor * 100).toFixed(0) }} %; fails first: {{ s.rules
        }}{{ s.rocks ? '; rocks ' + s.rocks.toFixed(0) + '°' : '' }}.
      </p>
    }
  `,
  styles: `
    :host {
      display: flex;
      flex-direction: column;
      gap: 8px;
    }
    .mounts {
      display: grid;
      gap: 6px;
    }
    mat-radio-button {
      border: 1px solid var(--edge);
      border-radius: 4px;
      background: var(--card);
      padding: 2px 10px 2px 0;
    }
    .mat-mdc-radio-checked {
      border-color: var(--tide);
      box-shadow: inset 0 0 0 1px var(--tide);
      background: var(--tide-soft);
    }
    .cannot {
      border-color: var(--look);
      background: var(--look-soft);
    }
    li {
      padding: 4px 0;
    }
    .box {
      display: grid;
      gap: 8px;
    }
  `,
})
export class Mounts {
  readonly item = input.required<Fitted>();
  readonly state = input.required<RigState>();
  readonly advice = input.required<readonly MountAdvice[]>();
  readonly changed = output<Change>();
  protected readonly overruling = signal<MountAdvice | null>(null);
  protected readonly form = new FormGroup({
    why: new FormControl('', {
      nonNullable: true,
      validators: wordsWanted('A few words, such as seen to hold on this hull.', 3),
    }),
  });

  private readonly fitting = computed(() => this.item().placed.fitting);
  protected readonly reason = computed(() => this.fitting().mount.reason);
  protected readonly good = computed(() => this.advice().filter((a) => a.fits));
  protected readonly bad = computed(() => this.advice().filter((a) => !a.fits && !this.chosen(a)));
  /** The way it is held now, when it will not do. */
  protected readonly standing = computed(() => this.advice().find((a) => !a.fits && this.chosen(a)) ?? null);
  private readonly now = computed(() => this.advice().find((a) => this.chosen(a)) ?? null);
  protected readonly strength = computed(() => this.now()?.strength ?? null);
  protected readonly fastening = computed(() =>
    fastenerWords(this.item().mounted, this.item().placed.part, this.state().doc.hull, this.state().doc.shop),
  );
  private readonly load = computed(() => workingLoad(this.item().placed.part));
  protected readonly own = computed(() => this.load().own);
  protected readonly lever = computed(() => this.load().lever + this.fitting().lift);
  protected readonly pull = computed(() => asHung(this.load().newtons));
  protected readonly uses = computed(() => this.item().holes.flatMap((h) => (h.reused && h.drilled ? [h.drilled.label] : [])));
  protected readonly reuse = computed(() => {
    const offer = this.uses().length ? null : this.now()?.reuse;
    if (!offer) return null;
    const holes = Object.values(offer.uses);
    return { ...offer, count: holes.length, labels: holes.map((h) => h.label).join(', ') };
  });
  protected readonly sources = computed(() => {
    const { thread, rivet } = this.item().mounted;
    return thread?.sources ?? (rivet ? [SOURCES.ifi114] : []);
  });

  protected chosen = (a: MountAdvice): boolean => {
    const { hold, plate } = this.fitting().mount;
    return a.hold === hold && (hold !== 'through' || a.plate === plate);
  };
  protected words = (a: MountAdvice): string =>
    `${HOLD_WORDS[a.hold]}${a.plate && a.hold === 'through' ? ' on a backing plate' : ''}`;
  protected readonly capital = capital;
  protected minutes = (a: MountAdvice): number => Math.round(a.minutes);

  private send(drafts: readonly DraftChange[]): void {
    const change = asOne([...drafts]);
    if (change) this.changed.emit(change);
  }

  private toMount = (a: MountAdvice, reason: string): DraftChange => ({
    kind: 'chooseMount',
    item: this.item().placed.id,
    from: this.fitting().mount,
    to: { hold: a.hold, plate: a.plate, reason },
  });

  protected keyOf = (a: MountAdvice): string => `${a.hold}${a.plate ? ' on a plate' : ''}`;
  protected readonly held = computed(() => {
    const now = this.now();
    return now ? this.keyOf(now) : null;
  });

  protected choose(key: string): void {
    this.overruling.set(null);
    const a = this.good().find((one) => this.keyOf(one) === key);
    if (a && (!this.chosen(a) || this.reason())) this.send([this.toMount(a, '')]);
  }

  protected overrule(a: MountAdvice): void {
    const { why } = this.form.getRawValue();
    this.send([this.toMount(a, why.trim())]);
    this.form.reset();
    this.overruling.set(null);
  }

  /** Slides to the old holes and uses them. */
  protected take(): void {
    const offer = this.reuse();
    if (!offer) return;
    const uses = Object.fromEntries(Object.entries(offer.uses).map(([n, h]) => [n, h.fact]));
    const { id } = this.item().placed;
    this.send([
      ...(offer.slides > 0.01 ? [slideTo(this.item(), offer.place)] : []),
      { kind: 'reuseHoles', item: id, from: this.fitting().uses ?? null, to: uses },
    ]);
  }

  protected giveUp(): void {
    this.send([{ kind: 'reuseHoles', item: this.item().placed.id, from: this.fitting().uses ?? null, to: null }]);
  }
}
