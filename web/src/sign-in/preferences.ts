import { ChangeDetectionStrategy, Component, inject } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatButtonToggleModule } from '@angular/material/button-toggle';
import { MatDialogModule } from '@angular/material/dialog';
import type { Preferences } from '@plain-cleat/api';
import { PreferencesStore } from '../stores/preferences.store';

/** How somebody likes it: taken at once, and remembered for them on whatever device they sign in. */
@Component({
  selector: 'pc-preferences',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatDialogModule, MatButtonModule, MatButtonToggleModule],
  template: `
    <h2 mat-dialog-title>Preferences</h2>
    <mat-dialog-content>
      <p class="muted">Yours, on every device you sign in on.</p>
      @for (row of rows; track row.key) {
        <div class="answer">
          <span [id]="'prefer-' + row.key">{{ row.name }}</span>
          <mat-button-toggle-group
            hideSingleSelectionIndicator
            [attr.aria-labelledby]="'prefer-' + row.key"
            [value]="store.now()[row.key]"
            (change)="say(row.key, $event.value)"
          >
            @for (c of row.choices; track c[0]) {
              <mat-button-toggle [value]="c[0]">{{ c[1] }}</mat-button-toggle>
            }
          </mat-button-toggle-group>
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
        ['imperial', 'ft · in'],
        ['metric', 'mm'],
      ],
    },
    {
      key: 'theme',
      name: 'Colours',
      choices: [
        ['device', 'As the device'],
        ['light', 'Light'],
        ['dark', 'Dark'],
      ],
    },
    {
      key: 'numbers',
      name: 'Decimals',
      choices: [
        ['ask', 'Ask when unclear'],
        ['point', '1,234.5'],
        ['comma', '1.234,5'],
      ],
    },
    {
      key: 'dates',
      name: 'Dates in figures',
      choices: [
        ['ask', 'Ask when unclear'],
        ['day first', 'Day first'],
        ['month first', 'Month first'],
      ],
    },
    {
      key: 'papers',
      name: 'Papers for owners',
      choices: [
        ['en', 'English'],
        ['fr', 'French'],
      ],
    },
  ] as const;
}
