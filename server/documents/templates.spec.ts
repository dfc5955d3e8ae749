import { randomUUID } from 'node:crypto';
import { templatesOf, type Template } from '@plain-cleat/core/holding/drilling';
import type { Change, Fitting } from '@plain-cleat/core/rig';
import { workUp, type Workup } from '@plain-cleat/core/workup';
import DxfParser from 'dxf-parser';
import { readPdf, type ReadPage } from '../testing/pdf';
import { fitted } from '@plain-cleat/testing';
import { type Person, problemOf, shop } from '../testing/shop';

const bolted = (part: string, place: Fitting['place']): Fitting => fitted(part, place, 'through');
const FITTINGS: Record<string, Fitting> = {
  // Six holes over nearly half a metre: it takes several sheets of paper.
  wide: bolted('bungee-deck', { on: 'deck', x: 720, y: 0, heading: 0 }),
  port: bolted('jam-cleat', { on: 'side', side: 'port', x: 1400, down: 70 }),
  star: bolted('jam-cleat', { on: 'side', side: 'starboard', x: 1400, down: 70 }),
};

type Mark = readonly [number, number];
/** Crosses of a page: two strokes of 16 mm that halve each other. */
function crossesOf(page: ReadPage): Mark[] {
  const middle = (s: ReadPage['strokes'][number]): Mark => [(s.from[0] + s.to[0]) / 2, (s.from[1] + s.to[1]) / 2];
  const arm = (s: ReadPage['strokes'][number]): number => Math.hypot(s.to[0] - s.from[0], s.to[1] - s.from[1]);
  const arms = page.strokes.filter((s) => Math.abs(arm(s) - 16) < 0.01);
  const level = arms.filter((s) => Math.abs(s.from[1] - s.to[1]) < 0.01).map(middle);
  const plumb = arms.filter((s) => Math.abs(s.from[0] - s.to[0]) < 0.01).map(middle);
  return level.filter((a) => plumb.some((b) => Math.hypot(a[0] - b[0], a[1] - b[1]) < 0.01));
}
/** Lengths of the bars of a page, mm. */
const bars = (page: ReadPage): number[] =>
  page.strokes.map((s) => Math.hypot(s.to[0] - s.from[0], s.to[1] - s.from[1])).filter((l) => l > 99.9 && l < 101.7);

