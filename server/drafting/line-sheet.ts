import { cordList, cordWords, kgPerMetre, TETHER, tethersOf, USES, type LedLine } from '@plain-cleat/core/lines';
import { asHung, capital, printLong, printMass } from '@plain-cleat/core/base/units';
import type { Workup } from '@plain-cleat/core/workup';
import { drawSections, notSettled, table, type Drawing, type Section } from './section';
import type { Sheet } from './sheet';

const caution: Section = ({ paper }) =>
  paper.text(
    'Life jacket on, always. A knife in reach of every line that holds the boat. Lines catch legs and propellers: stow what is loose.',
    true,
  );

/** What is cut of which cord, longest first. */
const cutOfCord: Section = ({ paper, sheet, w: { lines, aboard } }) => {
  const tethers = tethersOf(aboard.owned);
  const long = (mm: number): string => printLong(mm, sheet.units);
  const pieces = [
    ...lines.filter((l) => !l.old).map((l) => ({ cord: l.cord, label: l.line.use, cut: l.cut })),
    ...tethers.map(({ letter, cut }) => ({ cord: TETHER, label: `tether of ${letter}`, cut })),
  ];
  paper.heading('Cut list, by cord');
  if (pieces.length === 0) return paper.text('Nothing: every line is on the boat.');
  table(paper, {
    columns: [
      { name: 'Cord', width: 150 },
      { name: 'Pieces, longest first', width: 'rest' },
      { name: 'In all', width: 80, end: true },
      { name: 'Weight', width: 80, end: true },
    ],
    rows: cordList(pieces).map((g) => [
      cordWords(g.cord),
      g.pieces.map((p) => `${p.label} ${long(p.cut)}`).join('  ·  '),
      long(g.total),
      printMass((g.total / 1000) * kgPerMetre(g.cord), sheet.units),
    ]),
  });
};

/** How one line is led and ended, what it holds, and what its owner is warned of. */
function oneLine({ paper, sheet }: Drawing, l: LedLine): void {
  const long = (mm: number): string => printLong(mm, sheet.units);
  const hung = (newtons: number): string => printMass(asHung(newtons), sheet.units);
  const { ends, caution: warned } = USES[l.line.use];
  table(paper, {
    heading: `${capital(l.line.use)}, ${l.line.way}`,
    columns: [
      { name: 'At', width: 60 },
      { name: 'What', width: 190 },
      { name: 'Takes a cord of', width: 110 },
      { name: 'Pulled with', width: 'rest' },
    ],
    rows: l.led.map((p) => [
      p.letter || '–',
      p.name,
      `${p.lead.takes} mm`,
      Number.isFinite(p.newtons) ? hung(p.newtons) : 'too much',
    ]),
  });
  paper.text(
    `${l.old ? `On the boat since ${l.old.since}, ${long(l.cut)} long` : `Cut ${long(l.cut)}`}: ${long(l.aboard)} aboard${l.rode > 0 ? `, ${long(l.rode)} overboard` : ''}, ${long(l.ends)} for knots and the hand.`,
  );
  paper.text(`First end: ${ends[0]}. Last end: ${ends[1]}.`);
  if (l.line.breaks !== undefined) paper.text(`Cable tie at the head of the anchor: one sold to hold ${hung(l.line.breaks)}.`);
  paper.text(warned, true);
}

/** The line sheet: what is cut of which cord, how each line is led and ended, what it holds, what its owner is warned of. */
export const lineSheet = (sheet: Sheet, w: Workup): Promise<Buffer> =>
  drawSections(
    sheet,
    'Line sheet',
    w,
    w.lines.length + tethersOf(w.aboard.owned).length === 0
      ? [caution, ({ paper }) => paper.text('This plan has no lines.')]
      : [caution, cutOfCord, (drawing) => w.lines.forEach((l) => oneLine(drawing, l)), notSettled('wire', 'Wire')],
  );
