import {
  afterNextRender,
  ChangeDetectionStrategy,
  Component,
  type ElementRef,
  inject,
  output,
  signal,
  viewChild,
} from '@angular/core';
import type { Staff } from '@plain-cleat/api';
import { SessionStore, wordsOf } from '../stores/session.store';

const KEYS = ['1', '2', '3', '4', '5', '6', '7', '8', '9', 'clear', '0', 'take over'] as const;

/** Another rigger takes over this tablet by PIN; with the network gone, one who has been on it before. */
@Component({
  selector: 'pc-swap',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <dialog #box (close)="closed.emit()" aria-labelledby="swap-title">
      <div class="spread">
        <h2 id="swap-title">Who goes on</h2>
        <button class="link" type="button" (click)="box.close()">Close</button>
      </div>
      <div class="two">
        <div class="crew" role="radiogroup" aria-label="Rigger">
          @for (c of crew(); track c.id) {
            <button
              type="button"
              role="radio"
              class="way"
              [class.on]="chosen() === c.id"
              [attr.aria-checked]="chosen() === c.id"
              (click)="choose(c.id)"
            >
              {{ c.name }}<small class="muted">{{ c.role }}</small>
            </button>
          } @empty {
            <p class="muted">{{ loading() ? 'Asking who is here' : 'Nobody has chosen a PIN yet.' }}</p>
          }
        </div>
        <form (submit)="$event.preventDefault(); swap()">
          <label class="field"
            ><span>PIN</span
            ><input
              #field
              class="pin"
              type="password"
              inputmode="numeric"
              autocomplete="off"
              maxlength="8"
              [value]="pin()"
              (input)="pin.set(field.value)"
          /></label>
          <div class="keys">
            @for (k of keys; track k) {
              <button
                [type]="k === 'take over' ? 'submit' : 'button'"
                [class.act]="k === 'take over'"
                [class.way]="k !== 'take over'"
                [disabled]="busy()"
                (click)="press(k)"
              >
                {{ k }}
              </button>
            }
          </div>
        </form>
      </div>
      @if (fault()) {
        <p class="fault" role="alert">{{ fault() }}</p>
      }
      <details class="fold">
        <summary>Choose my PIN</summary>
        <form class="row" (submit)="$event.preventDefault(); choosePin(password.value, fresh.value)">
          <label class="field"
            ><span>Password of {{ session.staff()?.name }}</span
            ><input #password type="password" autocomplete="current-password"
          /></label>
          <label class="field"
            ><span>New PIN, four to eight digits</span
            ><input #fresh type="password" inputmode="numeric" maxlength="8" autocomplete="new-password"
          /></label>
          <button class="way" type="submit">Keep</button>
        </form>
        @if (kept()) {
          <p class="small" role="status">Kept.</p>
        }
      </details>
    </dialog>
  `,
  styles: `
    dialog {
      border: 1px solid var(--edge);
      border-radius: 8px;
      background: var(--card);
      color: var(--ink);
      padding: 20px;
      width: min(680px, 94vw);
    }
    dialog::backdrop {
      background: rgb(0 0 0 / 45%);
    }
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
    .crew .way {
      min-height: 72px;
      display: flex;
      flex-direction: column;
      align-items: flex-start;
      justify-content: center;
      font-size: 18px;
    }
    .way.on {
      background: var(--tape);
      color: var(--tape-ink);
    }
    .pin {
      font-size: 28px;
      letter-spacing: 8px;
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
    details .row {
      align-items: end;
    }
  `,
})
export class Swap {
  readonly closed = output<void>();
  protected readonly session = inject(SessionStore);
  private readonly box = viewChild.required<ElementRef<HTMLDialogElement>>('box');
  protected readonly keys = KEYS;
  protected readonly crew = signal<readonly Staff[]>([]);
  protected readonly loading = signal(true);
  protected readonly chosen = signal('');
  protected readonly pin = signal('');
  protected readonly fault = signal('');
  protected readonly busy = signal(false);
  protected readonly kept = signal(false);

  constructor() {
    afterNextRender(() => this.box().nativeElement.showModal());
    this.session
      .crew()
      .then((crew) => this.crew.set(crew))
      .catch((error: unknown) => this.fault.set(wordsOf(error)))
      .finally(() => this.loading.set(false));
    // Who swapped in without the network is the one asked for the PIN.
    if (this.session.alone()) this.chosen.set(this.session.staff()?.id ?? '');
  }

  protected choose(id: string): void {
    this.chosen.set(id);
    this.pin.set('');
    this.fault.set('');
  }

  protected press(key: (typeof KEYS)[number]): void {
    if (key === 'clear') this.pin.set('');
    else if (key !== 'take over') this.pin.update((p) => (p + key).slice(0, 8));
  }

  protected async swap(): Promise<void> {
    const wrong = !this.chosen()
      ? 'Rigger: choose who goes on.'
      : /^\d{4,8}$/.test(this.pin())
        ? ''
        : 'PIN: four to eight digits.';
    this.fault.set(wrong);
    if (wrong) return;
    this.busy.set(true);
    try {
      await this.session.swap(this.chosen(), this.pin());
      this.box().nativeElement.close();
    } catch (error) {
      this.fault.set((error as Error).message);
      this.pin.set('');
    } finally {
      this.busy.set(false);
    }
  }

  protected choosePin(password: string, pin: string): void {
    this.kept.set(false);
    const wrong = !password ? 'Password: type yours.' : /^\d{4,8}$/.test(pin) ? '' : 'New PIN: four to eight digits.';
    this.fault.set(wrong);
    if (wrong) return;
    this.session.choosePin(password, pin).subscribe({
      next: () => this.kept.set(true),
      error: (error: unknown) => this.fault.set(wordsOf(error)),
    });
  }
}