describe('templates', () => {
  let mara: Person;
  let rig: string;
  let w: Workup;
  let templates: Template[];
  const bytes = (path: string): Promise<Buffer> => mara.bytes(`/api/rigs/${rig}/${path}`);
  const measure = (paper: 'A4' | 'LETTER', reading: number, of = rig, plan = planId) =>
    mara
      .post(`/api/rigs/${of}/facts`, {
        facts: [
          {
            id: randomUUID(),
            kind: 'barMeasured',
            rig: plan,
            deviceTime: new Date().toISOString(),
            paper,
            bar: '100 mm',
            reading,
          },
        ],
      })
      .expect(200);
  let planId: string;

  beforeAll(async () => {
    const s = await shop();
    mara = await s.signIn('mara');
    const ama = await s.signIn('ama');
    rig = await ama.newRig('templates');
    for (const [item, to] of Object.entries(FITTINGS)) {
      const change: Change = { id: randomUUID(), kind: 'placeItem', item, to };
      await ama.post(`/api/rigs/${rig}/changes`, { baseVersion: 0, change, undoes: null }).expect(200);
    }
    await ama.post(`/api/rigs/${rig}/prints`, {}).expect(200);
    const doc = await ama.rig(rig);
    planId = doc.plan.id;
    w = workUp({ ...doc, asOf: doc.today } as never);
    templates = w.aboard.owned.flatMap((i) => templatesOf(w.surface, i, doc.plan.tape, doc.shop.drilling, w.ledger));
  });

  it('are locked until a bar printed on the same paper was measured and is true', async () => {
    const ama = await (await shop()).signIn('ama');
    const locked = await ama.newRig('locked templates');
    const change: Change = {
      id: randomUUID(),
      kind: 'placeItem',
      item: 'c',
      to: bolted('jam-cleat', FITTINGS.port?.place as never),
    };
    await ama.post(`/api/rigs/${locked}/changes`, { baseVersion: 0, change, undoes: null }).expect(200);
    await ama.post(`/api/rigs/${locked}/prints`, {}).expect(200);
    const { plan } = await ama.rig(locked);
    const get = (paper: string) => mara.get(`/api/rigs/${locked}/templates.pdf?paper=${paper}`);
    const none = problemOf(await get('A4').expect(409));
    expect([none.field, none.detail]).toEqual(['paper', jasmine.stringContaining('print the check page on A4')]);
    await measure('A4', 98.6, locked, plan.id);
    expect(problemOf(await get('A4').expect(409)).detail).toContain('3.882 in for 100 mm');
    await measure('A4', 100.2, locked, plan.id);
    await get('A4').expect(200);
    // Another paper comes out of another tray, or another printer.
    await get('LETTER').expect(409);
  });

  it('the check page has a bar of 100 mm lying and standing, and one of 4 in', async () => {
    const { pages, printScaling } = await readPdf(await bytes('printer-check.pdf?paper=A4'));
    expect(printScaling).toBe('None');
    const lengths = bars(pages[0] as ReadPage).sort((a, b) => a - b);
    expect(lengths.length).toBe(3);
    [100, 100, 101.6].forEach((l, i) => expect(lengths[i]).toBeCloseTo(l, 3));
  });

  for (const paper of ['A4', 'LETTER'] as const)
    it(`on ${paper}, every sheet: distances between crosses are those of the unrolled hull within 0.1 mm, and are ink`, async () => {
      await measure(paper, 100);
      const { pages, printScaling } = await readPdf(await bytes(`templates.pdf?paper=${paper}`));
      expect(printScaling).toBe('None');
      let seen = 0;
      const found = new Set<string>();
      for (const page of pages) {
        expect(page.wide).toBeCloseTo(paper === 'A4' ? 210 : 215.9, 1);
        expect(bars(page).length).toBe(2);
        const letter = /Template (\w+)/.exec(page.text)?.[1];
        const template = templates.find((t) => t.letter === letter);
        if (!template) return fail(`no template ${letter}`);
        const crosses = crossesOf(page);
        // Which hole a cross is says the label printed beside it.
        const holeAt = ([x, y]: Mark): Template['holes'][number] | undefined => {
          const beside = page.words
            .filter((t) => template.holes.some((h) => h.label === t.says))
            .reduce((p, q) => (Math.hypot(q.at[0] - x, q.at[1] - y) < Math.hypot(p.at[0] - x, p.at[1] - y) ? q : p));
          return template.holes.find((h) => h.label === beside.says);
        };
        for (const a of crosses) {
          const own = holeAt(a);
          if (!own) return fail('a cross without a label');
          found.add(own.label);
          for (const b of crosses.filter((c) => c !== a)) {
            const other = holeAt(b);
            if (!other) return fail('a cross without a label');
            expect(a[0] - b[0]).toBeCloseTo(own.x - other.x, 2);
            expect(b[1] - a[1]).toBeCloseTo(own.y - other.y, 2);
            seen++;
          }
          // The arm of the cross is there in ink.
          expect(page.dark(a[0] + 6.5, a[1])).toBeGreaterThan(40);
          expect(page.dark(a[0], a[1] + 6.5)).toBeGreaterThan(40);
        }
      }
      expect(seen).toBeGreaterThan(3);
      expect([...found].sort()).toEqual(w.drilling.holes.map((h) => h.label).sort());
      const wide = pages.filter((p) => p.text.includes('Template A'));
      expect(wide.length).toBeGreaterThan(2);
    });

  it('register marks of neighbouring sheets are one place of the drawing', async () => {
    await measure('A4', 100);
    const { pages } = await readPdf(await bytes('templates.pdf?paper=A4&fitting=wide'));
    const mark = (page: ReadPage): Mark[] => {
      const arms = page.strokes.filter((s) => Math.abs(Math.hypot(s.to[0] - s.from[0], s.to[1] - s.from[1]) - 8) < 0.01);
      return arms.filter((s) => Math.abs(s.from[1] - s.to[1]) < 0.01).map((s) => [(s.from[0] + s.to[0]) / 2, s.from[1]]);
    };
    const [first, second] = pages;
    if (!first || !second) return fail('one sheet');
    const shift = 186 - 20;
    const right = mark(first).filter(([x]) => x > 170);
    expect(right.length).toBeGreaterThan(1);
    for (const [x, y] of right)
      expect(mark(second).some(([a, b]) => Math.abs(a + shift - x) < 0.1 && Math.abs(b - y) < 0.1)).toBeTrue();
  });

  it('say which face is up, where the bow is, which side, what flattening costs, and how the tape runs', async () => {
    await measure('LETTER', 100);
    const { pages } = await readPdf(await bytes('templates.pdf?paper=LETTER'));
    const sheets = pages.filter((p) => p.text.includes('Jam cleat')).map((p) => p.text);
    expect(sheets.some((t) => t.includes('Bow to the left. PORT.'))).toBeTrue();
    expect(sheets.some((t) => t.includes('Bow to the right. STARBOARD.'))).toBeTrue();
    for (const t of sheets) {
      expect(t).toContain('seen from outside, gunwale up');
      expect(t).toContain('along the gunwale');
      expect(t).toMatch(/Flattening costs at most 0\.\d\d\d in/);
      expect(t).toContain('no scaling');
    }
  });

  it('as DXF a third-party reader finds millimetres, and the holes where they are developed', async () => {
    for (const t of templates) {
      const text = (await bytes(`template.dxf?fitting=${t.fitting}&part=${t.part}`)).toString();
      const read = new DxfParser().parseSync(text);
      expect(read?.header.$INSUNITS).toBe(4);
      const circles = (read?.entities ?? []).filter((e) => e.type === 'CIRCLE' && e.layer === 'HOLES') as unknown as {
        center: { x: number; y: number };
        radius: number;
      }[];
      expect(circles.length).toBe(t.holes.length);
      for (const h of t.holes)
        expect(
          circles.some((c) => Math.hypot(c.center.x - h.x, c.center.y - h.y) < 0.01 && Math.abs(c.radius - h.bit.mm / 2) < 0.01),
        ).toBeTrue();
    }
  });

  it('as SVG it is in millimetres, one to one', async () => {
    const [t] = templates;
    if (!t) return fail('no template');
    const text = (await bytes(`template.svg?fitting=${t.fitting}`)).toString();
    const [, w0, w1] = /width="([\d.]+)mm".*viewBox="0 0 ([\d.]+)/.exec(text) ?? [];
    expect(w0).toBe(w1);
    const circles = [...(/<g id="HOLES">(.*?)<\/g>/.exec(text)?.[1] ?? '').matchAll(/cx="([\d.]+)" cy="([\d.]+)"/g)].map(
      ([, x, y]) => [Number(x), Number(y)] as const,
    );
    expect(circles.length).toBe(t.holes.length);
    t.holes.forEach((a, i) =>
      t.holes.forEach((b, k) => {
        const [p, q] = [circles[i], circles[k]];
        const apart = Math.hypot((p?.[0] ?? 0) - (q?.[0] ?? 0), (p?.[1] ?? 0) - (q?.[1] ?? 0));
        expect(apart).toBeCloseTo(Math.hypot(a.x - b.x, a.y - b.y), 3);
      }),
    );
  });

  it('of nothing: the field is named', async () => {
    const missing = problemOf(await mara.get(`/api/rigs/${rig}/template.svg?fitting=ghost`).expect(404));
    expect(missing.field).toBe('fitting');
    const beyond = problemOf(await mara.get(`/api/rigs/${rig}/template.dxf?fitting=port&part=9`).expect(404));
    expect(beyond.field).toBe('part');
  });
});
