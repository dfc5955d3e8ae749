import { lineFigures } from '@plain-cleat/core/work/pricing';
import type { UnitSystem } from '@plain-cleat/core/base/units';
import type { Workup } from '@plain-cleat/core/workup';
import { stringify } from 'csv-stringify/sync';

/** Keeps a spreadsheet from reading a cell as a formula. */
const plain = (text: string): string => (/^[=+\-@\t\r]/.test(text) ? `'${text}` : text);

/** Parts list as CSV (RFC 4180): items bow to stern, then material; by the foot or the metre, as its reader measures. */
export function partsCsv(w: Workup, units: UnitSystem): string {
  const letters = new Map(w.aboard.items.map((i) => [i.placed.id, i.letter]));
  const rows = w.price.lines.map((l) => {
    const { each, quantity, unit } = lineFigures(l, units);
    const letter = (l.fitting && letters.get(l.fitting)) ?? '';
    return [letter, plain(l.name), l.from, plain(l.supplier), quantity, unit, each, (l.cents / 100).toFixed(2)];
  });
  const fasteners = w.aboard.items
    .filter((i) => i.mounted.fastener)
    .map((i) => [i.letter, i.mounted.fastener, 'fastener', '', i.mounted.count, 'each', '', '']);
  return stringify([['letter', 'part', 'from', 'supplier', 'quantity', 'unit', 'each', 'cost'], ...rows, ...fasteners], {
    record_delimiter: '\r\n',
  });
}
