import { randomUUID } from 'node:crypto';
import type { OwnHull, RigDocument } from '@plain-cleat/api';
import { SARROCK } from '@plain-cleat/demo';
import { asPlanned } from '@plain-cleat/core/holding/drilling';
import { deck, fitted } from '@plain-cleat/testing';
import { type Change, type Fact, type Line, stockKey } from '@plain-cleat/core/rig';
import { workUp } from '@plain-cleat/core/workup';
import sharp from 'sharp';
import { readPdf } from '../testing/pdf';
import { type Person, problemOf, shop } from '../testing/shop';

const open = async (person: Person, more: object = {}): Promise<string> => {
  const { body } = await person
    .post('/api/rigs', {
      title: 'second-hand two',
      owner: { name: 'Wren Marlow', email: '' },
      hull: SARROCK.id,
      serial: '',
      promised: null,
      ...more,
    })
    .expect(200);
  return (body as { id: string }).id;
};
const keep = (person: Person, rig: RigDocument, facts: readonly object[]) =>
  person
    .post(`/api/rigs/${rig.id}/facts`, {
      facts: facts.map((f) => ({ id: randomUUID(), rig: rig.plan.id, deviceTime: new Date().toISOString(), ...f })),
    })
    .expect(200);
const workupOf = (rig: RigDocument) =>
  workUp({ plan: rig.plan, hull: rig.hull, facts: rig.facts as Fact[], catalog: rig.catalog, shop: rig.shop, asOf: rig.today });

