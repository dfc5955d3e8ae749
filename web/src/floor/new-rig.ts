import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { ValidSubmit } from '../controls/valid-submit';
import { DateField } from '../controls/date-field';
import { ChoiceField } from '../controls/choice-field';
import { TextField } from '../controls/text-field';
import { MatRadioModule } from '@angular/material/radio';
import { z } from 'zod';
import { wordsWanted, zodValidator } from '../controls/zod-validator';
import { takeUntilDestroyed, toSignal } from '@angular/core/rxjs-interop';
import { FormControl, FormGroup, ReactiveFormsModule, Validators } from '@angular/forms';
import { MatDialogModule, MatDialogRef } from '@angular/material/dialog';
import { MatButtonModule } from '@angular/material/button';
import type { OwnHull } from '@plain-cleat/api';
import { wordsOf } from '../stores/problems';
import { Length } from '../hull-view/words';
import { FloorStore } from './floor.store';

/** Opens a rig: for whom, on which hull, for when. The rest is asked in the brief. */
const email = z.union([z.literal(''), z.email()]);

@Component({
  selector: 'pc-new-rig',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    ReactiveFormsModule,
    MatDialogModule,
    Length,
    MatButtonModule,
    MatRadioModule,
    TextField,
    ChoiceField,
    DateField,
    ValidSubmit,
  ],
  template: `
    <form [formGroup]="form" (pcSubmit)="send()">
      <h2 mat-dialog-title>New rig</h2>
      <mat-dialog-content>
        <div class="two">
          <pc-choice-field label="For" [choices]="ownerChoices()" [control]="form.controls.owner" />
          @if (owner() === '') {
            <pc-text-field label="Owner's name" [max]="120" [control]="form.controls.name" />
            <pc-text-field label="E-mail, if any" [control]="form.controls.email" />
          }
          <pc-text-field label="What the rig is for" placeholder="river survey rig" [max]="120" [control]="form.controls.title" />
          <pc-text-field label="Hull serial" [max]="60" [control]="form.controls.serial" />
          <pc-date-field label="Promised for" [control]="form.controls.promised" />
        </div>
        <h3 id="which-hull">Hull</h3>
        <mat-radio-group class="hulls" aria-labelledby="which-hull" formControlName="hull">
          @for (h of theirs(); track h.id) {
            <mat-radio-button [value]="'own ' + h.id">
              <strong>their {{ nameOf(h.model) }}</strong>
              <span class="small muted"
                >{{ h.serial || 'no serial' }} {{ h.colour }} · {{ h.facts ? 'its ledger goes on' : 'no holes yet' }}</span
              >
            </mat-radio-button>
          }
          @for (h of hulls(); track h.id) {
            <mat-radio-button [value]="h.id">
              <strong>{{ h.maker }} {{ h.name }}</strong>
              <span class="small muted">{{ h.kind }} · {{ h.length | length }} × {{ h.beam | length }}</span>
            </mat-radio-button>
          } @empty {
            <p class="muted">Asking for the hulls</p>
          }
        </mat-radio-group>
        @if (form.controls.hull.touched && form.controls.hull.invalid) {
          <p class="fault" role="alert">Hull: choose one.</p>
        }
        @if (fault()) {
          <p class="fault" role="alert">{{ fault() }}</p>
        }
      </mat-dialog-content>
      <mat-dialog-actions>
        <button mat-button type="button" mat-dialog-close>Cancel</button>
        <button mat-flat-button type="submit" [disabled]="busy()">Open the rig</button>
      </mat-dialog-actions>
    </form>
  `,
  styles: `
    .two {
      display: grid;
      grid-template-columns: 1fr 1fr;
      gap: 12px;
    }
    .hulls {
      display: grid;
      grid-template-columns: 1fr 1fr;
      gap: 8px;
      margin: 6px 0 8px;
    }
    .hulls mat-radio-button {
      border: 1px solid var(--edge);
      border-radius: 4px;
      padding-right: 10px;
      min-height: 52px;
    }
    .hulls .mat-mdc-radio-checked {
      border-color: var(--tide);
      box-shadow: inset 0 0 0 1px var(--tide);
      background: var(--tide-soft);
    }
    .hulls span {
      display: block;
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
  private readonly ref = inject<MatDialogRef<NewRig, string>>(MatDialogRef);
  protected readonly owners = toSignal(this.store.owners(), { initialValue: [] });
  protected readonly hulls = toSignal(this.store.hulls(), { initialValue: [] });
  private readonly ownHulls = toSignal(this.store.ownHulls(), { initialValue: [] });
  protected readonly fault = signal('');
  protected readonly busy = signal(false);
  protected readonly form = new FormGroup({
    owner: new FormControl('', { nonNullable: true }),
    name: new FormControl('', {
      nonNullable: true,
      validators: (c) => (c.parent?.get('owner')?.value || String(c.value).trim() ? null : { says: 'Who is the rig for?' }),
    }),
    email: new FormControl('', {
      nonNullable: true,
      validators: zodValidator(email, 'An address like ines@example.com, or nothing.'),
    }),
    title: new FormControl('', { nonNullable: true, validators: wordsWanted('A few words.') }),
    serial: new FormControl('', { nonNullable: true }),
    promised: new FormControl<string | null>(null),
    /** A hull model, or `own` and the owner's hull that was here before. */
    hull: new FormControl('', { nonNullable: true, validators: Validators.required }),
  });
  protected readonly owner = toSignal(this.form.controls.owner.valueChanges, { initialValue: '' });
  protected readonly ownerChoices = computed(() => [
    { value: '', says: 'somebody new' },
    ...this.owners().map((o) => ({ value: o.id, says: o.name })),
  ]);
  protected readonly theirs = computed((): OwnHull[] =>
    this.owner() ? this.ownHulls().filter((h) => h.owner.id === this.owner()) : [],
  );
  protected nameOf = (model: string): string => this.hulls().find((h) => h.id === model)?.name ?? model;

  constructor() {
    // Another owner has other hulls, and a name only when new.
    this.form.controls.owner.valueChanges.pipe(takeUntilDestroyed()).subscribe(() => {
      this.form.controls.name.updateValueAndValidity();
      if (this.form.controls.hull.value.startsWith('own ')) this.form.controls.hull.reset();
    });
  }

  protected send(): void {
    const { owner, name, email, title, serial, promised, hull } = this.form.getRawValue();
    const own = this.ownHulls().find((h) => hull === `own ${h.id}`);
    this.fault.set('');
    this.busy.set(true);
    this.store
      .open({
        title,
        owner: owner ? { id: owner } : { name, email },
        hull: own?.model ?? hull,
        ownHull: own?.id ?? null,
        serial,
        promised,
      })
      .subscribe({
        next: ({ id }) => this.ref.close(id),
        error: (error: unknown) => {
          this.fault.set(wordsOf(error));
          this.busy.set(false);
        },
      });
  }
}
