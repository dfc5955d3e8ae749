import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import { Icons } from '../controls/icons';
import { MatButtonModule } from '@angular/material/button';
import type { Fitted } from '@plain-cleat/core/holding/fitted';
import { type HullSurface, reading } from '@plain-cleat/core/boat/hull';
import { type Change, type Plan, takeOff, type Tape } from '@plain-cleat/core/rig';
import { Length } from '../boat-view/words';
import { asOne } from '../stores/as-one';
import { RigStore } from '../stores/rig.store';
import { alignAcross, alignAlong, copies, distribute, setAll, toOtherSide } from './arrange';

/** Several fittings at once: line them up, space them, mirror, copy, group, lock; how far two are apart. */
@Component({
  selector: 'pc-multi-select',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Length, MatButtonModule, Icons],
  template: `
    <header class="spread">
      <h2>{{ items().length }} fittings chosen</h2>
      <button mat-button class="link" type="button" (click)="closed.emit()">Clear selection</button>
    </header>
    <ul>
      @for (i of items(); track i.placed.id) {
        <li>
          <span class="mark open">{{ i.letter }}</span> {{ i.placed.part.name }}
          @if (i.placed.fitting.locked) {
            <span class="small muted">locked</span>
          }
        </li>
      }
    </ul>
    @if (apart(); as a) {
      <dl class="facts">
        <div>
          <dt>Apart, pulled taut</dt>
          <dd class="figure">{{ a.taut | length }}</dd>
        </div>
        <div>
          <dt>Along the centre line</dt>
          <dd class="figure">{{ a.centre | length }}</dd>
        </div>
        <div>
          <dt>Along the gunwale</dt>
          <dd class="figure">{{ a.gunwale | length }}</dd>
        </div>
        <div>
          <dt>Across the boat</dt>
          <dd class="figure">{{ a.across | length }}</dd>
        </div>
        <div>
          <dt>First to the other's mirror, taut</dt>
          <dd class="figure">{{ a.mirror | length }}</dd>
        </div>
      </dl>
    }
    <div class="row">
      <button mat-stroked-button type="button" (click)="make(across())">Line up across</button>
      <button mat-stroked-button type="button" (click)="make(along())">Line up along</button>
      @if (items().length > 2) {
        <button mat-stroked-button type="button" (click)="make(spaced())">Space evenly</button>
      }
      <button mat-stroked-button type="button" (click)="copy('behind')"><mat-icon svgIcon="content_copy" />Copy</button>
      <button mat-stroked-button type="button" (click)="copy('other side')"><mat-icon svgIcon="flip" />Mirror</button>
      <button mat-stroked-button type="button" (click)="make(moved())">Move to the other side</button>
      <button mat-stroked-button type="button" (click)="group()">{{ grouped() ? 'Ungroup' : 'Group' }}</button>
      <button mat-stroked-button type="button" (click)="lock()">{{ locked() ? 'Unlock' : 'Lock' }}</button>
      <button mat-stroked-button type="button" (click)="off()"><mat-icon svgIcon="delete" />Delete</button>
    </div>
  `,
  styles: `
    :host {
      display: flex;
      flex-direction: column;
      gap: 12px;
    }
    li {
      display: flex;
      gap: 10px;
      align-items: center;
      padding: 4px 0;
    }
  `,
})
export class MultiSelect {
  readonly items = input.required<readonly Fitted[]>();
  readonly hull = input.required<HullSurface>();
  readonly plan = input.required<Plan>();
  readonly closed = output<void>();
  readonly chose = output<readonly string[]>();
  private readonly store = inject(RigStore);

  protected readonly across = computed(() => alignAcross(this.hull(), this.items()));
  protected readonly along = computed(() => alignAlong(this.hull(), this.items()));
  protected readonly spaced = computed(() => distribute(this.hull(), this.items()));
  protected readonly moved = computed(() => toOtherSide(this.hull(), this.items()));
  protected readonly grouped = computed(() => this.items().every((i) => i.placed.fitting.group !== undefined));
  protected readonly locked = computed(() => this.items().every((i) => i.placed.fitting.locked));
  protected readonly apart = computed(() => {
    const [a, b, third] = this.items().map((i) => i.placed.frame.origin);
    if (!a || !b || third) return null;
    const from = { id: 'a', name: '', at: a };
    const read = (run: Tape['run']): number => reading(this.hull(), from, run, b);
    return {
      taut: read('taut'),
      centre: read('centre'),
      gunwale: read('gunwale'),
      across: Math.abs(a.y - b.y),
      mirror: reading(this.hull(), from, 'taut', { ...b, y: -b.y }),
    };
  });

  protected make(change: Change | null): void {
    if (change) this.store.change(change);
  }

  protected copy(where: 'behind' | 'other side'): void {
    const { change, ids } = copies(this.hull(), this.items(), where);
    this.make(change);
    this.chose.emit(ids);
  }

  protected group(): void {
    this.make(setAll(this.items(), 'group', this.grouped() ? null : `group-${crypto.randomUUID().slice(0, 8)}`));
  }

  protected lock(): void {
    this.make(setAll(this.items(), 'locked', this.locked() ? null : true));
  }

  protected off(): void {
    this.make(
      asOne(
        takeOff(
          this.plan(),
          this.items().map((i) => i.placed.id),
        ).changes,
      ),
    );
    this.closed.emit();
  }
}