describe('a boat that comes in', () => {
  it('opens with what its maker fits, at no cost, and without what the stores do not know', async () => {
    const ama = await (await shop()).signIn('ama');
    const rig = await ama.rig(await open(ama));
    expect(Object.keys(rig.plan.fittings).sort()).toEqual((SARROCK.stock ?? []).map((s) => stockKey(s.id)).sort());
    const w = workupOf(rig);
    expect([w.price.totals.partsCents, w.drilling.holes.length]).toEqual([0, 0]);
    expect(w.reception.unseen.length).toBe(SARROCK.stock?.length ?? 0);
  });

  it('is refused as a hull of the library when its stock is no part of the stores, or stands nowhere on it', async () => {
    const idris = await (await shop()).signIn('idris');
    const save = (stock: object) => idris.post('/api/hull-models', { expects: 1, model: { ...SARROCK, stock: [stock] } });
    const unknown = await save({ id: 'a', part: 'no-such-part', place: deck(500), hold: 'rivet' }).expect(422);
    expect(problemOf(unknown).faults?.[0]?.field).toBe('stock.0.part');
    const nowhere = await save({
      id: 'a',
      part: 'pad-eye',
      place: { on: 'rail', rail: 'none', x: 500, heading: 0 },
      hold: 'clamp',
    }).expect(422);
    expect(problemOf(nowhere).faults?.[0]?.field).toBe('stock.0.place.rail');
  });

  it('has its reception sheet with photos, in both languages, and what was signed for lapses when more is seen', async () => {
    const ama = await (await shop()).signIn('ama');
    const rig = await ama.rig(await open(ama));
    const photo = randomUUID();
    const picture = await sharp({ create: { width: 640, height: 480, channels: 3, background: '#b04020' } })
      .webp()
      .toBuffer();
    await ama.raw(`/api/rigs/${rig.id}/photos`).field('id', photo).attach('photo', picture, 'eye.webp').expect(200);
    const eye = stockKey('eye-p');
    await keep(ama, rig, [{ kind: 'thingSeen', thing: eye, is: 'broken', says: 'torn out at the after rivet', photo }]);
    await ama.post(`/api/rigs/${rig.id}/prints`, {}).expect(200);
    const { text } = await readPdf(await ama.bytes(`/api/rigs/${rig.id}/reception-sheet.pdf`));
    expect(text).toContain('torn out at the after rivet');
    expect(text).toContain('not looked at yet');
    const plain = (await ama.bytes(`/api/rigs/${rig.id}/reception-sheet.pdf?language=fr`)).length;
    expect((await readPdf(await ama.bytes(`/api/rigs/${rig.id}/reception-sheet.pdf?language=fr`))).text).toContain('cassé');
    expect(plain).toBeGreaterThan(5000);
    const now = workupOf(await ama.rig(rig.id));
    const drawing = `data:image/png;base64,${(
      await sharp({ create: { width: 4, height: 4, channels: 3, background: '#000' } })
        .png()
        .toBuffer()
    ).toString('base64')}`;
    await keep(ama, rig, [{ kind: 'received', name: 'Wren Marlow', for: now.reception.for, drawing }]);
    expect(workupOf(await ama.rig(rig.id)).reception).toEqual(jasmine.objectContaining({ changed: false }));
    await keep(ama, rig, [{ kind: 'thingSeen', thing: stockKey('eye-s'), is: 'worn', says: '' }]);
    expect(workupOf(await ama.rig(rig.id)).reception.changed).toBeTrue();
    expect((await readPdf(await ama.bytes(`/api/rigs/${rig.id}/reception-sheet.pdf`))).text).toContain(
      'a new signature is wanted',
    );
  });

  it('that was rigged here before comes with that rig: its fittings, its holes, its lines, and what it had taken off as holes alone', async () => {
    const ama = await (await shop()).signIn('ama');
    const id = await open(ama, { title: 'first year' });
    const change = async (body: object) => {
      const { version } = await ama.rig(id);
      await ama
        .post(`/api/rigs/${id}/changes`, { baseVersion: version, undoes: null, change: { id: randomUUID(), ...body } as Change })
        .expect(200);
    };
    await change({ kind: 'placeItem', item: 'cleat', to: fitted('jam-cleat', deck(3950, 60), 'rivet') });
    await change({ kind: 'placeItem', item: 'never', to: fitted('jam-cleat', deck(4050, -60), 'rivet') });
    await change({ kind: 'keepItem', item: stockKey('park-p'), from: null, to: { is: 'removed' } });
    const led = (at: string) => ({ at: 'tie' as const, tie: at });
    const line = (through: Line['through']): Line => ({
      use: 'drag rope',
      of: 'nylon',
      diameter: 8,
      way: 'over the deck',
      through,
    });
    await change({ kind: 'leadLine', line: 'rope', from: null, to: line([led('cleat.jaws'), led(`${stockKey('eye-s')}.eye`)]) });
    await change({ kind: 'leadLine', line: 'unled', from: null, to: line([led('cleat.jaws'), led(`${stockKey('eye-p')}.eye`)]) });
    const first = await ama.rig(id);
    const holes = workupOf(first).drilling.holes.filter((h) => h.fitting === 'cleat');
    await keep(ama, first, [
      ...holes.map((h) => ({
        ...{ kind: 'holeDrilled', hole: h.id, label: h.label, bit: h.bit.mm, elsewhere: false },
        measured: asPlanned(h, first.plan.tape, first.hull.revision),
      })),
      { kind: 'stepDone', step: 'fasten.cleat' },
      { kind: 'stepDone', step: 'lead.rope' },
      { kind: 'stepDone', step: `strip.${stockKey('park-p')}` },
    ]);
    const { owner } = first;
    const own = ((await ama.get('/api/hulls').expect(200)).body as OwnHull[]).find((h) => h.rigs.some((r) => r.id === id))?.id;
    const second = await ama.rig(await open(ama, { title: 'second year', owner: { id: owner.id }, ownHull: own }));
    const came = Object.values(second.plan.fittings).filter((f) => f.aboard?.from === 'earlier rig');
    expect(came.map((f) => f.part)).toEqual(['jam-cleat']);
    expect(second.plan.fittings[stockKey('park-p')]?.becomes).toEqual({ is: 'gone' });
    const [cleat] = Object.keys(second.plan.fittings).filter((k) => second.plan.fittings[k]?.part === 'jam-cleat');
    const [rope, ...others] = Object.values(second.plan.lines);
    expect(rope?.through).toEqual([led(`${cleat}.jaws`), led(`${stockKey('eye-s')}.eye`)]);
    expect([rope?.aboard?.since, others]).toEqual([first.plan.opened, []]);
    const w = workupOf(second);
    expect(w.lines.map((l) => [l.there, l.cut])).toEqual([[true, workupOf(first).lines.find((l) => l.id === 'rope')?.cut ?? 0]]);
    expect([w.drilling.holes.length, w.price.totals.partsCents]).toEqual([0, 0]);
    expect(w.aboard.owned.find((i) => i.placed.part.id === 'jam-cleat')?.under.length).toBe(holes.length);

    // The same again is on another boat: of what the rig left nothing is there yet.
    const { body } = await ama.post(`/api/rigs/${second.id}/duplicate`, { title: 'the same again' }).expect(200);
    const again = await ama.rig((body as { id: string }).id);
    expect(Object.values(again.plan.lines).map((l) => [l.use, l.aboard])).toEqual([['drag rope', undefined]]);
    expect(again.plan.fittings[cleat ?? '']?.aboard).toBeUndefined();
    expect(workupOf(again).lines.map((l) => [l.old, l.there])).toEqual([[null, false]]);
  });
});
