import { randomUUID } from 'node:crypto';
import { type Change, type Fitting, type Plan, applyChange, sameJson } from '@plain-cleat/core/rig';
import { workUp } from '@plain-cleat/core/workup';
import type { Changed } from '@plain-cleat/api';
import { ChangeRow, RigRow } from '../database/models';
import { problemOf, shop } from '../testing/shop';
import { until } from '../testing/until';
import { crate, place, slide } from '../testing/acts';

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
