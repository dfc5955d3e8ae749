import { ChangeDetectionStrategy, Component, computed, inject, input, signal } from '@angular/core';
import { datums, findDatum, parseLength, type ToMeasure } from '@plain-cleat/core';
import { Length, Words } from '../hull-view/words';
import { RigStore, type RigState } from '../stores/rig.store';
import { UnitsStore } from '../stores/units.store';

type Run = 'taut' | 'centre' | 'gunwale';

/** Before the first hole: known distances of this very boat, and the owner's agreement to the taped layout. */
@Component({
  selector: 'pc-before-first',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Length, Words],
  template: `
    <details class="fold" [open]="!gate().open">
      <summary>
        <h3>Before the first hole</h3>
        <span class="small" [class.muted]="gate().open">{{ gate().open ? '✓ done' : 'drilling is locked' }}</span>
      </summary>
      <ul class="small wants">
        @for (w of gate().wants; track w.id) {
          <li [class.open]="!w.done">{{ w.done ? '✓' : '○' }} {{ w.says | words }}</li>
        }
      </ul>
      <p class="small muted">Tape pulled taut between two marks of this boat. What it differs by corrects every reading.</p>
      @for (d of gate().distances; track d.from + d.to) {
        <form class="row" (submit)="$event.preventDefault(); keep(d, r.value, 'taut')">
          <label class="field grow"
            ><span>{{ d.fromName }} to {{ d.toName }}, drawn {{ d.expected | length }}</span
            ><input #r [attr.aria-invalid]="fault()?.at === d.from + d.to ? true : null" [placeholder]="'measured'"
          /></label>
          <button class="way" type="submit">Keep</button>
        </form>
        @if (d.measured; as m) {
          <p class="small">
            Measured {{ m.reading | length }}: {{ abs(m.off) | length: 'up' }} {{ m.off > 0 ? 'over' : 'under' }} the drawing.
          </p>
        }
        @if (fault()?.at === d.from + d.to) {
          <p class="fault" role="alert">{{ fault()?.says }}</p>
        }
      }
      <form class="another" (submit)="$event.preventDefault(); another(from.value, to.value, value.value)">
        <span class="small">Another, such as from the stern: the two must make the length</span>
        <select #from aria-label="Hooked on">
          @for (p of places(); track p.id) {
            <option [value]="p.id" [selected]="p.id === 'stern'">{{ p.name }}</option>
          }
        </select>
        <select #to aria-label="Measured to">
          @for (p of places(); track p.id) {
            <option [value]="p.id" [selected]="p.id === gate().distances[0]?.to">{{ p.name }}</option>
          }
        </select>
        <input #value class="line" aria-label="Other distance measured" placeholder="measured" />
        <button class="way" type="submit">Keep</button>
      </form>
      @if (fault()?.at === 'another') {
        <p class="fault" role="alert">{{ fault()?.says }}</p>
      }
      @if (asked() || agreed()) {
        @if (agreed(); as a) {
          <p class="small">{{ a.name }} agreed to the taped layout{{ a.photo ? ', photographed' : '' }}.</p>
        } @else {
          <form class="another" (submit)="$event.preventDefault(); agree(name.value)">
            <label class="field"><span>Owner agrees to the taped layout: name</span><input #name maxlength="120" /></label>
            <label class="field"
              ><span>Photo of the tape, if there is one</span
              ><input
                #photo
                type="file"
                accept="image/jpeg,image/png,image/webp"
                (change)="picture.set(photo.files?.[0] ?? null)"
            /></label>
            <button class="way" type="submit">Agreed</button>
          </form>
          @if (fault()?.at === 'agreed') {
            <p class="fault" role="alert">{{ fault()?.says }}</p>
          }
        }
      }
    </details>
  `,
  styles: `
    .wants li {
      padding: 2px 0;
    }
    .wants .open {
      color: var(--look);
      font-weight: 600;
    }
    form.row {
      flex-wrap: nowrap;
      align-items: end;
      margin-top: 6px;
    }
    .another {
      display: grid;
      gap: 6px;
      margin-top: 10px;
    }
    select {
      font: inherit;
      min-height: 44px;
      color: var(--ink);
      background: var(--card);
      border: 1px solid var(--edge);
      border-radius: 4px;
      max-width: 100%;
    }
  `,
})
export class BeforeFirst {
  readonly state = input.required<RigState>();
  private readonly store = inject(RigStore);
  private readonly units = inject(UnitsStore);
  protected readonly gate = computed(() => this.state().workup.gate);
  protected readonly asked = computed(() => this.state().doc.shop.drilling.agree);
  protected readonly agreed = computed(() => this.state().workup.ledger.agreed);
  protected readonly places = computed(() => datums(this.state().workup.surface));
  protected readonly picture = signal<File | null>(null);
  protected readonly fault = signal<{ at: string; says: string } | null>(null);
  protected abs = Math.abs;

  protected keep(d: Pick<ToMeasure, 'from' | 'to'>, text: string, run: Run, at = d.from + d.to): void {
    const read = parseLength(text, this.units.system());
    const { length } = this.state().workup.surface;
    const wrong = !read.ok
      ? read.says
      : read.mm < 1 || read.mm > length + 200
        ? 'that is not on this hull'
        : d.from === d.to
          ? 'choose two different places'
          : '';
    this.fault.set(wrong ? { at, says: `${this.name(d.from)} to ${this.name(d.to)}: ${wrong}.` } : null);
    if (wrong || !read.ok) return;
    this.store.keep({ kind: 'readingTaken', from: d.from, to: d.to, run, reading: read.mm });
  }

  protected another(from: string, to: string, text: string): void {
    this.keep({ from, to }, text, 'taut', 'another');
  }

  private name = (id: string): string => findDatum(this.state().workup.surface, id).name;

  protected agree(name: string): void {
    const who = name.trim();
    this.fault.set(who ? null : { at: 'agreed', says: 'Name: who agreed, such as the owner.' });
    if (!who) return;
    this.store.keep({ kind: 'layoutAgreed', name: who, photo: null }, this.picture());
  }
}
