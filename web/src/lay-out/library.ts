import { HttpClient } from '@angular/common/http';
import { inject, Injectable, signal } from '@angular/core';
import type { Assembly } from '@plain-cleat/core';
import { type Observable, tap } from 'rxjs';

/** The shop's library of assemblies. */
@Injectable({ providedIn: 'root' })
export class Library {
  private readonly http = inject(HttpClient);
  private readonly all = signal<readonly Assembly[]>([]);
  readonly assemblies = this.all.asReadonly();

  fetch = (): Observable<Assembly[]> => this.http.get<Assembly[]>('/api/assemblies').pipe(tap((all) => this.all.set(all)));

  load(): void {
    this.fetch().subscribe({ error: () => undefined });
  }

  keep = (assembly: Assembly, expects: number): Observable<Assembly> =>
    this.http.post<Assembly>('/api/assemblies', { assembly, expects }).pipe(tap(() => this.load()));
}
