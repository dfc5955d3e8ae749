import { randomUUID } from 'node:crypto';
import { readdirSync, readFileSync } from 'node:fs';
import { route, ROUTES, type Route } from '@plain-cleat/api';
import { openApiDocument } from '@plain-cleat/api/openapi';
import { STAFF } from '@plain-cleat/demo';
import { z } from 'zod';
import { LinkRow, StaffRow } from './database/models';
import { hashPassword } from './staff/passwords';
import { ended, startServer } from './testing/process';
import { type Person, problemOf, shop } from './testing/shop';

/** Calls a route with nothing useful in it: what matters here is who is let in. */
async function knock(person: Person, r: Route): Promise<number> {
  const path = r.path.replace(':rig', randomUUID()).replace(':token', 'no-such-token').replace(':login', 'no-such-login');
  if (r.file === 'text/event-stream') return -1;
  const call = r.method === 'GET' ? person.get(path) : r.method === 'DELETE' ? person.remove(path) : person.post(path, {});
  return (await call).status;
}

it("a route is a line: what it takes and gives is in the interface's own document", () => {
  const sail = route({
    method: 'GET',
    path: '/api/sails/:sail',
    who: ['manager'],
    says: 'A sail',
    answer: z.object({ squareMetres: z.number() }),
  });
  const document = JSON.stringify(openApiDocument({ ...ROUTES, sail } as never));
  expect(document).toContain('/api/sails/{sail}');
  expect(document).toContain('squareMetres');
  expect(JSON.stringify(openApiDocument())).not.toContain('/api/sails');
});

it('a route is bound once, in the folder of its feature', () => {
  const here = new URL('.', import.meta.url);
  const files = readdirSync(here, { recursive: true, encoding: 'utf8' }).filter(
    (f) => /(^|\/)(routes|app|health)\.ts$/.test(f) && !f.includes('node_modules'),
  );
  const bound = files.map((f) => readFileSync(new URL(f, here), 'utf8')).join('\n');
  const times = (name: string): number =>
    [...bound.matchAll(new RegExp(`(?:bind\\(router, |: )ROUTES\\.${name}\\b`, 'g'))].length;
  expect(Object.keys(ROUTES).filter((name) => times(name) !== 1)).toEqual([]);
});

describe('every route', () => {
  const routes = Object.entries(ROUTES) as unknown as [string, Route][];

  for (const [name, r] of routes)
    it(`${name} says who may call it, and lets nobody else in`, async () => {
      const s = await shop();
      if (typeof r.who === 'string') {
        expect([401, 403]).not.toContain(name === 'signIn' ? 200 : await knock(s.nobody(), r));
        return;
      }
      const status = await knock(s.nobody(), r);
      expect(status === -1 ? 401 : status).toBe(401);
      for (const member of STAFF) {
        const got = await knock(await s.signIn(member.login), r);
        if (r.who.includes(member.role)) expect([401, 403]).withContext(member.role).not.toContain(got);
        else expect(got).withContext(member.role).toBe(403);
      }
    });

  it('lets in nobody whose session ended, and whoever was demoted only as what they are now', async () => {
    const s = await shop();
    const row = await StaffRow.create({
      id: 'walks',
      login: 'walks',
      name: 'Walks Round',
      role: 'manager',
      passwordHash: await hashPassword('walks all round'),
    });
    const [demoted, signedOut, left] = [
      await s.signInAs('walks', 'walks all round'),
      await s.signInAs('walks', 'walks all round'),
      await s.signInAs('walks', 'walks all round'),
    ];
    await signedOut.post('/api/sign-out', {}).expect(200);
    await row.update({ role: 'rigger' });
    const closed = routes.filter(([, r]) => typeof r.who !== 'string' && r.file !== 'text/event-stream');
    for (const [name, r] of closed) {
      expect(await knock(signedOut, r))
        .withContext(`${name}, ended`)
        .toBe(401);
      if (name === 'signOut' || name === 'swap') continue;
      const got = await knock(demoted, r);
      if (r.who.includes('rigger')) expect([401, 403]).withContext(`${name}, demoted`).not.toContain(got);
      else expect(got).withContext(`${name}, demoted`).toBe(403);
    }
    await row.update({ ended: '2026-06-01T10:00:00Z' });
    for (const [name, r] of closed)
      expect(await knock(left, r))
        .withContext(`${name}, left`)
        .toBe(401);
  });

  it('the event stream too', async () => {
    const s = await shop();
    await s.nobody().get('/api/events?rigs=x').expect(401);
  });

  it('is in the OpenAPI document, with its roles', async () => {
    const s = await shop();
    const { body } = await s.nobody().get('/api/openapi.json').expect(200);
    const paths = (body as { paths: Record<string, object> }).paths;
    for (const [, r] of routes) expect(Object.keys(paths)).toContain(r.path.replace(/:(\w+)/g, '{$1}'));
  });
});

