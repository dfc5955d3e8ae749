import { HttpProblem } from '../problems/problem';
import { FairQueue } from './fair';

describe('a fair queue', () => {
  /** Work that is ended by hand, and the order in which it began. */
  const bench = (queue: FairQueue) => {
    const began: string[] = [];
    const ends: (() => void)[] = [];
    const bring = (whose: string, name: string): Promise<string> =>
      queue.run(whose, () => {
        began.push(name);
        return new Promise<string>((resolve) => ends.push(() => resolve(name)));
      });
    /** Ends the oldest that is under way, and lets whoever is next begin. */
    const end = async (): Promise<void> => {
      ends.shift()?.();
      await new Promise((r) => setImmediate(r));
    };
    return { began, bring, end };
  };

  it('lets callers by turns, however many one of them brings', async () => {
    const { began, bring, end } = bench(new FairQueue(1, 10, 10));
    const all = ['a1', 'a2', 'a3', 'a4', 'b1', 'c1', 'b2'].map((name) => bring(name[0] ?? '', name));
    for (const _ of all) await end();
    expect(await Promise.all(all)).toEqual(['a1', 'a2', 'a3', 'a4', 'b1', 'c1', 'b2']);
    expect(began).toEqual(['a1', 'a2', 'b1', 'c1', 'a3', 'b2', 'a4']);
  });

  it('works on so many at once, and tells whoever has too many waiting to come again', async () => {
    const { began, bring, end } = bench(new FairQueue(2, 1, 5));
    const kept = [bring('a', '1'), bring('a', '2'), bring('a', '3')];
    await expectAsync(bring('a', '4')).toBeRejectedWithError(HttpProblem);
    const another = bring('b', '5');
    expect(began).toEqual(['1', '2']);
    for (let i = 0; i < 4; i++) await end();
    expect(await Promise.all([...kept, another])).toEqual(['1', '2', '3', '5']);
  });

  it('says so when all of them have too many', async () => {
    const { bring, end } = bench(new FairQueue(1, 5, 2));
    const kept = [bring('a', '1'), bring('b', '2'), bring('c', '3')];
    await expectAsync(bring('d', '4')).toBeRejectedWithError(HttpProblem);
    for (let i = 0; i < 3; i++) await end();
    expect(await Promise.all(kept)).toEqual(['1', '2', '3']);
  });

  it('goes on after what fails', async () => {
    const queue = new FairQueue(1, 3, 3);
    await expectAsync(queue.run('a', () => Promise.reject(new Error('bad')))).toBeRejectedWithError('bad');
    expect(await queue.run('a', () => Promise.resolve(2))).toBe(2);
  });
});
