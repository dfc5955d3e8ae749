import { randomUUID } from 'node:crypto';
import type { RigDocument, RigSince } from '@plain-cleat/api';
import { applyChange, type Plan } from '@plain-cleat/core/rig';
import { type Person, problemOf, shop, type Shop } from '../testing/shop';

describe('what happened to a rig since', () => {
  let s: Shop;
  let ama: Person;
  let idris: Person;
  beforeAll(async () => {
    s = await shop();
    [ama, idris] = [await s.signIn('ama'), await s.signIn('idris')];
  });
  const since = async (who: Person, rig: string, { version, factCount }: RigDocument): Promise<RigSince> =>
    (await who.get(`/api/rigs/${rig}/since`).query({ version, facts: factCount }).expect(200)).body as RigSince;
  const rename = (who: Person, rig: string, baseVersion: number, from: string, to: string) =>
    who
      .post(`/api/rigs/${rig}/changes`, { baseVersion, undoes: null, change: { id: randomUUID(), kind: 'nameRig', from, to } })
      .expect(200);
  it('is the changes and facts in their order, which lead to the very plan that the server has', async () => {
    const rig = await ama.newRig('since');
    const before = await ama.rig(rig);
    await rename(idris, rig, 0, 'since', 'a');
    await rename(ama, rig, 1, 'a', 'b');
    const step = {
      id: randomUUID(),
      kind: 'stepDone',
      rig: before.plan.id,
      deviceTime: new Date().toISOString(),
      step: 'receive',
    };
    await idris.post(`/api/rigs/${rig}/facts`, { facts: [step] }).expect(200);
    const told = await since(ama, rig, before);
    const now = await ama.rig(rig);
    expect((told.changes ?? []).reduce<Plan>((plan, { change }) => applyChange(plan, change).plan, before.plan)).toEqual(
      now.plan,
    );
    expect([told.version, told.changes?.map((c) => c.version)]).toEqual([2, [1, 2]]);
    expect(told.facts).toEqual(now.facts);
    expect([told.factCount, told.mine.map((m) => m.version)]).toEqual([1, [2]]);
    const nothing = await since(ama, rig, now);
    expect([nothing.changes, nothing.facts, nothing.mine]).toEqual([[], [], []]);
  });

  it('is to be fetched anew when it is too much', async () => {
    const rig = await ama.newRig('long since');
    const before = await ama.rig(rig);
    await rename(ama, rig, 0, 'long since', 'a');
    for (let n = 1; n <= 201; n++) await rename(ama, rig, n, n === 1 ? 'a' : `n ${n - 1}`, `n ${n}`);
    const told = await since(ama, rig, before);
    expect([told.version, told.changes]).toEqual([202, null]);
    expect((await since(ama, rig, { ...before, version: 2 })).changes?.length).toBe(200);
  });

  it('is nobody’s who does not work here, and of no rig that there is not', async () => {
    const rig = await ama.newRig('nobody’s');
    await s.nobody().get(`/api/rigs/${rig}/since?version=0&facts=0`).expect(401);
    await ama.get('/api/rigs/no-such-rig/since?version=0&facts=0').expect(404);
    expect(problemOf(await ama.get(`/api/rigs/${rig}/since?version=-1&facts=0`).expect(422)).field).toBe('version');
  });
});
