import type { WishSheet } from '@plain-cleat/api';
import exceljs from 'exceljs';
import { ZipFile } from 'yazl';
import { type Person, problemOf, shop } from '../testing/shop';

const workbook = async (rows: (string | number)[][]): Promise<Buffer> => {
  const book = new exceljs.Workbook();
  book.addWorksheet('wishes').addRows(rows);
  return Buffer.from(await book.xlsx.writeBuffer());
};

/** A ZIP that holds far more than its size says, dressed as a workbook. */
const bomb = async (megabytes: number): Promise<Buffer> => {
  const zip = new ZipFile();
  const zeros = Buffer.alloc(1_000_000);
  for (let i = 0; i < megabytes; i++) zip.addBuffer(zeros, `xl/worksheets/sheet${i}.xml`);
  zip.end();
  const chunks: Buffer[] = [];
  for await (const chunk of zip.outputStream) chunks.push(chunk as Buffer);
  return Buffer.concat(chunks);
};

describe("an owner's spreadsheet", () => {
  let ama: Person;
  beforeAll(async () => (ama = await (await shop()).signIn('ama')));
  const send = (bytes: Buffer, name: string) => ama.sendFile('/api/wish-sheets', 'file', bytes, name);

  it('is read from XLSX with its columns understood', async () => {
    const bytes = await workbook([
      ['Precio', 'Artículo', 'Cantidad'],
      [38.5, 'raised rod tube', 2],
      ['', 'paddle clip', 1],
    ]);
    const { body } = await send(bytes, 'wishes.xlsx').expect(200);
    expect((body as WishSheet).columns).toEqual(['price', 'what', 'count']);
    expect((body as WishSheet).rows[0]).toEqual(['38.5', 'raised rod tube', '2']);
  });

  it('is read alike from XLSX and CSV, sums and products too', async () => {
    const rows = [
      ['Item', 'Qty', 'Each', 'Price'],
      ['tube', '3 uds', '38.5', '=B6*C3'],
      ['', '', '', ''],
      ['net', '1 docena', '½', '12.35'],
      ['', '', '', ''],
      ['hook', '2', '', '1,200.50'],
      ['Total', '', '', '=SUM(D2:D6)'],
    ];
    const csv = rows.map((row) => row.map((c) => (/[,"]/.test(c) ? `"${c}"` : c)).join(',')).join('\n');
    const book = new exceljs.Workbook();
    const sheet = book.addWorksheet('wishes');
    for (const row of rows)
      sheet.addRow(row.map((c) => (c.startsWith('=') ? { formula: c.slice(1) } : c === '38.5' || c === '12.35' ? Number(c) : c)));
    const bytes = Buffer.from(await book.xlsx.writeBuffer());
    const [fromCsv, fromBook] = [await send(Buffer.from(csv), 'a.csv').expect(200), await send(bytes, 'a.xlsx').expect(200)];
    const [one, other] = [fromCsv.body as WishSheet, fromBook.body as WishSheet];
    expect(other.columns).toEqual(one.columns);
    expect(other.rows.length).toBe(4);
    // Only a number that is one for certain is written so that it reads one way.
    expect(other.rows.map((row) => row.map((c) => c.replace('12.3450', '12.35')))).toEqual(one.rows);
  });

  it('is read from CSV with semicolons and another alphabet', async () => {
    const { body } = await send(Buffer.from('Désignation;Qté\nsondeur 7 po;1\n', 'latin1'), 'souhaits.csv').expect(200);
    expect((body as WishSheet).columns).toEqual(['what', 'count']);
  });

  it('a heading mapped by hand is remembered for the next sheet', async () => {
    const sheet = Buffer.from('Bits and bobs,Colour\nraised rod tube,red\n');
    expect(
      ((await send(sheet, 'a.csv').expect(200)).body as WishSheet).columns.every((c) => c === null || c === 'what'),
    ).toBeTrue();
    await ama.post('/api/wish-headings', { heading: 'Colour', meaning: 'note' }).expect(200);
    await ama.post('/api/wish-headings', { heading: 'Bits and bobs', meaning: 'what' }).expect(200);
    expect(((await send(sheet, 'a.csv').expect(200)).body as WishSheet).columns).toEqual(['what', 'note']);
  });

  it('a ZIP bomb dressed as a workbook is counted, not unpacked', async () => {
    const bytes = await bomb(60);
    expect(bytes.length).toBeLessThan(200_000);
    expect(problemOf(await send(bytes, 'wishes.xlsx').expect(422)).detail).toContain('unpacks to over 40 MB');
  });

  it('damaged, empty, old and foreign files are refused in clear words', async () => {
    const good = await workbook([['Item'], ['rod tube']]);
    for (const [bytes, name, says] of [
      [good.subarray(0, Math.floor(good.length / 2)), 'half.xlsx', 'damaged or cut short'],
      [Buffer.alloc(0), 'none.csv', 'the file is empty'],
      [Buffer.from([0xd0, 0xcf, 0x11, 0xe0, 0, 0]), 'old.xls', 'an old .xls workbook'],
      [Buffer.from([0x89, 0x50, 0x4e, 0x47, 0, 0, 0, 1]), 'photo.png', 'neither CSV nor'],
      [await bomb(1), 'zip.xlsx', 'not a workbook'],
    ] as const)
      expect(problemOf(await send(Buffer.from(bytes), name).expect(422)).detail)
        .withContext(name)
        .toContain(says);
    expect(problemOf(await ama.post('/api/wish-sheets', {}).expect(422)).detail).toContain('choose a CSV or XLSX');
    expect(problemOf(await send(Buffer.alloc(5_100_000, 65), 'big.csv').expect(413)).detail).toContain('too large');
  });

  it('a very long sheet is cut and says so', async () => {
    const rows = Array.from({ length: 620 }, (_, i) => `thing ${i},1`).join('\n');
    const { body } = await send(Buffer.from(`Item,Qty\n${rows}`), 'long.csv').expect(200);
    expect([(body as WishSheet).rows.length, (body as WishSheet).dropped]).toEqual([499, 121]);
  });
});
