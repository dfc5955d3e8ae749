import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import { matchWish, type Part, type Plan, type Wish } from '@plain-cleat/core';

/** The owner's wish list, each line matched to a part or kept as its own. */
@Component({
  selector: 'pc-wish-list',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="spread">
      <h2>Wish list, matched</h2>
      <span class="small muted">{{ lines().length }} {{ lines().length === 1 ? 'line' : 'lines' }}</span>
    </div>
    <table>
      <tbody>
        @for (l of lines(); track l.id) {
          <tr>
            <td>{{ l.wish.text }}</td>
            <td>
              <select class="line" [attr.aria-label]="'Part for ' + l.wish.text" (change)="match(l.id, l.wish, $event)">
                <option value="" [selected]="!l.wish.part">kept as a line of its own</option>
                @for (p of l.offers; track p.id) {
                  <option [value]="p.id" [selected]="p.id === l.wish.part">{{ p.name }}</option>
                }
              </select>
            </td>
            <td class="end">
              <span [class.ask]="l.says === 'ask'">{{ l.says }}</span>
            </td>
            <td class="end">
              <button
                class="link"
                type="button"
                [attr.aria-label]="'Strike ' + l.wish.text"
                (click)="changed.emit({ id: l.id, to: null })"
              >
                strike
              </button>
            </td>
          </tr>
        } @empty {
          <tr>
            <td colspan="4" class="muted">Nothing wished for yet. Type or paste the owner's lines below.</td>
          </tr>
        }
      </tbody>
    </table>
    <form class="row" (submit)="$event.preventDefault(); add(text)">
      <textarea
        #text
        class="line"
        rows="1"
        maxlength="4000"
        aria-label="A wish"
        placeholder="depth sounder 7 in (one line a thing)"
        (keydown.enter)="$event.preventDefault(); add(text)"
      ></textarea>
      <button class="way" type="submit">Add</button>
    </form>
  `,
  styles: `
    td {
      padding: 4px 8px 4px 0;
    }
    .ask {
      color: var(--look);
      font-weight: 600;
    }
    .row {
      margin-top: 8px;
      flex-wrap: nowrap;
    }
    textarea.line {
      font: inherit;
      background: var(--card);
      color: var(--ink);
      border: 1px solid var(--edge);
      border-radius: 4px;
      min-height: 44px;
      padding: 9px 10px;
      flex: 1;
      resize: vertical;
    }
  `,
})
export class WishList {
  readonly wishes = input.required<Plan['wishes']>();
  readonly parts = input.required<readonly Part[]>();
  readonly fittings = input.required<Plan['fittings']>();
  readonly added = output<string>();
  readonly changed = output<{ id: string; to: Wish | null }>();
  protected readonly lines = computed(() => {
    const placed = new Set(Object.values(this.fittings()).map((f) => f.part));
    return Object.entries(this.wishes()).map(([id, wish]) => {
      const matches = matchWish(wish.text, this.parts());
      const own = this.parts().find((p) => p.id === wish.part);
      const offers = [...(own ? [own] : []), ...matches.map((m) => m.part).filter((p) => p !== own)];
      const says = wish.part ? (placed.has(wish.part) ? 'placed' : 'sure') : offers.length ? 'ask' : 'own line';
      return { id, wish, offers, says };
    });
  });

  /** Each pasted line is a wish of its own. */
  protected add(input: HTMLTextAreaElement): void {
    for (const text of input.value
      .split('\n')
      .map((t) => t.trim())
      .filter(Boolean))
      this.added.emit(text.slice(0, 200));
    input.value = '';
  }

  protected match(id: string, wish: Wish, event: Event): void {
    this.changed.emit({ id, to: { ...wish, part: (event.target as HTMLSelectElement).value || null } });
  }
}
