import { proxy, type Remote, wrap } from 'comlink';
import { Observable } from 'rxjs';

/** A worker with its proxy. A proxy that nobody holds is let go of some time, and then its worker answers no more: the two stay together. */
interface Hand<W> {
  readonly worker: Worker;
  readonly remote: Remote<W>;
}

/** A callback that a worker tells something by, and waits until it is taken. */
export const taking = <A extends unknown[]>(take: (...told: A) => void): ((...told: A) => Promise<void>) =>
  proxy(async (...told: A) => take(...told));

/**
 * Work done in a web worker, as observables: whoever stops listening before it is done ends the worker with the work,
 * and one that is done is used again.
 */
export class WorkerCalls<W> {
  private idle?: Hand<W>;

  constructor(private readonly make: () => Worker) {}

  /**
   * Runs a piece of work; what it tells on its way comes out, and it completes with it. A callback goes another way than the answer
   * does and may come after it: the worker waits until each is taken, so that the last is not lost.
   */
  run<T>(work: (remote: Remote<W>, tell: (one: T) => void) => Promise<unknown>): Observable<T> {
    return new Observable<T>((to) => {
      const hand = this.idle ?? this.hire();
      this.idle = undefined;
      let done = false;
      work(hand.remote, (one) => to.next(one)).then(
        () => {
          done = true;
          to.complete();
        },
        (error: unknown) => to.error(error),
      );
      return () => {
        if (done && !this.idle) this.idle = hand;
        else hand.worker.terminate();
      };
    });
  }

  close(): void {
    this.idle?.worker.terminate();
  }

  private hire(): Hand<W> {
    const worker = this.make();
    return { worker, remote: wrap<W>(worker) };
  }
}
