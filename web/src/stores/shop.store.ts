import { inject, Injectable } from '@angular/core';
import { ROUTES } from '@plain-cleat/api';
import type { ShopSettings } from '@plain-cleat/core/parts/shop';
import type { Observable } from 'rxjs';
import { Api } from './api';

/** The shop's own settings, revision by revision. */
@Injectable({ providedIn: 'root' })
export class ShopStore {
  private readonly api = inject(Api);
  settings = (): Observable<ShopSettings> => this.api.call(ROUTES.shop);
  save = (settings: ShopSettings, expects: number): Observable<ShopSettings> =>
    this.api.call(ROUTES.saveShop, { body: { settings, expects } });
}
