import type { RigSummary } from '@plain-cleat/api';
import { getDocument } from 'pdfjs-dist/legacy/build/pdf.mjs';
import { shop } from '../testing/shop';

async function read(bytes: Buffer): Promise<{ text: string; pages: number; width: number }> {
  const pdf = await getDocument({ data: new Uint8Array(bytes), useSystemFonts: false, verbosity: 0 }).promise;
  let text = '';
  for (let i = 1; i <= pdf.numPages; i++)
    text += (await (await pdf.getPage(i)).getTextContent()).items.map((item) => ('str' in item ? item.str : '')).join(' ');
  const first = await pdf.getPage(1);
  return { text, pages: pdf.numPages, width: first.view[2] ?? 0 };
}

describe('documents', () => {
  const open = async () => {
    const s = await shop();
    const mara = await s.signIn('mara');
    const { body } = await mara.get('/api/floor').expect(200);
    const rig = (body as { rigs: RigSummary[] }).rigs.find((r) => r.title === 'river survey rig');
    const pdf = async (path: string) =>
      read(
        (
          await mara
            .get(`/api/rigs/${rig?.id}/${path}`)
            .buffer(true)
            .parse((res, done) => {
              const chunks: Buffer[] = [];
              res.on('data', (c: Buffer) => chunks.push(c));
              res.on('end', () => done(null, Buffer.concat(chunks)));
            })
            .expect(200)
        ).body as Buffer,
      );
    return { mara, id: rig?.id ?? '', pdf };
  };

  it('the drill sheet says every hole, in either units, on either paper', async () => {
    const { pdf } = await open();
    const inches = await pdf('drill-sheet.pdf?units=imperial&paper=LETTER');
    expect(inches.text).toContain('10 holes');
    expect(inches.text).toContain('13/64');
    expect(inches.width).toBeCloseTo(612, 1);
    const metric = await pdf('drill-sheet.pdf?units=metric&paper=A4');
    expect(metric.text).toContain('millimetres');
    // ISO A4 is 210 mm wide: 595.28 pt.
    expect(metric.width).toBeCloseTo(595.28, 1);
  });

  it('the quote adds up and has an end', async () => {
    const { pdf } = await open();
    const { text } = await pdf('quote.pdf');
    expect(text).toContain('To pay');
    expect(text).toContain('1,327.01');
    expect(text).toContain('Holds until');
  });

  it("the owner's book speaks both languages", async () => {
    const { pdf } = await open();
    expect((await pdf('owners-book.pdf?language=en')).text).toContain('Your boat, bow to stern');
    expect((await pdf('owners-book.pdf?language=fr')).text).toContain('Votre bateau, de la proue à la poupe');
  });

  it('the parts list is CSV with the items in boat order', async () => {
    const { mara, id } = await open();
    const csv = (await mara.get(`/api/rigs/${id}/parts.csv`).expect(200)).text.split('\r\n');
    expect(csv[0]).toBe('letter,part,from,supplier,quantity,unit,each,cost');
    expect(csv.slice(1, 4).map((l) => l.charAt(0))).toEqual(['A', 'B', 'C']);
  });

  it('wrong settings are named', async () => {
    const { mara, id } = await open();
    const answer = await mara.get(`/api/rigs/${id}/quote.pdf?paper=A3`).expect(422);
    expect((answer.body as { field: string }).field).toBe('paper');
  });

  it('printing freezes the letters, once', async () => {
    const s = await shop();
    const ama = await s.signIn('ama');
    const id = await ama.newRig();
    await ama.get(`/api/rigs/${id}/drill-sheet.pdf`).expect(200);
    expect((await ama.rig(id)).plan.letters).toBeNull();
  });
});
