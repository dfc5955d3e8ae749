import { certain, numbersOf, type Numbers } from '../../base/units';
import { readCents } from './wish-sheet';

const SUM = /^(?:SUM|SOMME|SUMA|SUMME)\(([^()]*)\)$/i;
const RANGE = /^\$?([A-Z]{1,2})\$?(\d{1,4}):\$?([A-Z]{1,2})\$?(\d{1,4})$/i;
const CELL = /^\$?([A-Z]{1,2})\$?(\d{1,4})$/i;

/** A sheet of a foreign hand that sums more than so many cells is not worked out. */
const MOST_LOOKS = 100_000;

const columnOf = (letters: string): number =>
  [...letters.toUpperCase()].reduce((sum, letter) => sum * 26 + letter.charCodeAt(0) - 64, 0) - 1;

/**
 * Works out the sums and products of a sheet whose formulas came without what they come to: `=SUM(D2:D9)`, `=B2*C2`. What
 * else stands behind an equals sign is left, and asked about.
 *
 * @param cells as the sheet has them, blank rows and columns too
 */
export function settleFormulas(cells: readonly (readonly string[])[]): string[][] {
  const sheet = new Sheet(cells);
  return cells.map((row, r) =>
    row.map((text, c) => {
      if (!text.trim().startsWith('=')) return text;
      const value = sheet.valueAt(r, c);
      return value === null ? text : certain(Math.round(value * 1e6) / 1e6);
    }),
  );
}

/** The cells of a sheet, and what they come to. */
class Sheet {
  private readonly written = new Map<number, Numbers | null>();
  private readonly known = new Map<string, number | null>();
  private looks = 0;

  constructor(private readonly cells: readonly (readonly string[])[]) {}

  /** What a cell comes to; nought where it is empty, null where it is no figure. A circle comes to nothing. */
  valueAt(row: number, column: number): number | null {
    const text = (this.cells[row]?.[column] ?? '').trim();
    if (text === '') return 0;
    if (!text.startsWith('=')) {
      const cents = readCents(text, this.numbersIn(column));
      return cents === null ? null : cents / 100;
    }
    const at = `${row} ${column}`;
    if (!this.known.has(at)) {
      this.known.set(at, null);
      this.known.set(at, this.comesTo(text.slice(1)));
    }
    return this.known.get(at) ?? null;
  }

  private numbersIn(column: number): Numbers | null {
    if (!this.written.has(column)) this.written.set(column, numbersOf(this.cells.map((row) => row[column] ?? '')));
    return this.written.get(column) ?? null;
  }

  /** A sum or a product. */
  private comesTo(formula: string): number | null {
    const clean = formula.replace(/\s+/g, '');
    const sum = SUM.exec(clean);
    if (sum) {
      const terms = (sum[1] ?? '').split(/[,;]/).flatMap((term) => this.inRange(term));
      return terms.some((t) => t === null) ? null : terms.reduce<number>((a, b) => a + (b ?? 0), 0);
    }
    const factors = clean.split('*').map((name) => this.named(name));
    return factors.some((f) => f === null) ? null : factors.reduce<number>((a, b) => a * (b ?? 0), 1);
  }

  private named(name: string): number | null {
    const cell = CELL.exec(name);
    if (cell) return this.valueAt(Number(cell[2]) - 1, columnOf(cell[1] ?? ''));
    return /^\d+(\.\d+)?$/.test(name) ? Number(name) : null;
  }

  private inRange(text: string): (number | null)[] {
    const range = RANGE.exec(text);
    if (!range) return [this.named(text)];
    const [, left = '', top, right = '', bottom] = range;
    const [from, to] = [columnOf(left), columnOf(right)];
    const all: (number | null)[] = [];
    for (let row = Number(top); row <= Math.min(Number(bottom), this.cells.length); row++)
      // Words among what is summed count for nothing, as they do in every spreadsheet; a figure nobody can read does.
      for (let column = from; column <= Math.min(to, from + 40); column++) {
        if (++this.looks > MOST_LOOKS) return [null];
        const value = this.valueAt(row - 1, column);
        all.push(value ?? (/\d/.test(this.cells[row - 1]?.[column] ?? '') ? null : 0));
      }
    return all;
  }
}
