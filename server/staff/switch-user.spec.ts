import { randomUUID } from 'node:crypto';
import type { Crew, SavedFacts, Session } from '@plain-cleat/api';
import { STAFF } from '@plain-cleat/demo';
import sharp from 'sharp';
import { workUp } from '@plain-cleat/core/workup';
import { ChangeRow, StaffRow } from '../database/models';
import { type Person, problemOf, shop } from '../testing/shop';
import { hashPassword } from './passwords';
import { makeProof, readProof } from './proof';

const pinOf = (id: string): string => STAFF.find((s) => s.id === id)?.pin ?? '';

describe('a proof of who kept something', () => {
  const secret = 'a secret of at least sixteen letters';
  it('holds for a month, and only as it was sealed', () => {
    const now = Date.parse('2026-06-01T10:00:00Z');
    const proof = makeProof('mara', secret, now);
    const days = (n: number): number => now + n * 86_400_000;
    expect(readProof(proof, secret, days(29))).toBe('mara');
    expect(readProof(proof, secret, days(31))).toBeNull();
    expect(readProof(proof.replace('mara', 'tom'), secret, now)).toBeNull();
    expect(readProof(proof, 'another secret of many letters', now)).toBeNull();
    for (const nonsense of ['', 'a.b.c', `${proof}x`]) expect(readProof(nonsense, secret, now)).toBeNull();
  });
});

