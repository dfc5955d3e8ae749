import { inject, Injectable } from '@angular/core';
import { ROUTES, type WishSheet } from '@plain-cleat/api';
import type { ColumnMeaning } from '@plain-cleat/core/parts/catalog';
import type { Observable } from 'rxjs';
import { Api } from './api';

const withFile = (field: string, file: File): FormData => {
  const form = new FormData();
  form.append(field, file);
  return form;
};

/** What an owner sends in: photos of the boat, and a wish list as a spreadsheet. */
@Injectable({ providedIn: 'root' })
export class BriefStore {
  private readonly api = inject(Api);
  addPhoto = (rig: string, file: File) => this.api.call(ROUTES.addPhoto, { rig, body: withFile('photo', file) });
  erasePhoto = (rig: string, photo: string): Observable<unknown> => this.api.call(ROUTES.erasePhoto, { rig, photo });
  readWishes = (file: File): Observable<WishSheet> => this.api.call(ROUTES.readWishSheet, { body: withFile('file', file) });
  /** What a column of a sheet holds, for the next sheet with the same heading. */
  rememberHeading = (heading: string, meaning: ColumnMeaning | null): Observable<unknown> =>
    this.api.call(ROUTES.rememberHeading, { body: { heading, meaning } });
}
