import { lineInWords } from '@plain-cleat/core/work/pricing';
import { dayAfter, printMoney } from '@plain-cleat/core/base/units';
import type { Workup } from '@plain-cleat/core/workup';
import { Paper, type Sheet } from './sheet';

/** The quote: every line bow to stern, material, labor, tax, and until when it holds. */
export function quote(sheet: Sheet, w: Workup): Promise<Buffer> {
  const paper = new Paper(sheet, 'Quote');
  const { shop, today } = sheet;
  const letters = new Map(w.aboard.items.map((i) => [i.placed.id, i.letter]));
  paper.text(`For ${sheet.owner}. Prices of ${today}, in ${shop.currency}. Holds until ${dayAfter(today, shop.quoteDays)}.`);
  paper.heading('Bow to stern');
  const widths = [30, paper.width - 350, 110, 60, 70, 80];
  const ends = [3, 4, 5];
  paper.row(['', 'What', 'From', 'Each', 'How many', 'Cost'], widths, { bold: true, ends });
  for (const line of w.price.lines) {
    const { each, quantity } = lineInWords(line, sheet.units);
    paper.row(
      [
        (line.fitting && letters.get(line.fitting)) ?? '',
        line.name,
        line.from,
        each,
        quantity,
        line.cents ? printMoney(line.cents) : '–',
      ],
      widths,
      { ends },
    );
  }
  const {
    price: { totals },
  } = w;
  const sum = (name: string, cents: number, bold = false): void =>
    paper.row(['', name, '', '', '', printMoney(cents)], widths, { ends, bold });
  sum('Parts and material', totals.partsCents);
  sum(`Labor, ${totals.laborHours.toFixed(2)} h at ${printMoney(shop.labor.centsPerHour)}`, totals.laborCents);
  sum(`Tax ${shop.taxPercent} %${shop.taxOnLabor ? '' : ' on parts'}`, totals.taxCents);
  sum('To pay', totals.totalCents, true);
  paper.doc.moveDown();
  paper.text(
    `This rig makes ${w.drilling.holes.length} ${w.drilling.holes.length === 1 ? 'hole' : 'holes'} in the hull. Work by the shop's standard times.`,
    true,
  );
  return paper.finish();
}