describe('sessions', () => {
  it('refuse a wrong password and an unknown login alike, naming the field', async () => {
    const s = await shop();
    for (const login of ['mara', 'nobody-here']) {
      const answer = await s.nobody().post('/api/sign-in', { login, password: 'wrong' }).expect(401);
      expect(problemOf(answer)).toEqual(jasmine.objectContaining({ field: 'password', status: 401 }));
    }
  });

  it('refuse a writing call without the token, and change nothing', async () => {
    const s = await shop();
    const ama = await s.signIn('ama');
    const { body: before } = await ama.get('/api/floor').expect(200);
    await ama.agent
      .post('/api/rigs')
      .send({ title: 'x', owner: { name: 'y', email: '' }, hull: 'tolvane-118', serial: '', promised: null })
      .expect(403);
    const { body: after } = await ama.get('/api/floor').expect(200);
    expect((after as { rigs: unknown[] }).rigs.length).toBe((before as { rigs: unknown[] }).rigs.length);
  });

  it('end with sign-out', async () => {
    const s = await shop();
    const tom = await s.signIn('tom');
    await tom.post('/api/sign-out', {}).expect(200);
    await tom.get('/api/floor').expect(401);
  });

  it('answer with a strict policy and no powered-by', async () => {
    const s = await shop();
    const { headers } = await s.nobody().get('/healthz').expect(200);
    expect(headers['content-security-policy']).toContain("default-src 'self'");
    expect(headers['content-security-policy']).toContain("object-src 'none'");
    expect(headers['x-powered-by']).toBeUndefined();
    expect(headers['x-content-type-options']).toBe('nosniff');
  });
});

describe('bad input', () => {
  const bad: [string, string, object | string, string][] = [
    ['text where a number belongs', 'changes', { baseVersion: 'three', change: {}, undoes: null }, 'baseVersion'],
    [
      'a negative riser',
      'changes',
      { baseVersion: 0, undoes: null, change: { id: randomUUID(), kind: 'liftItem', item: 'x', from: 0, to: -5 } },
      'change.to',
    ],
    [
      'an unknown kind of change',
      'changes',
      { baseVersion: 0, undoes: null, change: { id: randomUUID(), kind: 'sinkBoat' } },
      'change.kind',
    ],
    [
      'a field too many',
      'changes',
      { baseVersion: 0, undoes: null, extra: 1, change: { id: randomUUID(), kind: 'nameRig', from: 'a', to: 'b' } },
      '(whole)',
    ],
    ['no facts', 'facts', { facts: [] }, 'facts'],
    [
      'minutes that are none',
      'facts',
      {
        facts: [
          { id: randomUUID(), kind: 'minutesBooked', rig: null, deviceTime: '2026-06-01T10:00:00Z', step: 'tape', minutes: -3 },
        ],
      },
      'facts.0.minutes',
    ],
    [
      'a date that is none',
      'facts',
      { facts: [{ id: randomUUID(), kind: 'stepDone', rig: null, deviceTime: 'yesterday', step: 'tape' }] },
      'facts.0.deviceTime',
    ],
    ['a place that is none', 'place', { place: 'the moon' }, 'place'],
  ];
  for (const [what, path, body, field] of bad)
    it(`${what}: names ${field} and changes nothing`, async () => {
      const s = await shop();
      const ama = await s.signIn('ama');
      const id = await ama.newRig();
      const answer = await ama.post(`/api/rigs/${id}/${path}`, body as object).expect(422);
      expect(answer.headers['content-type']).toContain('application/problem+json');
      expect(problemOf(answer).field).toBe(field);
      expect((await ama.rig(id)).version).toBe(0);
    });

  it('unknown rigs, broken JSON, wrong addresses and too much text', async () => {
    const s = await shop();
    const ama = await s.signIn('ama');
    await ama.get(`/api/rigs/${randomUUID()}`).expect(404);
    await ama.get('/api/nothing').expect(404);
    await s.nobody().agent.post('/api/sign-in').set('content-type', 'application/json').send('{"login":').expect(400);
    await ama.post('/api/rig-files', { text: 'x'.repeat(4_200_000) }).expect(422);
    await s
      .nobody()
      .agent.post('/api/sign-in')
      .set('content-type', 'application/json')
      .send(`{"login":"${'x'.repeat(6_000_000)}"}`)
      .expect(413);
  });

  it('opening a rig names what is missing', async () => {
    const s = await shop();
    const ama = await s.signIn('ama');
    const good = { title: 'a rig', owner: { name: 'Somebody', email: '' }, hull: 'tolvane-118', serial: '', promised: null };
    for (const [more, field] of [
      [{ hull: 'no-such-hull' }, 'hull'],
      [{ title: '  ' }, 'title'],
      [{ promised: '2020-01-01' }, 'promised'],
      [{ promised: 'soon' }, 'promised'],
      [{ owner: { id: randomUUID() } }, 'owner.id'],
    ] as const) {
      const answer = await ama.post('/api/rigs', { ...good, ...more }).expect(422);
      expect(problemOf(answer).field).toBe(field);
    }
  });
});

