import { inject, Injectable } from '@angular/core';
import { Api } from './api';
import {
  type DescribeHull,
  type FoundList,
  type HullLedger,
  type HullReadings,
  type HullSummary,
  type SavedFacts,
  type OwnHull,
  ROUTES,
} from '@plain-cleat/api';
import type { HullModel } from '@plain-cleat/core/boat/hull';
import type { NewFact } from '@plain-cleat/core/rig';
import type { UnitSystem } from '@plain-cleat/core/base/units';
import type { Observable } from 'rxjs';

/** The hull library and the owners' hulls. */
@Injectable({ providedIn: 'root' })
export class HullStore {
  private readonly api = inject(Api);
  library = (): Observable<HullSummary[]> => this.api.call(ROUTES.hulls);
  own = (): Observable<OwnHull[]> => this.api.call(ROUTES.ownHulls);
  model = (hull: string): Observable<HullModel> => this.api.call(ROUTES.hullModel, { hull });
  save = (model: HullModel, expects: number): Observable<HullModel> =>
    this.api.call(ROUTES.saveHullModel, { body: { model, expects } });
  read = (kind: 'csv' | 'svg' | 'dxf', text: string, heights: { gunwale: number; keel: number }): Observable<HullReadings> =>
    this.api.call(ROUTES.readHullFile, { body: { kind, text, heights } });
  ledger = (own: string): Observable<HullLedger> => this.api.call(ROUTES.hullLedger, { own });
  saveFacts = (own: string, facts: readonly NewFact[]): Observable<SavedFacts> =>
    this.api.call(ROUTES.hullFacts, { own, body: { facts: [...facts] } });
  readFound = (text: string, units: UnitSystem): Observable<FoundList> =>
    this.api.call(ROUTES.readFound, { body: { text, units } });
  describe = (own: string, about: DescribeHull): Observable<unknown> => this.api.call(ROUTES.describeHull, { own, body: about });
}
