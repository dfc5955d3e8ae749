import { randomUUID } from 'node:crypto';
import { setTimeout as wait } from 'node:timers/promises';
import type { RigDocument } from '@plain-cleat/api';
import sharp from 'sharp';
import { seeded } from '@plain-cleat/core/work/cutting';
import { applyChange, type Change, type Plan, sameJson } from '@plain-cleat/core/rig';
import { ChangeRow, FactRow, RigRow } from './database/models';
import { type Caller, callerAt, ended, startServer } from './testing/process';
import { shop } from './testing/shop';
import { below, freePort, Started } from './testing/started';
import { scratchFolder } from './testing/scratch';

/** Rounds of killing. */
const TIMES = process.env.LONG ? 100 : 4;
const EACH = process.env.LONG ? 100 : 3;

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
  }, 1_800_000);
});

describe('server, database or both killed', () => {
  it(`${EACH} times under facts with photos and changes: nothing acknowledged is lost, nothing is there twice`, async () => {
    const data = scratchFolder();
    const [port, dbPort] = [await freePort(), await freePort()];
    let house = await Started.begin(data, port, dbPort).ready();
    const random = seeded(7);
    const comeIn = async (): Promise<Caller> => {
      for (;;)
        try {
          return await callerAt((await house.ready()).address);
        } catch {
          if (house.child.exitCode !== null) house = Started.begin(data, port, dbPort);
          await wait(100);
        }
    };
    const first = await callerAt(house.address);
    const open = await fetch(`${house.address}/api/rigs`, {
      method: 'POST',
      headers: first.headers,
      body: JSON.stringify({ title: 'killed', owner: { name: 'K', email: '' }, hull: 'tolvane-118', serial: '', promised: null }),
    });
    const { id } = (await open.json()) as { id: string };
    const read = async (me: Caller): Promise<RigDocument> =>
      (await (await fetch(`${me.address}/api/rigs/${id}`, { headers: me.headers })).json()) as RigDocument;
    const { plan } = await read(first);
    const bytes = await sharp({ create: { width: 30, height: 20, channels: 3, background: '#567' } })
      .jpeg()
      .toBuffer();
    const kept = { changes: [] as string[], facts: [] as string[], photos: [] as string[] };
    const sendPhoto = async ({ address, headers }: Caller, photo: string): Promise<boolean> => {
      const form = new FormData();
      form.append('id', photo);
      form.append('photo', new Blob([new Uint8Array(bytes)]), 'hole.jpg');
      const { 'content-type': _, ...others } = headers;
      const answer = await fetch(`${address}/api/rigs/${id}/photos`, { method: 'POST', headers: others, body: form }).catch(
        () => null,
      );
      return answer?.status === 200;
    };
    let n = 0;
    for (let round = 0; round < EACH; round++) {
      // It is started again a few times by itself, and then by us.
      const me = await comeIn();
      let up = true;
      const stream = (async () => {
        while (up) {
          const [photo, fact, change] = [randomUUID(), randomUUID(), randomUUID()];
          const to = { text: `wish ${++n}`, part: null };
          const wish = { id: change, kind: 'writeWish', wish: `w${n % 200}x${round}`, from: null, to };
          if (await sendPhoto(me, photo)) {
            kept.photos.push(photo);
            const said = { id: fact, kind: 'layoutAgreed', rig: plan.id, deviceTime: new Date().toISOString(), name: 'K', photo };
            if (await post(me, `/api/rigs/${id}/facts`, { facts: [said] })) kept.facts.push(fact);
          }
          if (await post(me, `/api/rigs/${id}/changes`, { baseVersion: 0, change: wish, undoes: null }))
            kept.changes.push(change);
        }
      })();
      await wait(200 + random() * 600);
      for (const name of [['node'], ['mariadbd'], ['node', 'mariadbd']][round % 3] ?? [])
        for (const victim of below(house.child.pid, name)) process.kill(victim, 'SIGKILL');
      up = false;
      await stream;
    }
    const me = await comeIn();
    const { facts, version, mine } = await read(me);
    expect(kept.changes.length + kept.facts.length).toBeGreaterThan(0);
    const [factIds, changeIds] = [facts.map((f) => f.id), mine.map((m) => m.id)];
    expect(kept.facts.filter((f) => !factIds.includes(f))).toEqual([]);
    expect(new Set(factIds).size).toBe(factIds.length);
    // The log is told as far back as one may undo.
    if (version <= 200) expect(kept.changes.filter((c) => !changeIds.includes(c))).toEqual([]);
    expect(version).toBeGreaterThanOrEqual(kept.changes.length);
    for (const photo of kept.photos.slice(-20))
      expect((await fetch(`${me.address}/api/rigs/${id}/photos/${photo}`, { headers: me.headers })).status).toBe(200);
    await house.stop();
  }, 3_600_000);
});
