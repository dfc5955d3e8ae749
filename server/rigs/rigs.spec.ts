import { randomUUID } from 'node:crypto';
import { type Change, type Fitting, type Plan, applyChange, sameJson } from '@plain-cleat/core/rig';
import { workUp } from '@plain-cleat/core/workup';
import type { Changed, SavedFacts } from '@plain-cleat/api';
import { ChangeRow, FactRow, RigRow } from '../database/models';
import { deck, fitted } from '@plain-cleat/testing';
import { problemOf, shop } from '../testing/shop';
import { until } from '../testing/until';

const crate = fitted('crate-open', deck(2700), 'loose');
const place = (item: string, to = crate): Change => ({ id: randomUUID(), kind: 'placeItem', item, to });
const slide = (item: string, from: number, to: number): Change => ({
  id: randomUUID(),
  kind: 'slideItem',
  item,
  from: { on: 'deck', x: from, y: 0, heading: 0 },
  to: { on: 'deck', x: to, y: 0, heading: 0 },
});
const step = (name: string, rig: string | null) => ({
  id: randomUUID(),
  kind: 'stepDone' as const,
  rig,
  deviceTime: new Date().toISOString(),
  step: name,
});

describe('changes', () => {
  it('are numbered, logged and applied; the same id twice is applied once', async () => {
    const s = await shop();
    const ama = await s.signIn('ama');
    const id = await ama.newRig();
    const change = place('g');
    const send = () => ama.post(`/api/rigs/${id}/changes`, { baseVersion: 0, change, undoes: null }).expect(200);
    expect((await send()).body).toEqual(jasmine.objectContaining({ version: 1, rebased: false, repeated: false }));
    expect((await send()).body).toEqual(jasmine.objectContaining({ version: 1, repeated: true }));
    expect(await ChangeRow.count({ where: { rigId: id } })).toBe(1);
    const { plan, mine } = await ama.rig(id);
    expect(plan.fittings.g).toEqual(crate);
    expect(mine.map((m) => m.id)).toEqual([change.id]);
    expect(applyChange(plan, mine[0]?.inverse as Change).plan.fittings).toEqual({});
  });

  it('of a stale base are rebased when they touch other fields, and clash on the same', async () => {
    const s = await shop();
    const [ama, tom] = [await s.signIn('ama'), await s.signIn('tom')];
    const id = await ama.newRig();
    const post = (who: typeof ama, baseVersion: number, change: Change) =>
      who.post(`/api/rigs/${id}/changes`, { baseVersion, change, undoes: null });
    await post(ama, 0, place('g')).expect(200);
    await post(ama, 1, slide('g', 2700, 2600)).expect(200);
    const rebased = await post(tom, 1, { id: randomUUID(), kind: 'liftItem', item: 'g', from: 0, to: 40 }).expect(200);
    expect((rebased.body as Changed).rebased).toBeTrue();
    const clash = await post(tom, 1, slide('g', 2700, 2900)).expect(409);
    expect(problemOf(clash).clash).toEqual(
      jasmine.objectContaining({
        field: 'fittings/g/place',
        found: { on: 'deck', x: 2600, y: 0, heading: 0 },
        wanted: { on: 'deck', x: 2900, y: 0, heading: 0 },
      }),
    );
    expect((await ama.rig(id)).plan.fittings.g?.place).toEqual({ on: 'deck', x: 2600, y: 0, heading: 0 });
  });

  it('that name unknown parts, tracks, fittings or versions are refused by field', async () => {
    const s = await shop();
    const ama = await s.signIn('ama');
    const id = await ama.newRig();
    for (const [change, field] of [
      [place('g', { ...crate, part: 'no-such-part' }), 'change.to.part'],
      [place('g', { ...crate, place: { on: 'track', track: 'nowhere', x: 10, heading: 0 } }), 'change.to.place.track'],
      [
        {
          id: randomUUID(),
          kind: 'routeRun',
          run: 'r',
          from: null,
          to: { from: 'a', to: 'b', lane: 'inside port', via: [], awg: null },
        },
        'runs/r/from',
      ],
    ] as [Change, string][]) {
      const answer = await ama.post(`/api/rigs/${id}/changes`, { baseVersion: 0, change, undoes: null }).expect(422);
      expect(problemOf(answer).field).toBe(field);
    }
    await ama.post(`/api/rigs/${id}/changes`, { baseVersion: 7, change: place('g'), undoes: null }).expect(422);
    expect((await ama.rig(id)).version).toBe(0);
  });

  it('of two editors at once all arrive, and the plan is the fold of its log', async () => {
    const s = await shop();
    const people = await Promise.all([s.signIn('ama'), s.signIn('mara'), s.signIn('idris')]);
    const id = await (people[0] as (typeof people)[0]).newRig();
    const opened = JSON.parse((await RigRow.findByPk(id))?.plan ?? '') as Plan;
    await Promise.all(
      people.flatMap((who, p) =>
        Array.from({ length: 8 }, (_, n) =>
          who.post(`/api/rigs/${id}/changes`, { baseVersion: 0, change: place(`p${p}-${n}`), undoes: null }).expect(200),
        ),
      ),
    );
    const log = await ChangeRow.findAll({ where: { rigId: id }, order: [['version', 'ASC']] });
    expect(log.map((c) => c.version)).toEqual(Array.from({ length: 24 }, (_, i) => i + 1));
    const folded = log.reduce((plan, c) => applyChange(plan, JSON.parse(c.body) as Change).plan, opened);
    expect(sameJson(folded, (await people[0]?.rig(id))?.plan)).toBeTrue();
  });

  it('accept a finding only as oneself, some only with a manager’s password typed for it, some not at all', async () => {
    const s = await shop();
    const [tom, idris] = [await s.signIn('tom'), await s.signIn('idris')];
    const id = await idris.newRig();
    const gland: Fitting = {
      ...crate,
      part: 'gland',
      place: { on: 'side', side: 'port', x: 1800, down: 250 },
      mount: { hold: 'through', plate: false, reason: '' },
    };
    const off: Fitting = { ...crate, place: { on: 'deck', x: 2700, y: 900, heading: 0 } };
    const post = (who: typeof tom, change: object) =>
      who.post(`/api/rigs/${id}/changes`, { baseVersion: 0, undoes: null, change: { id: randomUUID(), ...change } });
    await post(idris, { kind: 'placeItem', item: 'w', to: gland }).expect(200);
    await post(idris, { kind: 'placeItem', item: 'o', to: off }).expect(200);
    const accept = (finding: string, by: string) => ({
      kind: 'acceptFinding',
      finding,
      from: null,
      to: { reason: 'it is a drain', by, measure: { amount: 500, unit: 'mm', worse: 'more' } },
    });
    const under = accept('hole-under-water:w:w.1', 'Tom Hale');
    const signed = (change: object, override: object) =>
      tom.post(`/api/rigs/${id}/changes`, { baseVersion: 0, undoes: null, change: { id: randomUUID(), ...change }, override });
    // Signed in as a manager is not enough either: a shared tablet is swapped by PIN.
    for (const who of [tom, idris]) expect(problemOf(await post(who, under).expect(403)).field).toBe('override.password');
    const right = { login: 'idris', password: 'slack-tide' };
    expect(problemOf(await signed(under, { ...right, password: 'no' }).expect(422)).field).toBe('override.password');
    expect(problemOf(await signed(under, { login: 'tom', password: 'bench-two' }).expect(403)).field).toBe('override.login');
    expect(problemOf(await signed({ kind: 'promiseRig', from: null, to: '2026-07-01' }, right).expect(422)).field).toBe(
      'override',
    );
    expect(problemOf(await signed(accept('off-hull:o', ''), right).expect(422)).field).toBe('change.finding');
    await post(tom, accept('no-such-finding', 'Idris Kell')).expect(422);
    await post(idris, accept('off-hull:o', 'Idris Kell')).expect(422);
    // What does not stand is accepted without effect.
    await post(idris, accept('no-such-finding', 'Idris Kell')).expect(200);
    await signed(under, right).expect(200);
    const { plan, hull, facts, catalog, shop: settings } = await tom.rig(id);
    expect(Object.keys(plan.accepted)).toContain('hole-under-water:w:w.1');
    const { findings } = workUp({ plan, hull, facts, catalog, shop: settings, asOf: '2026-06-01' });
    expect(findings.filter((f) => f.accepted).map((f) => f.key)).toEqual(['hole-under-water:w:w.1']);
    expect(plan.accepted['hole-under-water:w:w.1']?.by).toBe('Idris Kell');
    // How bad it was is what the server finds, whatever was sent.
    const stands = findings.find((f) => f.key === 'hole-under-water:w:w.1');
    expect(plan.accepted['hole-under-water:w:w.1']?.measure?.amount).toBeCloseTo(stands?.measure?.amount ?? NaN, 6);
    expect(plan.accepted['no-such-finding']).toEqual({ reason: 'it is a drain', by: 'Idris Kell' });
  });

  it('accept by the amounts the server finds: one that claims more lapses all the same, and the same id again is the same', async () => {
    const s = await shop();
    const tom = await s.signIn('tom');
    const id = await (await s.signIn('idris')).newRig();
    const off: Fitting = { ...crate, place: { on: 'deck', x: 2700, y: 300, heading: 0 } };
    const post = (change: object, undoes: string | null = null) =>
      tom.post(`/api/rigs/${id}/changes`, { baseVersion: 0, undoes, change });
    await post({ id: randomUUID(), kind: 'placeItem', item: 'o', to: off }).expect(200);
    const findings = async () => {
      const { plan, hull, facts, catalog, shop: settings } = await tom.rig(id);
      return { plan, findings: workUp({ plan, hull, facts, catalog, shop: settings, asOf: '2026-06-01' }).findings };
    };
    const found = (await findings()).findings.find((f) => f.measure && f.acceptable === 'anyone');
    const { key = '', measure } = found ?? {};
    expect(measure).toBeTruthy();
    const claim = {
      ...{ id: randomUUID(), kind: 'acceptFinding', finding: key, from: null },
      to: {
        reason: 'as the owner wants it',
        by: 'Tom Hale',
        severity: 'stop',
        size: 1e9,
        measure: { ...measure, amount: 1e9, limit: undefined },
      },
    };
    await post(claim).expect(200);
    const kept = (await findings()).plan.accepted[key];
    expect(kept?.measure?.amount).toBeCloseTo(measure?.amount ?? NaN, 6);
    expect([kept?.severity, kept?.size]).toEqual([found?.severity, undefined]);
    // Sent again after its answer was lost, and given back by an undo as it was kept.
    expect(((await post(claim).expect(200)).body as Changed).repeated).toBeTrue();
    const taken = { id: randomUUID(), kind: 'acceptFinding', finding: key, from: kept, to: null };
    await post(taken).expect(200);
    await post({ ...claim, id: randomUUID(), to: { ...kept, measure: { ...kept?.measure, amount: 5e8 } } }, taken.id).expect(200);
    expect((await findings()).plan.accepted[key]).toEqual(kept as never);
  });

  it('are projected onto the floor', async () => {
    const s = await shop();
    const ama = await s.signIn('ama');
    const id = await ama.newRig('floor rig');
    await ama
      .post(`/api/rigs/${id}/changes`, {
        baseVersion: 0,
        change: place('g', { ...crate, place: { on: 'deck', x: 2700, y: 900, heading: 0 } }),
        undoes: null,
      })
      .expect(200);
    interface Progress {
      stops: number;
      next: string;
    }
    const progress = async (): Promise<Progress | undefined> => {
      const { body } = await ama.get('/api/floor').expect(200);
      return (body as { rigs: { id: string; progress: Progress }[] }).rigs.find((r) => r.id === id)?.progress;
    };
    await until('the rig is projected', async () => (await progress())?.stops === 1);
    expect((await progress())?.next).toBe('Settle 1 stop before drilling');
  });
});

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
