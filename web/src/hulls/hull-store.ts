import { HttpClient } from '@angular/common/http';
import { inject, Injectable } from '@angular/core';
import type { DescribeHull, FoundList, HullLedger, HullReadings, HullSummary, Kept, OwnHull } from '@plain-cleat/api';
import type { HullModel, NewFact, UnitSystem } from '@plain-cleat/core';
import type { Observable } from 'rxjs';

/** The hull library and the owners' hulls. */
@Injectable({ providedIn: 'root' })
export class HullStore {
  private readonly http = inject(HttpClient);
  library = (): Observable<HullSummary[]> => this.http.get<HullSummary[]>('/api/hull-models');
  own = (): Observable<OwnHull[]> => this.http.get<OwnHull[]>('/api/hulls');
  model = (id: string): Observable<HullModel> => this.http.get<HullModel>(`/api/hull-models/${encodeURIComponent(id)}`);
  save = (model: HullModel, expects: number): Observable<HullModel> =>
    this.http.post<HullModel>('/api/hull-models', { model, expects });
  read = (kind: 'csv' | 'svg' | 'dxf', text: string, heights: { gunwale: number; keel: number }): Observable<HullReadings> =>
    this.http.post<HullReadings>('/api/hull-files', { kind, text, heights });
  ledger = (own: string): Observable<HullLedger> => this.http.get<HullLedger>(`/api/hulls/${encodeURIComponent(own)}/ledger`);
  keepFacts = (own: string, facts: readonly NewFact[]): Observable<Kept> =>
    this.http.post<Kept>(`/api/hulls/${encodeURIComponent(own)}/facts`, { facts });
  readFound = (text: string, units: UnitSystem): Observable<FoundList> =>
    this.http.post<FoundList>('/api/found-holes', { text, units });
  describe = (id: string, about: DescribeHull): Observable<DescribeHull> =>
    this.http.post<DescribeHull>(`/api/hulls/${id}`, about);
}
