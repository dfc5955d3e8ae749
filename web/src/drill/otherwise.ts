import { ChangeDetectionStrategy, Component, computed, inject, input, linkedSignal, output, signal } from '@angular/core';
import { findDatum, parseLength, printLength, type PlannedHole } from '@plain-cleat/core';
import { Length } from '../hull-view/words';
import { RigStore, type RigState } from '../stores/rig.store';
import { UnitsStore } from '../stores/units.store';

const WAYS = [
  ['elsewhere', 'Drilled elsewhere'],
  ['bit', 'Another bit'],
  ['fastener', 'Another fastener'],
  ['abandoned', 'Given up'],
] as const;
type Way = (typeof WAYS)[number][0];

/** What a drill takes, mm. */
const BITS = { least: 1, most: 80 } as const;

/** What happened otherwise than planned at one hole: where it went, with which bit, which fastener, or not at all. */
@Component({
  selector: 'pc-otherwise',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Length],
  template: `
    <div class="row" role="radiogroup" aria-label="What happened">
      @for (w of ways; track w[0]) {
        <button
          type="button"
          role="radio"
          class="way"
          [class.on]="way() === w[0]"
          [attr.aria-checked]="way() === w[0]"
          (click)="choose(w[0])"
        >
          {{ w[1] }}
        </button>
      }
    </div>
    @switch (way()) {
      @case ('elsewhere') {
        <form class="row away" (submit)="$event.preventDefault(); elsewhere(r.value, o.value)" (input)="far.set(0)">
          <label class="field"
            ><span>Measured from {{ datum() }}</span
            ><input #r
          /></label>
          <label class="field"
            ><span>Measured {{ hole().down === null ? 'off centre' : 'down from the gunwale' }}</span
            ><input #o
          /></label>
          @if (hole().down === null) {
            <div class="row" role="radiogroup" aria-label="Side it was drilled on">
              @for (s of sides; track s) {
                <button
                  type="button"
                  role="radio"
                  class="way"
                  [class.on]="side() === s"
                  [attr.aria-checked]="side() === s"
                  (click)="side.set(s)"
                >
                  {{ s }}
                </button>
              }
            </div>
          }
          <button class="act" type="submit">Keep as drilled there</button>
        </form>
        @if (far(); as mm) {
          <div class="box look">
            <strong>That is {{ mm | length: 'up' }} from where the plan has it.</strong>
            <p>Read the tape once more. If it is so, keep it.</p>
            <button class="way" type="button" (click)="elsewhere(r.value, o.value, true)">It is so, keep it</button>
          </div>
        }
      }
      @case ('bit') {
        <form class="row away" (submit)="$event.preventDefault(); another(b.value)">
          <label class="field"><span>Bit it was drilled with</span><input #b [placeholder]="hole().bit.name" /></label>
          <button class="act" type="submit">Keep</button>
        </form>
      }
      @case ('fastener') {
        <form class="row away" (submit)="$event.preventDefault(); fastener(f.value, y.value)">
          <label class="field"><span>Fastener used</span><input #f maxlength="120" placeholder="rivet 68" /></label>
          <label class="field"><span>Why</span><input #y maxlength="200" placeholder="a screw was lost" /></label>
          <button class="act" type="submit">Keep</button>
        </form>
      }
      @case ('abandoned') {
        <form class="row away" (submit)="$event.preventDefault(); abandon(w.value)">
          <label class="field"><span>Why it is not drilled</span><input #w maxlength="200" placeholder="foam behind" /></label>
          <button class="act" type="submit">Give it up</button>
        </form>
      }
    }
    @if (fault()) {
      <p class="fault" role="alert">{{ fault() }}</p>
    }
    <button class="link" type="button" (click)="closed.emit()">Back</button>
  `,
  styles: `
    :host {
      display: grid;
      gap: 10px;
    }
    .way.on {
      background: var(--tape);
      color: var(--tape-ink);
    }
    .row .way {
      min-height: 56px;
    }
    .away .field {
      max-width: 170px;
    }
    .away {
      align-items: end;
    }
  `,
})
export class Otherwise {
  readonly state = input.required<RigState>();
  readonly hole = input.required<PlannedHole>();
  /** The bit in the drill, mm. */
  readonly bit = input.required<number>();
  /** A photo of it, where one was taken. */
  readonly photo = input<Blob | null>(null);
  readonly closed = output<void>();
  private readonly store = inject(RigStore);
  private readonly units = inject(UnitsStore);
  protected readonly ways = WAYS;
  protected readonly sides = ['port', 'starboard'] as const;
  /** The side it was drilled on: the plan's, until somebody says another; of a hole on the centre line somebody must. */
  protected readonly side = linkedSignal(() => {
    const { side } = this.hole();
    return side === 'centre' ? null : side;
  });
  /** How far the reading just typed is from the plan, when that is asked about, mm. */
  protected readonly far = signal(0);
  protected readonly way = signal<Way>('elsewhere');
  protected readonly fault = signal('');
  protected readonly datum = computed(() =>
    findDatum(this.state().workup.surface, this.state().plan.tape.datum).name.toUpperCase(),
  );

