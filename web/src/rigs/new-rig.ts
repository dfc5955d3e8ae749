import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { ValidSubmit } from '../controls/valid-submit';
import { DateField } from '../controls/date-field';
import { PickField } from '../controls/pick-field';
import { TextField } from '../controls/text-field';
import { MatAutocompleteModule } from '@angular/material/autocomplete';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatInputModule } from '@angular/material/input';
import { wordsWanted, zodValidator } from '../controls/zod-validator';
import { takeUntilDestroyed, toSignal } from '@angular/core/rxjs-interop';
import { FormControl, FormGroup, ReactiveFormsModule } from '@angular/forms';
import { MatDialogModule, MatDialogRef } from '@angular/material/dialog';
import { MatButtonModule } from '@angular/material/button';
import { openRigSchema } from '@plain-cleat/api';
import { printLength } from '@plain-cleat/core/base/units';
import { UnitsStore } from '../stores/units.store';
import { HullAsks, type ChosenHull } from '../which-hull/hull-asks';
import { FloorStore } from '../stores/floor.store';
import { Said } from '../controls/said';
import { Sending } from '../stores/sending';

const { title, owner } = openRigSchema.shape;
const { name, email } = owner.options[1].shape;

/** Opens a rig: for whom, on which hull, for when. The rest is asked in the brief. */
@Component({
  selector: 'pc-new-rig',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    Said,
    ReactiveFormsModule,
    MatDialogModule,
    MatButtonModule,
    MatAutocompleteModule,
    MatFormFieldModule,
    MatInputModule,
    TextField,
    PickField,
    DateField,
    ValidSubmit,
    HullAsks,
  ],
  template: `
    <form [formGroup]="form" (pcSubmit)="send()">
      <h2 mat-dialog-title>New rig</h2>
      <mat-dialog-content>
        <div class="two">
          <mat-form-field appearance="outline" subscriptSizing="dynamic">
            <mat-label>Owner's name</mat-label>
            <input
              matInput
              maxlength="120"
              autocomplete="off"
              formControlName="name"
              [matAutocomplete]="known"
              (input)="form.controls.owner.setValue('')"
            />
            <mat-autocomplete #known hideSingleSelectionIndicator>
              @for (o of named(); track o.id) {
                <mat-option [value]="o.name" (onSelectionChange)="$event.isUserInput && form.controls.owner.setValue(o.id)">
                  {{ o.name }} <span class="small muted">{{ o.email }}</span>
                </mat-option>
              }
            </mat-autocomplete>
            <mat-hint>{{ whose() }}</mat-hint>
            <mat-error role="alert">Who is the rig for?</mat-error>
          </mat-form-field>
          @if (!owner()) {
            <pc-text-field label="E-mail, if any" [control]="form.controls.email" />
          }
          <div>
            <pc-pick-field label="Hull" placeholder="maker or name" [choices]="hullChoices()" [control]="form.controls.hull" />
            <button mat-button type="button" class="link" [attr.aria-expanded]="asking()" (click)="asking.set(!asking())">
              Which hull suits them?
            </button>
          </div>
          <pc-text-field label="What the rig is for" placeholder="river survey rig" [max]="120" [control]="form.controls.title" />
          <pc-text-field label="Hull serial" [max]="60" [control]="form.controls.serial" />
          <pc-date-field label="Promised for" [control]="form.controls.promised" />
        </div>
        @if (asking()) {
          <pc-hull-asks (chosen)="suits($event)" />
        }
        <pc-said [of]="sending" />
      </mat-dialog-content>
      <mat-dialog-actions>
        <button mat-button type="button" mat-dialog-close>Cancel</button>
        <button mat-flat-button type="submit" [disabled]="sending.busy()">Open the rig</button>
      </mat-dialog-actions>
    </form>
  `,
  styles: `
    .two {
      display: grid;
      grid-template-columns: 1fr 1fr;
      gap: 12px;
    }
    mat-dialog-actions {
      gap: 10px;
      padding: 12px 24px 20px;
      justify-content: flex-end;
    }
  `,
})
export class NewRig {
  private readonly store = inject(FloorStore);
  private readonly units = inject(UnitsStore);
  private readonly ref = inject<MatDialogRef<NewRig, string>>(MatDialogRef);
  protected readonly owners = toSignal(this.store.owners(), { initialValue: [] });
  protected readonly hulls = toSignal(this.store.hulls(), { initialValue: [] });
  private readonly ownHulls = toSignal(this.store.ownHulls(), { initialValue: [] });
  /** Whether it is asked which hull suits, and what was answered then. */
  protected readonly asking = signal(false);
  private answered: ChosenHull['brief'] = {};
  protected readonly sending = new Sending();
  protected readonly form = new FormGroup({
    owner: new FormControl('', { nonNullable: true }),
    name: new FormControl('', { nonNullable: true, validators: zodValidator(name, 'Who is the rig for?') }),
    email: new FormControl('', {
      nonNullable: true,
      validators: zodValidator(email, 'An address like ines@example.com, or nothing.'),
    }),
    title: new FormControl('', { nonNullable: true, validators: zodValidator(title, 'A few words.') }),
    serial: new FormControl('', { nonNullable: true }),
    promised: new FormControl<string | null>(null),
    /** A hull model, or `own` and the owner's hull that was here before. */
    hull: new FormControl('', { nonNullable: true, validators: wordsWanted('Choose one of the list.') }),
  });
  protected readonly owner = toSignal(this.form.controls.owner.valueChanges, { initialValue: '' });
  private readonly typed = toSignal(this.form.controls.name.valueChanges, { initialValue: '' });
  /** Owners whose name holds what is typed. */
  protected readonly named = computed(() => {
    const typed = this.typed().trim().toLowerCase();
    // Nobody is offered before a letter: the list would lie over the rest of the form.
    if (!typed) return [];
    return this.owners()
      .filter((o) => `${o.name} ${o.email}`.toLowerCase().includes(typed))
      .slice(0, 20);
  });
  /** Whether it is somebody who was here before, or one with the same name. */
  protected readonly whose = computed(() => {
    if (this.owner()) return 'Was here before.';
    const same = this.owners().some((o) => o.name.toLowerCase() === this.typed().trim().toLowerCase());
    return same ? 'Somebody of this name was here before: pick them from the list, or this is somebody new.' : '';
  });
  /** The owner's own hulls first, then every hull the shop knows. */
  protected readonly hullChoices = computed(() => {
    const system = this.units.system();
    const print = (mm: number): string => printLength(mm, system);
    const theirs = this.owner() ? this.ownHulls().filter((h) => h.owner.id === this.owner()) : [];
    return [
      ...theirs.map((h) => ({
        value: `own ${h.id}`,
        says: [
          `their ${this.hulls().find((m) => m.id === h.model)?.name ?? 'hull'}`,
          h.serial || 'no serial',
          h.colour,
          h.facts ? 'its ledger goes on' : 'no holes yet',
        ]
          .filter(Boolean)
          .join(' · '),
        under: 'Their own, here before',
      })),
      ...this.hulls().map((h) => ({
        value: h.id,
        says: `${h.maker} ${h.name} · ${[h.kind, ...h.traits].join(', ')} · ${print(h.length)} × ${print(h.beam)}`,
        under: 'Another boat',
      })),
    ];
  });

  constructor() {
    // Another owner has other hulls.
    this.form.controls.owner.valueChanges.pipe(takeUntilDestroyed()).subscribe(() => {
      if (this.form.controls.hull.value.startsWith('own ')) this.form.controls.hull.reset();
    });
  }

  /** A hull chosen by what was answered: the answers go into the brief. */
  protected suits({ hull, brief }: ChosenHull): void {
    this.form.controls.hull.setValue(hull);
    this.answered = brief;
    this.asking.set(false);
  }

  protected send(): void {
    const { owner, name, email, title, serial, promised, hull } = this.form.getRawValue();
    const own = this.ownHulls().find((h) => hull === `own ${h.id}`);
    this.sending.send(
      this.store.open({
        title,
        owner: owner ? { id: owner } : { name: name.trim(), email },
        hull: own?.model ?? hull,
        ownHull: own?.id ?? null,
        serial,
        promised,
        ...(Object.keys(this.answered).length ? { brief: this.answered } : {}),
      }),
      ({ id }) => this.ref.close(id),
    );
  }
}
