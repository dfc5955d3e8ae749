import { ChangeDetectionStrategy, Component, inject, signal } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { finalize } from 'rxjs';
import { ValidSubmit } from '../controls/valid-submit';
import { TextField } from '../controls/text-field';
import { MatExpansionModule } from '@angular/material/expansion';
import { MatRadioModule } from '@angular/material/radio';
import { wordsWanted, zodValidator } from '../controls/zod-validator';
import { MatDialogModule, MatDialogRef } from '@angular/material/dialog';
import { FormControl, FormGroup, ReactiveFormsModule } from '@angular/forms';
import { MatButtonModule } from '@angular/material/button';
import { pinSchema, type Staff } from '@plain-cleat/api';
import { wordsOf } from '../stores/problems';
import { SessionStore } from '../stores/session.store';

const KEYS = ['1', '2', '3', '4', '5', '6', '7', '8', '9', 'clear', '0'] as const;

/** Four to eight digits. */
const PIN = zodValidator(pinSchema, 'Four to eight digits.');

/** Another rigger takes over this tablet by PIN; with the network gone, one who has been on it before. */
@Component({
  selector: 'pc-swap',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatButtonModule, ReactiveFormsModule, MatDialogModule, MatRadioModule, MatExpansionModule, TextField, ValidSubmit],
  template: `
    <h2 mat-dialog-title>Switch user</h2>
    <mat-dialog-content>
      <div class="two">
        <mat-radio-group class="crew" aria-label="Rigger" [value]="chosen()" (change)="choose($event.value)">
          @for (c of crew(); track c.id) {
            <mat-radio-button [value]="c.id"
              >{{ c.name }} <small class="muted">{{ c.role }}</small></mat-radio-button
            >
          } @empty {
            <p class="muted">{{ loading() ? 'Asking who is here' : 'Nobody has chosen a PIN yet.' }}</p>
          }
        </mat-radio-group>
        <form [formGroup]="form" (ngSubmit)="swap()">
          <pc-text-field label="PIN" type="password" inputmode="numeric" [max]="8" [control]="form.controls.pin" />
          <div class="keys">
            @for (k of keys; track k) {
              <button mat-stroked-button type="button" [disabled]="busy()" (click)="press(k)">{{ k }}</button>
            }
            <button mat-flat-button type="submit" [disabled]="busy()">Switch</button>
          </div>
        </form>
      </div>
      @if (fault()) {
        <p class="fault" role="alert">{{ fault() }}</p>
      }
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
        @if (kept()) {
          <p class="small" role="status">Saved.</p>
        }
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
export class Swap {
  protected readonly session = inject(SessionStore);
  private readonly ref = inject(MatDialogRef);
  protected readonly keys = KEYS;
  protected readonly crew = signal<readonly Staff[]>([]);
  protected readonly loading = signal(true);
  protected readonly chosen = signal('');
  protected readonly form = new FormGroup({ pin: new FormControl('', { nonNullable: true, validators: PIN }) });
  protected readonly mine = new FormGroup({
    password: new FormControl('', { nonNullable: true, validators: wordsWanted('Type your password.') }),
    pin: new FormControl('', { nonNullable: true, validators: PIN }),
  });
  protected readonly fault = signal('');
  protected readonly busy = signal(false);
  protected readonly kept = signal(false);

  constructor() {
    this.session
      .crew()
      .pipe(
        finalize(() => this.loading.set(false)),
        takeUntilDestroyed(),
      )
      .subscribe({ next: (crew) => this.crew.set(crew), error: (error: unknown) => this.fault.set(wordsOf(error)) });
    // Who swapped in without the network is the one asked for the PIN.
    if (this.session.alone()) this.chosen.set(this.session.staff()?.id ?? '');
  }

  protected choose(id: string): void {
    this.chosen.set(id);
    this.form.reset();
    this.fault.set('');
  }

  protected press(key: (typeof KEYS)[number]): void {
    const { pin } = this.form.controls;
    pin.setValue(key === 'clear' ? '' : (pin.value + key).slice(0, 8));
  }

  protected swap(): void {
    this.fault.set(!this.chosen() ? 'Rigger: choose who goes on.' : this.form.valid ? '' : 'PIN: four to eight digits.');
    if (this.fault()) return;
    this.busy.set(true);
    this.session
      .swap(this.chosen(), this.form.getRawValue().pin)
      .pipe(finalize(() => this.busy.set(false)))
      .subscribe({
        next: () => this.ref.close(),
        error: (error: Error) => {
          this.fault.set(error.message);
          this.form.reset();
        },
      });
  }

  protected choosePin(): void {
    this.kept.set(false);
    this.fault.set('');
    const { password, pin } = this.mine.getRawValue();
    this.session.choosePin(password, pin).subscribe({
      next: () => this.kept.set(true),
      error: (error: unknown) => this.fault.set(wordsOf(error)),
    });
  }
}
