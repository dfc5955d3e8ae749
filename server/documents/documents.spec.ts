import { randomUUID } from 'node:crypto';
import type { RigSummary } from '@plain-cleat/api';
import { readPdf } from '../testing/pdf';
import { deck, fitted } from '@plain-cleat/testing';
import { problemOf, shop } from '../testing/shop';

describe('documents', () => {
  const open = async () => {
    const s = await shop();
    const mara = await s.signIn('mara');
    const { body } = await mara.get('/api/floor').expect(200);
    const rig = (body as { rigs: RigSummary[] }).rigs.find((r) => r.title === 'river survey rig');
    await mara.post(`/api/rigs/${rig?.id}/prints`, {}).expect(200);
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

  it('the wire sheet has diagram, cut list, pulling order, ends and the legend; labels are two for each cable; the diagram is a drawing', async () => {
    const s = await shop();
    const mara = await s.signIn('mara');
    const { body } = await mara.get('/api/floor').expect(200);
    const rig = (body as { rigs: RigSummary[] }).rigs.find((r) => r.title.startsWith('night-tour'));
    await mara.post(`/api/rigs/${rig?.id}/prints`, {}).expect(200);
    const pdf = async (path: string) => readPdf(await mara.bytes(`/api/rigs/${rig?.id}/${path}`));
    const { text } = await pdf('wire-sheet.pdf?units=metric&paper=A4');
    for (const said of [
      'Cut list, by gauge and colour',
      'Pulling order',
      'what each way is called',
      'deck light',
      'Heat-shrink',
      'blade fuse',
    ])
      expect(text).toContain(said);
    const labels = (await pdf('wire-labels.pdf?units=imperial&paper=LETTER')).text;
    const label = text.split(/\s+/).find((word) => word.includes('.3–')) ?? '';
    expect(label).not.toBe('');
    expect(labels.split(label).length - 1).toBe(2);
    // The owner reads at home which button is what.
    expect((await pdf('owners-book.pdf?language=en')).text).toContain('which button is what');
    expect((await pdf('owners-book.pdf?language=fr')).text).toContain('quel bouton pour quoi');
    const svg = (await mara.get(`/api/rigs/${rig?.id}/circuit.svg`).expect(200)).body as Buffer;
    expect(svg.toString()).toMatch(/^<svg .*<title>Circuit of night-tour guide’s rig/);
    expect(svg.toString().match(/<polyline/g)?.length).toBeGreaterThan(7);
  });

  it('the line sheet has the cut list, what each line is led by and its ends; the owner reads when a line is to be new', async () => {
    const s = await shop();
    const mara = await s.signIn('mara');
    const { body } = await mara.get('/api/floor').expect(200);
    const rig = (body as { rigs: RigSummary[] }).rigs.find((r) => r.title.startsWith('returned'));
    await mara.post(`/api/rigs/${rig?.id}/prints`, {}).expect(200);
    const pdf = async (path: string) => readPdf(await mara.bytes(`/api/rigs/${rig?.id}/${path}`));
    const { text } = await pdf('line-sheet.pdf?units=metric&paper=A4');
    for (const said of ['Cut list, by cord', 'nylon, 6 mm', 'Anchor trolley, outside starboard', 'sheave of Trolley pulley'])
      expect(text).toContain(said);
    expect(text).toContain('Cable tie at the head of the anchor');
    const year = new Date().getUTCFullYear();
    expect((await pdf('owners-book.pdf?language=en')).text).toMatch(
      new RegExp(`New before the season of (${year + 4}|${year + 5})`),
    );
    expect((await pdf('owners-book.pdf?language=fr')).text).toContain('ligne de mouillage');
  });

  it('the quote adds up and has an end', async () => {
    const { pdf } = await open();
    const { text } = await pdf('quote.pdf');
    expect(text).toContain('Total due');
    // Parts 1,724.39, labor 6.94 h at 68.00, 7.5 % tax on the parts: by hand.
    expect(text).toContain('2,347.40');
    expect(text).toContain('Holds until');
  });

  it("the owner's book speaks both languages", async () => {
    const { pdf } = await open();
    expect((await pdf('owners-book.pdf?language=en')).text).toContain('Your boat, bow to stern');
    expect((await pdf('owners-book.pdf?language=fr')).text).toContain('Votre bateau, de la proue à la poupe');
    expect((await pdf('owners-book.pdf?language=fr')).text).not.toMatch(/BOW|STERN|starboard/);
  });

  it("the owner's book says what was accepted in words, without codes, and what seals the holes in both languages", async () => {
    const s = await shop();
    const idris = await s.signIn('idris');
    const id = await idris.newRig();
    const change = (kind: string, more: object, override?: object) =>
      idris
        .post(`/api/rigs/${id}/changes`, { baseVersion: 0, undoes: null, change: { id: randomUUID(), kind, ...more }, override })
        .expect(200);
    const gland = fitted('gland', { on: 'side', side: 'port', x: 1800, down: 250 }, 'through');
    await change('placeItem', { item: 'w', to: gland });
    await change(
      'acceptFinding',
      {
        ...{ finding: 'hole-under-water:w:w.1', from: null },
        to: { reason: 'it is a drain', by: '', measure: { amount: 500, unit: 'mm', worse: 'more' } },
      },
      { login: 'idris', password: 'slack-tide' },
    );
    await idris.post(`/api/rigs/${id}/prints`, {}).expect(200);
    const book = async (language: string) =>
      (await readPdf(await idris.bytes(`/api/rigs/${id}/owners-book.pdf?language=${language}`))).text.replace(/\s+/g, ' ');
    const [english, french] = [await book('en'), await book('fr')];
    expect(english).toMatch(/water.* Accepted by Idris Kell: it is a drain/);
    expect(french).toContain('A Accepté par Idris Kell : it is a drain');
    for (const text of [english, french]) expect(text).not.toContain('hole-under-water');
    // Nothing is drilled yet: nothing is sealed.
    expect(english).not.toContain('are sealed with');
    const { pdf } = await open();
    expect((await pdf('owners-book.pdf?language=en')).text).toContain('sealed with neutral-cure silicone');
    expect((await pdf('owners-book.pdf?language=fr')).text).toContain('étanchés au silicone neutre');
  });

  it('the parts list is CSV with the items in boat order', async () => {
    const { mara, id } = await open();
    const csv = (await mara.get(`/api/rigs/${id}/parts.csv`).expect(200)).text.split('\r\n');
    expect(csv[0]).toBe('letter,part,from,supplier,quantity,unit,each,cost');
    expect(csv.slice(1, 4).map((l) => l.charAt(0))).toEqual(['A', 'B', 'C']);
  });

  it('each line of the parts list multiplies to its cost, by the foot and by the metre', async () => {
    const { mara, id } = await open();
    for (const [units, unit] of [
      ['imperial', 'foot'],
      ['metric', 'metre'],
    ] as const) {
      const csv = (await mara.get(`/api/rigs/${id}/parts.csv?units=${units}`).expect(200)).text.trim().split('\r\n').slice(1);
      const priced = csv.map((l) => l.split(',').slice(-4)).filter((cells) => cells[3]);
      expect(priced.some((cells) => cells[1] === unit))
        .withContext(units)
        .toBeTrue();
      for (const [quantity, , each, cost] of priced)
        if (Number(cost))
          expect(Number(quantity) * Number(each))
            .withContext(`${units}: ${cost}`)
            .toBeCloseTo(Number(cost), 1);
    }
  });

  it('print any name: Latin with all its accents, Greek, Cyrillic; and say what no font has', async () => {
    const ama = await (await shop()).signIn('ama');
    const paperOf = async (name: string) => {
      const opened = { title: `Łódź ${name}`, owner: { name, email: '' }, hull: 'tolvane-118', serial: 'Ω-7', promised: null };
      const { id } = (await ama.post('/api/rigs', opened).expect(200)).body as { id: string };
      return readPdf(await ama.bytes(`/api/rigs/${id}/quote.pdf`));
    };
    for (const name of [
      'Łukasz Żółć',
      'Đặng Thị Ngọc',
      'Ærøskøbing Þór',
      'Șerban Țăran',
      'Ελένη Παππά',
      'Ђорђе Чарнојевић',
      'Юлія Їжак',
      'Combin\u0065\u0301 accent',
    ]) {
      const { text } = await paperOf(name);
      expect(text).toContain(name.normalize('NFC'));
      expect(text).not.toContain('[?]');
    }
    const { text } = await paperOf('Kayo 漢字');
    expect(text).toContain('Kayo [?][?]');
    expect(text).toContain('(U+6F22, U+5B57): write them in by hand');
  });

  it('wrong settings are named', async () => {
    const { mara, id } = await open();
    const answer = await mara.get(`/api/rigs/${id}/quote.pdf?paper=A3`).expect(422);
    expect((answer.body as { field: string }).field).toBe('paper');
  });

  it('letters are fixed before the first paper, once; reading a paper writes nothing', async () => {
    const s = await shop();
    const ama = await s.signIn('ama');
    const id = await ama.newRig();
    const print = () => ama.post(`/api/rigs/${id}/prints`, {}).expect(200);
    await print();
    await ama.get(`/api/rigs/${id}/drill-sheet.pdf`).expect(200);
    expect((await ama.rig(id)).plan.letters).toBeNull();
    const change = { id: randomUUID(), kind: 'placeItem', item: 'c', to: fitted('crate-open', deck(2680), 'loose') };
    await ama.post(`/api/rigs/${id}/changes`, { baseVersion: 0, change, undoes: null }).expect(200);
    const early = await ama.get(`/api/rigs/${id}/drill-sheet.pdf`).expect(409);
    expect(problemOf(early)).toEqual(jasmine.objectContaining({ field: 'letters' }));
    await ama.get(`/api/rigs/${id}/parts.csv`).expect(200);
    expect((await ama.rig(id)).version).toBe(1);
    await Promise.all([print(), print()]);
    const { version, plan } = await ama.rig(id);
    expect([version, plan.letters]).toEqual([2, { c: 'A' }]);
    await ama.get(`/api/rigs/${id}/drill-sheet.pdf`).expect(200);
    expect((await ama.rig(id)).version).toBe(2);
  });
});
