import { inject, Injectable } from '@angular/core';
import { type OwnerPage, ROUTES } from '@plain-cleat/api';
import type { Observable } from 'rxjs';
import { Api } from './api';

/** The page of an owner, and the link that opens it. */
@Injectable({ providedIn: 'root' })
export class OwnerStore {
  private readonly api = inject(Api);
  page = (token: string): Observable<OwnerPage> => this.api.call(ROUTES.ownerPage, { token });
  makeLink = (rig: string): Observable<{ url: string; expires: string }> => this.api.call(ROUTES.makeLink, { rig });
  revokeLink = (rig: string): Observable<unknown> => this.api.call(ROUTES.revokeLink, { rig });
}
