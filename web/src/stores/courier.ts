import type { HttpErrorResponse } from '@angular/common/http';
import { inject, Injectable } from '@angular/core';
import { type SavedFacts, ROUTES } from '@plain-cleat/api';
import { catchError, concatMap, defer, EMPTY, filter, from, type Observable, of, switchMap, takeWhile, throwError } from 'rxjs';
import { Api } from './api';
import { mayPass, wordsOf } from './problems';
import { SessionStore } from './session.store';
import { Tablet, type WaitingFact } from './tablet';

/** Carries facts to the server: photo first, then the fact, under the name of who kept it. */
@Injectable({ providedIn: 'root' })
export class Courier {
  private readonly api = inject(Api);
  private readonly session = inject(SessionStore);
  private readonly tablet = inject(Tablet);
  /** The rig that is open sends for itself. */
  openRig = '';

  carry(rig: string, { fact, rigger, photo }: WaitingFact): Observable<SavedFacts> {
    const told = defer(() => {
      const own = rigger.name === this.session.signedInAs();
      return this.api.call(ROUTES.facts, { rig, body: { facts: [fact], ...(own ? {} : { keptBy: rigger }) } });
    });
    if (!photo || !('photo' in fact) || !fact.photo) return told;
    const form = new FormData();
    form.append('id', fact.photo);
    form.append('photo', photo, 'photo');
    return this.api.call(ROUTES.addPhoto, { rig, body: form }).pipe(switchMap(() => told));
  }

  /** Sends the facts of every rig but the open one, each rig's in their order; ends where the server does not answer. */
  sweep(): Observable<unknown> {
    return from(this.tablet.rigsWaiting()).pipe(
      concatMap((rigs) => rigs),
      filter((rig) => rig !== this.openRig),
      concatMap((rig) => this.sweepRig(rig)),
      // No answer: the next sign of the network starts over.
      catchError(() => EMPTY),
    );
  }

  private sweepRig(rig: string): Observable<unknown> {
    return from(this.tablet.waitingOf(rig)).pipe(
      concatMap((all) => all),
      takeWhile(() => rig !== this.openRig),
      concatMap(({ key, one }) =>
        // A change wants the plan it is made to: it waits until its rig is opened.
        one.what !== 'fact' || one.refused !== undefined
          ? of(null)
          : this.carry(rig, one).pipe(
              switchMap(() => this.tablet.dropWaiting(key)),
              catchError((error: HttpErrorResponse) =>
                mayPass(error)
                  ? throwError(() => error)
                  : from(this.tablet.putWaiting(key, rig, { ...one, refused: wordsOf(error) })),
              ),
            ),
      ),
    );
  }
}