describe("the owner's link", () => {
  it('opens its rig alone, ends when revoked, expires', async () => {
    const s = await shop();
    const ama = await s.signIn('ama');
    const id = await ama.newRig('link rig');
    const { body } = await ama.post(`/api/rigs/${id}/owner-link`, {}).expect(200);
    const path = (body as { url: string }).url.replace('/owner/', '/api/owner/');
    const page = await s.nobody().get(path).expect(200);
    expect(page.body).toEqual(jasmine.objectContaining({ title: 'link rig', stops: [] }));
    expect(JSON.stringify(page.body)).not.toContain('weightKg');
    await s.nobody().get(`/api/rigs/${id}`).expect(401);
    await s.nobody().get('/api/owner/guessed').expect(404);
    await ama.remove(`/api/rigs/${id}/owner-link`).expect(200);
    await s.nobody().get(path).expect(410);
    await LinkRow.update({ revoked: false, expires: '2020-01-01T00:00:00.000Z' }, { where: { rigId: id } });
    await s.nobody().get(path).expect(410);
  });

  it('follows its rig: what changed is on it at once', async () => {
    const s = await shop();
    const ama = await s.signIn('ama');
    const id = await ama.newRig('before');
    const { url } = (await ama.post(`/api/rigs/${id}/owner-link`, {}).expect(200)).body as { url: string };
    const title = async (): Promise<string> =>
      ((await s.nobody().get(url.replace('/owner/', '/api/owner/')).expect(200)).body as { title: string }).title;
    expect(await title()).toBe('before');
    expect(await title()).toBe('before');
    const change = { id: randomUUID(), kind: 'nameRig', from: 'before', to: 'after' };
    await ama.post(`/api/rigs/${id}/changes`, { baseVersion: 0, undoes: null, change }).expect(200);
    expect(await title()).toBe('after');
  });

  it('ends with the next one, unless it is kept', async () => {
    const s = await shop();
    const ama = await s.signIn('ama');
    const id = await ama.newRig('links');
    const make = async (body: object): Promise<string> =>
      ((await ama.post(`/api/rigs/${id}/owner-link`, body).expect(200)).body as { url: string }).url.replace(
        '/owner/',
        '/api/owner/',
      );
    const first = await make({});
    const second = await make({ keep: true });
    await s.nobody().get(first).expect(200);
    const third = await make({});
    for (const over of [first, second]) await s.nobody().get(over).expect(410);
    await s.nobody().get(third).expect(200);
  });

  it('is opened so often a minute from one address, and no more', async () => {
    await shop();
    const running = await startServer({ OWNER_PAGES_A_MINUTE: '3' });
    const statuses: number[] = [];
    for (let i = 0; i < 5; i++) statuses.push((await fetch(`${running.address}/api/owner/guess-${i}`)).status);
    expect(statuses).toEqual([404, 404, 404, 429, 429]);
    await ended(running, 'SIGTERM');
  });
});
