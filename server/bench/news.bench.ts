import { median } from '../../bench';
import { randomUUID } from 'node:crypto';
import { request } from 'node:http';
import { shop } from '../testing/shop';

/** How long a change takes to reach a second browser, as a multiple of acknowledging it. */
const s = await shop();
const ama = await s.signIn('ama');
const id = await ama.newRig('bench rig');
const signed = await s.nobody().agent.post('/api/sign-in').send({ login: 'ama', password: 'quay-street' });
const cookie = (signed.headers['set-cookie'] as unknown as string[]).map((c) => c.split(';')[0]).join('; ');
let heard: (version: number) => void = () => undefined;
const stream = request(`${s.address}/api/events?rigs=${id}`, { headers: { cookie } }, (res) => {
  res.setEncoding('utf8');
  res.on('data', (chunk: string) => {
    for (const line of chunk.split('\n').filter((l) => l.startsWith('data: ')))
      heard((JSON.parse(line.slice(6)) as { version: number }).version);
  });
  res.on('error', () => undefined);
});
stream.on('error', () => undefined);
stream.end();

const acknowledged: number[] = [];
const delays: number[] = [];
for (let version = 1; version <= 15; version++) {
  const arrived = new Promise<number>((resolve) => (heard = (v) => v >= version && resolve(performance.now())));
  const change = { id: randomUUID(), kind: 'writeWish', wish: `w${version}`, from: null, to: { text: 'bench', part: null } };
  const start = performance.now();
  await ama.post(`/api/rigs/${id}/changes`, { baseVersion: version - 1, change, undoes: null }).expect(200);
  acknowledged.push(performance.now() - start);
  delays.push((await arrived) - start);
}
const ack = median(acknowledged);
console.log(`a change acknowledged          1.0 ×   (${ack.toFixed(0)} ms)`);
console.log(
  `and seen in a second browser   ${(median(delays) / ack).toFixed(1)} ×   (${median(delays).toFixed(0)} ms; polled every 400 ms)`,
);
stream.destroy();
await s.close();
