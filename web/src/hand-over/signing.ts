import { ChangeDetectionStrategy, Component, computed, effect, input, output, signal, untracked } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { FormControl, ReactiveFormsModule } from '@angular/forms';
import { MatButtonModule } from '@angular/material/button';
import { MatCheckboxModule } from '@angular/material/checkbox';
import { map } from 'rxjs';
import { TextField } from '../controls/text-field';
import { wordsWanted } from '../controls/zod-validator';
import { SignPad } from './sign-pad';

/** What is not done yet, which whoever signs is asked to take so. */
export interface StillOpen {
  readonly id: string;
  readonly says: string;
  /** Said done before its turn. */
  readonly early?: object | null;
}

/**
 * A signature: who signs, and their stroke, or their typed name for who cannot draw. What is still open they read as one
 * list and take once, by name: nobody takes it for them.
 */
@Component({
  selector: 'pc-signing',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatButtonModule, MatCheckboxModule, ReactiveFormsModule, SignPad, TextField],
  template: `
    <pc-text-field label="Name" [max]="120" [control]="name" />
    @if (open().length) {
      <div class="box look">
        <strong>Not done yet</strong>
        <ul>
          @for (s of open(); track s.id) {
            <li>{{ s.says }}{{ s.early ? ', said done too early' : '' }}</li>
          }
        </ul>
        <mat-checkbox [formControl]="takes"
          >I, {{ signer() || 'whoever signs' }}, take the boat with
          {{ open().length === 1 ? 'this' : 'these ' + open().length }} not done</mat-checkbox
        >
      </div>
    }
    <pc-sign-pad #pad />
    <div class="row">
      <button mat-flat-button type="button" (click)="sign(pad.drawing())">Sign</button>
      <button mat-button class="link" type="button" (click)="pad.write(name.value.trim())">Sign by the typed name</button>
      <button mat-button class="link" type="button" (click)="pad.clear()">Clear</button>
    </div>
    @if (fault()) {
      <p class="fault" role="alert">{{ fault() }}</p>
    }
  `,
  styles: `
    :host {
      display: grid;
      gap: 8px;
    }
  `,
})
export class Signing {
  /** Whose name stands there at first; whoever clears it signs as somebody else. */
  readonly owner = input.required<string>();
  /** What is not done yet. */
  readonly open = input<readonly StillOpen[]>([]);
  readonly signed = output<{ readonly name: string; readonly drawing: string }>();
  protected readonly fault = signal('');
  protected readonly name = new FormControl('', { nonNullable: true, validators: wordsWanted('Say who signs.') });

  private readonly listed = computed(() =>
    this.open()
      .map((s) => s.id)
      .join(' '),
  );
  protected readonly takes = new FormControl(false, { nonNullable: true });
  protected readonly signer = toSignal(this.name.valueChanges.pipe(map((name) => name.trim())), { initialValue: '' });

  constructor() {
    effect(() => this.name.setValue(this.owner()));
    // Taken is what was read: another name, or another list, is asked again.
    effect(() => {
      this.listed();
      this.signer();
      untracked(() => this.takes.setValue(false));
    });
  }

  protected sign(drawing: string | null): void {
    const name = this.name.value.trim();
    const asks = this.open().length > 0 && !this.takes.value;
    this.fault.set(
      !name
        ? 'Name: who signs?'
        : asks
          ? 'Not done yet: whoever signs reads the list and takes it so, or it is done first.'
          : !drawing
            ? 'Signature: sign in the field first.'
            : '',
    );
    if (name && drawing && !asks) this.signed.emit({ name: name.slice(0, 120), drawing });
  }
}
