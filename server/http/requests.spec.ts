import { randomUUID } from 'node:crypto';
import { connect as openSocket } from 'node:net';
import { gzipSync } from 'node:zlib';
import { ROUTES, type Route } from '@plain-cleat/api';
import { RigRow } from '../database/models';
import { callerAt, ended, lineTo, startServer } from '../testing/process';
import { type Person, problemOf, shop } from '../testing/shop';

/** Sends bytes as they are and answers with the status line. */
async function raw(address: string, request: string | Buffer): Promise<string> {
  const { hostname, port } = new URL(address);
  return new Promise((resolve, reject) => {
    const socket = openSocket(Number(port), hostname, () => socket.write(request));
    let said = '';
    socket.on('data', (chunk: Buffer) => {
      said += chunk.toString('latin1');
      socket.destroy();
    });
    socket.on('close', () => resolve(said.split('\r\n')[0] ?? ''));
    socket.on('error', reject);
  });
}

describe('a request that is no request', () => {
  let ama: Person;
  beforeAll(async () => (ama = await (await shop()).signIn('ama')));
  const json = () => ama.raw('/api/wish-headings').set('content-type', 'application/json');

  it('bad compression, charset and address are 400, and say so', async () => {
    const answers = [
      await json().set('content-encoding', 'gzip').send('not gzip at all'),
      await json().set('content-encoding', 'gzip').send(gzipSync('{"heading":"x"').subarray(0, 12)),
      await json().set('content-encoding', 'no-such').send('{}'),
      await ama.raw('/api/wish-headings').set('content-type', 'application/json; charset=no-such').send('{}'),
      await json().send('{"heading":'),
      await ama.get('/api/rigs/%ff'),
      await ama.get('/%ff'),
    ];
    for (const [i, a] of answers.entries()) {
      expect(a.status).withContext(`case ${i}`).toBe(400);
      expect(a.headers['content-type']).withContext(`case ${i}`).toContain('application/problem+json');
    }
  });

  it('a multipart body cut short is 400', async () => {
    const answer = await ama
      .raw('/api/wish-sheets')
      .set('content-type', 'multipart/form-data; boundary=XX')
      .send('--XX\r\nContent-Disposition: form-data; name="file"; filename="a.csv"\r\n\r\nItem,Q');
    expect(answer.status).toBe(400);
    expect(problemOf(answer).detail).toContain('cut short');
  });

  it('what is not HTTP at all is 400, and the next is served', async () => {
    const s = await shop();
    expect(await raw(s.address, 'HELO\r\n\r\n')).toContain('400');
    expect(await raw(s.address, `GET / HTTP/1.1\r\nHost: x\r\nContent-Length: -1\r\n\r\n`)).toContain('400');
    await ama.get('/api/session').expect(200);
  });
});

describe('what a route takes in', () => {
  const long = (bytes: number): string => `{"login":"${'x'.repeat(bytes)}","password":"y"}`;
  const nobody = async (path: string, body: string) =>
    (await shop()).nobody().agent.post(path).set('content-type', 'application/json').send(body);

  it('10 kB at sign-in', async () => {
    expect((await nobody('/api/sign-in', long(9000))).status).toBe(422);
    const over = await nobody('/api/sign-in', long(11_000));
    expect([over.status, problemOf(over).detail]).toEqual([413, 'the request is larger than 10 kB']);
  });

  for (const [name, r] of Object.entries(ROUTES) as unknown as [string, Route][])
    if (r.body && !r.upload && typeof r.who !== 'string')
      it(`${name}: nothing of somebody who is not let in, and its limit of who is`, async () => {
        const s = await shop();
        const path = r.path.replace(/:\w+/g, randomUUID());
        const body = JSON.stringify({ x: 'x'.repeat((r.bytes ?? 300_000) + 10) });
        // Let in first: a body is not even read of whoever is not.
        expect((await nobody(path, body)).status).toBe(401);
        const idris = await s.signIn('idris');
        expect((await idris.raw(path).set('content-type', 'application/json').send(body)).status).toBe(413);
      });

  it('and what it tells is kept by nobody on the way', async () => {
    const ama = await (await shop()).signIn('ama');
    for (const path of ['/api/floor', '/api/owners', '/api/session'])
      expect((await ama.get(path).expect(200)).headers['cache-control']).toBe('no-store');
  });

  it('each answer names its request', async () => {
    const { headers } = await (await shop()).nobody().get('/healthz').expect(200);
    expect(headers['x-request-id']).toMatch(/^[\da-f-]{36}$/);
  });
});

