import { AsyncLocalStorage } from 'node:async_hooks';

const calls = new AsyncLocalStorage<string>();

/** Does some work for a member of staff, by id: whatever it comes to on the way knows for whom. */
export const callingFor = <T>(staff: string, work: () => T): T => calls.run(staff, work);

/** For whom the work at hand is done; undefined where nobody called. */
export const caller = (): string | undefined => calls.getStore();
