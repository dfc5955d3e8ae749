import { randomUUID } from 'node:crypto';
import type { FoundParts, RigDocument, StoresList } from '@plain-cleat/api';
import type { Part } from '@plain-cleat/core/parts/parts';
import { type Fitting, readRigFile } from '@plain-cleat/core/rig';
import { type Newer, offersOf } from '@plain-cleat/core/workup';
import { CATALOG } from '@plain-cleat/demo';
import { deck, fitted } from '@plain-cleat/testing';
import { type Person, problemOf, type Shop, shop } from '../testing/shop';
import type { HttpProblem } from '../problems/problem';
import { readCatalog, type Taken, takeCatalog, wholeCatalog } from './catalog';

describe('parts', () => {
  let s: Shop;
  let idris: Person;
  let tom: Person;
  beforeAll(async () => {
    s = await shop();
    [idris, tom] = [await s.signIn('idris'), await s.signIn('tom')];
  });
  const demoPart = (id: string): Part => CATALOG.parts.find((p) => p.id === id) as Part;
  const keep = (part: Part, expects: number, active = true) => idris.post('/api/parts', { part, expects, active });
  const find = async (text: string, page = 0): Promise<FoundParts> =>
    (await tom.get('/api/parts').query({ text, page }).expect(200)).body as FoundParts;
  const hashNow = async (): Promise<string> => ((await tom.get('/api/stores').expect(200)).body as StoresList).range;
  const rangeAt = async (hash: string): Promise<Part[]> => (await tom.get(`/api/range/${hash}`).expect(200)).body as Part[];
  const own = (id: string, more: Partial<Part> = {}): Part => ({ ...demoPart('pad-eye'), id, ...more });
  /** An own part of this spec, kept at its first revision. */
  const kept = async (more: Partial<Part> = {}, active = true): Promise<Part> => {
    const part = own(`eye-${randomUUID().slice(0, 8)}`, more);
    return (await keep(part, 0, active).expect(200)).body as Part;
  };
  const changeOf = async (rig: string, change: object): Promise<void> => {
    const { version } = await idris.rig(rig);
    await idris
      .post(`/api/rigs/${rig}/changes`, { baseVersion: version, change: { id: randomUUID(), ...change }, undoes: null })
      .expect(200);
  };
  const fittingOf = (part: Part, x: number, more: Partial<Fitting> = {}): Fitting => fitted(part.id, deck(x), 'rivet', more);

  it('come with the range by an address that follows from them, compressed and for good', async () => {
    const hash = await hashNow();
    const answer = await tom.get(`/api/range/${hash}`).expect(200);
    expect(answer.headers['content-encoding']).toBe('gzip');
    expect(answer.headers['cache-control']).toContain('immutable');
    const range = answer.body as Part[];
    expect(range.map((p) => p.id)).toEqual(jasmine.arrayContaining(CATALOG.parts.map((p) => p.id)));
    // Whoever cannot unpack it gets the same.
    const plain = await tom.get(`/api/range/${hash}`).set('Accept-Encoding', 'identity').expect(200);
    expect(plain.headers['content-encoding']).toBeUndefined();
    expect(plain.body).toEqual(range);
    const mine = await kept();
    expect(await hashNow()).not.toBe(hash);
    // Whoever was told the address before gets the range as it is now.
    const moved = await tom.get(`/api/range/${hash}`).expect(307);
    expect(moved.headers.location).toBe(`/api/range/${await hashNow()}`);
    expect(moved.headers['cache-control']).toBe('no-store');
    expect((await rangeAt(await hashNow())).map((p) => p.id)).toContain(mine.id);
    await idris.post(`/api/parts/${mine.id}/range`, { active: false }).expect(200);
    expect(await hashNow()).toBe(hash);
    await s.nobody().get(`/api/range/${hash}`).expect(401);
  });

  it('are found by the beginnings of their words, in English and French, short words and words that say nothing too', async () => {
    const mine = await kept({ name: 'Zephyr hook for 7 in mast', french: 'Crochet Zéphyr', kind: 'flag' }, false);
    for (const text of ['zeph', 'ZEPHYR hook', 'zephyr for', 'zephyr 7', 'crochet zéph', 'flag zephyr', 'hook 7 in zephyr'])
      expect((await find(text)).parts.map((p) => p.id))
        .withContext(text)
        .toEqual([mine.id]);
    for (const text of ['zephyr spike', 'ephyr', 'zephyr 8', "zephyr'); DROP TABLE parts; --", 'zephyr +-*"()~<>@ nothing'])
      expect((await find(text)).parts)
        .withContext(text)
        .toEqual([]);
    expect((await find('')).parts.length).toBe(30);
  });

  it('are found a page at a time', async () => {
    const [first, second] = [await find('', 0), await find('', 1)];
    expect(first.more).toBeTrue();
    expect(first.parts.some((p) => second.parts.some((q) => q.id === p.id))).toBeFalse();
    const all = CATALOG.parts.length;
    expect((await find('', Math.floor(all / 30) + 40)).parts).toEqual([]);
    expect(problemOf(await tom.get('/api/parts').query({ page: -1 }).expect(422)).field).toBe('page');
    expect(
      problemOf(
        await tom
          .get('/api/parts')
          .query({ text: 'x'.repeat(81) })
          .expect(422),
      ).field,
    ).toBe('text');
  });

  it('are kept as revisions by a manager, never over one unseen', async () => {
    const mine = await kept();
    await tom.post('/api/parts', { part: mine, expects: 1 }).expect(403);
    expect(problemOf(await keep(mine, 0).expect(422)).detail).toContain('at revision 1 by now');
    expect(problemOf(await keep(own('nobody-has-this'), 4).expect(422)).detail).toContain('no such part');
    const bad = { ...mine, sold: { ...mine.sold, priceCents: -1 } };
    expect(problemOf(await keep(bad, 1).expect(422)).field).toBe('part.sold.priceCents');
    const [one, other] = await Promise.all([keep({ ...mine, name: 'One' }, 1), keep({ ...mine, name: 'Other' }, 1)]);
    expect([one.status, other.status].sort()).toEqual([200, 422]);
    await idris.post('/api/parts/nobody-has-this/range', { active: true }).expect(404);
  });

  it('stay with a plan in the revision they were placed in, are offered in a newer one, taken and given back', async () => {
    const mine = await kept();
    const rig = await idris.newRig('parts');
    await changeOf(rig, { kind: 'placeItem', item: 'eye', to: fittingOf(mine, 3250) });
    const dearer = { ...mine, sold: { ...mine.sold, priceCents: mine.sold.priceCents + 500 } };
    const second = (await keep(dearer, 1).expect(200)).body as Part;
    expect(second.revision).toBe(2);
    const before = await idris.rig(rig);
    expect(before.catalog.parts).toEqual([mine]);
    const newer = (await idris.get(`/api/rigs/${rig}/newer`).expect(200)).body as Newer;
    const [offer, ...rest] = offersOf({ plan: before.plan, shop: before.shop, catalog: before.catalog }, newer);
    expect([offer?.of, offer?.from, offer?.to, rest]).toEqual([`part ${mine.id}`, 1, 2, []]);
    for (const change of offer?.changes ?? []) await changeOf(rig, change);
    // A second one of the old revision stands beside it.
    await changeOf(rig, { kind: 'placeItem', item: 'old', to: fittingOf(mine, 3000) });
    const taken = await idris.rig(rig);
    expect(taken.catalog.parts.map((p) => p.sold.priceCents).sort()).toEqual(
      [mine.sold.priceCents, dearer.sold.priceCents].sort(),
    );
    const file = readRigFile((await idris.get(`/api/rigs/${rig}/file`).expect(200)).text);
    expect(file.ok && file.file.parts.map((p) => p.revision)).toEqual([undefined, 2]);
    await changeOf(rig, { kind: 'adoptPart', item: 'eye', from: 2, to: null });
    expect((await idris.rig(rig)).catalog.parts).toEqual([mine]);
  });

  it('that there are not, or not in that revision, come aboard no rig and into no assembly', async () => {
    const mine = await kept();
    const rig = await idris.newRig('no such part');
    const place = async (to: object) => {
      const { version } = await idris.rig(rig);
      const change = { id: randomUUID(), kind: 'placeItem', item: 'eye', to };
      return problemOf(await idris.post(`/api/rigs/${rig}/changes`, { baseVersion: version, change, undoes: null }).expect(422));
    };
    expect((await place(fittingOf(own('nobody-has-this'), 3250))).detail).toContain('no part nobody-has-this');
    const wrong = await place(fittingOf(mine, 3250, { revision: 2 }));
    expect(wrong.detail).toBe(`change.to.part: the stores have no part ${mine.id} in revision 2`);
    expect((await place(fittingOf(mine, 3250, { revision: 1 }))).field).toContain('revision');
    const assembly = {
      id: 'spec-kit',
      name: 'Kit',
      version: 1,
      base: 'a',
      fittings: { a: fittingOf(own('nobody-has-this'), 0) },
    };
    const refused = problemOf(await idris.post('/api/assemblies', { assembly, expects: 0 }).expect(422));
    expect(refused.field).toBe('assembly.fittings.a.part');
  });

  it('a rig brings what it uses and what was wished for, and no more', async () => {
    const [mine, wished] = [await kept({}, false), await kept({}, false)];
    const rig = await idris.newRig('uses two');
    await changeOf(rig, { kind: 'placeItem', item: 'eye', to: fittingOf(mine, 3250) });
    const wish = { text: 'another eye', part: wished.id };
    await changeOf(rig, { kind: 'writeWish', wish: 'w', from: null, to: wish });
    const { catalog, range }: RigDocument = await idris.rig(rig);
    expect(catalog.parts.map((p) => p.id)).toEqual([mine.id, wished.id]);
    expect(range).toBe(await hashNow());
  });
});

