import { spawn, type ChildProcess } from 'node:child_process';
import { randomUUID } from 'node:crypto';
import { applyChange, type Change, type Plan, sameJson, seeded } from '@plain-cleat/core';
import { ChangeRow, FactRow, RigRow } from './database/models';
import { shop, testUrl } from './testing/shop';

const TIMES = 20;

/** A server process of its own on the same database; resolves with its address once it listens. */
function start(): Promise<{ child: ChildProcess; address: string }> {
  const child = spawn(process.execPath, ['--import', 'tsx', 'server/main.ts'], {
    env: { ...process.env, DATABASE_URL: testUrl(), PORT: '0', LOG_LEVEL: 'silent' },
    stdio: ['ignore', 'pipe', 'inherit'],
  });
  return new Promise((resolve, reject) => {
    let out = '';
    child.stdout?.on('data', (chunk: Buffer) => {
      out += chunk.toString();
      const found = /http:\/\/127\.0\.0\.1:\d+/.exec(out);
      if (found) resolve({ child, address: found[0] });
    });
    child.on('exit', (code) => reject(new Error(`server ended early with ${code}: ${out}`)));
  });
}

const killed = (child: ChildProcess): Promise<void> =>
  new Promise((resolve) => {
    child.removeAllListeners('exit');
    child.once('exit', () => resolve());
    child.kill('SIGKILL');
  });

interface SignedIn {
  readonly address: string;
  readonly headers: Record<string, string>;
}

async function signIn(address: string): Promise<SignedIn> {
  const answer = await fetch(`${address}/api/sign-in`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ login: 'ama', password: 'quay-street' }),
  });
  const cookie = answer.headers
    .getSetCookie()
    .map((c) => c.split(';')[0])
    .join('; ');
  const { csrf } = (await answer.json()) as { csrf: string };
  return { address, headers: { 'content-type': 'application/json', cookie, 'x-csrf-token': csrf } };
}

const post = async ({ address, headers }: SignedIn, path: string, body: unknown): Promise<boolean> => {
  try {
    return (await fetch(`${address}${path}`, { method: 'POST', headers, body: JSON.stringify(body) })).status === 200;
  } catch {
    return false;
  }
};

describe('a server killed at random moments', () => {
  it(`${TIMES} times under a stream of changes and facts loses nothing it acknowledged and doubles nothing`, async () => {
    const s = await shop();
    const id = await (await s.signIn('ama')).newRig('killed rig');
    const opened = JSON.parse((await RigRow.findByPk(id))?.plan ?? '') as Plan;
    const random = seeded(42);
    const acknowledged = { changes: new Set<string>(), facts: new Set<string>() };
    // What was sent but not acknowledged is sent again to the next server, with its old id.
    let waiting: { path: string; body: object; id: string; of: Set<string> }[] = [];
    let n = 0;
    for (let round = 0; round < TIMES; round++) {
      const { child, address } = await start();
      const me = await signIn(address);
      let up = true;
      const stream = async (): Promise<void> => {
        while (up) {
          const change = {
            id: randomUUID(),
            kind: 'writeWish',
            wish: `w${++n}`,
            from: null,
            to: { text: `wish ${n}`, part: null },
          };
          const fact = {
            id: randomUUID(),
            kind: 'minutesBooked',
            rig: opened.id,
            deviceTime: new Date().toISOString(),
            step: 'tape',
            minutes: 1,
          };
          const batch = [
            { path: 'changes', body: { baseVersion: 0, change, undoes: null }, id: change.id, of: acknowledged.changes },
            { path: 'facts', body: { facts: [fact] }, id: fact.id, of: acknowledged.facts },
            ...waiting.splice(0, 2),
          ];
          const done = await Promise.all(batch.map((b) => post(me, `/api/rigs/${id}/${b.path}`, b.body)));
          batch.forEach((b, i) => (done[i] ? b.of.add(b.id) : waiting.push(b)));
        }
      };
      const streams = [stream(), stream()];
      await new Promise((r) => setTimeout(r, 30 + random() * 250));
      await killed(child);
      up = false;
      await Promise.all(streams);
    }
    const { child, address } = await start();
    const me = await signIn(address);
    for (const b of waiting) if (await post(me, `/api/rigs/${id}/${b.path}`, b.body)) b.of.add(b.id);
    waiting = [];
    await killed(child);

    const log = await ChangeRow.findAll({ where: { rigId: id }, order: [['version', 'ASC']] });
    const rig = await RigRow.findByPk(id);
    expect(acknowledged.changes.size).toBeGreaterThan(TIMES);
    expect(log.map((c) => c.version)).toEqual(log.map((_, i) => i + 1));
    expect(rig?.version).toBe(log.length);
    const logged = new Set(log.map((c) => c.id));
    expect(logged.size).toBe(log.length);
    expect([...acknowledged.changes].filter((c) => !logged.has(c))).toEqual([]);
    const folded = log.reduce((plan, c) => applyChange(plan, JSON.parse(c.body) as Change).plan, opened);
    expect(sameJson(folded, JSON.parse(rig?.plan ?? ''))).toBeTrue();
    const facts = (await FactRow.findAll({ where: { hullId: rig?.hullId ?? '' } })).map((f) => f.id);
    expect(new Set(facts).size).toBe(facts.length);
    expect([...acknowledged.facts].filter((f) => !facts.includes(f))).toEqual([]);
  }, 300_000);
});
