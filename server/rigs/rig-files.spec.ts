import { randomUUID } from 'node:crypto';
import { type Plan } from '@plain-cleat/core/rig';
import { workUp } from '@plain-cleat/core/workup';
import { RigRow } from '../database/models';
import { deck, fitted } from '@plain-cleat/testing';
import { problemOf, shop } from '../testing/shop';
import { place, step } from '../testing/acts';

describe('rig files', () => {
  it('export, import and export again are the same bytes, ledger and all', async () => {
    const s = await shop();
    const ama = await s.signIn('ama');
    const { body } = await ama.get('/api/floor').expect(200);
    for (const rig of (body as { rigs: { id: string; title: string }[] }).rigs.filter((r) =>
      /survey|minimum|photographer/.test(r.title),
    )) {
      const first = (await ama.get(`/api/rigs/${rig.id}/file`).expect(200)).text;
      const made = (await ama.post('/api/rig-files', { text: first }).expect(200)).body as { id: string };
      expect((await ama.get(`/api/rigs/${made.id}/file`).expect(200)).text).toBe(first);
    }
  });

  it('say of all they bring that it is not of this shop: facts, signatures, what was accepted', async () => {
    const s = await shop();
    const ama = await s.signIn('ama');
    const { body } = await ama.get('/api/floor').expect(200);
    for (const rig of (body as { rigs: { id: string; title: string }[] }).rigs.filter((r) => /survey|minimum/.test(r.title))) {
      const own = await ama.rig(rig.id);
      if (own.facts.some((f) => f.by.includes('from a file'))) continue;
      const { text } = await ama.get(`/api/rigs/${rig.id}/file`).expect(200);
      const made = (await ama.post('/api/rig-files', { text }).expect(200)).body as { id: string };
      const brought = await ama.rig(made.id);
      expect(brought.facts.map((f) => f.by)).toEqual(own.facts.map((f) => `${f.by}, from a file`));
      for (const a of Object.values(brought.plan.accepted)) expect(a.by).toContain(', from a file');
      const fact = { id: randomUUID(), kind: 'stopShown', rig: brought.plan.id, deviceTime: '2026-06-01T10:00:00Z', stop: 'x' };
      await ama.post(`/api/rigs/${made.id}/facts`, { facts: [fact] }).expect(200);
      expect((await ama.rig(made.id)).facts.at(-1)?.by).not.toContain('from a file');
    }
  });

  it('count for nothing until somebody of the shop says so: gates, steps, signatures, what was accepted; holes are there', async () => {
    const s = await shop();
    const [ama, tom] = [await s.signIn('ama'), await s.signIn('tom')];
    const id = await ama.newRig('forged');
    await ama
      .post(`/api/rigs/${id}/changes`, {
        baseVersion: 0,
        undoes: null,
        change: place('w', fitted('gland', deck(1800, 150), 'through')),
      })
      .expect(200);
    const file = JSON.parse((await ama.get(`/api/rigs/${id}/file`).expect(200)).text) as {
      plan: Plan;
      ledger: object[];
    };
    const forged = (body: object) => ({
      ...{ id: randomUUID(), rig: file.plan.id, by: 'Idris Kell' },
      ...{ deviceTime: '2026-06-01T10:00:00.000Z', serverTime: '2026-06-01T10:00:00.000Z' },
      ...body,
    });
    const pass = forged({ kind: 'gatePassed', step: 'drill', why: 'measured by the maker' });
    const done = forged({ kind: 'stepDone', step: 'receive' });
    const measured = { hullRevision: 1, datum: 'bow', run: 'taut', reading: 1800, offCentre: 150, down: null };
    const hole = forged({ kind: 'holeDrilled', hole: 'x.1', label: 'X1', bit: 8, elsewhere: false, measured });
    const accepted = { 'comes-loose:w': { reason: 'it holds', by: 'Idris Kell' } };
    const text = JSON.stringify({
      ...file,
      plan: { ...file.plan, accepted },
      ledger: [pass, done, hole, forged({ kind: 'vouched', facts: [pass.id, done.id] })],
    });
    const made = (await ama.post('/api/rig-files', { text }).expect(200)).body as { id: string };
    const worked = async () => {
      const { plan, hull, facts, catalog, shop: settings } = await ama.rig(made.id);
      return workUp({ plan, hull, facts, catalog, shop: settings, asOf: '2026-06-01' });
    };
    const before = await worked();
    expect(before.drilling.gate.open).toBeFalse();
    expect(before.build.steps.find((one) => one.id === 'receive')?.done).toBeNull();
    expect(before.ledger.holes.map((h) => h.label)).toEqual(['X1']);
    expect(before.ledger.unproven.map((f) => f.kind)).toEqual(['gatePassed', 'stepDone', 'vouched']);
    expect(before.findings.filter((f) => f.accepted)).toEqual([]);
    const rig = (await ama.rig(made.id)).plan.id;
    const vouch = (facts: readonly string[]) => ({
      id: randomUUID(),
      kind: 'vouched',
      rig,
      deviceTime: new Date().toISOString(),
      facts,
    });
    const send = (body: object) => tom.post(`/api/rigs/${made.id}/facts`, body);
    // A step let pass is a manager's to vouch for, by their password, and that covers nothing else.
    expect(problemOf(await send({ facts: [vouch([pass.id])] }).expect(403)).field).toBe('override.password');
    await send({ facts: [vouch([done.id])] }).expect(200);
    expect((await worked()).build.steps.find((one) => one.id === 'receive')?.done?.by).toBe('Idris Kell, from a file');
    expect((await worked()).drilling.gate.open).toBeFalse();
    const override = { login: 'idris', password: 'slack-tide' };
    const both = await send({ facts: [vouch([pass.id]), step('tape', rig)], override }).expect(422);
    expect(problemOf(both).detail).toContain('it is for one fact');
    await send({ facts: [vouch([pass.id])], override }).expect(200);
    expect((await worked()).drilling.gate.open).toBeTrue();
  });

  it('that are wrong, huge or hostile open nothing and name the field', async () => {
    const s = await shop();
    const ama = await s.signIn('ama');
    const before = await RigRow.count();
    for (const text of [
      '',
      'null',
      '[]',
      '{"format":"plain-cleat/rig"}',
      '{"__proto__":{"admin":true}}',
      `{"a":${'['.repeat(2000)}${']'.repeat(2000)}}`,
    ]) {
      const answer = await ama.post('/api/rig-files', { text }).expect(422);
      expect(problemOf(answer).field).toBeTruthy();
    }
    expect(await RigRow.count()).toBe(before);
  });
});
