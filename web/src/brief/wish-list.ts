import { Memory } from '@plain-cleat/core/base/stages';
import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import { DeleteButton } from '../controls/delete-button';
import { ValidSubmit } from '../controls/valid-submit';
import { PickField } from '../controls/pick-field';
import { MatInputModule } from '@angular/material/input';
import { MatFormFieldModule } from '@angular/material/form-field';
import { FormControl, FormGroup, ReactiveFormsModule } from '@angular/forms';
import { CdkTextareaAutosize } from '@angular/cdk/text-field';
import { MatButtonModule } from '@angular/material/button';
import { matchWish, type WishIndex, type WishMatch } from '@plain-cleat/core/parts/catalog';
import { everyPart, partChoices } from './every-part';
import type { Part } from '@plain-cleat/core/parts/parts';
import { countWishes, placedWords, type Plan, type Wish } from '@plain-cleat/core/rig';
import { field, liveRows } from '../controls/live-form';

/** A wish is of a part, may be of one of several, or the stores have none such. */
type WishState = 'matched' | 'asked' | 'none';

/** The owner's wish list, each line matched to a part or kept as its own. */
@Component({
  selector: 'pc-wish-list',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    MatButtonModule,
    CdkTextareaAutosize,
    ReactiveFormsModule,
    MatFormFieldModule,
    MatInputModule,
    PickField,
    ValidSubmit,
    DeleteButton,
  ],
  template: `
    <div class="spread">
      <h2>Wish list, matched</h2>
      <span class="small muted">{{ lines().length }} {{ lines().length === 1 ? 'line' : 'lines' }}</span>
    </div>
    <ul class="wishes">
      @for (r of rows(); track r.controls) {
        @let l = r.of;
        <li>
          <span class="what">{{ (l.wish.count ?? 1) > 1 ? l.wish.count + ' × ' : '' }}{{ l.wish.text }}</span>
          <pc-pick-field [name]="'Part for ' + l.wish.text" [choices]="l.offers" [control]="r.controls.part" />
          @if (l.state === 'none') {
            <button
              mat-button
              class="link small"
              type="button"
              [attr.aria-label]="'A part of our own for ' + l.wish.text"
              (click)="making.emit({ id: l.id, text: l.wish.text })"
            >
              Make it
            </button>
          } @else {
            <span class="says" [class.ask]="l.state === 'asked'">{{ l.says }}</span>
          }
          <pc-delete-button [of]="l.wish.text" (pressed)="changed.emit({ id: l.id, to: null })" />
        </li>
      } @empty {
        <li class="muted">Nothing wished for yet. Type or paste the owner's lines below.</li>
      }
    </ul>
    <form class="row" [formGroup]="form" (pcSubmit)="add()">
      <mat-form-field class="grow" appearance="outline" subscriptSizing="dynamic">
        <mat-label>A wish, or one a line</mat-label>
        <textarea
          matInput
          cdkTextareaAutosize
          maxlength="4000"
          placeholder="depth sounder 7 in"
          formControlName="text"
          (keydown.enter)="$event.preventDefault(); add()"
        ></textarea>
      </mat-form-field>
      <button mat-stroked-button type="submit">Add</button>
    </form>
  `,
  styles: `
    .wishes li {
      display: grid;
      grid-template-columns: minmax(0, 1fr) minmax(0, 1.2fr) 88px 44px;
      gap: 8px;
      align-items: center;
      padding: 4px 0;
      border-bottom: 1px solid var(--line);
    }
    .wishes li.muted {
      display: block;
    }
    .what {
      overflow-wrap: anywhere;
    }
    .ask {
      color: var(--look);
      font-weight: 600;
    }
    .row {
      margin-top: 8px;
      flex-wrap: nowrap;
    }
  `,
})
export class WishList {
  readonly wishes = input.required<Plan['wishes']>();
  readonly parts = input.required<readonly Part[]>();
  readonly index = input.required<WishIndex>();
  readonly fittings = input.required<Plan['fittings']>();
  readonly added = output<string>();
  readonly changed = output<{ id: string; to: Wish | null }>();
  /** A wish that no part answers is to be made, or is brought. */
  readonly making = output<{ id: string; text: string }>();
  protected readonly form = new FormGroup({ text: new FormControl('', { nonNullable: true }) });
  private readonly every = computed(() => everyPart(this.parts()));
  private readonly memory = new Memory();
  /** A line is looked up once, however often the list changes. */
  private readonly matched = (text: string): readonly WishMatch[] =>
    this.memory.of(text, this.index(), () => matchWish(text, this.index()));
  protected readonly lines = computed(() => {
    const counted = new Map(countWishes({ wishes: this.wishes(), fittings: this.fittings() }).map((w) => [w.id, w]));
    return Object.entries(this.wishes()).map(([id, wish]) => {
      const matches = this.matched(wish.text);
      const own = this.parts().find((p) => p.id === wish.part);
      const found = [...(own ? [own] : []), ...matches.map((m) => m.part).filter((p) => p !== own)];
      const state: WishState = wish.part ? 'matched' : found.length ? 'asked' : 'none';
      const so = counted.get(id);
      const says = state === 'matched' ? (so?.placed ? placedWords(so) : 'matched') : 'which part?';
      const offers = partChoices(found, this.every());
      return { id, wish, offers, state, says };
    });
  });

  protected readonly rows = liveRows(
    () => this.lines(),
    (line) => ({
      part: field(
        () => line().wish.part ?? '',
        (part) => this.changed.emit({ id: line().id, to: { ...line().wish, part: part || null } }),
      ),
    }),
    (line) => line.id,
  );

  /** Each pasted line is a wish of its own. */
  protected add(): void {
    for (const text of this.form
      .getRawValue()
      .text.split('\n')
      .map((t) => t.trim())
      .filter(Boolean))
      this.added.emit(text.slice(0, 200));
    this.form.reset();
  }
}
