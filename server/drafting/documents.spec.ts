import { CATALOG, demoRigs, SHOP } from '@plain-cleat/demo';
import type { Fact } from '@plain-cleat/core/rig';
import type { WorkupInput } from '@plain-cleat/core/workup';
import { readPdf, type ReadPage, type Word } from '../testing/pdf';
import { draft } from './draft';
import type { Heading, DocumentName } from './draw';

const PAPER_SIZES: readonly DocumentName[] = [
  ...(['reception-sheet', 'drill-sheet', 'wire-sheet', 'line-sheet', 'wire-labels', 'quote'] as const),
  ...(['owners-book', 'printer-check'] as const),
];
const TODAY = '2026-06-10';

/** A printer leaves so much white at an edge, mm; letters under so many points are not read on a bench. */
const EDGE = 5;
const SMALLEST = 7;
/** Letters that touch by less are set close, not over each other, mm. */
const TOUCH = 0.5;

const heading = (number: string, more: Partial<Heading>): Heading => ({
  ...{ number, serial: 'S1204', owner: 'Perpetua Wistlethorpe-Aubrac', today: TODAY, by: 'Tom Hale' },
  ...{ units: 'imperial', paper: 'LETTER', language: 'en' },
  ...more,
});

const spoken = (page: ReadPage): Word[] => page.words.filter((w) => w.says.trim() !== '');
/** The box of a word's letters: from under its baseline to the top of its capitals, mm. */
const boxOf = ({ at: [x, y], wide, size }: Word) => ({ left: x, right: x + wide, top: y - size * 0.7 * (25.4 / 72), foot: y });

/** What is wrong with a page, in words. */
function faultsOf(page: ReadPage): string[] {
  const words = spoken(page);
  const level = words.filter((w) => w.level);
  const out: string[] = [];
  for (const w of words) {
    const { left, right, top, foot } = boxOf(w);
    const beyond = w.level && (left < EDGE || top < EDGE || right > page.wide - EDGE || foot > page.high - EDGE);
    if (beyond) out.push(`beyond the edge: ${w.says}`);
    if (w.size < SMALLEST - 0.05) out.push(`${w.size.toFixed(1)} points: ${w.says}`);
  }
  level.forEach((a, i) => {
    const p = boxOf(a);
    for (const b of level.slice(i + 1)) {
      const q = boxOf(b);
      const across = Math.min(p.right, q.right) - Math.max(p.left, q.left);
      const down = Math.min(p.foot, q.foot) - Math.max(p.top, q.top);
      if (across > TOUCH && down > TOUCH) out.push(`over each other: ${a.says} and ${b.says}`);
    }
  });
  return out;
}

/** A page that holds next to nothing besides its number. */
const isLone = (page: ReadPage, n: number): boolean => {
  const lines = new Set(spoken(page).map((w) => Math.round(w.at[1])));
  return n > 0 && lines.size <= 2;
};

describe('every paper of every demo rig', () => {
  for (const [paper, units] of [
    ['LETTER', 'imperial'],
    ['A4', 'metric'],
  ] as const)
    for (const what of PAPER_SIZES)
      it(`${what} on ${paper}: letters stand on the page, large enough, none on another, no page for a lone line`, async () => {
        for (const [n, { file: f }] of demoRigs(TODAY).entries()) {
          const facts = f.ledger as unknown as Fact[];
          const input: WorkupInput = { plan: f.plan, hull: f.hull, facts, catalog: CATALOG, shop: SHOP, asOf: TODAY };
          const language = paper === 'A4' ? 'fr' : 'en';
          const { bytes } = await draft('draw', what, input, heading(`R-${n + 1}`, { paper, units, language }), {});
          const { pages } = await readPdf(Buffer.from(bytes), 0);
          pages.forEach((page, i) => {
            expect(faultsOf(page))
              .withContext(`${f.plan.title}, page ${i + 1}`)
              .toEqual([]);
            expect(isLone(page, i))
              .withContext(`${f.plan.title}, page ${i + 1}: ${page.text.slice(0, 80)}`)
              .toBeFalse();
          });
        }
      });
});
