import { fairHull, type TapeReading, type HullModel, readingsFromOutline } from '@plain-cleat/core/boat/hull';
import type { OwnHull } from '@plain-cleat/api';
import { HULLS, TOLVANE } from '@plain-cleat/demo';
import DxfParser from 'dxf-parser';
import { type Person, problemOf, shop } from '../testing/shop';

describe('hulls', () => {
  let ama: Person;
  beforeAll(async () => (ama = await (await shop()).signIn('ama')));
  const read = (kind: string, text: string, heights = { gunwale: 300, keel: 0 }) =>
    ama.post('/api/hull-files', { kind, text, heights });

  it('the library has the five of the demo, each with its newest revision', async () => {
    for (const h of HULLS) {
      const { body } = await ama.get(`/api/hull-models/${h.id}`).expect(200);
      expect(body as HullModel).toEqual(JSON.parse(JSON.stringify(h)) as HullModel);
    }
    await ama.get('/api/hull-models/no-such').expect(404);
  });

  it('a new hull is kept, revised, and not written over unseen', async () => {
    const model = { ...TOLVANE, id: 'spec-hull', name: 'Spec', revision: 1 };
    const kept = await ama.post('/api/hull-models', { model, expects: 0 }).expect(200);
    expect((kept.body as HullModel).revision).toBe(1);
    const again = await ama.post('/api/hull-models', { model: { ...model, massKg: 30 }, expects: 1 }).expect(200);
    expect((again.body as HullModel).revision).toBe(2);
    const stale = await ama.post('/api/hull-models', { model, expects: 1 }).expect(422);
    expect(problemOf(stale).detail).toContain('at revision 2 by now');
  });

  it('a hull that does not hold together is refused by field', async () => {
    const send = (change: Partial<HullModel>) =>
      ama.post('/api/hull-models', { model: { ...TOLVANE, id: 'bad-hull', ...change }, expects: 0 });
    const [a, b, ...rest] = TOLVANE.stations;
    if (!a || !b) return fail('no stations');
    expect(problemOf(await send({ stations: [b, a, ...rest] }).expect(422)).detail).toContain('out of order');
    expect(problemOf(await send({ tracks: [...TOLVANE.tracks, ...TOLVANE.tracks] }).expect(422)).detail).toContain(
      'two are called fwd-port',
    );
    expect(problemOf(await send({ massKg: -1 }).expect(422)).field).toBe('model.massKg');
    await ama.get('/api/hull-models/bad-hull').expect(404);
  });

  it('offsets go out as CSV and come back the same', async () => {
    const { text } = await ama.get('/api/hull-models/tolvane-118/offsets.csv').expect(200);
    expect(text.split('\r\n')[0]).toBe('x mm,port mm,starboard mm,gunwale mm,keel mm');
    const { body } = await read('csv', text).expect(200);
    expect((body as { readings: TapeReading[] }).readings.map((r) => [r.x, r.port, r.gunwale, r.keel])).toEqual(
      TOLVANE.stations.map((s) => [s.x, s.halfBreadth, s.gunwale, s.keel]),
    );
  });

  it('columns in any order, in inches, with one half-breadth', async () => {
    const { body } = await read(
      'csv',
      'keel in;gunwale in;half-breadth in;x in\n1;12;10;0\n0;12;16,5;40\n0;12;16;80\n1;12;2;120',
    ).expect(200);
    expect((body as { readings: TapeReading[] }).readings[1]).toEqual(
      jasmine.objectContaining({ x: 1016, port: 16.5 * 25.4, starboard: 16.5 * 25.4 }),
    );
  });

  it('the outline goes out as SVG and DXF in millimetres, and comes back within a millimetre', async () => {
    const hull = fairHull(TOLVANE);
    const svg = (await ama.get('/api/hull-models/tolvane-118/outline.svg').expect(200)).body as Buffer;
    const dxf = (await ama.get('/api/hull-models/tolvane-118/outline.dxf').buffer(true).expect(200)).body as Buffer;
    const drawing = new DxfParser().parseSync(dxf.toString());
    expect(drawing?.header['$INSUNITS']).toBe(4);
    for (const [kind, text] of [
      ['svg', svg.toString()],
      ['dxf', dxf.toString()],
    ] as const) {
      const { body } = await read(kind, text).expect(200);
      for (const r of (body as { readings: TapeReading[] }).readings.slice(1, -1))
        expect(Math.abs(r.starboard - hull.halfBreadth(r.x)))
          .withContext(`${kind} ${r.x}`)
          .toBeLessThan(4);
    }
    expect(
      readingsFromOutline(
        [
          [0, 0],
          [1800, 400],
          [2500, 390],
          [3600, 0],
          [2500, -390],
          [1800, -400],
        ],
        { gunwale: 300, keel: 0 },
      ).length,
    ).toBe(13);
  });

  for (const [what, kind, text, says] of [
    ['an empty CSV', 'csv', ' ', 'has no column'],
    ['a CSV without a column', 'csv', 'x,port\n0,1', 'has no column starboard, gunwale, keel'],
    ['a word for a length', 'csv', 'x,port,starboard,gunwale,keel\n0,wide,1,1,0', 'line 2, port: "wide" is not a length'],
    ['a DXF cut short', 'dxf', '0\nSECTION\n2\nENT', 'not a DXF drawing'],
    ['a drawing without a path', 'svg', '<svg xmlns="http://www.w3.org/2000/svg"/>', 'has no path'],
    ['a curved outline', 'svg', '<svg><path d="M0 0C1 1 2 2 3 3"/></svg>', 'has curves (C)'],
    [
      'a self-crossing outline',
      'svg',
      '<svg><path d="M0 0L1000 400L2000 -300L3000 0L2000 300L1000 -400Z"/></svg>',
      'crosses itself',
    ],
    ['an outline in the wrong scale', 'svg', '<svg><path d="M0 0L10 4L20 4L30 0L20 -3L10 -4Z"/></svg>', '30 mm long'],
  ] as const)
    it(`${what} is refused in clear words`, async () => {
      expect(problemOf(await read(kind, text).expect(422)).detail).toContain(says);
    });

  it("an owner's own hull keeps serial, year, colour and notes, and comes back for a second rig", async () => {
    const rigId = await ama.newRig('first rig');
    const hulls = (await ama.get('/api/hulls').expect(200)).body as OwnHull[];
    const own = hulls.find((h) => h.rigs.some((r) => r.id === rigId));
    if (!own) return fail('no hull');
    await ama
      .post(`/api/hulls/${own.id}`, { serial: 'VT-118-0412', year: 2024, colour: 'sand', notes: 'patched keel' })
      .expect(200);
    const wrong = await ama.post(`/api/hulls/${own.id}`, { serial: '', year: 24, colour: '', notes: '' }).expect(422);
    expect(problemOf(wrong).detail).toContain('a year like 2024');
    const second = {
      title: 'second rig',
      owner: { id: own.owner.id },
      hull: own.model,
      ownHull: own.id,
      serial: '',
      promised: null,
    };
    await ama.post('/api/rigs', second).expect(200);
    const after = ((await ama.get('/api/hulls').expect(200)).body as OwnHull[]).find((h) => h.id === own.id);
    expect([after?.serial, after?.year, after?.colour, after?.rigs.length]).toEqual(['VT-118-0412', 2024, 'sand', 2]);
    const other = await ama.post('/api/rigs', { ...second, owner: { name: 'Somebody Else', email: '' } }).expect(422);
    expect(problemOf(other).field).toBe('ownHull');
    await ama.post('/api/hulls/nobody', { serial: '', year: null, colour: '', notes: '' }).expect(404);
  });
});
