import { randomUUID } from 'node:crypto';
import type { OwnHull, RigDocument } from '@plain-cleat/api';
import { ProjectionRow, RigRow } from '../database/models';
import { deck, fitted } from '@plain-cleat/testing';
import pino from 'pino';
import { type Person, shop } from '../testing/shop';
import { until } from '../testing/until';
import { Projection } from './projection';

const eyeAt = (x: number): object => fitted('pad-eye', deck(x), 'rivet');
const place = (person: Person, rig: string, x: number) =>
  person
    .post(`/api/rigs/${rig}/changes`, {
      baseVersion: 0,
      undoes: null,
      change: { id: randomUUID(), kind: 'placeItem', item: 'eye', to: eyeAt(x) },
    })
    .expect(200);

/** Two rigs of one boat. */
async function twoOnAHull(): Promise<{ ama: Person; one: string; other: string }> {
  const ama = await (await shop()).signIn('ama');
  const one = await ama.newRig('first of two');
  const { owner } = await ama.rig(one);
  const hulls = (await ama.get('/api/hulls').expect(200)).body as OwnHull[];
  const ownHull = hulls.find((h) => h.rigs.some((r) => r.id === one))?.id;
  const opened = { title: 'second of two', owner: { id: owner.id }, hull: 'tolvane-118', ownHull, serial: '', promised: null };
  const other = ((await ama.post('/api/rigs', opened).expect(200)).body as { id: string }).id;
  return { ama, one, other };
}

const projected = async (rig: string): Promise<boolean> => {
  const [row, made] = await Promise.all([RigRow.findByPk(rig), ProjectionRow.findByPk(rig)]);
  return made?.version === row?.version;
};
const othersOf = async (person: Person, rig: string): Promise<RigDocument['others']> => (await person.rig(rig)).others;

describe('what is projected of a rig', () => {
  it('gives another rig of its hull its holes while it was made of the rig as it is; else they are worked up', async () => {
    const { ama, one, other } = await twoOnAHull();
    await place(ama, one, 3250);
    await until('the first is projected', () => projected(one));
    const holes = await othersOf(ama, other);
    expect(holes.length).toBe(2);
    // Read, not worked up: what stands there is what is said.
    await ProjectionRow.update({ holes: '[]' }, { where: { rigId: one } });
    expect(await othersOf(ama, other)).toEqual([]);
    // Of another version it is not believed, nor of other facts.
    await ProjectionRow.update({ version: 0 }, { where: { rigId: one } });
    expect(await othersOf(ama, other)).toEqual(holes);
    await ProjectionRow.update({ version: 1, factCount: 7 }, { where: { rigId: one } });
    expect(await othersOf(ama, other)).toEqual(holes);
    await ProjectionRow.destroy({ where: { rigId: one } });
    expect(await othersOf(ama, other)).toEqual(holes);
  });

  it('of one rig moves when the holes of another of its hull come near', async () => {
    const { ama, one, other } = await twoOnAHull();
    await place(ama, one, 3250);
    await until('the first is projected', () => projected(one));
    const toSettle = async (): Promise<number> => {
      const row = await ProjectionRow.findByPk(one);
      return (JSON.parse(row?.progress ?? '{}') as { toSettle: Record<string, number> }).toSettle.drill ?? 0;
    };
    const before = await toSettle();
    await place(ama, other, 3256);
    await until('the first is judged by the holes of the second', async () => (await toSettle()) > before);
  });

  it('is read by each list, and by a rig, in one query or two', async () => {
    const { ama, one } = await twoOnAHull();
    const s = await shop();
    const queries = async (path: string): Promise<string[]> => {
      const seen: string[] = [];
      s.db.addHook('afterQuery', 'counted', (_options, query) => void seen.push((query as { sql?: string }).sql ?? ''));
      try {
        await ama.get(path).expect(200);
      } finally {
        s.db.removeHook('afterQuery', 'counted');
      }
      // Who asks, the settings and the sweep are no part of it.
      return seen.filter((sql) => /\b(rigs|hulls|projections)\b/.test(sql) && !/ORDER BY r\.place =/.test(sql));
    };
    await until('both are projected', () => projected(one));
    // Once before, so that what is only read once a process has been read.
    for (const path of ['/api/floor', '/api/rigs', '/api/hulls', '/api/cuts', `/api/rigs/${one}`]) {
      await ama.get(path).expect(200);
      // Rigs of other specs may still be on their way to be projected.
      await until(`${path} is read in one query or two`, async () => (await queries(path)).length <= 2);
      const asked = await queries(path);
      expect(asked.length)
        .withContext(`${path}: ${asked.join('\n')}`)
        .toBeLessThanOrEqual(2);
    }
  });

  it('is waited for by whoever made the change, who comes first, and by nobody else', async () => {
    const projection = new Projection(pino({ level: 'silent' }));
    const order: string[] = [];
    const ends = new Map<string, () => void>();
    spyOn(projection as unknown as { project(rig: string): Promise<void> }, 'project').and.callFake((rig) => {
      order.push(rig);
      return new Promise((resolve) => ends.set(rig, resolve));
    });
    for (const rig of ['a', 'b', 'c', 'd']) projection.touch(rig, 'ama');
    projection.touch('his', 'tom');
    // Whoever changed nothing waits for nothing, however much is under way.
    await projection.settledOf('mara', Infinity);
    let seen = false;
    const his = projection.settledOf('tom', 2 ** 30).then(() => (seen = true));
    const end = async (rig: string): Promise<void> => {
      ends.get(rig)?.();
      await new Promise((r) => setImmediate(r));
    };
    await end('a');
    expect(order).toEqual(['a', 'his']);
    expect(seen).toBeFalse();
    await end('his');
    await his;
    // And nobody waits for ever.
    await projection.settledOf('ama', 1);
    for (const rig of ['b', 'c', 'd']) await end(rig);
    expect(order).toEqual(['a', 'his', 'b', 'c', 'd']);
    await projection.stop();
  });

  it('of a change of one’s own is on the floor that is asked for next', async () => {
    const tom = await (await shop()).signIn('tom');
    const own = await (await (await shop()).signIn('ama')).newRig('his own');
    await place(tom, own, 3250);
    await tom.get('/api/floor').expect(200);
    expect(await projected(own)).toBeTrue();
  });
});
