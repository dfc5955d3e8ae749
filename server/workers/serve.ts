import workerpool from 'workerpool';
import { answered } from './pool';

type Work = Readonly<Record<string, (...args: never[]) => unknown>>;

/** Offers work to the pool that started this process. */
export const serve = (work: Work): void =>
  workerpool.worker(
    Object.fromEntries(
      Object.entries(work).map(([name, one]) => [
        name,
        (...args: unknown[]) => answered(() => (one as (...all: unknown[]) => unknown)(...args)),
      ]),
    ),
  );
