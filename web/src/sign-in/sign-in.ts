import { ChangeDetectionStrategy, Component, inject, input, signal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { Router } from '@angular/router';
import { SessionStore, wordsOf } from '../stores/session.store';

/** Staff sign in; afterwards they are where they wanted to be. */
@Component({
  selector: 'pc-sign-in',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [FormsModule],
  template: `
    <div class="page">
      <svg viewBox="0 0 400 90" aria-hidden="true">
        <path class="hull" d="M6 45Q120 4 210 6 320 8 394 45 320 82 210 84 120 86 6 45Z" />
        <path class="keel" d="M6 45H394" />
      </svg>
      <form (ngSubmit)="send()" #form="ngForm">
        <h1>Plain Cleat</h1>
        <p class="muted">From the wish list to the signed rig.</p>
        <label class="field"><span>Login</span><input name="login" autocomplete="username" required [(ngModel)]="login" /></label>
        <label class="field"
          ><span>Password</span
          ><input name="password" type="password" autocomplete="current-password" required [(ngModel)]="password"
        /></label>
        @if (fault()) {
          <p class="fault" role="alert">{{ fault() }}</p>
        }
        <button class="act" type="submit" [disabled]="busy()">{{ busy() ? 'Signing in' : 'Sign in' }}</button>
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
  protected login = '';
  protected password = '';
  protected readonly busy = signal(false);
  protected readonly fault = signal('');
  private readonly session = inject(SessionStore);
  private readonly router = inject(Router);

  protected send(): void {
    if (!this.login.trim() || !this.password) {
      this.fault.set(this.login.trim() ? 'password: type your password' : 'login: type your login');
      return;
    }
    this.busy.set(true);
    this.fault.set('');
    this.session.signIn(this.login, this.password).subscribe({
      next: () => void this.router.navigateByUrl(this.back()?.startsWith('/') ? (this.back() ?? '/floor') : '/floor'),
      error: (error: unknown) => {
        this.fault.set(wordsOf(error));
        this.busy.set(false);
      },
    });
  }
}
