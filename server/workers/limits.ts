import { execFileSync } from 'node:child_process';
import { setPriority } from 'node:os';

/** What a process of a pool is told of its bounds, in its surroundings. */
export interface Limits {
  /** Processor time for one piece of work, seconds. */
  readonly seconds: number;
  /** Memory of all kinds that it may write to, MB. */
  readonly data: number;
}

export const limitsEnv = ({ seconds, data }: Limits): Record<string, string> => ({
  WORK_SECONDS: String(seconds),
  WORK_DATA: String(data),
});

/** Has the operating system bound this process; the bounds are its own, so that no waiting counts and no other load. */
const bound = (...limits: readonly string[]): void =>
  void execFileSync('prlimit', ['--pid', String(process.pid), ...limits], { stdio: 'ignore' });

const { WORK_SECONDS, WORK_DATA } = process.env;

/** How much this work gives way to answering, where both want a processor. */
const GIVES_WAY = 10;

/** Bounds the memory of this process, once, where its pool says so, and lets it give way to the one that answers. */
export const boundMemory = (): void => {
  if (!WORK_DATA) return;
  setPriority(GIVES_WAY);
  bound(`--data=${Number(WORK_DATA) * 1_000_000}:`);
};

/** Lets this process work on for as many seconds of processor time as one piece may take, and not longer. */
export const boundWork = (): void => {
  if (!WORK_SECONDS) return;
  const { user, system } = process.cpuUsage();
  bound(`--cpu=${Math.ceil((user + system) / 1e6 + Number(WORK_SECONDS))}:`);
};
