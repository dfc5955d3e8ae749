import type { FixWorker } from './fixes.worker';
import { WorkerCalls } from './worker-calls';

/** A desk where fixes are searched and lines compared. */
export const fixCalls = (): WorkerCalls<FixWorker> =>
  new WorkerCalls<FixWorker>(() => new Worker(new URL('./fixes.worker', import.meta.url), { type: 'module' }));
