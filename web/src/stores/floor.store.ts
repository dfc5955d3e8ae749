import { inject, Injectable, signal } from '@angular/core';
import { Api } from './api';
import { type FloorPlace, type HullSummary, type OpenRig, type OwnHull, type OwnerSummary, ROUTES } from '@plain-cleat/api';
import { from, type Observable, tap } from 'rxjs';
import { Loader } from './loaded';
import { isGone } from './problems';
import { type RigCopy, Tablet } from './tablet';

/** Rigs where they lie, and all of them as a list. */
@Injectable({ providedIn: 'root' })
export class FloorStore {
  private readonly api = inject(Api);
  private readonly tablet = inject(Tablet);
  /** Rigs this tablet kept, to go on with while the server does not answer. */
  readonly kept = signal<readonly RigCopy[]>([]);
  readonly floor = new Loader(() => this.api.call(ROUTES.floor).pipe(tap({ error: (error) => this.fallBack(error) })));
  /** Every rig there is. */
  readonly list = new Loader(() => this.api.call(ROUTES.rigs));

  private fallBack(error: unknown): void {
    if (isGone(error)) from(this.tablet.rigs()).subscribe((rigs) => this.kept.set(rigs));
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