describe('a file of parts', () => {
  let s: Shop;
  let tom: Person;
  beforeAll(async () => {
    s = await shop();
    tom = await s.signIn('tom');
  });
  const ownEye = (id: string, priceCents = 500): Part => {
    const eye = CATALOG.parts.find((p) => p.id === 'pad-eye') as Part;
    return { ...eye, id, name: `Eye ${id}`, sold: { ...eye.sold, priceCents } };
  };
  const fileOf = (parts: readonly Part[], more: object = {}): string =>
    JSON.stringify({ format: 'plain-cleat/catalog', revision: 1, parts, consumables: [], ...more });
  const take = (text: string, active = true): Promise<Taken> => takeCatalog(s.db, readCatalog(text), active);
  const refusal = async (work: () => unknown): Promise<string> => {
    try {
      await work();
    } catch (error) {
      return (error as HttpProblem).says;
    }
    return 'taken';
  };
  const found = async (id: string): Promise<Part[]> =>
    ((await tom.get('/api/parts').query({ text: id }).expect(200)).body as FoundParts).parts;

  it('is taken whole: what is new is added, what differs is a revision more, what is the same stays', async () => {
    const [one, two] = ['filed-one', 'filed-two'].map((id) => ownEye(id)) as [Part, Part];
    expect(await take(fileOf([one, two]), false)).toEqual({ added: 2, renewed: 0, same: 0, materials: null });
    expect(await take(fileOf([one, { ...two, sold: { ...two.sold, priceCents: 900 } }]), false)).toEqual({
      added: 0,
      renewed: 1,
      same: 1,
      materials: null,
    });
    const [now] = await found('filed two');
    expect([now?.revision, now?.sold.priceCents]).toEqual([2, 900]);
    // Beside the range nobody is sent them; in it everybody is.
    const ranged = async (): Promise<string[]> => (await wholeCatalog()).parts.map((p) => p.id);
    expect(await ranged()).not.toContain(one.id);
    await take(fileOf([one]));
    expect(await ranged()).toContain(one.id);
  });

  it('that was exported is the same when it is taken again; other materials are a revision more', async () => {
    const whole = await wholeCatalog();
    const { parts, consumables } = whole;
    expect(await take(JSON.stringify(whole))).toEqual({ added: 0, renewed: 0, same: parts.length, materials: null });
    const dearer = { ...whole, consumables: consumables.map((c) => ({ ...c, priceCents: c.priceCents + 1 })) };
    const { materials } = await take(JSON.stringify(dearer));
    expect(materials).toBe(whole.revision + 1);
    await take(JSON.stringify(whole));
  });

  it('is refused whole, by field, and nothing of it is kept', async () => {
    const good = ownEye('filed-good');
    expect(await refusal(() => take('not JSON'))).toContain('not JSON');
    expect(await refusal(() => take(fileOf([good, { ...good, id: 'filed-bad', kind: '' }])))).toContain('parts.1.kind');
    expect(await refusal(() => take(fileOf([good, good])))).toContain('filed-good stands twice');
    expect(await refusal(() => take('[]'))).toContain('file');
    expect(await refusal(() => take('{}'))).toContain('format');
    expect(await refusal(() => take('null'))).toContain('file');
    const many = Array.from({ length: 3001 }, (_, i) => ownEye(`filed-many-${i}`));
    expect(await refusal(() => take(fileOf([good, ...many])))).toContain('put them beside it');
    expect(await found('filed good')).toEqual([]);
    expect(await found('filed many')).toEqual([]);
  });
});
