import { createServer, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { ConnectionError, ConnectionRefusedError } from 'sequelize';
import { type App, makeApp } from '../app';
import { readConfig } from '../config';
import { BackupRow, StaffRow } from '../database/models';
import { shop, testUrl } from '../testing/shop';
import { makeLog } from './log';

describe('the log', () => {
  const written: string[] = [];
  let app: App;
  let server: Server;
  beforeAll(async () => {
    const { db } = await shop();
    const log = makeLog('trace', { write: (line: string) => void written.push(line) });
    app = makeApp(readConfig({ DATABASE_URL: testUrl(), LOG_LEVEL: 'debug' }, true), db, log);
    server = createServer(app.express);
    await new Promise<void>((ready) => server.listen(0, '127.0.0.1', ready));
  });
  afterAll(async () => {
    await app.stop();
    server.closeAllConnections();
    await new Promise((done) => server.close(done));
  });

  it('holds no cookie, token, password or owner link, whatever a call comes to', async () => {
    const at = `http://127.0.0.1:${(server.address() as AddressInfo).port}`;
    const entered = await fetch(`${at}/api/sign-in`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ login: 'idris', password: 'slack-tide' }),
    });
    const cookies = entered.headers.getSetCookie().map((c) => c.split(';')[0] ?? '');
    const { csrf, proof } = (await entered.json()) as { csrf: string; proof: string };
    const link = 'Zm9yZ290dGVuLW93bmVyLWxpbms_x9-token';
    const headers = { cookie: cookies.join('; '), 'x-csrf-token': csrf, 'content-type': 'application/json' };
    const call = async (path: string, body?: object): Promise<number> =>
      (await fetch(`${at}${path}`, { headers, method: body ? 'POST' : 'GET', ...(body ? { body: JSON.stringify(body) } : {}) }))
        .status;

    expect(await call('/api/sign-in', { login: 'idris', password: 'slack-tide-wrong' })).toBe(401);
    spyOn(StaffRow, 'findAll').and.rejectWith(
      Object.assign(new Error(`broke on ${link} for ${cookies[0] ?? ''}`), { sql: `SELECT '${link}'`, parameters: [proof] }),
    );
    const away = new ConnectionRefusedError(Object.assign(new Error(`no database for ${link}`), { errno: 45_012 }) as never);
    expect(away).toBeInstanceOf(ConnectionError);
    spyOn(BackupRow, 'findOne').and.rejectWith(away);
    expect(
      await Promise.all([
        call(`/api/owner/${link}`),
        call(`/owner/${link}?token=${link}`),
        call(`/api/nothing/${link}?secret=slack-tide`),
        call('/api/pin', { password: 'slack-tide', pin: 'no' }),
        call('/api/staff'),
        call('/api/backups'),
      ]),
    ).toEqual([404, jasmine.any(Number) as never, 404, 422, 500, 503]);

    const log = written.join('\n');
    expect(written.length).toBeGreaterThan(6);
    const secrets = [link, csrf, proof, 'slack-tide', ...cookies.map((c) => c.split('=')[1] ?? '')];
    for (const secret of secrets.flatMap((s) => [s, decodeURIComponent(s)])) {
      expect(secret.length).toBeGreaterThan(6);
      expect(log.includes(secret)).withContext(secret.slice(0, 12)).toBeFalse();
    }
    // What it is for is there.
    expect(log).toContain('"path":"/api/owner/…"');
    expect(log).toContain('broke on …');
    expect(log).toMatch(/"statusCode":500/);
  });
});
