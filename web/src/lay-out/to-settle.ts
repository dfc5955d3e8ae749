import { ChangeDetectionStrategy, Component, input, output } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import type { Fix, SettledAll } from '@plain-cleat/core/proposals/fixes';
import { capital } from '@plain-cleat/core/base/units';
import type { Finding } from '@plain-cleat/core/checks/findings';
import type { Plan } from '@plain-cleat/core/rig';
import { Words } from '../boat-view/words';

/** Findings bow to stern, right under the boat, each with a fix that was tried and can be tapped. */
@Component({
  selector: 'pc-to-settle',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Words, MatButtonModule],
  template: `
    <h3>To settle, bow to stern</h3>
    @if (together(); as all) {
      @if (all.by.length > 1) {
        <div class="together">
          <p>
            {{ counted(all.before) }} before, {{ counted(all.after) }} after:
            @for (one of all.by; track $index) {
              {{ one.letter }} {{ one.says | words }}{{ $last ? '.' : ';' }}
            }
          </p>
          <button mat-flat-button type="button" (click)="takenTogether.emit()">Settle all {{ all.by.length }}</button>
        </div>
      }
    }
    <ul>
      @for (f of findings(); track f.key) {
        <li [attr.data-finding]="f.key">
          <span class="mark" [class.stop]="f.severity === 'stop'" [class.look]="f.severity === 'look'">{{
            f.letter || '!'
          }}</span>
          <button mat-button class="across says" type="button" (click)="picked.emit(f.where)">
            {{ f.says | words }}
            @if (f.sets) {
              <span class="small muted">in {{ names(f.sets) }}</span>
            }
          </button>
          @if (fixes()[f.key]?.[0]; as fix) {
            <button mat-stroked-button type="button" (click)="taken.emit(fix)">{{ fix.says | words }}</button>
          } @else if (f.fixable && searching() && !fixes()[f.key]) {
            <span class="small muted" role="status">looking for a fix</span>
          } @else {
            <span class="small muted">{{ f.fixable ? 'No fix found: ' + f.decides : capital(f.decides) }} decides</span>
          }
        </li>
      } @empty {
        <li class="muted">Nothing to settle here.</li>
      }
      @for (f of notes(); track f.key) {
        <li class="muted">
          <span class="mark open">{{ f.letter || '·' }}</span><button
            mat-button
            class="across says"
            type="button"
            (click)="picked.emit(f.where)"
          >
            {{ f.says | words }}
          </button>
        </li>
      }
      @for (f of accepted(); track f.key) {
        <li class="muted">
          <span class="mark open">{{ f.letter }}</span><button
            mat-button
            class="across says"
            type="button"
            (click)="picked.emit(f.where)"
          >
            {{ f.says | words }} Accepted by {{ f.accepted?.by }}: {{ f.accepted?.reason }}
          </button>
        </li>
      }
    </ul>
  `,
  styles: `
    :host {
      display: block;
      padding: 2px 16px 8px;
    }
    li {
      display: flex;
      align-items: center;
      gap: 12px;
      border-top: 1px solid var(--line);
      padding: 2px 0;
      min-height: 48px;
    }
    .together {
      display: flex;
      align-items: center;
      gap: 12px;
    }
    .together p {
      flex: 1;
    }
    .says {
      flex: 1;
    }
    .says + button {
      min-width: 160px;
      height: auto;
      min-height: 40px;
    }
  `,
})
export class ToSettle {
  protected readonly capital = capital;
  readonly findings = input.required<readonly Finding[]>();
  readonly accepted = input<readonly Finding[]>([]);
  /** What wants no settling and is good to know. */
  readonly notes = input<readonly Finding[]>([]);
  readonly sets = input<Plan['sets']>({});
  readonly fixes = input<Readonly<Record<string, readonly Fix[]>>>({});
  readonly searching = input(false);
  /** Fixes that go together, where several do. */
  readonly together = input<SettledAll | null>(null);
  readonly takenTogether = output<void>();
  readonly picked = output<string>();
  readonly taken = output<Fix>();

  protected counted = ({ stops, looks }: SettledAll['before']): string =>
    `${stops} ${stops === 1 ? 'stop' : 'stops'} and ${looks} to look at`;
  protected names = (sets: readonly string[]): string => sets.map((s) => this.sets()[s]?.name ?? s).join(', ');
}
