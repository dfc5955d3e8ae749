import workerpool from 'workerpool';
import { boundMemory, boundWork } from './limits';
import { answered } from './pool';

type Work = Readonly<Record<string, (...args: never[]) => unknown>>;

/** Offers work to the pool that started this process: each piece within its own share of processor time. */
export function serve(work: Work): void {
  boundMemory();
  workerpool.worker(
    Object.fromEntries(
      Object.entries(work).map(([name, one]) => [
        name,
        (...args: unknown[]) =>
          answered(() => {
            boundWork();
            return (one as (...all: unknown[]) => unknown)(...args);
          }),
      ]),
    ),
  );
}
