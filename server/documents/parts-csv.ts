import { printLong, type Workup } from '@plain-cleat/core';
import { stringify } from 'csv-stringify/sync';

/** Keeps a spreadsheet from reading a cell as a formula. */
const plain = (text: string): string => (/^[=+\-@\t\r]/.test(text) ? `'${text}` : text);

/** Parts list as CSV (RFC 4180): items bow to stern, then material; lengths in the reader's units. */
export function partsCsv(w: Workup, units: 'imperial' | 'metric'): string {
  const letters = new Map(w.items.map((i) => [i.placed.id, i.letter]));
  const rows = w.lines.map((l) => [
    (l.fitting && letters.get(l.fitting)) ?? '',
    plain(l.name),
    l.from,
    plain(l.supplier),
    l.unit === 'metre' ? printLong(l.quantity * 1000, units) : l.quantity,
    l.unit,
    (l.eachCents / 100).toFixed(2),
    (l.cents / 100).toFixed(2),
  ]);
  const fasteners = w.items
    .filter((i) => i.mounted.fastener)
    .map((i) => [i.letter, i.mounted.fastener, 'fastener', '', i.mounted.count, 'each', '', '']);
  return stringify([['letter', 'part', 'from', 'supplier', 'quantity', 'unit', 'each', 'cost'], ...rows, ...fasteners], {
    record_delimiter: '\r\n',
  });
}
