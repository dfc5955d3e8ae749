import { type Remote, wrap } from 'comlink';
import { Observable } from 'rxjs';

/**
 * Work done in a web worker, as observables: whoever stops listening before it is done ends the worker with the work,
 * and one that is done is used again.
 */
export class WorkerDesk<W> {
  private idle?: Worker;

  constructor(private readonly make: () => Worker) {}

  /** Runs a piece of work; what it tells on its way comes out, and it completes with it. */
  run<T>(work: (remote: Remote<W>, tell: (one: T) => void) => Promise<unknown>): Observable<T> {
    return new Observable<T>((to) => {
      const worker = this.idle ?? this.make();
      this.idle = undefined;
      let done = false;
      work(wrap<W>(worker), (one) => to.next(one)).then(
        () => {
          done = true;
          to.complete();
        },
        (error: unknown) => to.error(error),
      );
      return () => {
        if (done && !this.idle) this.idle = worker;
        else worker.terminate();
      };
    });
  }

  close(): void {
    this.idle?.terminate();
  }
}
