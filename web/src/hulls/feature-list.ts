import { ChangeDetectionStrategy, Component, computed, inject, input, output, signal } from '@angular/core';
import { parseLength, printFigure } from '@plain-cleat/core';
import { UnitsStore } from '../stores/units.store';
import type { Column, FeatureList, Row } from './features';

/** A list of things on the hull, each row typed in the units of the moment. */
@Component({
  selector: 'pc-feature-list',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <details>
      <summary>
        {{ list().name }} <span class="small muted">{{ rows().length }}</span>
      </summary>
      <div class="scroll">
        <table>
          <thead>
            <tr>
              @for (c of list().columns; track c.key) {
                <th>{{ c.name }}</th>
              }
              <th><span class="hidden">Strike</span></th>
            </tr>
          </thead>
          <tbody>
            @for (r of rows(); track $index; let n = $index) {
              <tr>
                @for (c of list().columns; track c.key) {
                  <td>
                    @if (c.when && !c.when(r)) {
                      <span class="muted">–</span>
                    } @else if (c.kind === 'yes') {
                      <input
                        type="checkbox"
                        [attr.aria-label]="label(c, n)"
                        [checked]="r[c.key]"
                        (change)="set(n, c.key, !r[c.key])"
                      />
                    } @else if (options(c); as all) {
                      <select #pick [attr.aria-label]="label(c, n)" (change)="set(n, c.key, pick.value)">
                        @for (o of all; track o) {
                          <option [value]="o" [selected]="o === (r[c.key] ?? '')">{{ o || 'lifts off' }}</option>
                        }
                      </select>
                    } @else {
                      <input
                        #text
                        [class.wide]="c.kind === 'text'"
                        [class.words]="c.kind === 'words'"
                        [attr.aria-label]="label(c, n)"
                        [attr.aria-invalid]="bad() === n + c.key"
                        [value]="shown(c, r)"
                        (change)="type(n, c, text.value)"
                      />
                    }
                  </td>
                }
                <td>
                  <button
                    class="link"
                    type="button"
                    [attr.aria-label]="'Strike ' + list().one + ' ' + (n + 1)"
                    (click)="strike(n)"
                  >
                    strike
                  </button>
                </td>
              </tr>
            }
          </tbody>
        </table>
      </div>
      @if (fault()) {
        <p class="fault" role="alert">{{ fault() }}</p>
      }
      <button class="link" type="button" (click)="add()">Add {{ list().one }}</button>
    </details>
  `,
  styles: `
    summary {
      cursor: pointer;
      min-height: 38px;
      padding: 7px 0;
      font-weight: 600;
    }
    .scroll {
      overflow-x: auto;
    }
    th,
    td {
      padding: 2px 4px;
      white-space: nowrap;
    }
    input:not([type]),
    select {
      font: inherit;
      color: var(--ink);
      background: var(--card);
      border: 1px solid var(--edge);
      border-radius: 3px;
      min-height: 34px;
      width: 78px;
      padding: 2px 6px;
    }
    input.wide {
      width: 150px;
    }
    input.words {
      width: 280px;
    }
    select {
      width: auto;
    }
    input[type='checkbox'] {
      width: 22px;
      height: 22px;
    }
  `,
})
export class FeatureRows {
  readonly list = input.required<FeatureList>();
  readonly rows = input.required<readonly Row[]>();
  readonly changed = output<readonly Row[]>();
  private readonly units = inject(UnitsStore);
  protected readonly fault = signal('');
  protected readonly bad = signal('');
  private readonly system = computed(() => this.units.system());

  protected options = (c: Column): readonly string[] | null => (typeof c.kind === 'string' ? null : c.kind);
  protected label = (c: Column, n: number): string => `${this.list().one} ${n + 1}, ${c.name}`;

  protected shown(c: Column, row: Row): string {
    const value = row[c.key];
    return value === undefined || value === null
      ? ''
      : c.kind === 'length'
        ? printFigure(value as number, this.system())
        : String(value);
  }

  protected type(n: number, c: Column, text: string): void {
    this.fault.set('');
    this.bad.set('');
    if (c.kind === 'text' || c.kind === 'words') return this.set(n, c.key, text.slice(0, c.kind === 'words' ? 120 : 60));
    if (text.trim() === '' && c.key.startsWith('lid.')) return this.set(n, c.key, undefined);
    const read = c.kind === 'length' ? parseLength(text, this.system()) : null;
    const value = read ? (read.ok ? read.mm : NaN) : Number(text.replace(',', '.'));
    if (Number.isFinite(value) && text.trim() !== '') return this.set(n, c.key, Math.round(value * 100) / 100);
    this.bad.set(n + c.key);
    this.fault.set(`${this.label(c, n)}: ${read && !read.ok ? read.says : 'a number'}.`);
  }

  protected set(n: number, key: string, value: unknown): void {
    this.changed.emit(this.rows().map((r, i) => (i === n ? { ...r, [key]: value } : r)));
  }

  protected add(): void {
    const ids = new Set(this.rows().map((r) => r['id']));
    let n = this.rows().length + 1;
    while (ids.has(this.list().fresh(n)['id'])) n++;
    this.changed.emit([...this.rows(), this.list().fresh(n)]);
  }

  protected strike(n: number): void {
    this.changed.emit(this.rows().filter((_, i) => i !== n));
  }
}
