import type { FixWorker } from './fixes.worker';
import { WorkerDesk } from './worker-desk';

/** A desk where fixes are searched and lines compared. */
export const fixDesk = (): WorkerDesk<FixWorker> =>
  new WorkerDesk<FixWorker>(() => new Worker(new URL('./fixes.worker', import.meta.url), { type: 'module' }));
