import { execFileSync, spawn } from 'node:child_process';
import { readFileSync } from 'node:fs';
import { createServer, type AddressInfo } from 'node:net';
import { join } from 'node:path';
import { setTimeout as wait } from 'node:timers/promises';
import type { Floor, Session } from '@plain-cleat/api';
import { demoRigs } from '@plain-cleat/demo';
import { below, emptyServer, freePort, Started } from './testing/started';
import { scratchFolder } from './testing/scratch';

describe('starting', () => {
  it('ends in one healthy server with the whole demo, whatever is killed and whenever', async () => {
    const data = scratchFolder();
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
    const data = scratchFolder();
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

describe('a real shop', () => {
  it('asks who manages it, has no demo in it, and is served behind a proxy that speaks HTTPS', async () => {
    const there = await emptyServer();
    const port = await freePort();
    const env = {
      ...process.env,
      DATABASE_URL: there.url,
      DATABASE_ADMIN_URL: there.adminUrl,
      SESSION_SECRET: 'a secret of this spec alone, and long',
      SECURE_COOKIES: 'yes',
      TRUST_PROXY: 'loopback',
      PORT: String(port),
      LOG_LEVEL: 'warn',
    };
    const child = spawn('bin/serve', [], { env, stdio: ['pipe', 'pipe', 'pipe'] });
    child.stdin.end('orla\nOrla Venn\na password of hers\n');
    let said = '';
    for (const stream of [child.stdout, child.stderr]) stream.on('data', (chunk: Buffer) => (said += chunk.toString()));
    const address = `http://127.0.0.1:${port}`;
    while (!(await fetch(`${address}/readyz`).catch(() => null))?.ok) {
      if (child.exitCode !== null) throw new Error(said);
      await wait(100);
    }
    expect(said).toContain('Nobody manages this shop yet');
    expect(said).not.toContain('bench-one');
    const body = JSON.stringify({ login: 'orla', password: 'a password of hers' });
    const headers = { 'content-type': 'application/json', 'x-forwarded-proto': 'https' };
    const answer = await fetch(`${address}/api/sign-in`, { method: 'POST', headers, body });
    expect(((await answer.json()) as Session).staff).toEqual(jasmine.objectContaining({ name: 'Orla Venn', role: 'manager' }));
    const cookie = answer.headers
      .getSetCookie()
      .map((c) => c.split(';')[0])
      .join('; ');
    const get = async (path: string): Promise<unknown> => (await fetch(`${address}${path}`, { headers: { cookie } })).json();
    expect(((await get('/api/floor')) as Floor).rigs).toEqual([]);
    expect(await get('/api/hull-models')).toEqual([]);
    expect(((await get('/api/shop')) as { name: string }).name).toBe('The shop');
    // The command line is told what is wrong, and does the rest.
    const staff = (args: string[], input = ''): string =>
      execFileSync('bin/staff', args, { env, input, encoding: 'utf8', stdio: ['pipe', 'pipe', 'pipe'] });
    staff(['add', 'ned', 'Ned Ray', 'rigger'], 'also a long one\n');
    staff(['pin', 'ned'], '4321\n');
    expect(staff(['list'])).toMatch(/ned +Ned Ray +rigger +PIN/);
    expect(() => staff(['end', 'orla'])).toThrowError(/only manager/);
    expect(() => staff(['add', 'x'])).toThrowError(/usage/);
    child.kill('SIGTERM');
    await new Promise((done) => child.once('exit', done));
    there.stop();
  });
});
