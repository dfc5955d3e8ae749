import { Injectable, type OnDestroy } from '@angular/core';
import { WorkerCalls } from '../workers/worker-calls';
import type { PlacesWorker } from '../workers/places.worker';

/** Where places are searched, and fixes that go together: one worker for all of a step, more only while several search at once. */
@Injectable()
export class PlaceCalls extends WorkerCalls<PlacesWorker> implements OnDestroy {
  constructor() {
    super(() => new Worker(new URL('../workers/places.worker', import.meta.url), { type: 'module' }));
  }

  ngOnDestroy(): void {
    this.close();
  }
}
