import { request } from 'node:http';
import type { Session } from '@plain-cleat/api';
import { QueryTypes } from 'sequelize';
import { ended, startServer } from '../testing/process';
import { problemOf, type Shop, shop } from '../testing/shop';
import { hire, signIn } from '../testing/hire';

describe('a session', () => {
  const enter = async (s: Shop, login: string) => s.signInAs(login, 'right-password');

  it('follows its holder’s role, and ends when they leave, from that moment on', async () => {
    const s = await shop();
    const row = await hire('moved', 'manager');
    const person = await enter(s, 'moved');
    const role = async (): Promise<string | undefined> => ((await person.get('/api/session')).body as Session).staff?.role;
    expect(await role()).toBe('manager');
    await row.update({ role: 'rigger' });
    expect(await role()).toBe('rigger');
    const { body } = await person.get('/api/shop').expect(200);
    await person.post('/api/shop', body as object).expect(403);
    await row.update({ ended: '2026-06-01T10:00:00Z' });
    expect(await role()).toBeUndefined();
    await person.get('/api/floor').expect(401);
    expect((await signIn(s, 'moved', 'right-password')).status).toBe(401);
  });

  it('ends when somebody else sets the password or the PIN, and goes on for whoever sets their own', async () => {
    const s = await shop();
    const [idris, row] = [await s.signIn('idris'), await hire('reset')];
    for (const change of [{ password: 'another-password' }, { pin: '8642' }, { pin: null }]) {
      const person = await s.signInAs('reset', 'password' in change ? 'right-password' : 'another-password');
      await person.get('/api/floor').expect(200);
      await idris.post(`/api/staff/${row.login}`, change).expect(200);
      await person.get('/api/floor').expect(401);
    }
    const [one, two] = [await s.signIn('idris'), await s.signIn('idris')];
    await one.post('/api/staff/idris', { pin: '8153' }).expect(200);
    await one.get('/api/floor').expect(200);
    await two.get('/api/floor').expect(401);
  });

  it('takes its stream of news with it', async () => {
    const s = await shop();
    const row = await hire('listens');
    const person = await enter(s, 'listens');
    const cookie = person.cookies();
    const ended = new Promise<string>((resolve, reject) => {
      const call = request(`${s.address}/api/events?rigs=x`, { headers: { cookie } }, (res) => {
        res.resume();
        res.on('end', () => resolve('ended'));
      });
      call.on('error', reject);
      call.end();
    });
    await person.get('/api/session').expect(200);
    await row.update({ ended: '2026-06-01T10:00:00Z' });
    expect(await ended).toBe('ended');
  });

  it('ends when it lies idle, and for good after its time', async () => {
    const s = await shop();
    await hire('idle');
    const person = await enter(s, 'idle');
    await person.get('/api/floor').expect(200);
    const sids = await s.db.query<{ sid: string; data: string }>('SELECT sid, data FROM sessions WHERE data LIKE :who', {
      replacements: { who: '%"staffId":"idle"%' },
      type: QueryTypes.SELECT,
    });
    expect(sids.length).toBe(1);
    await s.db.query("UPDATE sessions SET expires = '2020-01-01 00:00:00' WHERE sid = :sid", {
      replacements: { sid: sids[0]?.sid },
    });
    await person.get('/api/floor').expect(401);

    const again = await enter(s, 'idle');
    await s.db.query(`UPDATE sessions SET data = JSON_SET(data, '$.since', 1000) WHERE data LIKE :who`, {
      replacements: { who: '%"staffId":"idle"%' },
    });
    await again.get('/api/floor').expect(401);
  });

  it('has a token that a second tab does not take from the first', async () => {
    const s = await shop();
    const ama = await s.signIn('ama');
    const { csrf } = (await ama.get('/api/session').expect(200)).body as Session;
    expect((await ama.post('/api/wish-headings', { heading: 'first tab', meaning: null })).status).toBe(200);
    const second = await ama.agent
      .post('/api/wish-headings')
      .set('x-csrf-token', csrf ?? '')
      .send({ heading: 'second tab', meaning: null });
    expect(second.status).toBe(200);
    expect((await ama.post('/api/wish-headings', { heading: 'first tab', meaning: null })).status).toBe(200);
  });

  it('behind HTTPS has cookies that only this host reads', async () => {
    await shop();
    const running = await startServer({ SECURE_COOKIES: 'yes', TRUST_PROXY: 'loopback' });
    const answer = await fetch(`${running.address}/api/sign-in`, {
      method: 'POST',
      headers: { 'content-type': 'application/json', 'x-forwarded-proto': 'https' },
      body: JSON.stringify({ login: 'tom', password: 'bench-two' }),
    });
    const cookies = answer.headers.getSetCookie();
    expect(cookies.length).toBe(2);
    for (const c of cookies) {
      expect(c).toMatch(/^__Host-plain-cleat/);
      expect(c).toContain('Secure');
      expect(c).toContain('Path=/');
      expect(c).not.toContain('Domain');
    }
    await ended(running, 'SIGTERM');
  });

  it('refuses a wrong sign-in and an unknown one in the same words', async () => {
    const s = await shop();
    const [wrong, unknown] = [await signIn(s, 'tom', 'no'), await signIn(s, 'nobody-of-that-name', 'no')];
    expect(problemOf(wrong)).toEqual(problemOf(unknown));
  });
});
