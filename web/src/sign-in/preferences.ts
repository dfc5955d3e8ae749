import { ChangeDetectionStrategy, Component, inject } from '@angular/core';
import { Toggle } from '../controls/toggle';
import { MatButtonModule } from '@angular/material/button';
import { MatDialogModule } from '@angular/material/dialog';
import type { Preferences } from '@plain-cleat/api';
import { PreferencesStore } from '../stores/preferences.store';

/** How somebody likes it: taken at once, and remembered for them on whatever device they sign in. */
@Component({
  selector: 'pc-preferences',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatDialogModule, MatButtonModule, Toggle],
  template: `
    <h2 mat-dialog-title>Preferences</h2>
    <mat-dialog-content>
      <p class="muted">Yours, on every device you sign in on.</p>
      @for (row of rows; track row.key) {
        <div class="answer">
          <span>{{ row.name }}</span>
          <pc-toggle [name]="row.name" [choices]="row.choices" [value]="store.now()[row.key]" (chosen)="say(row.key, $event)" />
        </div>
      }
    </mat-dialog-content>
    <mat-dialog-actions align="end"><button mat-flat-button type="button" mat-dialog-close>Close</button></mat-dialog-actions>
  `,
  styles: `
    .answer {
      display: flex;
      align-items: center;
      justify-content: space-between;
      flex-wrap: wrap;
      gap: 8px 20px;
      padding: 8px 0;
      border-bottom: 1px solid var(--line);
    }
    mat-dialog-actions {
      padding: 12px 24px 20px;
    }
  `,
})
export class PreferencesDialog {
  protected readonly store = inject(PreferencesStore);
  protected say(key: keyof Preferences, value: string): void {
    this.store.say({ [key]: value });
  }

  protected readonly rows = [
    {
      key: 'units',
      name: 'Units',
      choices: [
        { value: 'imperial', says: 'ft · in' },
        { value: 'metric', says: 'mm' },
      ],
    },
    {
      key: 'theme',
      name: 'Colours',
      choices: [
        { value: 'device', says: 'As the device' },
        { value: 'light', says: 'Light' },
        { value: 'dark', says: 'Dark' },
      ],
    },
    {
      key: 'numbers',
      name: 'Decimals',
      choices: [
        { value: 'ask', says: 'Ask when unclear' },
        { value: 'point', says: '1,234.5' },
        { value: 'comma', says: '1.234,5' },
      ],
    },
    {
      key: 'dates',
      name: 'Dates in figures',
      choices: [
        { value: 'ask', says: 'Ask when unclear' },
        { value: 'day first', says: 'Day first' },
        { value: 'month first', says: 'Month first' },
      ],
    },
    {
      key: 'papers',
      name: 'Papers for owners',
      choices: [
        { value: 'en', says: 'English' },
        { value: 'fr', says: 'French' },
      ],
    },
  ] as const;
}
