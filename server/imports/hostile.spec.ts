import { seeded } from '@plain-cleat/core/work/cutting';
import { makeRigFile, writeRigFile } from '@plain-cleat/core/rig';
import { demoRigs, TOLVANE } from '@plain-cleat/demo';
import exceljs from 'exceljs';
import sharp from 'sharp';
import { offsetsCsv, outlineDxf } from '../hulls/outline-file';
import { type Person, problemOf, shop } from '../testing/shop';

/** Files of each kind in a run. */
const COUNT = process.env.LONG ? 200 : 50;

type Damage = (bytes: Buffer, random: () => number) => Buffer;
const at = (bytes: Buffer, random: () => number): number => Math.floor(random() * bytes.length);
const spliced = (bytes: Buffer, where: number, more: string | Buffer): Buffer =>
  Buffer.concat([bytes.subarray(0, where), Buffer.from(more as never), bytes.subarray(where)]);

/** What happens to files on their way, and what somebody might do to them on purpose. */
const DAMAGES: readonly Damage[] = [
  () => Buffer.alloc(0),
  (b, r) => b.subarray(0, at(b, r)),
  (b, r) => {
    const out = Buffer.from(b);
    for (let i = 0; i < 20; i++) out[at(out, r)] = Math.floor(r() * 256);
    return out;
  },
  (b, r) => {
    const [from, to] = [at(b, r), at(b, r)].sort((x, y) => x - y) as [number, number];
    return Buffer.concat([b.subarray(0, from), b.subarray(to)]);
  },
  (b, r) => spliced(b, at(b, r), b.subarray(0, at(b, r))),
  (b, r) => spliced(b, at(b, r), '9'.repeat(2000)),
  (b, r) => spliced(b, at(b, r), '['.repeat(20_000)),
  (b, r) => spliced(b, at(b, r), '<g '.repeat(20_000)),
  (b, r) => spliced(b, at(b, r), `"${'\u0000'.repeat(200)}`),
  (b, r) => spliced(b, at(b, r), 'M 0 '.repeat(20_000)),
  (b, r) => spliced(b, at(b, r), ';"'.repeat(10_000)),
  // Every figure a huge one.
  (b, r) =>
    Buffer.from(
      b.toString('latin1').replace(/\d+/g, (d) => (r() < 0.2 ? '999999999' : d)),
      'latin1',
    ),
  (b) => Buffer.from(`\ufeff${b.toString('utf8')}`, 'utf16le'),
  () => Buffer.from('{"__proto__":{"polluted":true},"constructor":{"prototype":{}}}'),
  (b, r) => Buffer.alloc(300_000, b[at(b, r)]),
];

/** A drawing of 72 bytes that says a thousand million corners follow. */
const COUNT_BOMB = ['0', 'SECTION', '2', 'ENTITIES', '0', 'LWPOLYLINE', '90', '999999999', '10', '0', '20', '0', '0', 'EOF'].join(
  '\n',
);
const PATH_BOMB = `<svg><path d="${'1'.repeat(40_000)} ${'-.'.repeat(20_000)}`;
const ENTITY_BOMB = `<!DOCTYPE svg [${Array.from({ length: 12 }, (_, i) => `<!ENTITY a${i + 1} "${`&a${i};`.repeat(10)}">`).join('')}]><svg><path d="&a12;"/></svg>`;

interface Kind {
  readonly good: () => Promise<Buffer>;
  readonly send: (person: Person, bytes: Buffer) => PromiseLike<{ status: number; body: unknown }>;
}

const heights = { gunwale: 300, keel: 0 };
const hullFile = (kind: 'csv' | 'svg' | 'dxf') => (p: Person, bytes: Buffer) =>
  p.post('/api/hull-files', { kind, text: bytes.toString('utf8').slice(0, 2_000_000), heights });

const KINDS: Readonly<Record<string, Kind>> = {
  'an outline, DXF': { good: async () => Buffer.from(outlineDxf(TOLVANE)), send: hullFile('dxf') },
  'an outline, SVG': {
    good: async () => Buffer.from('<svg><path d="M0 400 L900 0 L2700 0 L3600 400 L2700 800 L900 800 Z"/></svg>'),
    send: hullFile('svg'),
  },
  offsets: { good: async () => Buffer.from(offsetsCsv(TOLVANE)), send: hullFile('csv') },
  'a list of found holes': {
    good: async () => Buffer.from('label,reading,off,bit\nO1,41 1/2,P 3,1/4\nO2,50,0,1/4\n'),
    send: (p, bytes) => p.post('/api/found-holes', { text: bytes.toString('utf8').slice(0, 200_000) || 'x', units: 'imperial' }),
  },
  'a wish list, XLSX': {
    good: async () => {
      const book = new exceljs.Workbook();
      book.addWorksheet('wishes').addRows([
        ['Item', 'Qty'],
        ['raised rod tube', 2],
      ]);
      return Buffer.from(await book.xlsx.writeBuffer());
    },
    send: (p, bytes) => p.sendFile('/api/wish-sheets', 'file', bytes, 'wishes.xlsx'),
  },
  'a wish list, CSV': {
    good: async () => Buffer.from('Item;Qty\nraised rod tube;2\n'),
    send: (p, bytes) => p.sendFile('/api/wish-sheets', 'file', bytes, 'wishes.csv'),
  },
  'a rig file': {
    good: async () => {
      const [rig] = demoRigs('2026-06-01');
      if (!rig) throw new Error('no demo rig');
      const { plan, hull, ledger, owner, shop: settings } = rig.file;
      return Buffer.from(
        writeRigFile(makeRigFile({ plan, hull, facts: ledger, owner: owner.name, catalog: rig.file, shop: settings })),
      );
    },
    send: (p, bytes) => p.post('/api/rig-files', { text: bytes.toString('utf8').slice(0, 3_900_000) }),
  },
  'a photo': {
    good: () =>
      sharp({ create: { width: 60, height: 40, channels: 3, background: '#456' } })
        .jpeg()
        .toBuffer(),
    send: (p, bytes) => p.sendFile(`/api/rigs/${photoRig}/photos`, 'photo', bytes, 'photo.jpg'),
  },
};
let photoRig = '';

