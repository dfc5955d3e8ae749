import { badInput, HttpProblem } from '../problems/problem';
import { ProcessPool } from './pool';

const TOO_MUCH = 'far too involved';
const pool = (more: { patience?: number; waiting?: number } = {}): ProcessPool =>
  new ProcessPool({
    script: new URL('./strained.ts', import.meta.url),
    flags: process.execArgv,
    ...{ most: 1, waiting: 10, memory: 64, seconds: 2 },
    ...more,
    lost: () => badInput([{ field: 'file', says: TOO_MUCH }]),
  });

/** How a piece of work ends: its status and words, or what it gave. */
const ends = async (work: Promise<unknown>): Promise<unknown> => {
  try {
    return await work;
  } catch (error) {
    return error instanceof HttpProblem ? [error.status, error.says] : error;
  }
};

describe('a pool of processes', () => {
  let open: ProcessPool[] = [];
  const made = (...more: Parameters<typeof pool>): ProcessPool => {
    const one = pool(...more);
    open.push(one);
    return one;
  };
  afterEach(async () => {
    await Promise.all(open.map((p) => p.close()));
    open = [];
  });

  it('ends work that takes too much processor time or memory, and says so of the work', async () => {
    const p = made();
    for (const strain of ['burn', 'hoard', 'hoardBeside'])
      expect(await ends(p.run(strain)))
        .withContext(strain)
        .toEqual([422, `file: ${TOO_MUCH}`]);
    // The next piece gets a process, and its own time.
    expect(await ends(p.run('add', 1, 2))).toBe(3);
  });

  it('gives each piece its own processor time, however much the process has used before', async () => {
    const p = made();
    for (let i = 0; i < 40; i++) expect(await ends(p.run('add', i, 1))).toBe(i + 1);
  });

  it('never says of what waited or slept that it is bad: that is busy, and worth another try', async () => {
    // It sleeps for longer than its processor time, as on a machine that others hold.
    expect(await ends(made().run('sleep', 3000))).toBeUndefined();
    const kept = await ends(made({ patience: 1 }).run('sleep', 60_000));
    expect(kept).toEqual([503, jasmine.stringContaining('try again in a moment')]);
    expect(await ends(made().run('vanish'))).toEqual([503, jasmine.stringContaining('try again in a moment')]);
  });

  it('tells whoever comes when too much waits to come again', async () => {
    const p = made({ waiting: 1 });
    const all = await Promise.all(Array.from({ length: 4 }, () => ends(p.run('sleep', 200))));
    expect(all.filter((a) => a === undefined).length).toBe(2);
    expect(all.find((a) => a !== undefined)).toEqual([503, 'much is being read and printed; try again in a moment']);
  });
});
