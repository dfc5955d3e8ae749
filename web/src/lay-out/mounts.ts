import { ChangeDetectionStrategy, Component, computed, input, output, signal } from '@angular/core';
import {
  asHung,
  type Change,
  type DraftChange,
  type Fitted,
  fastenerWords,
  HOLD_WORDS,
  type MountAdvice,
  SOURCES,
  slideTo,
  workingLoad,
} from '@plain-cleat/core';
import { Length, Mass, Words } from '../hull-view/words';
import { asOne } from '../stores/as-one';
import type { RigState } from '../stores/rig.store';

/** How a fitting is held: first choice with its reason, the others, what will not do and why; old holes before new ones. */
@Component({
  selector: 'pc-mounts',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Length, Mass, Words],
  template: `
    <h3>How it is held</h3>
    <div class="mounts" role="radiogroup" aria-label="How it is held">
      @for (a of good(); track a.hold + a.plate; let first = $first) {
        <button type="button" role="radio" [attr.aria-checked]="chosen(a)" [class.on]="chosen(a)" (click)="hold(a)">
          @if (first) {
            <strong>First choice.</strong>
          }
          {{ capital(a.says | words) }}. <span class="small">{{ minutes(a) }} min</span>
        </button>
      }
      @if (standing(); as a) {
        <button type="button" role="radio" aria-checked="true" class="on cannot">
          {{ words(a) }}: {{ a.says }}.
          @if (reason()) {
            <span class="small">Held so all the same: {{ reason() }}</span>
          }
        </button>
      }
    </div>
    @if (bad().length) {
      <details>
        <summary class="small">{{ bad().length }} ways that will not do here, and why</summary>
        <ul class="small">
          @for (a of bad(); track a.hold + a.plate) {
            <li>
              <span
                ><b>{{ words(a) }}</b
                >: {{ a.says | words }}.</span
              >
              @if (a.fastener) {
                <button class="link" type="button" (click)="overruling.set(a)">all the same</button>
              }
            </li>
          }
        </ul>
      </details>
    }
    @if (overruling(); as a) {
      <form class="box look" (submit)="$event.preventDefault(); overrule(a, why.value)">
        <label class="field"
          ><span>Why by {{ words(a) }} all the same</span><input #why maxlength="200" placeholder="seen to hold on this hull"
        /></label>
        @if (fault()) {
          <p class="fault" role="alert">{{ fault() }}</p>
        }
        <div class="row">
          <button class="act" type="submit">Hold it so</button>
          <button class="way" type="button" (click)="overruling.set(null)">Back</button>
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
        <button class="way" type="button" (click)="take()">Use them again</button>
      </div>
    }
    @if (uses().length) {
      <p class="small">
        Uses the old {{ uses().length === 1 ? 'hole' : 'holes' }} {{ uses().join(', ') }} again.
        <button class="link" type="button" (click)="giveUp()">Drill new ones instead</button>
      </p>
    }
    @if (item().mounted.fastener; as fastener) {
      <p class="small">
        <b>{{ item().mounted.count }} × {{ fastener }}</b
        >{{ fastening().goesOn ? ', ' + fastening().goesOn : '' }}. {{ fastening().tighten }}
        @if (item().mounted.first; as first) {
          {{ first | words }}
        }
        @if (sources().length) {
          <button class="link" type="button" [attr.aria-expanded]="showSources()" (click)="showSources.set(!showSources())">
            Source
          </button>
        }
      </p>
      @if (showSources()) {
        <ul class="small muted">
          @for (s of sources(); track s.title) {
            <li>{{ s.title }}{{ s.fromMemory ? ', value from memory' : '' }}</li>
          }
        </ul>
      }
    }
    @if (strength(); as s) {
      <p class="small muted">
        Judged at {{ pull() | mass }}, {{ lever() | length }} over its base, {{ state().doc.shop.holding.shock }} times that with
        shock{{ own() ? '' : ', the usual of its kind' }}. Bears {{ s.factor.toFixed(1) }} times; first {{ s.rules
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
    .mounts button {
      text-align: left;
      font: inherit;
      color: var(--ink);
      background: var(--card);
      border: 1px solid var(--edge);
      border-radius: 4px;
      min-height: 44px;
      padding: 6px 10px;
      cursor: pointer;
    }
    .mounts .on {
      border: 2px solid var(--tide);
      background: var(--tide-soft);
    }
    .mounts .cannot {
      border-color: var(--look);
      background: var(--look-soft);
    }
    summary {
      cursor: pointer;
      min-height: 32px;
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
  protected readonly fault = signal('');
  protected readonly showSources = signal(false);

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
  protected capital = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1);
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

  protected hold(a: MountAdvice): void {
    this.overruling.set(null);
    if (!this.chosen(a) || this.reason()) this.send([this.toMount(a, '')]);
  }

  protected overrule(a: MountAdvice, why: string): void {
    this.fault.set(why.trim().length < 3 ? 'Why: a few words, such as seen to hold on this hull.' : '');
    if (this.fault()) return;
    this.send([this.toMount(a, why.trim())]);
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
