import { inject, Injectable } from '@angular/core';
import { type AddStaff, type Backups, type ChangeStaff, ROUTES, type StaffList } from '@plain-cleat/api';
import type { Observable } from 'rxjs';
import { Api } from './api';

/** Who works here, and how old the last backup is; what is changed answers with the list as it is then. */
@Injectable({ providedIn: 'root' })
export class StaffStore {
  private readonly api = inject(Api);
  list = (): Observable<StaffList> => this.api.call(ROUTES.staffList);
  backups = (): Observable<Backups> => this.api.call(ROUTES.backups);
  add = (body: AddStaff): Observable<StaffList> => this.api.call(ROUTES.addStaff, { body });
  change = (login: string, body: ChangeStaff): Observable<StaffList> => this.api.call(ROUTES.changeStaff, { login, body });
}
