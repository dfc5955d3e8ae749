import { inject, Injectable } from '@angular/core';
import { MatSnackBar } from '@angular/material/snack-bar';
import { MatDialog } from '@angular/material/dialog';
import { type OwnPart, ownPartId, partOfSheet } from '@plain-cleat/core/parts/parts';
import { entryOf } from '@plain-cleat/core/rig';
import { filter, map, type Observable, tap } from 'rxjs';
import { wordsOf } from '../stores/problems';
import { RigStore } from '../stores/rig.store';
import { OwnPartSheet } from './own-part';
import { Parts } from '../stores/parts';

/** Makes parts of one's own for the open rig, and changes them. */
@Injectable()
export class Making {
  private readonly store = inject(RigStore);
  private readonly dialog = inject(MatDialog);
  private readonly parts = inject(Parts);
  private readonly snack = inject(MatSnackBar);

  /**
   * Opens the sheet of a new part, or of one that there is; what is kept is told by the part's id, what is cancelled not at
   * all.
   */
  open(key: string | null, name = ''): Observable<string> {
    const sheet = key === null ? null : (entryOf(this.store.state()?.plan.own, key) ?? null);
    const part = key ?? crypto.randomUUID().slice(0, 8);
    return this.dialog
      .open<OwnPartSheet, object, OwnPart>(OwnPartSheet, {
        data: { sheet, name, photos: this.store.state()?.plan.photos },
        width: '820px',
        maxWidth: '96vw',
      })
      .afterClosed()
      .pipe(
        filter((to) => to !== undefined),
        tap((to) => this.store.change({ id: crypto.randomUUID(), kind: 'makePart', part, from: sheet, to })),
        map(() => ownPartId(part)),
      );
  }

  /** A part of this rig's own goes into the shop's range, for other rigs; this one keeps its own. Managers alone may. */
  saveInRange(key: string): void {
    const plan = this.store.state()?.plan;
    const sheet = entryOf(plan?.own, key);
    if (!plan || !sheet) return;
    const part = { ...partOfSheet(key, sheet, plan.opened), id: nameAsId(sheet.name, key) };
    this.parts.addToRange(part).subscribe({
      next: ({ name }) => this.snack.open(`${name} is in the shop’s range.`, 'Close', { duration: 6000 }),
      error: (error: unknown) => this.snack.open(`Not kept: ${wordsOf(error)}`, 'Close'),
    });
  }
}

/** A part's id by its name: lower-case letters, digits and hyphens; a name without any has its key. */
const nameAsId = (name: string, key: string): string =>
  name
    .toLowerCase()
    .normalize('NFD')
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-|-$/g, '')
    .slice(0, 60) || `part-${key}`;
