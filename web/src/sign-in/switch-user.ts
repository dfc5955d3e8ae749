import { ChangeDetectionStrategy, Component, inject, signal } from '@angular/core';
import { ValidSubmit } from '../controls/valid-submit';
import { TextField } from '../controls/text-field';
import { MatExpansionModule } from '@angular/material/expansion';
import { MatRadioModule } from '@angular/material/radio';
import { wordsWanted, zodValidator } from '../controls/zod-validator';
import { MatDialogModule, MatDialogRef } from '@angular/material/dialog';
import { FormControl, FormGroup, ReactiveFormsModule } from '@angular/forms';
import { MatButtonModule } from '@angular/material/button';
import { pinSchema } from '@plain-cleat/api';
import { SessionStore } from '../stores/session.store';
import { Said } from '../controls/said';
import { NotLoaded } from '../controls/when-loaded';
import { Loader } from '../stores/loaded';
import { Sending } from '../stores/sending';

const KEYS = ['1', '2', '3', '4', '5', '6', '7', '8', '9', 'clear', '0'] as const;

/** Four to eight digits. */
const PIN = zodValidator(pinSchema, 'Four to eight digits.');

/** Another rigger takes over this tablet by PIN; with the network gone, one who has been on it before. */
@Component({
  selector: 'pc-switch-user',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    NotLoaded,
    Said,
    MatButtonModule,
    ReactiveFormsModule,
    MatDialogModule,
    MatRadioModule,
    MatExpansionModule,
    TextField,
    ValidSubmit,
  ],
  template: `
    <h2 mat-dialog-title>Switch user</h2>
    <mat-dialog-content>
      <div class="two">
        <mat-radio-group class="crew" aria-label="Rigger" [value]="chosen()" (change)="choose($event.value)">
          @for (c of crew.value() ?? []; track c.id) {
            <mat-radio-button [value]="c.id"
              >{{ c.name }} <small class="muted">{{ c.role }}</small></mat-radio-button
            >
          } @empty {
            @if (crew.value()) {
              <p class="muted">Nobody has chosen a PIN yet.</p>
            } @else {
              <pc-not-loaded waits="Loading who is here" [of]="crew" />
            }
          }
        </mat-radio-group>
        <form [formGroup]="form" (ngSubmit)="switchUser()">
          <pc-text-field label="PIN" type="password" inputmode="numeric" [max]="8" [control]="form.controls.pin" />
          <div class="keys">
            @for (k of keys; track k) {
              <button mat-stroked-button type="button" [disabled]="switching.busy()" (click)="press(k)">{{ k }}</button>
            }
            <button mat-flat-button type="submit" [disabled]="switching.busy()">Switch</button>
          </div>
        </form>
      </div>
      <pc-said [of]="switching" />
      <mat-expansion-panel>
        <mat-expansion-panel-header><mat-panel-title>Choose my PIN</mat-panel-title></mat-expansion-panel-header>
        <form class="mine" [formGroup]="mine" (pcSubmit)="choosePin()">
          <pc-text-field
            [label]="'Password of ' + session.staff()?.name"
            type="password"
            autocomplete="current-password"
            [control]="mine.controls.password"
          />
          <pc-text-field
            label="New PIN, four to eight digits"
            type="password"
            inputmode="numeric"
            autocomplete="new-password"
            [max]="8"
            [control]="mine.controls.pin"
          />
          <button mat-stroked-button type="submit">Save</button>
        </form>
        <pc-said [of]="choosing" />
      </mat-expansion-panel>
    </mat-dialog-content>
    <mat-dialog-actions>
      <button mat-button type="button" mat-dialog-close>Close</button>
    </mat-dialog-actions>
  `,
  styles: `
    .two {
      display: grid;
      grid-template-columns: 1fr 1fr;
      gap: 22px;
      margin: 14px 0;
    }
    .crew {
      display: grid;
      gap: 12px;
      align-content: start;
    }
    .crew mat-radio-button {
      min-height: 72px;
      display: flex;
      align-items: center;
      border: 1px solid var(--edge);
      border-radius: 5px;
    }
    .crew .mat-mdc-radio-checked {
      background: var(--tape);
    }
    .keys {
      display: grid;
      grid-template-columns: repeat(3, 1fr);
      gap: 12px;
      margin-top: 12px;
    }
    .keys button {
      min-height: 72px;
      font-size: 20px;
    }
    .mine {
      display: grid;
      gap: 10px;
      margin-top: 8px;
    }
  `,
})
export class SwitchUser {
  protected readonly session = inject(SessionStore);
  private readonly ref = inject(MatDialogRef);
  protected readonly keys = KEYS;
  protected readonly crew = new Loader(() => this.session.crew());
  protected readonly chosen = signal('');
  protected readonly form = new FormGroup({ pin: new FormControl('', { nonNullable: true, validators: PIN }) });
  protected readonly mine = new FormGroup({
    password: new FormControl('', { nonNullable: true, validators: wordsWanted('Type your password.') }),
    pin: new FormControl('', { nonNullable: true, validators: PIN }),
  });
  protected readonly switching = new Sending();
  protected readonly choosing = new Sending();

  constructor() {
    this.crew.load();
    // Who swapped in without the network is the one asked for the PIN.
    if (this.session.alone()) this.chosen.set(this.session.staff()?.id ?? '');
  }

  protected choose(id: string): void {
    this.chosen.set(id);
    this.form.reset();
    this.switching.clear();
  }

  protected press(key: (typeof KEYS)[number]): void {
    const { pin } = this.form.controls;
    pin.setValue(key === 'clear' ? '' : (pin.value + key).slice(0, 8));
  }

  protected switchUser(): void {
    const wrong = !this.chosen() ? 'Rigger: choose who goes on.' : this.form.valid ? '' : 'PIN: four to eight digits.';
    if (this.switching.refuse(wrong)) return;
    this.switching.send(
      this.session.switchUser(this.chosen(), this.form.getRawValue().pin),
      () => this.ref.close(),
      (error) => {
        this.form.reset();
        return (error as Error).message;
      },
    );
  }

  protected choosePin(): void {
    const { password, pin } = this.mine.getRawValue();
    this.choosing.send(this.session.choosePin(password, pin), () => 'Saved.');
  }
}
