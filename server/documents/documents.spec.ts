import type { RigSummary } from '@plain-cleat/api';
import { readPdf } from '../testing/pdf';
import { shop } from '../testing/shop';

describe('documents', () => {
  const open = async () => {
    const s = await shop();
    const mara = await s.signIn('mara');
    const { body } = await mara.get('/api/floor').expect(200);
    const rig = (body as { rigs: RigSummary[] }).rigs.find((r) => r.title === 'river survey rig');
    const pdf = async (path: string) => readPdf(await mara.bytes(`/api/rigs/${rig?.id}/${path}`));
    return { mara, id: rig?.id ?? '', pdf };
  };

  it('the drill sheet says every hole, in either units, on either paper', async () => {
    const { pdf } = await open();
    const inches = await pdf('drill-sheet.pdf?units=imperial&paper=LETTER');
    expect(inches.text).toContain('10 holes');
    expect(inches.text).toContain('13/64');
    expect(inches.pages[0]?.wide).toBeCloseTo(215.9, 1);
    const metric = await pdf('drill-sheet.pdf?units=metric&paper=A4');
    expect(metric.text).toContain('millimetres');
    expect(metric.pages[0]?.wide).toBeCloseTo(210, 1);
  });

  it('the quote adds up and has an end', async () => {
    const { pdf } = await open();
    const { text } = await pdf('quote.pdf');
    expect(text).toContain('To pay');
    expect(text).toContain('1,338.59');
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
