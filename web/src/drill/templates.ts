import { ChangeDetectionStrategy, Component, computed, inject, input, signal } from '@angular/core';
import { barTrue, fine, parseLength, tell, templatesOf, type PaperName, type Template } from '@plain-cleat/core';
import { documentUrl } from '../stores/document-url';
import { RigStore, type RigState } from '../stores/rig.store';
import { UnitsStore } from '../stores/units.store';

type Bar = '100 mm' | '4 in';

/** One-to-one templates: a check page first, its bar measured and typed, then the sheets. */
@Component({
  selector: 'pc-templates',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <details class="fold" (toggle)="opened.set(panel.open)" #panel>
      <summary>
        <h3>Templates, one to one</h3>
        <span class="small muted">{{ ok() ? 'open for ' + paperName() : 'locked' }}</span>
      </summary>
      <div class="row" role="radiogroup" aria-label="Paper">
        @for (p of papers; track p[0]) {
          <button
            type="button"
            class="way"
            role="radio"
            [class.on]="paper() === p[0]"
            [attr.aria-checked]="paper() === p[0]"
            (click)="chosen.set(p[0])"
          >
            {{ p[1] }}
          </button>
        }
      </div>
      <p class="small">1. <a class="link" [href]="url('printer-check.pdf')">Print the check page</a> at 100 %, no scaling.</p>
      <form class="check" (submit)="$event.preventDefault(); keep(bar.value, read.value)">
        <span class="small">2. Measure a bar with a steel rule, type what it reads.</span>
        <select #bar aria-label="Which bar">
          @for (b of bars(); track b) {
            <option [value]="b">{{ b }}</option>
          }
        </select>
        <input #read class="line" aria-label="The bar reads" [placeholder]="bars()[0] ?? ''" />
        <button class="way" type="submit">Keep</button>
      </form>
      @if (fault()) {
        <p class="fault" role="alert">{{ fault() }}</p>
      }
      @if (measured(); as m) {
        <p class="small" [class.off]="!ok()">
          {{
            ok()
              ? 'The bar is true.'
              : 'The bar of ' +
                m.bar +
                ' read ' +
                m.reading.toFixed(1) +
                ' mm: the printer scales. Set it to 100 % and print again.'
          }}
        </p>
      }
      @if (ok()) {
        <p class="small">
          3. <a class="link" [href]="url('templates.pdf')">All templates, {{ paperName() }}</a
          >. Tape them down, mark through, drill.
        </p>
      } @else {
        <p class="small muted">3. The templates open when the bar is true.</p>
      }
      <ul class="facts small">
        @for (t of templates(); track t.fitting + t.part) {
          <li>
            <span
              ><b class="figure">{{ t.letter }}{{ t.parts > 1 ? ' ' + t.part + '/' + t.parts : '' }}</b> {{ t.of }}
              <span class="muted">{{ words(t) }}</span></span
            >
            <span class="files">
              <a class="link" [href]="drawing(t, 'svg')">SVG</a>
              <a class="link" [href]="drawing(t, 'dxf')">DXF</a>
            </span>
          </li>
        }
      </ul>
      @if (curved()) {
        <p class="fault">{{ curved() }}: no template there. Mark it with the tape.</p>
      }
    </details>
  `,
  styles: `
    .check {
      display: grid;
      grid-template-columns: 92px 1fr auto;
      gap: 6px;
      margin: 6px 0;
    }
    .check .small {
      grid-column: 1 / -1;
    }
    .check input {
      min-width: 0;
    }
    select {
      font: inherit;
      min-height: 44px;
      color: var(--ink);
      background: var(--card);
      border: 1px solid var(--edge);
      border-radius: 4px;
    }
    .way.on {
      background: var(--tape);
      color: var(--tape-ink);
    }
    .files {
      display: flex;
      gap: 12px;
    }
    .off {
      color: var(--look);
      font-weight: 600;
    }
  `,
})
export class Templates {
  readonly state = input.required<RigState>();
  private readonly store = inject(RigStore);
  private readonly units = inject(UnitsStore);
  protected readonly papers = [
    ['A4', 'A4'],
    ['LETTER', 'Letter'],
  ] as const;
  protected readonly chosen = signal<PaperName | null>(null);
  protected readonly paper = computed(() => this.chosen() ?? (this.units.system() === 'metric' ? 'A4' : 'LETTER'));
  protected readonly paperName = computed(() => (this.paper() === 'A4' ? 'A4' : 'Letter'));
  protected readonly bars = computed((): Bar[] => (this.units.system() === 'metric' ? ['100 mm', '4 in'] : ['4 in', '100 mm']));
  protected readonly measured = computed(() => this.state().workup.ledger.bars.get(this.paper()));
  protected readonly ok = computed(() => {
    const m = this.measured();
    return !!m && barTrue(m.bar, m.reading, this.state().doc.shop.drilling.barWithin);
  });
  protected readonly fault = signal('');
  protected readonly opened = signal(false);
  private readonly worked = computed(() => {
    const { workup, plan, doc } = this.state();
    // Unrolling a hull takes a moment: only for one who looks.
    if (!this.opened()) return { done: [], cannot: [] };
    const done: Template[] = [];
    const cannot: string[] = [];
    for (const item of workup.owned.filter((i) => i.holes.length))
      try {
        done.push(...templatesOf(workup.surface, item, plan.tape, doc.shop.drilling, workup.ledger));
      } catch (error) {
        cannot.push(`${item.letter}, ${item.placed.part.name}: ${(error as Error).message}`);
      }
    return { done, cannot };
  });
  protected readonly templates = computed(() => this.worked().done);
  protected readonly curved = computed(() => this.worked().cannot.join('; '));

  protected words({ flattening, holes, parts }: Template): string {
    const flat =
      holes.length < 2 || flattening < 0.01 ? 'lies flat' : `flattening costs ${tell([fine(flattening)], this.units.system())}`;
    return parts > 1 ? `${flat}, split in ${parts}` : flat;
  }

  protected keep(bar: string, text: string): void {
    const read = parseLength(text, bar === '4 in' ? 'imperial' : 'metric');
    const wrong = !read.ok ? read.says : read.mm < 50 || read.mm > 200 ? 'that is no bar of this page' : '';
    this.fault.set(wrong ? `The bar reads: ${wrong}.` : '');
    if (wrong || !read.ok) return;
    this.store.keep({ kind: 'barMeasured', paper: this.paper(), bar: bar as Bar, reading: read.mm });
  }

  protected url(name: string): string {
    return documentUrl(this.state().doc.id, name, this.units.system(), { paper: this.paper() });
  }

  protected drawing(t: Template, kind: 'svg' | 'dxf'): string {
    return documentUrl(this.state().doc.id, `template.${kind}`, this.units.system(), {
      fitting: t.fitting,
      part: String(t.part),
    });
  }
}
