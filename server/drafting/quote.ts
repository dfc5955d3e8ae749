import { lineInWords } from '@plain-cleat/core/work/pricing';
import { dayAfter, printMoney } from '@plain-cleat/core/base/units';
import type { Workup } from '@plain-cleat/core/workup';
import { drawSections, table, type Column, type Section } from './section';
import type { Sheet } from './sheet';

const COLUMNS: readonly Column[] = [
  { name: '', width: 30 },
  { name: 'What', width: 'rest' },
  { name: 'From', width: 110 },
  { name: 'Each', width: 60, end: true },
  { name: 'How many', width: 70, end: true },
  { name: 'Cost', width: 80, end: true },
];
const UNNAMED = COLUMNS.map(({ name: _, ...column }) => column);

/** For whom it is, and until when it holds. */
const holds: Section = ({ paper, sheet: { owner, today, shop } }) =>
  paper.text(`For ${owner}. Prices of ${today}, in ${shop.currency}. Holds until ${dayAfter(today, shop.quoteDays)}.`);

/** Every line, bow to stern. */
const lines: Section = ({ paper, sheet, w }) => {
  const letters = new Map(w.aboard.items.map((i) => [i.placed.id, i.letter]));
  paper.heading('Bow to stern');
  const rows = w.price.lines.map((line) => {
    const { each, quantity } = lineInWords(line, sheet.units);
    const letter = (line.fitting && letters.get(line.fitting)) ?? '';
    return [letter, line.name, line.from, each, quantity, line.cents ? printMoney(line.cents) : '–'];
  });
  table(paper, { columns: COLUMNS, rows });
};

/** Material, labor, tax, and what is to pay. */
const sums: Section = ({ paper, sheet: { shop }, w }) => {
  const { totals } = w.price;
  const sum = (name: string, cents: number): string[] => ['', name, '', '', '', printMoney(cents)];
  table(paper, {
    columns: UNNAMED,
    rows: [
      sum('Parts and material', totals.partsCents),
      sum(`Labor, ${totals.laborHours.toFixed(2)} h at ${printMoney(shop.labor.centsPerHour)}`, totals.laborCents),
      sum(`Tax ${shop.taxPercent} %${shop.taxOnLabor ? '' : ' on parts'}`, totals.taxCents),
    ],
  });
  table(paper, { columns: UNNAMED, rows: [sum('Total due', totals.totalCents)], bold: true });
  paper.doc.moveDown();
};

const work: Section = ({ paper, w: { drilling } }) =>
  paper.text(
    `This rig makes ${drilling.holes.length} ${drilling.holes.length === 1 ? 'hole' : 'holes'} in the hull. Work by the shop's standard times.`,
    true,
  );

/** The quote: every line bow to stern, material, labor, tax, and until when it holds. */
export const quote = (sheet: Sheet, w: Workup): Promise<Buffer> => drawSections(sheet, 'Quote', w, [holds, lines, sums, work]);
