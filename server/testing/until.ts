import { setTimeout as wait } from 'node:timers/promises';

/** Waits for a state, not for time. */
export async function until(says: string, is: () => Promise<boolean>): Promise<void> {
  for (let i = 0; i < 200; i++) {
    if (await is()) return;
    await wait(100);
  }
  throw new Error(`not within 20 s: ${says}`);
}
