import { parse } from 'csv-parse/sync';
import exceljs from 'exceljs';
import { fromBuffer, type ZipFile } from 'yauzl';
import { SHEET, type SheetAnswer } from './limits';

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

function bounded(rows: string[][]): SheetAnswer {
  const cells = rows.slice(0, SHEET.rows).map((r) => r.slice(0, SHEET.columns).map((c) => c.slice(0, SHEET.cell)));
  return { ok: true, cells, dropped: Math.max(0, rows.length - SHEET.rows) };
}

async function readWorkbook(bytes: Buffer): Promise<SheetAnswer> {
  let size: number;
  try {
    size = await inflates(bytes);
  } catch {
    return { ok: false, says: 'the workbook is damaged or cut short; save it anew and send it again' };
  }
  if (size > SHEET.inflated)
    return { ok: false, says: `it unpacks to over ${SHEET.inflated / 1_000_000} MB; send the wish list alone, as CSV` };
  const book = new exceljs.Workbook();
  try {
    await book.xlsx.load(bytes as never);
  } catch {
    return { ok: false, says: 'it is not a workbook: save it as .xlsx or CSV and send that' };
  }
  const [sheet] = book.worksheets;
  if (!sheet) return { ok: false, says: 'the workbook has no sheet' };
  const rows: string[][] = [];
  sheet.eachRow({ includeEmpty: false }, (row) => {
    if (rows.length > SHEET.rows + 1000) return;
    const cells: string[] = [];
    row.eachCell({ includeEmpty: true }, (cell, column) => {
      if (column <= SHEET.columns) cells[column - 1] = cell.text;
    });
    rows.push(Array.from(cells, (c) => String(c ?? '')));
  });
  return rows.length ? bounded(rows) : { ok: false, says: 'its first sheet is empty' };
}

function readText(bytes: Buffer): SheetAnswer {
  const utf16 = bytes[0] === 0xff && bytes[1] === 0xfe;
  let text = bytes.toString(utf16 ? 'utf16le' : 'utf8');
  if (!utf16 && text.includes('\ufffd')) text = bytes.toString('latin1');
  if (text.includes('\u0000')) return { ok: false, says: 'it is neither CSV nor an .xlsx workbook' };
  try {
    const first = text.slice(0, 4000);
    const counts = [',', ';', '\t'].map((d) => first.split(d).length);
    const delimiter = [',', ';', '\t'][counts.indexOf(Math.max(...counts))] ?? ',';
    const rows = parse(text, { bom: true, delimiter, relax_column_count: true, relax_quotes: true, skip_empty_lines: true });
    return rows.length ? bounded(rows as string[][]) : { ok: false, says: 'the file is empty' };
  } catch (error) {
    return { ok: false, says: `it is not CSV: ${(error as Error).message.slice(0, 120)}` };
  }
}

// One file, one answer: whoever started this process ends it.
process.once('message', (sent) => {
  const bytes = Buffer.from(sent as Uint8Array);
  const zip = bytes[0] === 0x50 && bytes[1] === 0x4b;
  void (zip ? readWorkbook(bytes) : Promise.resolve(readText(bytes))).then((answer) => process.send?.(answer));
});
