import { randomUUID } from 'node:crypto';
import type { FoundList, HullLedger, OwnHull, RigDocument } from '@plain-cleat/api';
import { deck, fitted } from '@plain-cleat/testing';
import { type Person, problemOf, shop } from '../testing/shop';

describe('the ledger of an owner’s hull', () => {
  let idris: Person;
  let own: OwnHull;
  let rig: string;
  beforeAll(async () => {
    idris = await (await shop()).signIn('idris');
    const made = await idris
      .post('/api/rigs', {
        title: 'used boat',
        owner: { name: 'Used Owner', email: '' },
        hull: 'tolvane-118',
        serial: 'U-1',
        promised: null,
      })
      .expect(200);
    rig = (made.body as { id: string }).id;
    const all = (await idris.get('/api/hulls').expect(200)).body as OwnHull[];
    own = all.find((h) => h.serial === 'U-1') as OwnHull;
  });
  const measured = { hullRevision: 1, datum: 'bow', run: 'taut', reading: 2500, offCentre: 100, down: null };
  const fact = (kind: string, more: object) => ({
    id: randomUUID(),
    kind,
    rig: null,
    deviceTime: new Date().toISOString(),
    ...more,
  });
  const keep = (facts: object[]) => idris.post(`/api/hulls/${own.id}/facts`, { facts });
  const ledger = async (): Promise<HullLedger> => (await idris.get(`/api/hulls/${own.id}/ledger`).expect(200)).body as HullLedger;

  it('takes in what a used boat brings; its rig sees it, and sent twice it is kept once', async () => {
    const found = fact('holeFound', { hole: 'old-1', label: 'O1', bit: 6.4, says: '', measured });
    await keep([found]).expect(200);
    await keep([found, fact('holePlugged', { hole: 'old-1', with: 'nylon plug' })]).expect(200);
    expect((await ledger()).facts.map((f) => f.kind)).toEqual(['holeFound', 'holePlugged']);
    const doc = (await idris.get(`/api/rigs/${rig}`).expect(200)).body as RigDocument;
    expect(doc.facts.map((f) => [f.kind, f.by])).toEqual([
      ['holeFound', 'Idris Kell'],
      ['holePlugged', 'Idris Kell'],
    ]);
  });

  it('refuses what happens under a rig, and hulls that are not there', async () => {
    expect(problemOf(await keep([fact('stepDone', { step: 'tape' })]).expect(422)).field).toBe('facts.0.kind');
    expect(problemOf(await keep([{ ...fact('holePlugged', { hole: 'o', with: 'x' }), rig: 'plan' }]).expect(422)).field).toBe(
      'facts.0.rig',
    );
    await idris.get('/api/hulls/nobodys/ledger').expect(404);
    await idris.post('/api/hulls/nobodys/facts', { facts: [fact('holePlugged', { hole: 'o', with: 'x' })] }).expect(404);
  });

  it('shows the holes of all its rigs, and each rig the others’', async () => {
    const second = await idris
      .post('/api/rigs', {
        title: 'second rig',
        owner: { id: own.owner.id },
        hull: 'tolvane-118',
        ownHull: own.id,
        serial: '',
        promised: null,
      })
      .expect(200);
    const id = (second.body as { id: string }).id;
    const to = fitted('pad-eye', deck(3217), 'rivet');
    await idris
      .post(`/api/rigs/${id}/changes`, {
        baseVersion: 0,
        change: { id: randomUUID(), kind: 'placeItem', item: 'eye', to },
        undoes: null,
      })
      .expect(200);
    expect((await ledger()).holes.map((h) => [h.label, h.fact])).toEqual([
      ['A1', null],
      ['A2', null],
    ]);
    const first = (await idris.get(`/api/rigs/${rig}`).expect(200)).body as RigDocument;
    expect(first.others.map((o) => o.label)).toEqual(['A1', 'A2']);
    expect(((await idris.get(`/api/rigs/${id}`).expect(200)).body as RigDocument).others).toEqual([]);
  });

  it('a list is read, by comma or semicolon, its faults by line', async () => {
    const read = async (text: string): Promise<FoundList> =>
      (await idris.post('/api/found-holes', { text, units: 'metric' }).expect(200)).body as FoundList;
    const list = await read('label;reading;off;bit\nX1;2500;P 100;6\nX2;here;0;6\n');
    expect(list.holes.map((h) => [h.label, h.offCentre])).toEqual([['X1', -100]]);
    expect(list.faults).toEqual([jasmine.objectContaining({ line: 3, column: 'reading' }) as never]);
    expect(problemOf(await idris.post('/api/found-holes', { text: '', units: 'metric' }).expect(422)).field).toBe('text');
  });
});
