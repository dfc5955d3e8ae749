import type { StaffList } from '@plain-cleat/api';
import { callerAt, ended, startServer } from '../testing/process';
import { problemOf, shop } from '../testing/shop';
import { hire, signIn } from '../testing/hire';

const LONG = process.env.LONG === 'yes';

describe('who comes in', () => {
  it('a login that fails too often waits, whatever address its callers say they have', async () => {
    const s = await shop();
    await hire('guessed');
    const ends: number[] = [];
    for (let i = 0; i < 14; i++) ends.push((await signIn(s, 'guessed', `guess ${i}`, `10.0.0.${i}`)).status);
    expect(ends).toEqual([...Array<number>(10).fill(401), ...Array<number>(4).fill(429)]);
    expect((await signIn(s, 'guessed', 'right-password')).status).toBe(429);
    // Nobody else is kept out by it.
    expect((await signIn(s, 'tom', 'bench-two')).status).toBe(200);
  });

  it('failures are counted for every process of the server', async () => {
    const [s, other] = [await shop(), await startServer()];
    const there = async (password: string): Promise<number> => {
      const headers = { 'content-type': 'application/json' };
      const body = JSON.stringify({ login: 'everywhere', password });
      return (await fetch(`${other.address}/api/sign-in`, { method: 'POST', headers, body })).status;
    };
    await hire('everywhere');
    for (let i = 0; i < 5; i++)
      expect([(await signIn(s, 'everywhere', 'wrong')).status, await there('wrong')]).toEqual([401, 401]);
    expect([(await signIn(s, 'everywhere', 'right-password')).status, await there('right-password')]).toEqual([429, 429]);
    await ended(other, 'SIGTERM');
  });

  it('a wrong PIN keeps out nobody but its own PIN', async () => {
    const s = await shop();
    await hire('pinned');
    await hire('beside');
    const tablet = await s.signIn('mara');
    for (let i = 0; i < 8; i++) await tablet.post('/api/switch-user', { staff: 'pinned', pin: '0000' }).expect(422);
    await tablet.post('/api/switch-user', { staff: 'pinned', pin: '2468' }).expect(429);
    await tablet.post('/api/switch-user', { staff: 'beside', pin: '2468' }).expect(200);
    expect((await signIn(s, 'pinned', 'right-password')).status).toBe(200);
  });

  it('whatever the database takes for the same gives no fresh count: case, accents, spaces', async () => {
    const s = await shop();
    await hire('spelt');
    const tablet = await s.signIn('mara');
    const switchUser = async (staff: string): Promise<number> =>
      (await tablet.post('/api/switch-user', { staff, pin: '1111' })).status;
    for (let i = 0; i < 8; i++) expect(await switchUser('spelt')).toBe(422);
    for (const other of ['spelt', 'SPELT', 'spélt', 'spelt ', 'Spelt']) expect(await switchUser(other)).not.toBe(200);
    // Right, but of no such person to the letter.
    for (const other of ['SPELT', 'spélt', 'spelt '])
      await tablet.post('/api/switch-user', { staff: other, pin: '2468' }).expect(422);
    for (let i = 0; i < 10; i++) expect((await signIn(s, 'spelt', 'wrong')).status).toBe(401);
    for (const login of ['spelt', ' SPELT ', 'Spelt']) expect((await signIn(s, login, 'right-password')).status).toBe(429);
    expect((await signIn(s, 'spélt', 'right-password')).status).toBe(401);
    await s.db.query('DELETE FROM attempts');
  });

  it('tries that come at once over two servers are counted before any is looked at', async () => {
    const [s, other] = [await shop(), await startServer()];
    await hire('rushed');
    const tablet = await s.signIn('mara');
    const there = await callerAt(other.address);
    const tries = Array.from({ length: LONG ? 150 : 30 }, (_, i) => String(1000 + i)).flatMap((pin) => [
      tablet.post('/api/switch-user', { staff: 'rushed', pin }).then((r) => r.status),
      fetch(`${other.address}/api/switch-user`, {
        method: 'POST',
        headers: { ...there.headers, 'content-type': 'application/json' },
        body: JSON.stringify({ staff: 'rushed', pin }),
      }).then((r) => r.status),
    ]);
    const ends = await Promise.all(tries);
    // Eight are looked at, or fewer where one server has too many waiting.
    expect(ends.filter((e) => e === 422).length).toBeLessThanOrEqual(8);
    expect(ends.filter((e) => e === 422).length).toBeGreaterThan(0);
    expect(ends.every((e) => [422, 429, 503].includes(e))).toBeTrue();
    await ended(other, 'SIGTERM');
    await s.db.query('DELETE FROM attempts');
  });

  it('many who sign in at once hold nobody else up: few wait, the rest is told to come again', async () => {
    const s = await shop();
    const order: string[] = [];
    let full = (): void => undefined;
    const waiting = new Promise<void>((resolve) => (full = resolve));
    const guesses = Array.from({ length: 60 }, (_, i) =>
      signIn(s, `nobody-${i}`, 'guess').then(({ status }) => {
        order.push(status === 401 ? 'looked at' : 'turned away');
        if (status !== 401) full();
        return status;
      }),
    );
    // Somebody is turned away: as many wait as may.
    await waiting;
    await s.nobody().agent.get('/healthz').expect(200);
    order.push('page');
    const ends = await Promise.all(guesses);
    expect(ends.every((e) => [401, 429, 503].includes(e))).toBeTrue();
    expect(ends.filter((e) => e === 429).length).toBeGreaterThan(ends.length / 2);
    // The page came before those that were looked at were through.
    expect(order.indexOf('page')).toBeLessThan(order.lastIndexOf('looked at'));
    await s.db.query('DELETE FROM attempts');
  });

  it('a clock that was set back locks nobody', async () => {
    const s = await shop();
    const row = await hire('early');
    await s.db.query('INSERT INTO attempts (subject, failures, since) VALUES (:subject, 999, :since)', {
      replacements: { subject: `login ${row.id}`, since: Date.now() + 86_400_000 },
    });
    expect((await signIn(s, 'early', 'right-password')).status).toBe(200);
  });

  it('what failed before is forgotten once it succeeds', async () => {
    const s = await shop();
    await hire('forgetful');
    for (let round = 0; round < 3; round++) {
      for (let i = 0; i < 6; i++) expect((await signIn(s, 'forgetful', 'wrong')).status).toBe(401);
      expect((await signIn(s, 'forgetful', 'right-password')).status).toBe(200);
    }
  });
});

