import { HttpClient } from '@angular/common/http';
import { inject, Injectable, signal } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import type { Floor, FloorPlace, HullSummary, OpenRig, OwnHull, OwnerSummary } from '@plain-cleat/api';
import { BehaviorSubject, type Observable, tap } from 'rxjs';
import { isGone, wordsOf } from '../stores/session.store';
import { type RigCopy, Tablet } from '../stores/tablet';

/** Every rig where it lies. */
@Injectable({ providedIn: 'root' })
export class FloorStore {
  private readonly http = inject(HttpClient);
  private readonly tablet = inject(Tablet);
  private readonly state = new BehaviorSubject<Floor | null>(null);
  private readonly faults = new BehaviorSubject<string | null>(null);
  readonly floor = toSignal(this.state.asObservable(), { initialValue: null });
  readonly fault = toSignal(this.faults.asObservable(), { initialValue: null });

  /** Rigs this tablet kept, to go on with while the server does not answer. */
  readonly kept = signal<readonly RigCopy[]>([]);

  load(): void {
    this.faults.next(null);
    this.http.get<Floor>('/api/floor').subscribe({
      next: (floor) => this.state.next(floor),
      error: (error: unknown) => {
        this.faults.next(wordsOf(error));
        if (isGone(error)) void this.tablet.rigs().then((rigs) => this.kept.set(rigs));
      },
    });
  }

  hulls = (): Observable<HullSummary[]> => this.http.get<HullSummary[]>('/api/hull-models');
  ownHulls = (): Observable<OwnHull[]> => this.http.get<OwnHull[]>('/api/hulls');
  owners = (): Observable<OwnerSummary[]> => this.http.get<OwnerSummary[]>('/api/owners');
  open = (rig: OpenRig): Observable<{ id: string; number: string }> =>
    this.http.post<{ id: string; number: string }>('/api/rigs', rig);
  importFile = (text: string): Observable<{ id: string; number: string }> =>
    this.http.post<{ id: string; number: string }>('/api/rig-files', { text });
  duplicate = (rig: string, title: string): Observable<{ id: string; number: string }> =>
    this.http.post<{ id: string; number: string }>(`/api/rigs/${rig}/duplicate`, { title });
  move = (rig: string, place: FloorPlace): Observable<unknown> =>
    this.http.post(`/api/rigs/${rig}/place`, { place }).pipe(tap(() => this.load()));
}
