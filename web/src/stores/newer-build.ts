import { inject, Injectable } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { SwUpdate } from '@angular/service-worker';
import { filter, map } from 'rxjs';

/** Tells when a newer build lies ready on this tablet: a reload takes it. */
@Injectable({ providedIn: 'root' })
export class NewerBuild {
  readonly ready = toSignal(
    inject(SwUpdate).versionUpdates.pipe(
      filter((e) => e.type === 'VERSION_READY'),
      map(() => true),
    ),
    { initialValue: false },
  );
}
