import { ChangeDetectionStrategy, Component, computed, inject, input, output, signal } from '@angular/core';
import { entryOf, setsInOrder } from '@plain-cleat/core';
import { RigStore, type RigState } from '../stores/rig.store';

/** Named sets of the same rig: show one, lay another over it, name a new one. */
@Component({
  selector: 'pc-sets-bar',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <span id="shown">Aboard</span>
    <span class="choices" role="radiogroup" aria-labelledby="shown">
      <button
        type="button"
        role="radio"
        [class.on]="state().set === null"
        [attr.aria-checked]="state().set === null"
        (click)="store.showSet(null)"
      >
        everything
      </button>
      @for (s of sets(); track s.id) {
        <button
          type="button"
          role="radio"
          [class.on]="state().set === s.id"
          [attr.aria-checked]="state().set === s.id"
          (click)="store.showSet(s.id)"
        >
          {{ s.name }} <span class="small">{{ s.count }}</span>
        </button>
      }
    </span>
    @if (sets().length > 1 && state().set) {
      <label
        >beside
        <select #other class="line" (change)="compared.emit(other.value || null)">
          <option value="">no other</option>
          @for (s of sets(); track s.id) {
            @if (s.id !== state().set) {
              <option [value]="s.id" [selected]="s.id === compare()">{{ s.name }}</option>
            }
          }
        </select>
      </label>
    }
    @if (naming()) {
      <form (submit)="$event.preventDefault(); add(name.value)">
        <input
          #name
          class="line"
          maxlength="40"
          aria-label="Name of the set"
          placeholder="all-day, trolling, guest"
          [attr.aria-invalid]="!!fault()"
        />
        <button class="link" type="submit">Keep</button>
        <button class="link" type="button" (click)="naming.set(false)">Not now</button>
        @if (fault()) {
          <span class="fault" role="alert">{{ fault() }}</span>
        }
      </form>
    } @else {
      <button class="link" type="button" (click)="naming.set(true)">New set</button>
      @if (state().set; as shown) {
        <button class="link" type="button" (click)="drop(shown)">Strike this set</button>
      }
    }
  `,
  styles: `
    :host {
      display: flex;
      flex-wrap: wrap;
      gap: 6px 12px;
      align-items: center;
      padding: 4px 18px 0;
      font-size: 14px;
      color: var(--muted);
    }
    .choices {
      display: inline-flex;
      flex-wrap: wrap;
      gap: 6px;
    }
    .choices button {
      font: inherit;
      min-height: 34px;
      padding: 2px 12px;
      border: 0;
      border-bottom: 3px solid transparent;
      background: none;
      color: var(--ink);
      cursor: pointer;
    }
    .choices .on {
      border-bottom-color: var(--tide);
      font-weight: 600;
    }
    select.line,
    input.line {
      width: auto;
      min-height: 34px;
      padding: 2px 8px;
      font-size: 14px;
    }
    form {
      display: inline-flex;
      gap: 8px;
      align-items: center;
    }
  `,
})
export class SetsBar {
  readonly state = input.required<RigState>();
  readonly compare = input<string | null>(null);
  readonly compared = output<string | null>();
  protected readonly store = inject(RigStore);
  protected readonly naming = signal(false);
  protected readonly fault = signal('');
  protected readonly sets = computed(() => {
    const { plan } = this.state();
    const fittings = Object.values(plan.fittings);
    return setsInOrder(plan).map((id) => ({
      id,
      name: entryOf(plan.sets, id)?.name ?? id,
      count: fittings.filter((f) => !f.sets || f.sets.includes(id)).length,
    }));
  });

  protected add(text: string): void {
    const name = text.trim();
    const taken = this.sets().some((s) => s.name.toLowerCase() === name.toLowerCase());
    this.fault.set(!name ? 'Set: give it a name, such as trolling.' : taken ? `Set: there is one called ${name} already.` : '');
    if (this.fault()) return;
    const set = `set-${crypto.randomUUID().slice(0, 8)}`;
    const order = Math.max(0, ...Object.values(this.state().plan.sets).map((s) => s.order)) + 1;
    this.store.change({ id: crypto.randomUUID(), kind: 'nameSet', set, from: null, to: { name, order: Math.min(99, order) } });
    this.naming.set(false);
    this.store.showSet(set);
  }

  /** A set goes with its memberships: what was in it alone stays the owner's, in no set. */
  protected drop(set: string): void {
    const { plan } = this.state();
    const from = entryOf(plan.sets, set);
    if (!from) return;
    const newId = (): string => crypto.randomUUID();
    const changes = Object.entries(plan.fittings).flatMap(([item, f]) => [
      ...(entryOf(f.elsewhere, set)
        ? [{ id: newId(), kind: 'slideInSet' as const, item, set, from: entryOf(f.elsewhere, set) ?? null, to: null }]
        : []),
      ...(f.sets?.includes(set)
        ? [{ id: newId(), kind: 'joinSets' as const, item, from: f.sets, to: f.sets.filter((s) => s !== set) }]
        : []),
    ]);
    this.store.change({
      id: newId(),
      kind: 'together',
      changes: [...changes.slice(0, 99), { id: newId(), kind: 'nameSet', set, from, to: null }],
    });
    this.store.showSet(null);
  }
}
