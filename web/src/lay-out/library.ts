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

  load(): void {
    this.http.get<Assembly[]>('/api/assemblies').subscribe({ next: (all) => this.all.set(all), error: () => undefined });
  }

  keep = (assembly: Assembly, expects: number): Observable<Assembly> =>
    this.http.post<Assembly>('/api/assemblies', { assembly, expects }).pipe(tap(() => this.load()));
}
