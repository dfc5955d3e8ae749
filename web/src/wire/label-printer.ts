import { ChangeDetectionStrategy, Component, computed, inject, input, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatProgressBarModule } from '@angular/material/progress-bar';
import { DRAWN } from '@plain-cleat/core/electric/circuits';
import type { Workup } from '@plain-cleat/core/workup';
import { printOn, TAPE, type TapeLabel, tapeLabels, wireLabels } from '@plain-cleat/core/electric/wiring';
import { Length } from '../boat-view/words';
import { UnitsStore } from '../stores/units.store';

/** A simulated label printer: shows the tape as one with a cable would print it, and how much of it is left. */
@Component({
  selector: 'pc-label-printer',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Length, MatButtonModule, MatProgressBarModule],
  template: `
    <div class="row">
      <button mat-stroked-button type="button" [disabled]="waiting().length === 0" (click)="print()">
        {{
          waiting().length === 0 ? 'All printed' : printed().length ? 'Print the rest' : 'Print ' + waiting().length + ' labels'
        }}
      </button>
      <button mat-button type="button" (click)="load()">Load a new tape</button>
      <span class="small muted">simulated label printer, tape {{ tape.width }} mm, {{ left() | length: 'down' }} left</span>
    </div>
    <mat-progress-bar [value]="(100 * left()) / tape.long" aria-label="Tape left" />
    @if (printed().length && waiting().length) {
      <p class="fault" role="alert">The tape is at its end: {{ waiting().length }} labels are not printed. Load a new one.</p>
    }
    @if (printed().length) {
      <ol class="tape" aria-label="Printed labels">
        @for (l of printed(); track $index) {
          <li>
            <strong class="figure">{{ l.mark }}</strong> <span class="small">end {{ l.end }}</span>
            <span class="small">{{ l.says[0] }}<br />{{ l.says[1] }}</span>
            @for (c of l.colours; track c) {
              <i [style.background]="drawn[c]"></i>
            }
          </li>
        }
      </ol>
    }
  `,
  styles: `
    :host {
      display: grid;
      gap: 8px;
      margin: 10px 0 14px;
    }
    .tape {
      display: flex;
      flex-wrap: wrap;
      gap: 4px;
      margin: 0;
      padding: 0;
      list-style: none;
    }
    li {
      display: flex;
      align-items: center;
      gap: 8px;
      padding: 2px 10px;
      background: var(--card);
      border: 1px solid var(--ink);
      border-left-style: dashed;
      border-right-style: dashed;
    }
    i {
      width: 4px;
      height: 24px;
    }
  `,
})
export class LabelPrinter {
  readonly workup = input.required<Workup>();
  private readonly units = inject(UnitsStore);
  protected readonly tape = TAPE;
  protected readonly drawn = DRAWN;
  protected readonly left = signal<number>(TAPE.long);
  private readonly labels = computed(() =>
    tapeLabels(wireLabels(this.workup().wiring, this.workup().aboard.owned, this.units.system())),
  );
  private readonly came = signal<readonly TapeLabel[]>([]);
  /** What came out of it of the circuit as it is now: changed, its labels are others. */
  protected readonly printed = computed(() => {
    const wanted = this.labels();
    return this.came().every((l, i) => l.mark === wanted[i]?.mark && l.says.join() === wanted[i].says.join()) ? this.came() : [];
  });
  protected readonly waiting = computed(() => this.labels().slice(this.printed().length));

  protected print(): void {
    const { printed, left } = printOn(this.left(), this.waiting());
    this.came.set([...this.printed(), ...this.waiting().slice(0, printed)]);
    this.left.set(left);
  }

  protected load(): void {
    this.left.set(TAPE.long);
  }
}
