import { AsyncResource } from 'node:async_hooks';
import AsyncLock from 'async-lock';
import { busy } from '../problems/problem';

/** How long one waits for those before, ms, and how many may wait. */
const WAIT = 4000;
const MOST = 60;

const turns = new AsyncLock({ timeout: WAIT, maxPending: MOST });

/**
 * Work on one rig or hull, one after the other in this process: however many wait for it, they hold no connection that
 * the others need.
 * @throws HttpProblem 503 when the turn does not come
 */
export async function inTurn<T>(whose: string, work: () => Promise<T>): Promise<T> {
  let mine = false;
  try {
    // It runs when the one before it ends, and stays this caller's work.
    const own = AsyncResource.bind(() => {
      mine = true;
      return work();
    });
    return await turns.acquire(whose, () => own());
  } catch (error) {
    throw mine ? error : busy('somebody else is changing this just now; try again in a moment');
  }
}
