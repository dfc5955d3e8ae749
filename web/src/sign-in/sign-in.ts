import { ChangeDetectionStrategy, Component, inject, input } from '@angular/core';
import { ValidSubmit } from '../controls/valid-submit';
import { TextField } from '../controls/text-field';
import { wordsWanted } from '../controls/zod-validator';
import { FormControl, FormGroup, ReactiveFormsModule } from '@angular/forms';
import { Router } from '@angular/router';
import { MatButtonModule } from '@angular/material/button';
import { SessionStore } from '../stores/session.store';
import { Said } from '../controls/said';
import { Sending } from '../stores/sending';

/** Staff sign in; afterwards they are where they wanted to be. */
@Component({
  selector: 'pc-sign-in',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Said, ReactiveFormsModule, MatButtonModule, TextField, ValidSubmit],
  template: `
    <div class="page">
      <svg viewBox="0 0 400 90" aria-hidden="true">
        <path class="hull" d="M6 45Q120 4 210 6 320 8 394 45 320 82 210 84 120 86 6 45Z" />
        <path class="keel" d="M6 45H394" />
      </svg>
      <form [formGroup]="form" (pcSubmit)="send()">
        <h1>Plain Cleat</h1>
        <p class="muted">From the wish list to the signed rig.</p>
        <pc-text-field label="Login" autocomplete="username" [control]="form.controls.login" />
        <pc-text-field label="Password" type="password" autocomplete="current-password" [control]="form.controls.password" />
        <pc-said [of]="sending" />
        <button mat-flat-button type="submit" [disabled]="sending.busy()">{{ sending.busy() ? 'Signing in' : 'Sign in' }}</button>
      </form>
    </div>
  `,
  styles: `
    .page {
      display: grid;
      place-content: center;
      justify-items: center;
      gap: 28px;
      min-height: 100vh;
      padding: 24px;
    }
    svg {
      width: 400px;
      max-width: 90vw;
    }
    .hull {
      fill: var(--hull);
      stroke: var(--ink);
      stroke-width: 2.5;
    }
    .keel {
      stroke: var(--muted);
      stroke-dasharray: 9 4 2 4;
    }
    form {
      background: var(--card);
      border: 1px solid var(--line);
      border-radius: 6px;
      padding: 26px;
      width: 340px;
      max-width: 92vw;
      display: grid;
      gap: 14px;
    }
  `,
})
export default class SignIn {
  /** Where to go afterwards. */
  readonly back = input<string>();
  protected readonly form = new FormGroup({
    login: new FormControl('', { nonNullable: true, validators: wordsWanted('Type your login.') }),
    password: new FormControl('', { nonNullable: true, validators: wordsWanted('Type your password.') }),
  });
  protected readonly sending = new Sending();
  private readonly session = inject(SessionStore);
  private readonly router = inject(Router);

  protected send(): void {
    const { login, password } = this.form.getRawValue();
    this.sending.send(
      this.session.signIn(login, password),
      () => void this.router.navigateByUrl(this.back()?.startsWith('/') ? (this.back() ?? '/floor') : '/floor'),
    );
  }
}