describe('a shared tablet', () => {
  const open = async (): Promise<{ tablet: Person; rig: string; plan: string }> => {
    const s = await shop();
    const rig = await (await s.signIn('ama')).newRig('swapped');
    const tablet = await s.signIn('mara');
    return { tablet, rig, plan: (await tablet.rig(rig)).plan.id };
  };
  const done = (plan: string, step: string) => ({
    id: randomUUID(),
    kind: 'stepDone',
    rig: plan,
    deviceTime: '2026-06-01T08:15:00Z',
    step,
  });

  it('goes over to another by PIN, and names who may take it', async () => {
    const { tablet } = await open();
    const crew = (await tablet.get('/api/crew').expect(200)).body as Crew;
    expect(crew.map((c) => [c.name, c.hasPin])).toContain(['Tom Hale', true]);
    const wrong = problemOf(await tablet.post('/api/switch-user', { staff: 'tom', pin: '0000' }).expect(422));
    expect(wrong.field).toBe('pin');
    expect(problemOf(await tablet.post('/api/switch-user', { staff: 'tom', pin: '12' }).expect(422)).detail).toContain(
      'four to eight',
    );
    const { staff } = (await tablet.post('/api/switch-user', { staff: 'tom', pin: pinOf('tom') }).expect(200)).body as Session;
    expect(staff?.name).toBe('Tom Hale');
    expect(((await tablet.get('/api/session')).body as Session).staff?.id).toBe('tom');
  });

  it('a PIN is chosen with the password', async () => {
    const idris = await (await shop()).signIn('idris');
    const wrong = problemOf(await idris.post('/api/pin', { password: 'guess', pin: '1234' }).expect(422));
    expect(wrong.field).toBe('password');
    await idris.post('/api/pin', { password: 'slack-tide', pin: '90210' }).expect(200);
    const mara = await (await shop()).signIn('mara');
    await mara.post('/api/switch-user', { staff: 'idris', pin: '8153' }).expect(422);
    await mara.post('/api/switch-user', { staff: 'idris', pin: '90210' }).expect(200);
    await idris.post('/api/pin', { password: 'slack-tide', pin: '8153' }).expect(200);
  });

  it('facts it kept while the network was gone stay those of who kept them', async () => {
    const { tablet, rig, plan } = await open();
    const { proof } = (await tablet.get('/api/session').expect(200)).body as Session;
    const tom = await (await shop()).signIn('tom');
    const keep = async (keptBy: object, step: string): Promise<string | undefined> => {
      const { body } = await tom.post(`/api/rigs/${rig}/facts`, { facts: [done(plan, step)], keptBy }).expect(200);
      return (body as SavedFacts).facts[0]?.by;
    };
    expect(await keep({ name: 'Mara Voss', proof }, 'receive')).toBe('Mara Voss');
    // What the tablet claims does not count where the proof says otherwise, or nothing.
    expect(await keep({ name: 'Idris Kell', proof }, 'measure')).toBe('Mara Voss');
    expect(await keep({ name: 'Mara Voss', proof: 'worn out' }, 'strip')).toBe('Mara Voss, sent by Tom Hale');
    expect(await keep({ name: 'Tom Hale', proof: '' }, 'tape')).toBe('Tom Hale');
  });

  it('a change made by one and sent by another is logged as of who made it', async () => {
    const { tablet, rig } = await open();
    const { proof } = (await tablet.get('/api/session').expect(200)).body as Session;
    const tom = await (await shop()).signIn('tom');
    const rename = (to: string, keptBy: object) =>
      tom.post(`/api/rigs/${rig}/changes`, {
        ...{ baseVersion: 0, undoes: null, ...keptBy },
        change: { id: randomUUID(), kind: 'nameRig', from: to === 'hers' ? 'swapped' : 'hers', to },
      });
    await rename('hers', { keptBy: { name: 'Mara Voss', proof } }).expect(200);
    await rename('his', { keptBy: { name: 'Mara Voss', proof: 'worn out' } }).expect(200);
    const authors = await ChangeRow.findAll({ where: { rigId: rig }, order: [['version', 'ASC']] });
    expect(authors.map((c) => c.author)).toEqual(['mara', 'tom']);
    // To be undone by whoever made it.
    expect((await tablet.rig(rig)).mine.length).toBe(1);
  });

  it('facts of one who left meanwhile are kept, marked, and count when somebody says so', async () => {
    const s = await shop();
    const gone = await StaffRow.create({
      ...{ id: 'gone-since', login: 'gone-since', name: 'Gone Since', role: 'rigger' },
      ...{ passwordHash: await hashPassword('right-password'), pinHash: null },
    });
    const rig = await (await s.signIn('ama')).newRig('left');
    const tablet = await s.signInAs('gone-since', 'right-password');
    const { plan } = await tablet.rig(rig);
    const { proof } = (await tablet.get('/api/session').expect(200)).body as Session;
    await gone.update({ ended: '2026-06-01T10:00:00Z' });
    const tom = await s.signIn('tom');
    const kept = done(plan.id, 'receive');
    const send = (body: object) => tom.post(`/api/rigs/${rig}/facts`, body).expect(200);
    const answer = (await send({ facts: [kept], keptBy: { name: 'Gone Since', proof } })).body as SavedFacts;
    expect([answer.facts[0]?.by, answer.facts[0]?.unproven]).toEqual(['Gone Since', 'of one who left']);
    const stands = async () => {
      const { plan: p, hull, facts, catalog, shop: settings } = await tom.rig(rig);
      const w = workUp({ plan: p, hull, facts, catalog, shop: settings, asOf: '2026-06-01' });
      return [w.build.steps.find((one) => one.id === 'receive')?.done !== null, w.ledger.unproven.length];
    };
    expect(await stands()).toEqual([false, 1]);
    await send({ facts: [{ ...done(plan.id, ''), id: randomUUID(), kind: 'vouched', facts: [kept.id], step: undefined }] });
    expect(await stands()).toEqual([true, 0]);
  });

  it('a photo sent twice under one id is kept once', async () => {
    const { tablet, rig } = await open();
    const bytes = await sharp({ create: { width: 20, height: 10, channels: 3, background: '#444' } })
      .jpeg()
      .toBuffer();
    const id = randomUUID();
    const send = () => tablet.sendFile(`/api/rigs/${rig}/photos`, 'photo', bytes, 'hole.jpg').field('id', id).expect(200);
    expect(((await send()).body as { id: string }).id).toBe(id);
    expect(((await send()).body as { id: string }).id).toBe(id);
    await tablet.get(`/api/rigs/${rig}/photos/${id}`).expect(200);
  });

  it('somebody’s preferences go with them, from device to device, and are nobody else’s', async () => {
    const s = await shop();
    const tablet = await s.signIn('mara');
    const mine = async (person: Person): Promise<unknown> =>
      ((await person.get('/api/session').expect(200)).body as Session).preferences;
    expect(await mine(tablet)).toEqual({});
    await tablet.post('/api/preferences', { units: 'metric' }).expect(200);
    await tablet.post('/api/preferences', { theme: 'dark' }).expect(200);
    expect(await mine(await s.signIn('mara'))).toEqual({ units: 'metric', theme: 'dark' });
    expect(await mine(await s.signIn('tom'))).toEqual({});
    const swapped = await tablet.post('/api/switch-user', { staff: 'tom', pin: '2590' }).expect(200);
    expect((swapped.body as Session).preferences).toEqual({});

    const wrong = await (await s.signIn('mara')).post('/api/preferences', { units: 'cubits' }).expect(422);
    expect(problemOf(wrong).field).toBe('units');
    // One that an older or newer build wrote, and this one does not know, is as if nothing was said.
    await StaffRow.update({ preferences: '{"units":"cubits"}' }, { where: { id: 'mara' } });
    expect(await mine(await s.signIn('mara'))).toEqual({});
    await StaffRow.update({ preferences: '{}' }, { where: { id: 'mara' } });
  });
});
