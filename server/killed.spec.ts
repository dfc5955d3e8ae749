import { randomUUID } from 'node:crypto';
import { applyChange, type Change, type Plan, sameJson, seeded } from '@plain-cleat/core';
import { ChangeRow, FactRow, RigRow } from './database/models';
import { type Caller, callerAt, ended, startServer } from './testing/process';
import { shop } from './testing/shop';

const TIMES = 20;

const post = async ({ address, headers }: Caller, path: string, body: unknown): Promise<boolean> => {
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
      const running = await startServer();
      const me = await callerAt(running.address);
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
      await ended(running);
      up = false;
      await Promise.all(streams);
    }
    const running = await startServer();
    const me = await callerAt(running.address);
    for (const b of waiting) if (await post(me, `/api/rigs/${id}/${b.path}`, b.body)) b.of.add(b.id);
    waiting = [];
    await ended(running);

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
