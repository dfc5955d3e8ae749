import { ChangeDetectionStrategy, Component, input, output } from '@angular/core';
import { FormControl, FormGroup, ReactiveFormsModule } from '@angular/forms';
import { MatButtonModule } from '@angular/material/button';
import type { Observable } from 'rxjs';
import type { Override } from '@plain-cleat/api';
import { TextField } from '../controls/text-field';
import { wordsWanted } from '../controls/zod-validator';
import { isGone, wordsOf } from '../stores/problems';
import { Said } from '../controls/said';
import { Sending } from '../stores/sending';

export type ManagersAct = (why: string, manager: Override) => Observable<unknown>;

/** A reason is more than a letter or two. */
export const REASON = wordsWanted('Reason: a few words, three letters at least.', 3);

/** What a manager alone may do, done on whosever tablet: with a reason and their password; or asked of them. */
@Component({
  selector: 'pc-manager-form',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Said, ReactiveFormsModule, MatButtonModule, TextField],
  template: `
    <form [formGroup]="form" (ngSubmit)="sign()">
      <pc-text-field class="why" label="Reason" [max]="380" [control]="form.controls.why" />
      <pc-text-field label="Manager" [max]="60" [control]="form.controls.login" />
      <pc-text-field label="Manager’s password" type="password" [control]="form.controls.password" />
      <div class="row">
        <button mat-flat-button type="submit" [disabled]="sending.busy()">{{ act() }}</button>
        <button mat-stroked-button type="button" (click)="ask()">Ask a manager</button>
        <button mat-button type="button" (click)="closed.emit()">Cancel</button>
      </div>
      <pc-said [of]="sending" />
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
  protected readonly sending = new Sending();
  protected readonly form = new FormGroup({
    why: new FormControl('', { nonNullable: true, validators: REASON }),
    login: new FormControl('', { nonNullable: true }),
    password: new FormControl('', { nonNullable: true }),
  });

  private reason(): string | null {
    this.form.controls.why.markAsTouched();
    this.sending.clear();
    return this.form.controls.why.valid ? this.form.controls.why.value.trim() : null;
  }

  protected sign(): void {
    const why = this.reason();
    const { login, password } = this.form.getRawValue();
    if (why === null) return;
    const missing = !login.trim() ? 'Manager: their login.' : !password ? 'Manager’s password: typed here, each time.' : '';
    if (this.sending.refuse(missing)) return;
    this.sending.send(
      this.signed()(why, { login: login.trim(), password }),
      () => this.closed.emit(),
      (error) => {
        this.form.controls.password.reset();
        return isGone(error) ? 'The server does not answer: ask a manager, and they see it when it is back.' : wordsOf(error);
      },
    );
  }

  /** Kept like any fact, network or none: a manager sees who asks and why. */
  protected ask(): void {
    const why = this.reason();
    if (why === null) return;
    this.asked.emit(why);
    this.closed.emit();
  }
}
