import { randomUUID } from 'node:crypto';
import type { SavedFacts } from '@plain-cleat/api';
import { FactRow } from '../database/models';
import { problemOf, shop } from '../testing/shop';
import { crate, step } from '../testing/acts';

describe('facts', () => {
  it('are appended once each, never refused as stale, with who and when', async () => {
    const s = await shop();
    const [ama, tom] = [await s.signIn('ama'), await s.signIn('tom')];
    const id = await ama.newRig();
    const planId = (await ama.rig(id)).plan.id;
    const facts = [step('receive', planId), step('measure', planId)];
    const first = await tom.post(`/api/rigs/${id}/facts`, { facts }).expect(200);
    expect((first.body as SavedFacts).factCount).toBe(2);
    const again = await tom.post(`/api/rigs/${id}/facts`, { facts: [...facts, step('tape', planId)] }).expect(200);
    expect((again.body as SavedFacts).factCount).toBe(3);
    const doc = await ama.rig(id);
    expect(doc.facts.map((f) => f.by)).toEqual(['Tom Hale', 'Tom Hale', 'Tom Hale']);
    expect(doc.facts.every((f) => !Number.isNaN(Date.parse(f.serverTime)))).toBeTrue();
    await tom.post(`/api/rigs/${id}/facts`, { facts: [step('tape', 'another-plan')] }).expect(422);
    expect(await FactRow.count({ where: { id: facts.map((f) => f.id) } })).toBe(2);
  });

  it('of many tablets at once are all kept', async () => {
    const s = await shop();
    const ama = await s.signIn('ama');
    const id = await ama.newRig();
    const planId = (await ama.rig(id)).plan.id;
    await Promise.all(
      Array.from({ length: 20 }, (_, i) => ama.post(`/api/rigs/${id}/facts`, { facts: [step(`s${i}`, planId)] }).expect(200)),
    );
    const doc = await ama.rig(id);
    expect([doc.factCount, doc.facts.length]).toEqual([20, 20]);
  });
});

describe('what is decoded when it is accepted', () => {
  it('a signature that is no picture is refused, and nothing of it kept', async () => {
    const ama = await (await shop()).signIn('ama');
    const id = await ama.newRig('signed badly');
    const { plan } = await ama.rig(id);
    const signed = (drawing: string) => ({
      facts: [
        { id: randomUUID(), kind: 'signed', rig: plan.id, deviceTime: '2026-06-01T10:00:00Z', name: 'Spec Owner', drawing },
      ],
    });
    const written = ['not a picture', '\u0089PNG\r\n\u001a\n cut short'].map((b) => Buffer.from(b, 'latin1').toString('base64'));
    // The last one is no byte at all.
    for (const drawing of [...written, 'A'])
      expect(
        problemOf(await ama.post(`/api/rigs/${id}/facts`, signed(`data:image/png;base64,${drawing}`)).expect(422)).field,
      ).toBe('drawing');
    expect((await ama.rig(id)).facts).toEqual([]);
  });

  it('a time zone that no clock knows is refused', async () => {
    const s = await shop();
    const idris = await s.signIn('idris');
    const { body } = await idris.get('/api/shop').expect(200);
    const settings = body as { revision: number };
    const answer = await idris
      .post('/api/shop', { expects: settings.revision, settings: { ...settings, timeZone: 'Moon/Tycho' } })
      .expect(422);
    expect(problemOf(answer).field).toBe('settings.timeZone');
  });

  it('the hundred and fifty-first fitting is refused, by field', async () => {
    const ama = await (await shop()).signIn('ama');
    const id = await ama.newRig('full');
    const put = (from: number, to: number) =>
      Array.from({ length: to - from }, (_, i) => ({ id: randomUUID(), kind: 'placeItem', item: `c${from + i}`, to: crate }));
    const send = (version: number, changes: object[]) =>
      ama.post(`/api/rigs/${id}/changes`, {
        baseVersion: version,
        undoes: null,
        change: { id: randomUUID(), kind: 'together', changes },
      });
    await send(0, put(0, 100)).expect(200);
    await send(1, put(100, 150)).expect(200);
    const over = problemOf(await send(2, put(150, 151)).expect(422));
    expect([over.field, over.detail]).toEqual(['fittings', 'fittings: 151 fittings; a rig holds 150 at the most']);
    expect(Object.keys((await ama.rig(id)).plan.fittings).length).toBe(150);
  });
});

describe('a step let pass', () => {
  it('takes a manager’s password, typed for that one act, on whosever tablet', async () => {
    const s = await shop();
    const [ama, tom, idris] = [await s.signIn('ama'), await s.signIn('tom'), await s.signIn('idris')];
    const id = await ama.newRig('let pass');
    const { plan } = await ama.rig(id);
    const pass = (more: object, kind = 'gatePassed') => ({
      facts: [
        { id: randomUUID(), kind, rig: plan.id, deviceTime: '2026-06-01T10:00:00Z', step: 'cure', why: 'a test piece held' },
      ],
      ...more,
    });
    const send = (who: typeof tom, body: object) => who.post(`/api/rigs/${id}/facts`, body);
    const right = { login: 'idris', password: 'slack-tide' };
    // Signed in as a manager is not enough: a shared tablet is swapped by PIN.
    expect(problemOf(await send(idris, pass({})).expect(403)).field).toBe('override.password');
    expect(problemOf(await send(tom, pass({ override: { ...right, password: 'no' } })).expect(422)).field).toBe(
      'override.password',
    );
    expect(problemOf(await send(tom, pass({ override: { login: 'tom', password: 'bench-two' } })).expect(403)).field).toBe(
      'override.login',
    );
    expect(problemOf(await send(tom, pass({ override: right }, 'gateAsked')).expect(422)).field).toBe('override');
    await send(tom, pass({}, 'gateAsked')).expect(200);
    const kept = (await send(tom, pass({ override: right })).expect(200)).body as SavedFacts;
    expect(kept.facts[0]?.by).toBe('Idris Kell');
    // It signed nobody in.
    expect(((await tom.get('/api/session')).body as { staff: { name: string } }).staff.name).toBe('Tom Hale');
    expect((await ama.rig(id)).facts.map((f) => [f.kind, f.by])).toEqual([
      ['gateAsked', 'Tom Hale'],
      ['gatePassed', 'Idris Kell'],
    ]);
  });
});
