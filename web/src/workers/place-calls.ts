import type { PlacesWorker } from './places.worker';
import { WorkerCalls } from './worker-calls';

/** A desk where places are searched, and fixes that go together. */
export const placeCalls = (): WorkerCalls<PlacesWorker> =>
  new WorkerCalls<PlacesWorker>(() => new Worker(new URL('./places.worker', import.meta.url), { type: 'module' }));
