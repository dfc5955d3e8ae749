import { HttpClient, type HttpErrorResponse } from '@angular/common/http';
import { inject, Injectable } from '@angular/core';
import type { AddedPhoto, Kept, Problem, SendFacts } from '@plain-cleat/api';
import { firstValueFrom } from 'rxjs';
import { SessionStore, wordsOf } from './session.store';
import { Tablet, type WaitingFact } from './tablet';

/** The page's token is not the session's any more. */
export const isStale = (error: HttpErrorResponse): boolean =>
  error.status === 403 && (error.error as Problem | null)?.field === 'x-csrf-token';

/**
 * Whether sending again can help: no answer, a broken server, a session that ran out, a stale page.
 * Any other answer is the server's last word on it, such as what only a manager may accept.
 */
export const mayPass = (error: HttpErrorResponse): boolean =>
  error.status === 0 || error.status >= 500 || error.status === 401 || error.status === 429 || isStale(error);

/** Carries facts to the server: photo first, then the fact, under the name of who kept it. */
@Injectable({ providedIn: 'root' })
export class Courier {
  private readonly http = inject(HttpClient);
  private readonly session = inject(SessionStore);
  private readonly tablet = inject(Tablet);
  private sweeping = false;
  /** The rig that is open sends for itself. */
  openRig = '';

  async carry(rig: string, { fact, rigger, photo }: WaitingFact): Promise<Kept> {
    if (photo && 'photo' in fact && fact.photo) {
      const form = new FormData();
      form.append('id', fact.photo);
      form.append('photo', photo, 'photo');
      await firstValueFrom(this.http.post<AddedPhoto>(`/api/rigs/${rig}/photos`, form));
    }
    const own = rigger.name === this.session.signedInAs();
    const body: SendFacts = { facts: [fact], ...(own ? {} : { keptBy: rigger }) };
    return firstValueFrom(this.http.post<Kept>(`/api/rigs/${rig}/facts`, body));
  }

  /** Sends the facts of every rig but the open one, each rig's in their order; stops where the server does not answer. */
  async sweep(): Promise<void> {
    if (this.sweeping) return;
    this.sweeping = true;
    try {
      for (const rig of await this.tablet.rigsWaiting()) if (rig !== this.openRig) await this.sweepRig(rig);
    } catch {
      // No answer: the next sign of the network starts over.
    } finally {
      this.sweeping = false;
    }
  }

  private async sweepRig(rig: string): Promise<void> {
    for (const { key, one } of await this.tablet.waitingOf(rig)) {
      if (rig === this.openRig) return;
      // A change wants the plan it is made to: it waits until its rig is opened.
      if (one.what !== 'fact' || one.refused !== undefined) continue;
      try {
        await this.carry(rig, one);
        await this.tablet.dropWaiting(key);
      } catch (error) {
        if (mayPass(error as HttpErrorResponse)) throw error;
        await this.tablet.putWaiting(key, rig, { ...one, refused: wordsOf(error) });
      }
    }
  }
}
