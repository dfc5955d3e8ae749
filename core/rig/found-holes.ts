import { numbersOf, parseLength, type UnitSystem } from '../base/units';

/** A hole found on a used boat, as it stands in a list. */
export interface FoundHole {
  readonly label: string;
  readonly datum: string;
  readonly reading: number;
  readonly offCentre: number;
  readonly down: number | null;
  readonly bit: number;
  readonly plugged: string;
  readonly says: string;
}
export interface FoundFault {
  /** Line of the list, the headings being the first. */
  readonly line: number;
  readonly column: string;
  readonly says: string;
}

const COLUMNS: Readonly<Record<string, RegExp>> = {
  label: /^(label|hole|name|no)\b/,
  datum: /^(hook|datum|hooked)\b/,
  reading: /^(reading|tape|from|x)\b/,
  off: /^(off|offset|across|y)\b/,
  down: /^down\b/,
  bit: /^(bit|bore|diameter|size|dia)\b/,
  plugged: /^plug/,
  says: /^(note|notes|says|remark)/,
};

/**
 * Reads a list of found holes, columns in any order: label, hooked on, reading, off centre (to starboard, or
 * with P or S), down from the gunwale, bit, plugged with, note. Lengths as riggers write them, bare figures in
 * the given unit.
 *
 * @param rows the headings and the lines, at most 200
 */
export function readFoundHoles(
  rows: readonly (readonly string[])[],
  system: UnitSystem,
): { holes: FoundHole[]; faults: FoundFault[] } {
  const [head = [], ...body] = rows;
  const heads = head.map((h) => h.trim().toLowerCase());
  const at = Object.fromEntries(Object.entries(COLUMNS).map(([name, is]) => [name, heads.findIndex((h) => is.test(h))]));
  const faults: FoundFault[] = [];
  for (const needed of ['reading', 'bit'] as const)
    if ((at[needed] ?? -1) < 0) faults.push({ line: 1, column: needed, says: `there is no column ${needed}` });
  if (body.length > 200) faults.push({ line: 202, column: 'label', says: 'a list holds 200 holes at the most' });
  if (faults.length) return { holes: [], faults };
  // How a column writes numbers settles 1,234 in it.
  const written = Object.fromEntries(Object.entries(at).map(([name, c]) => [name, numbersOf(body.map((row) => row[c] ?? ''))]));
  const holes = body.slice(0, 200).flatMap((row, i): FoundHole[] => {
    const cell = (name: string): string => (row[at[name] ?? -1] ?? '').trim();
    const wrong = (column: string, says: string): undefined => void faults.push({ line: i + 2, column, says });
    const length = (column: string, text = cell(column)): number | undefined => {
      const read = parseLength(text, system, written[column]);
      return read.ok ? read.mm : wrong(column, read.says);
    };
    const reading = length('reading');
    const bit = length('bit');
    const off = cell('off').toLowerCase() || '0';
    const side = /^[ps]|[ps]$/.exec(off)?.[0] ?? '';
    const offCentre = off.replace(/^[ps]|[ps]$/g, '').trim();
    const minus = /^[-−]/.test(offCentre);
    const across = length('off', minus ? offCentre.slice(1).trim() : offCentre);
    const down = cell('down') ? length('down') : null;
    if (bit !== undefined && (bit < 1 || bit > 200)) wrong('bit', 'between 1 and 200 mm');
    if (reading === undefined || bit === undefined || across === undefined || down === undefined || bit < 1 || bit > 200)
      return [];
    return [
      {
        label: cell('label').slice(0, 8) || `O${i + 1}`,
        datum: cell('datum') || 'bow',
        reading,
        offCentre: side === 'p' || minus ? -across : across,
        down,
        bit,
        plugged: cell('plugged').slice(0, 200),
        says: cell('says').slice(0, 200),
      },
    ];
  });
  return { holes, faults };
}
