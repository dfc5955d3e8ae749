import { badInput } from '../problems/problem';
import { FairQueue } from '../workers/fair';
import { ProcessPool } from '../workers/pool';
import type { Readers } from './reader';

/** So many of a kind are read at once; so many of one person, and of all, may wait. */
const [AT_ONCE, EACH, ALL] = [2, 12, 40];

/** Processes that read, with a fair queue before them. */
const readers = (): { readonly pool: ProcessPool; readonly queue: FairQueue } => ({
  pool: new ProcessPool({
    script: new URL('../dist/reader.js', import.meta.url),
    most: AT_ONCE,
    waiting: AT_ONCE,
    memory: 256,
    seconds: 15,
    lost: () =>
      badInput([{ field: 'file', says: 'it cannot be read, it is far too large or too involved inside: send a plainer one' }]),
  }),
  queue: new FairQueue(AT_ONCE, EACH, ALL),
});

/** Photos and signatures are read in a moment, and wait for no drawing that takes a quarter of a minute. */
const [pictures, files] = [readers(), readers()];
const READ_BY: Readonly<Record<keyof Readers, typeof files>> = {
  ...{ photo: pictures, signature: pictures },
  ...{ sheet: files, offsets: files, outline: files, found: files, rig: files },
};

/**
 * Reads something that people bring, in a process with little memory and little processor time: a hostile file ends that
 * process and not the server.
 * @param whose who brings it: those who wait are served by turns
 * @throws HttpProblem what is wrong with it by field; 503 when too much waits
 */
export function read<K extends keyof Readers>(
  whose: string,
  kind: K,
  ...args: Parameters<Readers[K]>
): Promise<Awaited<ReturnType<Readers[K]>>> {
  const { pool, queue } = READ_BY[kind];
  return queue.run(whose, () => pool.run(kind, ...args));
}

/** Ends the readers. */
export async function stopReading(): Promise<void> {
  await Promise.all([pictures.pool.close(), files.pool.close()]);
}
