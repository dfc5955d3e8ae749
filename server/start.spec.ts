import { execFileSync } from 'node:child_process';
import { mkdtempSync, readFileSync } from 'node:fs';
import { createServer, type AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { setTimeout as wait } from 'node:timers/promises';
import { demoRigs } from '@plain-cleat/demo';
import { below, freePort, Started } from './testing/started';

describe('starting', () => {
  it('ends in one healthy server with the whole demo, whatever is killed and whenever', async () => {
    const data = mkdtempSync(join(tmpdir(), 'plain-cleat-'));
    const [port, dbPort] = [await freePort(), await freePort()];
    const begin = (): Started => Started.begin(data, port, dbPort);
    const demo = demoRigs('2026-06-01').length;

    // Interrupted at any moment of its first run.
    for (const after of [700, 2500, 4500]) {
      const first = begin();
      await wait(after);
      await first.stop('SIGKILL');
    }
    let shop = await begin().ready();
    expect(await shop.rigs()).toBe(demo);

    // A second one says that there is one.
    const second = begin();
    expect(await second.exit).toBe(1);
    expect(second.said).toContain('already runs');
    await shop.ready();

    // Server or database killed: started again.
    for (const name of ['node', 'mariadbd']) {
      const [victim] = below(shop.child.pid, name);
      if (victim === undefined) throw new Error(`no ${name} below ${shop.child.pid}`);
      process.kill(victim, 'SIGKILL');
      while (below(shop.child.pid, name).includes(victim)) await wait(50);
      await shop.ready();
      expect(await shop.rigs())
        .withContext(name)
        .toBe(demo);
    }

    // All of it killed: nothing is left behind, and it starts anew.
    const database = Number(readFileSync(join(data, 'demo', 'db.pid'), 'utf8'));
    await shop.stop('SIGKILL');
    shop = await begin().ready();
    expect(() => process.kill(database, 0)).toThrow();
    expect(await shop.rigs()).toBe(demo);
    await shop.stop();
  });

  it('says what is wrong with its settings and its port', async () => {
    const data = mkdtempSync(join(tmpdir(), 'plain-cleat-'));
    const taken = createServer();
    await new Promise<void>((ready) => taken.listen(0, '127.0.0.1', ready));
    const busy = Started.begin(data, (taken.address() as AddressInfo).port, await freePort());
    expect(await busy.exit).toBe(1);
    expect(busy.said).toContain('is busy. Choose another');
    taken.close();
    const run = (env: Record<string, string>): string => {
      try {
        return execFileSync('bin/serve', [], {
          env: { PATH: process.env.PATH ?? '', HOME: process.env.HOME ?? '', ...env },
          encoding: 'utf8',
          stdio: 'pipe',
        });
      } catch (error) {
        return (error as { stderr: string }).stderr;
      }
    };
    expect(run({})).toContain('DATABASE_URL: set it');
    expect(run({ DATABASE_URL: 'mariadb://a:b@127.0.0.1:1/c' })).toContain('SESSION_SECRET: set it');
    expect(run({ DATABASE_URL: 'mariadb://a:b@127.0.0.1:1/c', SESSION_SECRET: 'short' })).toContain('32 characters');
  });
});
