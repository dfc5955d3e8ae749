import { settleFormulas } from '@plain-cleat/core/parts/catalog';
import { certain } from '@plain-cleat/core/base/units';
import { parse } from 'csv-parse/sync';
import exceljs from 'exceljs';
import { fromBuffer, type ZipFile } from 'yauzl';
import { badInput } from '../problems/problem';

/** The most one sheet may hold; an owner's wish list has tens of lines. */
const SHEET = { rows: 500, columns: 40, cell: 300, inflated: 40_000_000 } as const;

/** The cells of a sheet, and how many rows were left out. */
export interface SheetCells {
  readonly cells: string[][];
  readonly dropped: number;
}

const refuse = (says: string): never => {
  throw badInput([{ field: 'file', says }]);
};

/** Counts what a ZIP really inflates to, and stops at the limit, before anything parses it. */
function inflates(bytes: Buffer): Promise<number> {
  return new Promise((resolve, reject) => {
    fromBuffer(bytes, { lazyEntries: true, validateEntrySizes: true }, (error, zip?: ZipFile) => {
      if (error || !zip) return reject(error ?? new Error('not a ZIP'));
      let total = 0;
      zip.on('error', reject);
      zip.on('end', () => resolve(total));
      zip.on('entry', (entry) => {
        if (/\/$/.test(entry.fileName)) return zip.readEntry();
        zip.openReadStream(entry, (fault, stream) => {
          if (fault || !stream) return reject(fault ?? new Error('damaged'));
          stream.on('error', reject);
          stream.on('data', (chunk: Buffer) => {
            total += chunk.length;
            if (total > SHEET.inflated) {
              stream.destroy();
              zip.close();
              resolve(total);
            }
          });
          stream.on('end', () => zip.readEntry());
        });
      });
      zip.readEntry();
    });
  });
}

/** Rows with something in them, their formulas worked out where the sheet itself does not say what they come to. */
function bounded(all: string[][]): SheetCells {
  const read = settleFormulas(all.slice(0, SHEET.rows * 3).map((r) => r.slice(0, SHEET.columns)));
  const rows = [...read, ...all.slice(read.length)].filter((row) => row.some((c) => c.trim() !== ''));
  const cells = rows.slice(0, SHEET.rows).map((r) => r.slice(0, SHEET.columns).map((c) => c.slice(0, SHEET.cell)));
  return { cells, dropped: Math.max(0, rows.length - SHEET.rows) };
}

/** What a cell says: a number with its decimal point for certain, a formula by what it comes to, else by itself. */
function cellText(cell: exceljs.Cell): string {
  const value = cell.formula && cell.result !== undefined ? cell.result : cell.value;
  if (typeof value === 'number') return certain(value);
  return cell.formula && cell.result === undefined ? `=${cell.formula}` : cell.text;
}

async function readWorkbook(bytes: Buffer): Promise<SheetCells> {
  let size: number;
  try {
    size = await inflates(bytes);
  } catch {
    return refuse('the workbook is damaged or cut short; save it anew and send it again');
  }
  if (size > SHEET.inflated)
    return refuse(`it unpacks to over ${SHEET.inflated / 1_000_000} MB; send the wish list alone, as CSV`);
  const book = new exceljs.Workbook();
  try {
    await book.xlsx.load(bytes as never);
  } catch {
    return refuse('it is not a workbook: save it as .xlsx or CSV and send that');
  }
  const [sheet] = book.worksheets;
  if (!sheet) return refuse('the workbook has no sheet');
  const rows: string[][] = [];
  sheet.eachRow({ includeEmpty: false }, (row, number) => {
    if (number > SHEET.rows + 1000) return;
    const cells: string[] = [];
    row.eachCell({ includeEmpty: true }, (cell, column) => {
      if (column <= SHEET.columns) cells[column - 1] = cellText(cell);
    });
    while (rows.length < number - 1) rows.push([]);
    rows.push(Array.from(cells, (c) => String(c ?? '')));
  });
  return rows.length ? bounded(rows) : refuse('its first sheet is empty');
}

function readText(bytes: Buffer): SheetCells {
  const utf16 = bytes[0] === 0xff && bytes[1] === 0xfe;
  let text = bytes.toString(utf16 ? 'utf16le' : 'utf8');
  if (!utf16 && text.includes('\ufffd')) text = bytes.toString('latin1');
  if (text.includes('\u0000')) return refuse('it is neither CSV nor an .xlsx workbook');
  const first = text.slice(0, 4000);
  const counts = [',', ';', '\t'].map((d) => first.split(d).length);
  const delimiter = [',', ';', '\t'][counts.indexOf(Math.max(...counts))] ?? ',';
  const rows = csvOf(text, delimiter);
  return rows.length ? bounded(rows) : refuse('the file is empty');
}

function csvOf(text: string, delimiter: string): string[][] {
  try {
    return parse(text, { bom: true, delimiter, relax_column_count: true, relax_quotes: true, skip_empty_lines: false });
  } catch (error) {
    return refuse(`it is not CSV: ${(error as Error).message.slice(0, 120)}`);
  }
}

/** The cells of an owner's CSV or XLSX. */
export async function readSheetFile(bytes: Buffer): Promise<SheetCells> {
  if (bytes.length === 0) return refuse('the file is empty');
  if (bytes.subarray(0, 4).equals(Buffer.from([0xd0, 0xcf, 0x11, 0xe0])))
    return refuse('an old .xls workbook: save it as .xlsx or CSV and send that');
  return bytes[0] === 0x50 && bytes[1] === 0x4b ? readWorkbook(bytes) : readText(bytes);
}
