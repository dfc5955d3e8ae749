import { inject, Injectable } from '@angular/core';
import { type Cuts as CutsNow, type SaveCuts, ROUTES } from '@plain-cleat/api';
import type { Observable } from 'rxjs';
import { Api } from './api';

/** What is to be cut, of what, and what lies on the shelf; what was cut answers with what is left to cut. */
@Injectable({ providedIn: 'root' })
export class CutStore {
  private readonly api = inject(Api);
  now = (): Observable<CutsNow> => this.api.call(ROUTES.cuts);
  cut = (body: SaveCuts): Observable<CutsNow> => this.api.call(ROUTES.saveCuts, { body });
}
