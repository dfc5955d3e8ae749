import { badInput } from '../problems/problem';
import { HALF, ProcessPool } from '../workers/pool';
import type { Readers } from './reader';

const pool = new ProcessPool({
  script: new URL('./reader.ts', import.meta.url),
  most: Math.min(2, HALF),
  waiting: 12,
  memory: 256,
  seconds: 15,
  lost: () =>
    badInput([{ field: 'file', says: 'it cannot be read, it is far too large or too involved inside: send a plainer one' }]),
});

/**
 * Reads something that people bring, in a process with little memory and little processor time: a hostile file ends that
 * process and not the server.
 * @throws HttpProblem what is wrong with it by field; 503 when too many others wait
 */
export const read = <K extends keyof Readers>(
  kind: K,
  ...args: Parameters<Readers[K]>
): Promise<Awaited<ReturnType<Readers[K]>>> => pool.run(kind, ...args);

/** Ends the readers. */
export const stopReading = (): Promise<void> => pool.close();
