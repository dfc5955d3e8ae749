import { HttpProblem } from '../problems/problem';
import { HALF, ProcessPool } from '../workers/pool';
import type { Drafts } from './drafter';

const pool = new ProcessPool({
  script: new URL('../dist/drafter.js', import.meta.url),
  most: HALF,
  waiting: 60,
  memory: 512,
  seconds: 40,
  lost: () => new HttpProblem(422, 'Too much', 'this rig takes too long to work up: it holds too much', { field: 'rig' }),
});

/**
 * Works a rig up in a process of its own, for a paper or a figure, while this one goes on answering.
 * @throws HttpProblem what was refused; 503 when too much waits
 */
export const draft = <K extends keyof Drafts>(what: K, ...args: Parameters<Drafts[K]>): Promise<Awaited<ReturnType<Drafts[K]>>> =>
  pool.run(what, ...args);

/** Ends the processes. */
export const stopDrafting = (): Promise<void> => pool.close();
