import type { NewFact } from '@plain-cleat/core/rig';
import { Outbox } from './outbox';
import { Tablet, type WaitingFact } from './tablet';

const fact = (id: string): WaitingFact => ({
  what: 'fact',
  fact: { id, kind: 'stepDone', rig: 'p', deviceTime: '2026-06-01T10:00:00Z', step: 's' } as NewFact,
  rigger: { name: 'Mara Voss', proof: 'p' },
});

describe('the outbox', () => {
  let tablet: Tablet;
  beforeEach(async () => {
    tablet = new Tablet();
    await tablet.empty();
  });
  /** Another page, later: whatever was asked of the tablet before is done by then. */
  const after = (rig = 'rig'): Promise<Outbox> => Outbox.open(rig, new Tablet());
  const ids = (box: Outbox): string[] => box.all().map((w) => (w.what === 'fact' ? w.fact.id : w.change.id));

  it('keeps what was not sent in order, across a restart', async () => {
    const box = await Outbox.open('rig', tablet);
    for (const id of ['3', '1', '2']) box.add(fact(id));
    expect(ids(box)).toEqual(['3', '1', '2']);
    const later = await after();
    expect(ids(later)).toEqual(['3', '1', '2']);
    const [first] = later.all();
    if (first) later.drop(first);
    expect(ids(await after())).toEqual(['1', '2']);
  });

  it('keeps each rig’s own, with its photo', async () => {
    const box = await Outbox.open('rig', tablet);
    const other = await Outbox.open('other', tablet);
    box.add({ ...fact('1'), photo: new Blob(['picture'], { type: 'image/jpeg' }) });
    other.add(fact('2'));
    const [kept] = (await after()).all() as WaitingFact[];
    expect(await kept?.photo?.text()).toBe('picture');
    expect(ids(await after('other'))).toEqual(['2']);
    expect((await tablet.rigsWaiting()).sort()).toEqual(['other', 'rig']);
  });

  it('two tabs of one rig add to one another', async () => {
    const [one, two] = [await Outbox.open('rig', tablet), await Outbox.open('rig', new Tablet())];
    one.add(fact('1'));
    two.add(fact('2'));
    expect(ids(await after()).sort()).toEqual(['1', '2']);
  });

  it('what the server refused stays, and is not next until it is to be tried again', async () => {
    const box = await Outbox.open('rig', tablet);
    box.add(fact('1'));
    box.add(fact('2'));
    const [first] = box.all() as WaitingFact[];
    if (!first) return fail('nothing waits');
    box.replace(first, { ...first, refused: 'there is no such rig' });
    await box.kept();
    const later = await after();
    expect(later.refused().map((w) => w.refused)).toEqual(['there is no such rig']);
    expect((later.all().find((one) => later.isToSend(one)) as WaitingFact).fact.id).toBe('2');
    const [refused] = later.refused();
    if (refused) later.replace(refused, fact('1'));
    expect((later.all().find((one) => later.isToSend(one)) as WaitingFact).fact.id).toBe('1');
    await later.kept();
    expect(ids(await after())).toEqual(['1', '2']);
  });
});

describe('the tablet', () => {
  it('keeps the last rigs opened, and forgets them and who was here when somebody signs out, but nothing unsent', async () => {
    const tablet = new Tablet();
    await tablet.empty();
    for (let i = 0; i < 14; i++) await tablet.saveRig({ id: `rig-${i}`, number: `R-${i}` } as never);
    expect(await tablet.rig('rig-0')).toBeUndefined();
    expect((await tablet.rig('rig-13'))?.doc.number).toBe('R-13');
    await tablet.addWaiting('rig-1', fact('1'));
    await tablet.saveSession({ staff: null, csrf: null, apiVersion: 1, proof: null, preferences: {} });
    await tablet.forget();
    expect([await tablet.rig('rig-13'), await tablet.session()]).toEqual([undefined, undefined]);
    expect(await tablet.rigsWaiting()).toEqual(['rig-1']);
  });

  it('says so where the browser keeps nothing, and goes on', async () => {
    spyOn(indexedDB, 'open').and.throwError(new Error('not allowed'));
    const tablet = new Tablet();
    const box = await Outbox.open('rig', tablet);
    box.add(fact('1'));
    expect(box.all().length).toBe(1);
    expect(await tablet.rigsWaiting()).toEqual([]);
    expect(tablet.trouble()).toContain('Do not close the page');
  });
});