describe('a hostile file', () => {
  let ama: Person;
  let tom: Person;
  beforeAll(async () => {
    const s = await shop();
    [ama, tom] = [await s.signIn('ama'), await s.signIn('tom')];
    photoRig = await ama.newRig('photos of all sorts');
  });

  for (const [name, kind] of Object.entries(KINDS))
    it(`${name}: ${COUNT} damaged ones each end in a clear error by field, or are still good`, async () => {
      const good = await kind.good();
      expect((await kind.send(ama, good)).status)
        .withContext('undamaged')
        .toBe(200);
      const random = seeded(name.length);
      const ends = new Map<number, number>();
      for (let i = 0; i < COUNT; i++) {
        const damage = DAMAGES[i % DAMAGES.length] as Damage;
        const answer = await kind.send(ama, damage(good, random));
        ends.set(answer.status, (ends.get(answer.status) ?? 0) + 1);
        expect([200, 413, 422])
          .withContext(`damage ${i % DAMAGES.length}, file ${i}`)
          .toContain(answer.status);
        if (answer.status === 200) continue;
        const { field, detail } = problemOf(answer);
        expect(field).withContext(`file ${i}: ${detail}`).toBeTruthy();
        expect(detail.length).withContext(detail.slice(0, 200)).toBeLessThan(8000);
      }
      expect(ends.get(422) ?? 0).toBeGreaterThan(0);
      expect(({} as { polluted?: boolean }).polluted).toBeUndefined();
    });

  for (const [what, kind, text] of [
    ['72 bytes that promise a thousand million corners', 'dxf', COUNT_BOMB],
    ['the same with a count it has room for, and no corners', 'dxf', COUNT_BOMB.replace('999999999', '6')],
    ['a path of 80 kB that never ends', 'svg', PATH_BOMB],
    ['entities within entities', 'svg', ENTITY_BOMB],
    ['two megabytes of open tags', 'svg', '<a>'.repeat(660_000)],
    ['two megabytes of moves', 'svg', `<svg><path d="${'M1 1'.repeat(490_000)}"/></svg>`],
    ['two megabytes of quotes', 'csv', '"'.repeat(1_999_999)],
  ] as const)
    it(`${what}: refused, and somebody else is answered meanwhile`, async () => {
      const order: string[] = [];
      const slow = (async () => {
        const answer = await ama.post('/api/hull-files', { kind, text, heights });
        order.push('file');
        return answer;
      })();
      await tom.get('/api/session').expect(200);
      order.push('other');
      const answer = await slow;
      expect(answer.status).toBe(422);
      expect(problemOf(answer).field).toBe('file');
      expect(order).toContain('other');
      await ama.post('/api/hull-files', { kind: 'csv', text: offsetsCsv(TOLVANE), heights }).expect(200);
    });

  it('six drawings that take all the time they may hold up neither a photo nor what somebody else brings', async () => {
    const order: string[] = [];
    const noted = async <T>(name: string, work: PromiseLike<T>): Promise<T> => {
      const answer = await work;
      order.push(name);
      return answer;
    };
    const slow = Array.from({ length: 6 }, () =>
      noted(
        'slow',
        ama.post('/api/hull-files', { kind: 'svg', text: `<svg><path d="${'M1 1'.repeat(490_000)}"/></svg>`, heights }),
      ),
    );
    const photo = await (KINDS['a photo'] as Kind).good();
    const quick = [
      noted('photo', tom.sendFile(`/api/rigs/${photoRig}/photos`, 'photo', photo, 'photo.jpg')),
      noted('drawing', tom.post('/api/hull-files', { kind: 'csv', text: offsetsCsv(TOLVANE), heights })),
    ];
    for (const { status } of await Promise.all(quick)) expect(status).toBe(200);
    for (const { status } of await Promise.all(slow)) expect([422, 503]).toContain(status);
    // The photo waits for none of them, whichever of the two that are read at once ends first; the other's drawing before the third.
    expect(order.indexOf('photo')).toBeLessThan(3);
    expect(order.indexOf('drawing')).toBeLessThan(4);
  });

  it('more at once than can be read: the rest is told to come again, and what was taken is read', async () => {
    const answers = await Promise.all(
      Array.from({ length: 24 }, () => ama.post('/api/hull-files', { kind: 'csv', text: offsetsCsv(TOLVANE), heights })),
    );
    const statuses = new Set(answers.map((a) => a.status));
    expect(statuses.has(200)).toBeTrue();
    for (const a of answers) expect([200, 503]).toContain(a.status);
  });
});