  protected choose(way: Way): void {
    this.way.set(way);
    this.fault.set('');
  }

  private refuse(says: string): boolean {
    this.fault.set(says);
    return says !== '';
  }

  protected elsewhere(reading: string, off: string, sure = false): void {
    const { workup, plan, doc } = this.state();
    const h = this.hole();
    const across = h.down === null ? 'Off centre' : 'Down from the gunwale';
    const [r, o] = [parseLength(reading, this.units.system()), parseLength(off, this.units.system())];
    const beyond = h.down === null ? workup.surface.beam / 2 : workup.surface.gunwale(h.at.x);
    const fault = !r.ok
      ? `From ${this.datum()}: ${r.says}`
      : !o.ok
        ? `${across}: ${o.says}`
        : r.mm < 0 || r.mm > workup.surface.length + 200
          ? `From ${this.datum()}: that is not on this hull`
          : o.mm < 0 || o.mm > beyond
            ? `${across}: that is off the hull`
            : h.down === null && o.mm > 0 && !this.side()
              ? 'Side: port or starboard?'
              : '';
    if (this.refuse(fault) || !r.ok || !o.ok) return;
    const sign = this.side() === 'port' ? -1 : 1;
    const beside = h.down === null ? Math.abs(sign * o.mm - h.offCentre) : Math.abs(o.mm - h.down);
    const by = Math.max(Math.abs(r.mm - h.reading), beside);
    if (!sure && by > doc.shop.drilling.farFromPlan) return this.far.set(by);
    this.far.set(0);
    this.store.keep(
      {
        kind: 'holeDrilled',
        hole: h.id,
        label: h.label,
        bit: this.bit(),
        elsewhere: true,
        measured: {
          hullRevision: doc.hull.revision,
          datum: plan.tape.datum,
          run: h.run,
          reading: r.mm,
          offCentre: h.down === null ? sign * o.mm : h.offCentre,
          down: h.down === null ? null : o.mm,
          aimed: h.at.x,
          ...(h.down === null ? {} : { downBy: 'girth' as const }),
          ...(h.ahead && plan.tape.datum !== 'stern' ? { towards: 'forward' as const } : {}),
        },
      },
      this.photo(),
    );
    this.closed.emit();
  }

  protected another(text: string): void {
    const system = this.units.system();
    const print = (mm: number): string => printLength(mm, system);
    const read = parseLength(text, system);
    const wrong = !read.ok
      ? `Bit: ${read.says}`
      : read.mm < BITS.least || read.mm > BITS.most
        ? `Bit: between ${print(BITS.least)} and ${print(BITS.most)}, like ${system === 'metric' ? '6.8' : '17/64'}.`
        : '';
    if (this.refuse(wrong) || !read.ok) return;
    const h = this.hole();
    this.store.drilled(h, read.mm, this.photo());
    this.closed.emit();
  }

  protected fastener(used: string, why: string): void {
    if (this.refuse(!used.trim() ? 'Fastener used: say which, such as rivet 68.' : !why.trim() ? 'Why: a few words.' : ''))
      return;
    this.store.keep(
      { kind: 'fastenerSubstituted', fitting: this.hole().fitting, with: used.trim(), why: why.trim() },
      this.photo(),
    );
    this.closed.emit();
  }

  protected abandon(why: string): void {
    if (this.refuse(why.trim() ? '' : 'Why: say what stopped it, such as foam behind.')) return;
    this.store.keep({ kind: 'holeAbandoned', hole: this.hole().id, why: why.trim() }, this.photo());
    this.closed.emit();
  }
}