describe('one rig that somebody holds', () => {
  it('stops nobody else: its own callers are told to come again, others are answered', async () => {
    const s = await shop();
    const [ama, tom] = [await s.signIn('ama'), await s.signIn('tom')];
    const [held, free] = [await ama.newRig('held'), await ama.newRig('free')];
    const rename = (n: number) => ({
      baseVersion: 0,
      undoes: null,
      change: { id: randomUUID(), kind: 'writeWish', wish: `w${n}`, from: null, to: { text: `wish ${n}`, part: null, count: 1 } },
    });
    const lock = await s.db.transaction();
    await RigRow.findByPk(held, { transaction: lock, lock: lock.LOCK.UPDATE });
    const waiting = Array.from({ length: 30 }, (_, n) => ama.post(`/api/rigs/${held}/changes`, rename(n)).then((a) => a));
    for (let n = 0; n < 10; n++) await tom.get(`/api/rigs/${free}`).expect(200);
    const all = await Promise.all(waiting);
    await lock.rollback();
    for (const a of all) {
      expect(a.status).toBe(503);
      expect(a.headers['retry-after']).toBe('2');
    }
    expect((await ama.rig(held)).version).toBe(0);
    await ama.post(`/api/rigs/${held}/changes`, rename(0)).expect((a) => expect([200, 422]).toContain(a.status));
  });
});

describe('a database that is away', () => {
  it('is 503 with when to come again; the server is up, says that it is not ready, and is again when it is back', async () => {
    await shop();
    const line = await lineTo();
    const running = await startServer({ DATABASE_URL: line.url });
    const { address, headers } = await callerAt(running.address);
    const get = (path: string) => fetch(`${address}${path}`, { headers });
    expect((await get('/api/floor')).status).toBe(200);
    expect((await get('/readyz')).status).toBe(200);
    line.cut();
    const answers = await Promise.all([get('/api/floor'), get('/readyz'), get('/api/session')]);
    for (const a of answers) expect([a.status, a.headers.get('retry-after')]).toEqual([503, '2']);
    expect((await get('/healthz')).status).toBe(200);
    line.join();
    expect((await get('/readyz')).status).toBe(200);
    expect((await get('/api/floor')).status).toBe(200);
    await ended(running, 'SIGTERM');
    await line.close();
  });
});

describe('a race', () => {
  it('of two new hulls under one id is won by one; the other is told', async () => {
    const s = await shop();
    const idris = await s.signIn('idris');
    const { body } = await idris.get('/api/hull-models/tolvane-118').expect(200);
    const model = { ...(body as object), id: `raced-${randomUUID().slice(0, 8)}`, revision: 1 };
    const answers = await Promise.all(
      [1, 2, 3].map(() => idris.post('/api/hull-models', { model, expects: 0 }).then((a) => a.status)),
    );
    expect(answers.filter((status) => status === 200).length).toBe(1);
    for (const status of answers) expect([200, 409, 422]).toContain(status);
  });

  it('an id that came before with something else is refused', async () => {
    const s = await shop();
    const ama = await s.signIn('ama');
    const id = await ama.newRig('same id');
    const change = { id: randomUUID(), kind: 'nameRig', from: 'same id', to: 'renamed' };
    const send = (more: object) =>
      ama.post(`/api/rigs/${id}/changes`, { baseVersion: 0, undoes: null, change: { ...change, ...more } });
    await send({}).expect(200);
    await send({}).expect(200);
    expect(problemOf(await send({ to: 'something else' }).expect(422)).field).toBe('change.id');
    const { plan } = await ama.rig(id);
    const fact = { id: randomUUID(), kind: 'stepDone', rig: plan.id, deviceTime: '2026-06-01T10:00:00Z', step: 'receive' };
    const keep = (more: object) => ama.post(`/api/rigs/${id}/facts`, { facts: [{ ...fact, ...more }] });
    await keep({}).expect(200);
    await keep({}).expect(200);
    expect(problemOf(await keep({ step: 'tape' }).expect(422)).field).toBe('facts.0.id');
    expect((await ama.rig(id)).facts.length).toBe(1);
  });
});
