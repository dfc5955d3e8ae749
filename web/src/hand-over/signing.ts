import { ChangeDetectionStrategy, Component, effect, input, output, signal } from '@angular/core';
import { FormControl } from '@angular/forms';
import { MatButtonModule } from '@angular/material/button';
import { TextField } from '../controls/text-field';
import { wordsWanted } from '../controls/zod-validator';
import { SignPad } from './sign-pad';

/** A signature: who signs, and their stroke, or their typed name for who cannot draw. */
@Component({
  selector: 'pc-signing',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatButtonModule, SignPad, TextField],
  template: `
    <pc-text-field label="Name" [max]="120" [control]="name" />
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
  readonly signed = output<{ readonly name: string; readonly drawing: string }>();
  protected readonly fault = signal('');
  protected readonly name = new FormControl('', { nonNullable: true, validators: wordsWanted('Say who signs.') });

  constructor() {
    effect(() => this.name.setValue(this.owner()));
  }

  protected sign(drawing: string | null): void {
    const name = this.name.value.trim();
    this.fault.set(!name ? 'Name: who signs?' : !drawing ? 'Signature: sign in the field first.' : '');
    if (name && drawing) this.signed.emit({ name: name.slice(0, 120), drawing });
  }
}
