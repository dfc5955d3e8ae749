import { inject, Injectable, signal } from '@angular/core';
import { ROUTES, type StoresList } from '@plain-cleat/api';
import { Api } from './api';
import { Parts } from './parts';
import type { Assembly } from '@plain-cleat/core/rig';
import { map, type Observable, tap } from 'rxjs';

/** The shop's library of assemblies, and what they are built from. */
@Injectable({ providedIn: 'root' })
export class AssemblyStore {
  private readonly api = inject(Api);
  private readonly parts = inject(Parts);
  private readonly all = signal<readonly Assembly[]>([]);
  readonly assemblies = this.all.asReadonly();

  fetch = (): Observable<Assembly[]> =>
    this.api.call(ROUTES.assemblies).pipe(
      tap(({ assemblies, parts }) => {
        this.parts.take(...parts);
        this.all.set(assemblies);
      }),
      map(({ assemblies }) => assemblies),
    );

  /** What an assembly is built with away from any rig: the range, the settings, the hulls. */
  stores = (): Observable<StoresList> => this.api.call(ROUTES.stores);

  load(): void {
    this.fetch().subscribe({ error: () => undefined });
  }

  save = (assembly: Assembly, expects: number): Observable<Assembly> =>
    this.api.call(ROUTES.saveAssembly, { body: { assembly, expects } }).pipe(tap(() => this.load()));
}
