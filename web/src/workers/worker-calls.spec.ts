import { expose } from 'comlink';
import { lastValueFrom, toArray } from 'rxjs';
import { taking, WorkerCalls } from './worker-calls';

interface Adds {
  add(a: number, b: number): number;
  never(): Promise<void>;
  count(to: number, told: (n: number) => Promise<void>): Promise<void>;
}

describe('work in a worker', () => {
  let made: { terminate: jasmine.Spy }[];
  const make = (): Worker => {
    const { port1, port2 } = new MessageChannel();
    const count: Adds['count'] = async (to, told) => {
      for (let n = 1; n <= to; n++) await told(n);
    };
    const adds: Adds = { add: (a, b) => a + b, never: () => new Promise(() => undefined), count };
    expose(adds, port1);
    const worker = Object.assign(port2, { terminate: jasmine.createSpy('terminate') });
    made.push(worker);
    return worker as unknown as Worker;
  };
  beforeEach(() => (made = []));

  it('comes out as it is told, and a worker that is done is used again', async () => {
    const calls = new WorkerCalls<Adds>(make);
    const sums = (n: number) =>
      lastValueFrom(
        calls
          .run<number>(async (remote, tell) => {
            for (let i = 0; i < 3; i++) tell(await remote.add(n, i));
          })
          .pipe(toArray()),
      );
    expect(await sums(1)).toEqual([1, 2, 3]);
    expect(await sums(10)).toEqual([10, 11, 12]);
    expect(made.length).toBe(1);
    calls.close();
    expect(made[0]?.terminate).toHaveBeenCalledTimes(1);
  });

  it('tells all of it before it completes: a callback is waited for by the worker', async () => {
    const calls = new WorkerCalls<Adds>(make);
    for (let i = 0; i < 20; i++) {
      const told = calls.run<number>((remote, tell) => remote.count(3, taking(tell))).pipe(toArray());
      expect(await lastValueFrom(told)).toEqual([1, 2, 3]);
    }
  });

  it('ends with whoever asked for it, and the next one has a worker of its own', () => {
    const calls = new WorkerCalls<Adds>(make);
    const asking = calls.run((remote) => remote.never()).subscribe();
    asking.unsubscribe();
    expect(made[0]?.terminate).toHaveBeenCalledTimes(1);
    calls.run((remote) => remote.never()).subscribe();
    expect(made.length).toBe(2);
  });

  it('says what broke', async () => {
    const calls = new WorkerCalls<Adds>(make);
    await expectAsync(lastValueFrom(calls.run(() => Promise.reject(new Error('no memory'))))).toBeRejectedWithError('no memory');
    expect(made[0]?.terminate).toHaveBeenCalledTimes(1);
  });
});
