import { randomUUID } from 'node:crypto';
import { asPlanned } from '@plain-cleat/core/holding/drilling';
import type { Plan } from '@plain-cleat/core/rig';
import { workUp } from '@plain-cleat/core/workup';
import type { Changed } from '@plain-cleat/api';
import { QueryTypes } from 'sequelize';
import sharp from 'sharp';
import { connect } from '../database/connect';
import { HullRow, RigRow } from '../database/models';
import { deck, fitted } from '@plain-cleat/testing';
import { problemOf, shop, testUrl } from '../testing/shop';
import { dataOf, FORGOTTEN, forgetOwner } from './erase';

describe('an owner who asks to be forgotten', () => {
  it('leaves register, plan, log, facts, photos and page; holes and ledger stay; undo ends there', async () => {
    const s = await shop();
    const ama = await s.signIn('ama');
    const owner = { name: 'Perpetua Wistlethorpe', email: 'perpetua@wistlethorpe.example' };
    const opened = { title: 'to be forgotten', owner, hull: 'tolvane-118', serial: 'S77', promised: null };
    const { id } = (await ama.post('/api/rigs', opened).expect(200)).body as { id: string };
    let version = 0;
    const change = async (more: object): Promise<Plan> => {
      const body = { baseVersion: version, undoes: null, change: { id: randomUUID(), ...more } };
      const answer = await ama.post(`/api/rigs/${id}/changes`, body);
      expect(answer.status).withContext(problemOf(answer).detail).toBe(200);
      const done = answer.body as Changed;
      version = done.version;
      return done.plan;
    };
    const notes = 'her left shoulder hurts after noon';
    await change({
      kind: 'answerBrief',
      from: { stature: 1750, weightKg: 80, notes: '' },
      to: { stature: 1613.7, weightKg: 91.3, notes },
    });
    await change({ kind: 'answerBrief', from: { second: null }, to: { second: { stature: 1613.7, weightKg: 91.3 } } });
    const guests = { first: { body: { stature: 1613.7, weightKg: 91.3 }, raise: 20 }, second: null };
    await change({ kind: 'nameSet', set: 'guest', from: null, to: { name: 'guest', order: 1, sits: guests } });
    const eye = fitted('pad-eye', deck(3300), 'rivet');
    const { id: planId } = await change({ kind: 'placeItem', item: 'eye', to: eye });
    const photo = await sharp({ create: { width: 30, height: 20, channels: 3, background: '#abc' } })
      .png()
      .toBuffer();
    const kept = (await ama.sendFile(`/api/rigs/${id}/photos`, 'photo', photo, 'her boat.png').expect(200)).body as {
      id: string;
    };
    const fact = (more: object) => ({ id: randomUUID(), rig: planId, deviceTime: '2026-06-01T10:00:00Z', ...more });
    const drawing = `data:image/png;base64,${photo.toString('base64')}`;
    const before = await ama.rig(id);
    const {
      drilling: { holes },
    } = workUp({
      plan: before.plan,
      hull: before.hull,
      facts: [],
      catalog: before.catalog,
      shop: before.shop,
      asOf: '2026-06-01',
    });
    const [hole] = holes;
    if (!hole) throw new Error('no hole');
    const measured = asPlanned(hole, before.plan.tape, before.hull.revision);
    await ama
      .post(`/api/rigs/${id}/facts`, {
        facts: [
          fact({ kind: 'layoutAgreed', name: owner.name, photo: kept.id }),
          fact({ kind: 'holeDrilled', hole: hole.id, label: 'A1', bit: 4.8, measured, elsewhere: false }),
          fact({ kind: 'signed', name: owner.name, drawing }),
        ],
      })
      .expect(200);
    // Their name in every text there is of the rig: each field takes what somebody writes into it.
    const said = 'asked by Perpetua Wistlethorpe';
    const wish = { text: said, part: null };
    await change({ kind: 'nameRig', from: 'to be forgotten', to: said });
    await change({ kind: 'writeWish', wish: 'w', from: null, to: wish });
    await change({
      kind: 'stowThing',
      thing: 't',
      from: null,
      to: { what: said, in: 'bow-hold', kg: 1, litres: 1, wantsDry: false, use: 'ashore', later: false },
    });
    await change({ kind: 'acceptFinding', finding: 'comes-loose:eye', from: null, to: { reason: said, by: 'Ama Lindqvist' } });
    await change({ kind: 'noteItem', item: 'eye', from: '', to: said });
    await change({ kind: 'chooseMount', item: 'eye', from: eye.mount, to: { ...eye.mount, reason: said } });
    await change({ kind: 'answerBrief', from: { later: '', ownGear: '' }, to: { later: said, ownGear: said } });
    await change({ kind: 'nameSet', set: 'hers', from: null, to: { name: 'Perpetua Wistlethorpe alone', order: 2 } });
    const remarks = [
      fact({ kind: 'received', name: owner.name, for: 'x', drawing }),
      fact({ kind: 'thingSeen', thing: 'eye', is: 'worn', says: said }),
      fact({ kind: 'snagNoted', stop: 'eye', says: said }),
      fact({ kind: 'gateAsked', step: 'cure', why: said }),
      fact({ kind: 'holeFound', label: 'O1', hole: 'found.1', bit: 5, measured, says: said }),
      fact({ kind: 'fastenerSubstituted', fitting: 'eye', with: 'rivet 64', why: said }),
    ];
    const sent = await ama.post(`/api/rigs/${id}/facts`, { facts: remarks });
    expect(sent.status).withContext(problemOf(sent).detail).toBe(200);
    await ama.get(`/api/rigs/${id}/owners-book.pdf`);
    const { url } = (await ama.post(`/api/rigs/${id}/owner-link`, {}).expect(200)).body as { url: string };
    const ownerId = (await RigRow.findByPk(id))?.ownerId ?? '';

    // All that is kept is given out first.
    const data = JSON.stringify(await dataOf(s.db, ownerId));
    for (const told of [owner.name, owner.email, '1613.7', notes, photo.toString('base64').slice(0, 40)])
      expect(data).toContain(told);

    const admin = connect(process.env.TEST_DATABASE_ADMIN_URL ?? testUrl(), { max: 2 });
    expect(await forgetOwner(admin, ownerId)).toEqual({ rigs: 1, photos: 1 });
    await forgetOwner(admin, 'nobody').then(
      () => fail('nobody was forgotten'),
      (error: Error) => expect(error.message).toContain('no such owner'),
    );
    await admin.close();

    // Nothing of them in any table.
    const tables = await s.db.query<{ name: string }>(
      'SELECT TABLE_NAME AS name FROM information_schema.TABLES WHERE TABLE_SCHEMA = DATABASE()',
      { type: QueryTypes.SELECT },
    );
    for (const { name } of tables) {
      const rows = await s.db.query(`SELECT * FROM \`${name}\``, { type: QueryTypes.SELECT });
      const text = JSON.stringify(rows, (_, v: unknown) => (v instanceof Uint8Array ? Buffer.from(v).toString('base64') : v));
      for (const told of [
        'Wistlethorpe',
        'wistlethorpe',
        '1613.7',
        '91.3',
        'hurts after noon',
        photo.toString('base64').slice(20, 60),
      ])
        expect(text.includes(told)).withContext(`${told} in ${name}`).toBeFalse();
    }
    const after = await ama.rig(id);
    expect(after.owner).toEqual({ id: ownerId, name: FORGOTTEN, email: '' });
    expect(after.version).toBe(version + 1);
    expect(after.mine).toEqual([]);
    expect(after.facts.map((f) => [f.id, f.kind, f.by])).toEqual((await ama.rig(id)).facts.map((f) => [f.id, f.kind, f.by]));
    await s.nobody().get(url.replace('/owner/', '/api/owner/')).expect(404);
    await ama.get(`/api/rigs/${id}/photos/${kept.id}`).expect(404);

    // What was judged of the body says so; the boat keeps its hole.
    const w = workUp({
      plan: after.plan,
      hull: after.hull,
      facts: after.facts,
      catalog: after.catalog,
      shop: after.shop,
      asOf: '2026-06-01',
    });
    expect(w.findings.map((f) => f.code)).toContain('body-not-kept');
    for (const of of ['reach', 'paddle-stroke', 'legs', 'overloaded'] as const)
      expect(w.findings.map((f) => f.code)).not.toContain(of);
    expect(w.ledger.holes.length).toBe(2);
    expect((await HullRow.findByPk((await RigRow.findByPk(id))?.hullId ?? ''))?.serial).toBe('S77');

    // The rig goes on: a new change, and its undo.
    const { plan } = await ama.rig(id);
    const next = await ama.post(`/api/rigs/${id}/changes`, {
      baseVersion: after.version,
      undoes: null,
      change: { id: randomUUID(), kind: 'nameRig', from: plan.title, to: 'somebody’s rig' },
    });
    expect(next.status).withContext(problemOf(next).detail).toBe(200);
    expect((await ama.rig(id)).mine.length).toBe(1);
  });
});
