import { ChangeDetectionStrategy, Component, computed, inject, input, output, signal } from '@angular/core';
import { Toggle } from '../controls/toggle';
import { FormControl, FormGroup, ReactiveFormsModule } from '@angular/forms';
import { MatButtonModule } from '@angular/material/button';
import { type Choice, ChoiceField } from '../controls/choice-field';
import { Icons } from '../controls/icons';
import { TextField } from '../controls/text-field';
import { ValidSubmit } from '../controls/valid-submit';
import { zodValidator } from '../controls/zod-validator';
import { entryOf, setsInOrder, rigSetSchema } from '@plain-cleat/core/rig';
import { WhoSits } from '../seats/who-sits';
import { RigStore, type RigState } from '../stores/rig.store';
import { field, liveForm } from '../controls/live-form';

/** Named sets of the same rig: show one, lay another over it, name a new one. */
@Component({
  selector: 'pc-sets-bar',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [ReactiveFormsModule, MatButtonModule, Toggle, ChoiceField, Icons, TextField, ValidSubmit, WhoSits],
  template: `
    <span>Aboard</span>
    <pc-toggle name="Aboard" [choices]="shown()" [value]="state().set ?? ''" (chosen)="store.showSet($event || null)" />
    @if (sets().length > 1 && state().set) {
      <pc-choice-field class="other" label="Compare with" [choices]="others()" [control]="other.controls.set" />
    }
    @if (naming()) {
      <form [formGroup]="form" (pcSubmit)="add()" (keydown.escape)="naming.set(false)">
        <pc-text-field label="New set" [max]="40" placeholder="all-day, trolling, guest" [control]="form.controls.name" />
        <button mat-flat-button type="submit">Save</button>
        <button mat-button type="button" (click)="naming.set(false)">Cancel</button>
      </form>
    } @else {
      <button mat-button type="button" (click)="naming.set(true)"><mat-icon svgIcon="add" />New set</button>
      @if (state().set; as shown) {
        <button mat-button type="button" [attr.aria-expanded]="sitting()" (click)="sitting.set(!sitting())">
          Who sits, and how
        </button>
        <button mat-button type="button" (click)="drop(shown)"><mat-icon svgIcon="delete" />Delete this set</button>
      }
    }
    @if (sitting() && state().set; as shown) {
      <pc-who-sits class="who" [state]="state()" [of]="shown" />
    }
  `,
  styles: `
    :host {
      display: flex;
      flex-wrap: wrap;
      gap: 6px 12px;
      align-items: center;
      padding: 6px 18px 0;
      color: var(--muted);
    }
    .who {
      flex-basis: 100%;
      color: var(--ink);
    }
    .other {
      width: 190px;
    }
    form {
      display: inline-flex;
      gap: 8px;
      align-items: flex-start;
    }
  `,
})
export class SetsBar {
  readonly state = input.required<RigState>();
  readonly compare = input<string | null>(null);
  readonly compared = output<string | null>();
  protected readonly store = inject(RigStore);
  protected readonly naming = signal(false);
  protected readonly other = liveForm({
    set: field(
      () => this.compare() ?? '',
      (set) => this.compared.emit(set || null),
    ),
  });
  /** Whether it is open who sits in the set shown. */
  protected readonly sitting = signal(false);
  protected readonly sets = computed(() => {
    const { plan } = this.state();
    const fittings = Object.values(plan.fittings);
    return setsInOrder(plan).map((id) => ({
      id,
      name: entryOf(plan.sets, id)?.name ?? id,
      count: fittings.filter((f) => !f.sets || f.sets.includes(id)).length,
    }));
  });

  protected readonly shown = computed(() => [
    { value: '', says: 'everything' },
    ...this.sets().map((s) => ({ value: s.id, says: `${s.name} · ${s.count}` })),
  ]);

  protected readonly form = new FormGroup({
    name: new FormControl('', {
      nonNullable: true,
      validators: [
        zodValidator(rigSetSchema.shape.name, 'Give it a name, such as trolling.'),
        (c) => this.taken(String(c.value).trim()),
      ],
    }),
  });
  private taken(name: string): { says: string } | null {
    const there = name !== '' && this.sets().some((s) => s.name.toLowerCase() === name.toLowerCase());
    return there ? { says: `There is a set called ${name} already.` } : null;
  }

  protected readonly others = computed((): Choice<string>[] => [
    { value: '', says: 'no other' },
    ...this.sets()
      .filter((s) => s.id !== this.state().set)
      .map((s) => ({ value: s.id, says: s.name })),
  ]);

  protected add(): void {
    const name = this.form.getRawValue().name.trim();
    const set = `set-${crypto.randomUUID().slice(0, 8)}`;
    const order = Math.max(0, ...Object.values(this.state().plan.sets).map((s) => s.order)) + 1;
    this.store.change({ id: crypto.randomUUID(), kind: 'nameSet', set, from: null, to: { name, order: Math.min(99, order) } });
    this.form.reset();
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
