import { randomUUID } from 'node:crypto';
import type { RigDocument } from '@plain-cleat/api';
import { type Newer, offersOf } from '@plain-cleat/core/workup';
import type { ShopSettings } from '@plain-cleat/core/parts/shop';
import { type Person, problemOf, shop } from '../testing/shop';

describe("the shop's settings", () => {
  let idris: Person;
  let tom: Person;
  let rig: string;
  beforeAll(async () => {
    const s = await shop();
    [idris, tom] = [await s.signIn('idris'), await s.signIn('tom')];
    const made = await idris
      .post('/api/rigs', {
        title: 'settings',
        owner: { name: 'Settings', email: '' },
        hull: 'tolvane-118',
        serial: '',
        promised: null,
      })
      .expect(200);
    rig = (made.body as { id: string }).id;
  });
  const read = async (): Promise<ShopSettings> => (await tom.get('/api/shop').expect(200)).body as ShopSettings;
  const documentOf = async (): Promise<RigDocument> => (await idris.get(`/api/rigs/${rig}`).expect(200)).body as RigDocument;
  const newer = async (): Promise<Newer> => (await idris.get(`/api/rigs/${rig}/newer`).expect(200)).body as Newer;
  const update = (pin: string, from: number, to: number, baseVersion: number) =>
    idris.post(`/api/rigs/${rig}/changes`, {
      baseVersion,
      change: { id: randomUUID(), kind: 'adoptRevision', pin, from, to },
      undoes: null,
    });

  it('are kept by a manager as a new revision, which a plan is offered, takes and gives back', async () => {
    const before = await read();
    await tom.post('/api/shop', { settings: before, expects: before.revision }).expect(403);
    expect((await newer()).shop).toBeNull();
    const settings = { ...before, limits: { ...before.limits, standing: before.limits.standing + 10 } };
    const kept = (await idris.post('/api/shop', { settings, expects: before.revision }).expect(200)).body as ShopSettings;
    expect(kept.revision).toBe(before.revision + 1);
    expect((await newer()).shop?.limits.standing).toBe(settings.limits.standing);
    const opened = await documentOf();
    expect(opened.shop.limits.standing).toBe(before.limits.standing);
    await update('limits', before.revision, kept.revision, opened.version).expect(200);
    const taken = await documentOf();
    expect(taken.shop).toEqual(kept);
    // The other groups are pinned by themselves: they hold nothing new.
    const input = { plan: taken.plan, shop: taken.shop, catalog: taken.catalog };
    expect(offersOf(input, await newer())).toEqual([]);
    expect(offersOf({ ...input, plan: opened.plan, shop: opened.shop }, await newer()).map((o) => o.of)).toEqual(['limits']);
    await update('limits', kept.revision, before.revision, taken.version).expect(200);
    expect((await documentOf()).shop.limits.standing).toBe(before.limits.standing);
  });

  it('are not written over unseen, and do not take what does not hold together', async () => {
    const settings = await read();
    const keep = (change: Partial<ShopSettings>, expects = settings.revision) =>
      idris.post('/api/shop', { settings: { ...settings, ...change }, expects }).expect(422);
    expect(problemOf(await keep({}, settings.revision + 1)).detail).toContain(`at revision ${settings.revision} by now`);
    const [list] = settings.rules;
    expect(problemOf(await keep({ rules: list ? [list, list] : [] })).field).toBe('settings.rules');
    const rods = { light: 9, usual: 6, large: 12 };
    expect(problemOf(await keep({ limits: { ...settings.limits, rods } })).field).toBe('settings.limits.rods');
    expect(problemOf(await keep({ taxPercent: 90 })).field).toBe('settings.taxPercent');
    expect((await read()).revision).toBe(settings.revision);
  });

  it('a revision that is not there, or would take a place away, is not adopted', async () => {
    const { version, hull, plan } = await documentOf();
    expect(problemOf(await update('rules', plan.pins.shop.rules, 99, version).expect(422)).field).toBe('change.to');
    expect(problemOf(await update('materials', plan.pins.materials, 99, version).expect(422)).detail).toContain(
      'no such revision',
    );
    expect(problemOf(await update('hull', hull.revision, 99, version).expect(422)).detail).toContain('no such revision');
  });
});

describe('hot rooms', () => {
  it('are only those that a hull has', async () => {
    const idris = await (await shop()).signIn('idris');
    const settings = (await idris.get('/api/shop').expect(200)).body as ShopSettings;
    const hot = (names: readonly string[], expects = settings.revision) =>
      idris.post('/api/shop', { settings: { ...settings, wiring: { ...settings.wiring, hot: names } }, expects });
    const refused = problemOf(await hot(['Engine room']).expect(422));
    expect(refused.field).toBe('settings.wiring.hot');
    expect(refused.detail).toContain('no hull has a room named Engine room; the rooms are ');
    const [room = ''] = /rooms are ([^,]+)/.exec(refused.detail ?? '')?.slice(1) ?? [];
    await hot([room.toUpperCase()]).expect(200);
    // As it was, for whoever comes after.
    await hot(settings.wiring.hot, settings.revision + 1).expect(200);
  });
});
