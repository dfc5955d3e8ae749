import { inject, Injectable, signal } from '@angular/core';
import { Api } from './api';
import { toSignal } from '@angular/core/rxjs-interop';
import {
  type Floor,
  type FloorPlace,
  type HullSummary,
  type OpenRig,
  type OwnHull,
  type OwnerSummary,
  type RigList,
  ROUTES,
} from '@plain-cleat/api';
import { BehaviorSubject, type Observable, from } from 'rxjs';
import { isGone, wordsOf } from './problems';
import { type RigCopy, Tablet } from './tablet';

/** Rigs where they lie, and all of them as a list. */
@Injectable({ providedIn: 'root' })
export class FloorStore {
  private readonly api = inject(Api);
  private readonly tablet = inject(Tablet);
  private readonly state = new BehaviorSubject<Floor | null>(null);
  private readonly faults = new BehaviorSubject<string | null>(null);
  readonly floor = toSignal(this.state.asObservable(), { initialValue: null });
  readonly fault = toSignal(this.faults.asObservable(), { initialValue: null });

  /** Rigs this tablet kept, to go on with while the server does not answer. */
  readonly kept = signal<readonly RigCopy[]>([]);

  private readonly all = new BehaviorSubject<RigList | null>(null);
  /** Every rig there is. */
  readonly list = toSignal(this.all.asObservable(), { initialValue: null });

  loadList(): void {
    this.faults.next(null);
    this.api.call(ROUTES.rigs).subscribe({
      next: (list) => this.all.next(list),
      error: (error: unknown) => this.faults.next(wordsOf(error)),
    });
  }

  load(): void {
    this.faults.next(null);
    this.api.call(ROUTES.floor).subscribe({
      next: (floor) => this.state.next(floor),
      error: (error: unknown) => {
        this.faults.next(wordsOf(error));
        if (isGone(error)) from(this.tablet.rigs()).subscribe((rigs) => this.kept.set(rigs));
      },
    });
  }

  hulls = (): Observable<HullSummary[]> => this.api.call(ROUTES.hulls);
  ownHulls = (): Observable<OwnHull[]> => this.api.call(ROUTES.ownHulls);
  owners = (): Observable<OwnerSummary[]> => this.api.call(ROUTES.owners);
  open = (rig: OpenRig): Observable<{ id: string; number: string }> => this.api.call(ROUTES.openRig, { body: rig });
  importFile = (text: string): Observable<{ id: string; number: string }> => this.api.call(ROUTES.importRig, { body: { text } });
  duplicate = (rig: string, title: string): Observable<{ id: string; number: string }> =>
    this.api.call(ROUTES.duplicate, { rig, body: { title } });
  move = (rig: string, place: FloorPlace): Observable<unknown> => this.api.call(ROUTES.move, { rig, body: { place } });
}
