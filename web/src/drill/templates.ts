import { ChangeDetectionStrategy, Component, computed, inject, input, signal } from '@angular/core';
import { Toggle } from '../controls/toggle';
import { Print } from '../rig/print';
import { ValidSubmit } from '../controls/valid-submit';
import { QuantityField } from '../controls/quantity';
import { MatExpansionModule } from '@angular/material/expansion';
import { FormControl, FormGroup, ReactiveFormsModule } from '@angular/forms';
import { ChoiceField, choicesOf } from '../controls/choice-field';
import { MatButtonModule } from '@angular/material/button';
import { barTrue, templatesOf, type PaperSize, type Template } from '@plain-cleat/core/holding/drilling';
import { fine, tell } from '@plain-cleat/core/base/units';
import { documentUrl } from '../stores/document-url';
import { RigStore, type RigState } from '../stores/rig.store';
import { UnitsStore } from '../stores/units.store';

type Bar = '100 mm' | '4 in';

/** One-to-one templates: a check page first, its bar measured and typed, then the sheets. */
@Component({
  selector: 'pc-templates',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Print, MatButtonModule, ReactiveFormsModule, Toggle, MatExpansionModule, QuantityField, ChoiceField, ValidSubmit],
  template: `
    <mat-expansion-panel (opened)="opened.set(true)" (closed)="opened.set(false)">
      <mat-expansion-panel-header>
        <mat-panel-title>Templates, one to one</mat-panel-title>
        <mat-panel-description>{{ ok() ? 'open for ' + paperName() : 'locked' }}</mat-panel-description>
      </mat-expansion-panel-header>
      <pc-toggle name="Paper" [choices]="papers" [value]="paper()" (chosen)="chosen.set($event)" />
      <p class="small">
        1. <a mat-button class="link" [pcPrint]="url('printerCheck')">Print the check page</a> at 100 %, no scaling.
      </p>
      <form class="check" [formGroup]="form" (pcSubmit)="save()">
        <span class="small">2. Measure a bar with a steel rule, type what it reads.</span>
        <pc-choice-field label="Bar" [choices]="bars()" [control]="form.controls.bar" />
        <pc-quantity label="It reads" kind="length" [least]="50" [most]="200" [control]="form.controls.reading" />
        <button mat-stroked-button type="submit">Save</button>
      </form>
      @if (measured(); as m) {
        <p class="small" [class.off]="!ok()">
          {{
            ok()
              ? 'Scale is correct.'
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
          3. <a mat-button class="link" [pcPrint]="url('templates')">All templates, {{ paperName() }}</a
          >. Tape them down, mark through, drill.
        </p>
      } @else {
        <p class="small muted">3. The templates open when the scale is correct.</p>
      }
      <ul class="facts small">
        @for (t of templates(); track t.fitting + t.part) {
          <li>
            <span
              ><b class="figure">{{ t.letter }}{{ t.parts > 1 ? ' ' + t.part + '/' + t.parts : '' }}</b> {{ t.of }}
              <span class="muted">{{ words(t) }}</span></span
            >
            <span class="files">
              <a mat-button class="link" [pcPrint]="drawing(t, 'svg')">SVG</a>
              <a mat-button class="link" [pcPrint]="drawing(t, 'dxf')">DXF</a>
            </span>
          </li>
        }
      </ul>
      @if (curved()) {
        <p class="fault">{{ curved() }}: no template there. Mark it with the tape.</p>
      }
    </mat-expansion-panel>
  `,
  styles: `
    .check {
      display: grid;
      grid-template-columns: 120px 1fr auto;
      align-items: start;
      gap: 6px;
      margin: 6px 0;
    }
    .check .small {
      grid-column: 1 / -1;
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
    { value: 'A4', says: 'A4' },
    { value: 'LETTER', says: 'Letter' },
  ] as const;
  protected readonly chosen = signal<PaperSize | null>(null);
  protected readonly paper = computed(() => this.chosen() ?? (this.units.system() === 'metric' ? 'A4' : 'LETTER'));
  protected readonly paperName = computed(() => (this.paper() === 'A4' ? 'A4' : 'Letter'));
  protected readonly bars = computed(() =>
    choicesOf<Bar>(this.units.system() === 'metric' ? ['100 mm', '4 in'] : ['4 in', '100 mm']),
  );
  protected readonly measured = computed(() => this.state().workup.ledger.bars.get(this.paper()));
  protected readonly ok = computed(() => {
    const m = this.measured();
    return !!m && barTrue(m.bar, m.reading, this.state().doc.shop.drilling.barWithin);
  });
  protected readonly form = new FormGroup({
    bar: new FormControl<Bar>(this.units.system() === 'metric' ? '100 mm' : '4 in', { nonNullable: true }),
    reading: new FormControl<number | null>(null),
  });
  protected readonly opened = signal(false);
  private readonly worked = computed(() => {
    const { workup, plan, doc } = this.state();
    // Unrolling a hull takes a moment: only for one who looks.
    if (!this.opened()) return { done: [], cannot: [] };
    const done: Template[] = [];
    const cannot: string[] = [];
    for (const item of workup.aboard.owned.filter((i) => i.holes.length))
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

  protected save(): void {
    const { bar, reading } = this.form.getRawValue();
    if (reading !== null) this.store.save({ kind: 'barMeasured', paper: this.paper(), bar, reading });
  }

  protected url(name: 'templates' | 'printerCheck'): string {
    return documentUrl(this.state().doc.id, name, this.units.system(), { paper: this.paper() });
  }

  protected drawing(t: Template, kind: 'svg' | 'dxf'): string {
    return documentUrl(this.state().doc.id, kind === 'svg' ? 'templateSvg' : 'templateDxf', this.units.system(), {
      fitting: t.fitting,
      part: String(t.part),
    });
  }
}
