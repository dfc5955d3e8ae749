import { randomUUID } from 'node:crypto';
import { request } from 'node:http';
import { shop } from '../testing/shop';

describe('news', () => {
  it('of a rig reaches whoever watches it, and nobody else hears of it', async () => {
    const s = await shop();
    const ama = await s.signIn('ama');
    const [watched, other] = [await ama.newRig(), await ama.newRig()];
    const signed = await s.nobody().agent.post('/api/sign-in').send({ login: 'ama', password: 'quay-street' });
    const cookie = (signed.headers['set-cookie'] as unknown as string[]).map((c) => c.split(';')[0]).join('; ');
    const heard: { id: string; version: number }[] = [];
    const seenVersion = new Promise<void>((resolve) => {
      const call = request(`${s.address}/api/events?rigs=${watched}`, { headers: { cookie } }, (res) => {
        res.setEncoding('utf8');
        res.on('data', (chunk: string) => {
          for (const line of chunk.split('\n').filter((l) => l.startsWith('data: ')))
            heard.push(JSON.parse(line.slice(6)) as { id: string; version: number });
          if (heard.some((h) => h.version === 1)) {
            call.destroy();
            resolve();
          }
        });
        res.on('error', () => undefined);
      });
      call.on('error', () => undefined);
      call.end();
    });
    const rename = {
      baseVersion: 0,
      undoes: null,
      change: { id: randomUUID(), kind: 'nameRig', from: 'spec rig', to: 'renamed' },
    };
    const fresh = await s.signIn('ama');
    await fresh.post(`/api/rigs/${other}/changes`, { ...rename, change: { ...rename.change, id: randomUUID() } }).expect(200);
    await fresh.post(`/api/rigs/${watched}/changes`, rename).expect(200);
    await seenVersion;
    expect(new Set(heard.map((h) => h.id))).toEqual(new Set([watched]));
  });
});