describe('who works here', () => {
  it('is the manager’s to say: taken on, given a PIN, another role, ended and back', async () => {
    const s = await shop();
    const idris = await s.signIn('idris');
    const add = (more: object) =>
      idris.post('/api/staff', { login: 'nessa', name: 'Nessa Spec', role: 'rigger', password: 'long enough', ...more });
    for (const [more, field] of [
      [{ login: 'x' }, 'login'],
      [{ login: 'TOM' }, 'login'],
      [{ name: ' ' }, 'name'],
      [{ name: 'Tom Hale' }, 'name'],
      [{ password: 'short' }, 'password'],
    ] as const)
      expect(problemOf(await add(more).expect(422)).field)
        .withContext(JSON.stringify(more))
        .toBe(field);
    expect(((await add({}).expect(200)).body as StaffList).map((p) => p.login)).toContain('nessa');
    const change = (body: object, login = 'nessa') => idris.post(`/api/staff/${login}`, body);
    expect(problemOf(await change({ pin: '12' }).expect(422)).field).toBe('pin');
    await change({ pin: '8642' }).expect(200);
    await change({ role: 'front desk' }).expect(200);
    const nessa = await s.signInAs('nessa', 'long enough');
    await nessa.get('/api/staff').expect(403);
    await change({ password: 'another long one' }).expect(200);
    expect((await signIn(s, 'nessa', 'long enough')).status).toBe(401);
    await change({ ended: true }).expect(200);
    await nessa.get('/api/floor').expect(401);
    await change({ ended: false }).expect(200);
    expect((await signIn(s, 'nessa', 'another long one')).status).toBe(200);
    await change({ role: 'rigger' }, 'nobody').expect(404);
  });

  it('always has one who manages', async () => {
    const s = await shop();
    const idris = await s.signIn('idris');
    const others = ((await idris.get('/api/staff')).body as StaffList).filter(
      (p) => p.role === 'manager' && !p.ended && p.login !== 'idris',
    );
    for (const p of others) await idris.post(`/api/staff/${p.login}`, { role: 'rigger' }).expect(200);
    for (const body of [{ role: 'rigger' }, { ended: true }])
      expect(problemOf(await idris.post('/api/staff/idris', body).expect(422)).detail).toContain('only manager');
  });
});
