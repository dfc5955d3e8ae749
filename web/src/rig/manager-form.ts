import { ChangeDetectionStrategy, Component, DestroyRef, inject, input, output, signal } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { FormControl, FormGroup, ReactiveFormsModule } from '@angular/forms';
import { MatButtonModule } from '@angular/material/button';
import type { Observable } from 'rxjs';
import type { Override } from '@plain-cleat/api';
import { TextField } from '../controls/text-field';
import { wordsWanted } from '../controls/zod-validator';
import { isGone, wordsOf } from '../stores/problems';

export type ManagersAct = (why: string, manager: Override) => Observable<unknown>;

/** A reason is more than a letter or two. */
export const REASON = wordsWanted('Reason: a few words, three letters at least.', 3);

/** What a manager alone may do, done on whosever tablet: with a reason and their password; or asked of them. */
@Component({
  selector: 'pc-manager-form',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [ReactiveFormsModule, MatButtonModule, TextField],
  template: `
    <form [formGroup]="form" (ngSubmit)="sign()">
      <pc-text-field class="why" label="Reason" [max]="380" [control]="form.controls.why" />
      <pc-text-field label="Manager" [max]="60" [control]="form.controls.login" />
      <pc-text-field label="Manager’s password" type="password" [control]="form.controls.password" />
      <div class="row">
        <button mat-flat-button type="submit" [disabled]="busy()">{{ act() }}</button>
        <button mat-stroked-button type="button" (click)="ask()">Ask a manager</button>
        <button mat-button type="button" (click)="closed.emit()">Cancel</button>
      </div>
      @if (fault()) {
        <p class="fault" role="alert">{{ fault() }}</p>
      }
    </form>
  `,
  styles: `
    form {
      display: grid;
      grid-template-columns: 1fr 1fr;
      gap: 4px 10px;
      margin: 8px 0;
    }
    .why,
    .row,
    .fault {
      grid-column: 1 / -1;
    }
    .row {
      display: flex;
      flex-wrap: wrap;
      gap: 8px;
    }
  `,
})
export class ManagerForm {
  /** What the button says: the act itself. */
  readonly act = input.required<string>();
  /** Does the act with the reason and the manager's password, which are kept nowhere on the way. */
  readonly signed = input.required<ManagersAct>();
  /** A manager is asked to, with the reason. */
  readonly asked = output<string>();
  readonly closed = output<void>();
  private readonly gone = inject(DestroyRef);
  protected readonly busy = signal(false);
  protected readonly fault = signal('');
  protected readonly form = new FormGroup({
    why: new FormControl('', { nonNullable: true, validators: REASON }),
    login: new FormControl('', { nonNullable: true }),
    password: new FormControl('', { nonNullable: true }),
  });

  private reason(): string | null {
    this.form.controls.why.markAsTouched();
    this.fault.set('');
    return this.form.controls.why.valid ? this.form.controls.why.value.trim() : null;
  }

  protected sign(): void {
    const why = this.reason();
    const { login, password } = this.form.getRawValue();
    if (why === null) return;
    if (!login.trim() || !password)
      return this.fault.set(login.trim() ? 'Manager’s password: typed here, each time.' : 'Manager: their login.');
    this.busy.set(true);
    this.signed()(why, { login: login.trim(), password })
      .pipe(takeUntilDestroyed(this.gone))
      .subscribe({
        next: () => this.closed.emit(),
        error: (error: unknown) => {
          this.busy.set(false);
          this.form.controls.password.reset();
          this.fault.set(
            isGone(error) ? 'The server does not answer: ask a manager, and they see it when it is back.' : wordsOf(error),
          );
        },
      });
  }

  /** Kept like any fact, network or none: a manager sees who asks and why. */
  protected ask(): void {
    const why = this.reason();
    if (why === null) return;
    this.asked.emit(why);
    this.closed.emit();
  }
}
