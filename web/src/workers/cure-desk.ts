import type { CureWorker } from './cures.worker';
import { WorkerDesk } from './worker-desk';

/** A desk where cures are searched and lines compared. */
export const cureDesk = (): WorkerDesk<CureWorker> =>
  new WorkerDesk<CureWorker>(() => new Worker(new URL('./cures.worker', import.meta.url), { type: 'module' }));
