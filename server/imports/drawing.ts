import { type TapeReading, OFFSET_COLUMNS, outlineFault, readingsFromOutline } from '@plain-cleat/core/boat/hull';
import { readFoundHoles } from '@plain-cleat/core/rig';
import { tell, type UnitSystem } from '@plain-cleat/core/base/units';
import { parse } from 'csv-parse/sync';
import DxfParser from 'dxf-parser';
import { SaxesParser } from 'saxes';
import svgpath from 'svgpath';
import { badInput } from '../problems/problem';

/** A traced outline has hundreds of points; a finer one says nothing more. */
const MOST_POINTS = 20_000;

const refuse = (says: string, field = 'file'): never => {
  throw badInput([{ field, says }]);
};

/** The cells of a CSV, comma or semicolon. */
function csvRows(text: string): string[][] {
  try {
    const delimiter = (text.split('\n', 1)[0] ?? '').includes(';') ? ';' : ',';
    return parse(text, { bom: true, delimiter, relax_column_count: true, skip_empty_lines: true });
  } catch (error) {
    return refuse(`not CSV: ${(error as Error).message.slice(0, 120)}`);
  }
}

/** Bench readings from an offsets CSV: columns in any order, headings may carry `mm` or `in`. */
export function readOffsets(text: string): TapeReading[] {
  const rows = csvRows(text);
  const [head = [], ...body] = rows;
  const heads = head.map((h) => h.trim().toLowerCase());
  const inches = heads.some((h) => /\b(?:in|inch|inches)\b/.test(h));
  const at = (name: string): number => heads.findIndex((h) => h.startsWith(name));
  const half = at('half');
  const missing = OFFSET_COLUMNS.filter((c) => at(c) < 0 && !(half >= 0 && (c === 'port' || c === 'starboard')));
  if (missing.length) return refuse(`has no column ${missing.join(', ')}: head them x, port, starboard, gunwale, keel`);
  if (body.length === 0 || body.length > 60) return refuse(`has ${body.length} stations; 4 to 60 make a hull`);
  return body.map((row, i) => {
    const read = (c: (typeof OFFSET_COLUMNS)[number]): number => {
      const column = at(c) >= 0 ? at(c) : half;
      const value = Number((row[column] ?? '').trim().replace(',', '.'));
      if (!Number.isFinite(value) || (row[column] ?? '').trim() === '')
        return refuse(`line ${i + 2}, ${c}: "${(row[column] ?? '').slice(0, 20)}" is not a length`);
      return inches ? value * 25.4 : value;
    };
    return { x: read('x'), port: read('port'), starboard: read('starboard'), gunwale: read('gunwale'), keel: read('keel') };
  });
}

/** Holes found on a used boat, from a CSV. */
export const readFound = (text: string, units: UnitSystem): ReturnType<typeof readFoundHoles> =>
  readFoundHoles(csvRows(text), units);

type Polyline = (readonly [number, number])[];

/** Group codes that say how many of something follow. */
const COUNTS = new Set(['70', '71', '72', '73', '74', '90', '91', '92', '93', '94', '95']);

/**
 * Pairs of a group code and a value to the end of the file, and no count that the file has no room for: a parser takes
 * either at its word, and reads on for ever.
 */
function believable(text: string): void {
  const lines = text.trimEnd().split('\n');
  const room = lines.length / 2;
  let entities = false;
  for (let i = 0; i < lines.length; i += 2) {
    const [code, value] = [(lines[i] ?? '').trim(), (lines[i + 1] ?? '').trim()];
    if (!/^-?\d{1,4}$/.test(code)) return refuse(`not a DXF drawing: line ${i + 1} is no group code`);
    if (code === '2' && value === 'ENTITIES') entities = true;
    if (entities && COUNTS.has(code) && Number(value) > room)
      return refuse(
        `line ${i + 2} says that ${value.slice(0, 12)} of something follow; the whole drawing has ${lines.length} lines`,
      );
  }
  if ((lines.at(-2) ?? '').trim() !== '0' || (lines.at(-1) ?? '').trim() !== 'EOF')
    return refuse('not a DXF drawing, or cut short: its last line is not EOF');
}

function dxfLine(text: string): Polyline {
  believable(text);
  let parsed: ReturnType<DxfParser['parseSync']>;
  try {
    parsed = new DxfParser().parseSync(text);
  } catch {
    return refuse('not a DXF drawing, or cut short');
  }
  const units = (parsed?.header as Record<string, unknown> | undefined)?.['$INSUNITS'];
  const scale = units === 1 ? 25.4 : units === 5 ? 10 : units === 6 ? 1000 : 1;
  const lines = (parsed?.entities ?? [])
    .flatMap((e) =>
      'vertices' in e && e.type !== 'LINE' ? [(e as unknown as { vertices: { x: number; y: number }[] }).vertices] : [],
    )
    .sort((a, b) => b.length - a.length);
  const [longest] = lines;
  if (!longest) return refuse('the drawing has no polyline for an outline');
  return longest.map((v) => [v.x * scale, v.y * scale] as const);
}

/** The first outline an SVG draws: the data of a path, or the points of a polygon. */
function drawn(text: string): { readonly path?: string; readonly points?: string } {
  const found: { path?: string; points?: string } = {};
  const xml = new SaxesParser();
  xml.on('error', (error) => {
    throw error;
  });
  xml.on('opentag', ({ name, attributes }) => {
    const bare = name.slice(name.indexOf(':') + 1);
    if (bare === 'path' && attributes.d) found.path ??= attributes.d;
    if ((bare === 'polygon' || bare === 'polyline') && attributes.points) found.points ??= attributes.points;
  });
  try {
    xml.write(text).close();
  } catch (error) {
    return refuse(`not an SVG drawing, or cut short: ${(error as Error).message.slice(0, 80)}`);
  }
  return found;
}

/** The points of a path of straight pieces: moves and lines, absolute and relative. */
function svgLine(text: string): Polyline {
  const { path, points } = drawn(text);
  // The points of a polygon are a path that has only lines.
  const data = points === undefined ? path : `M${points}`;
  if (data === undefined) return refuse('the drawing has no path for an outline');
  const scanned = svgpath(data).abs();
  const { err } = scanned as unknown as { err: string };
  if (err) return refuse(`the outline cannot be read: ${err.slice(0, 80)}`);
  const out: [number, number][] = [];
  scanned.iterate(([verb, ...n], _, x, y) => {
    if (verb === 'Z') return;
    if (!['M', 'L', 'H', 'V'].includes(verb))
      return void refuse(`the outline has curves (${verb}): flatten it to straight pieces first`);
    // Drawings count down, the deck counts to starboard.
    out.push([verb === 'V' ? x : (n[0] ?? 0), -(verb === 'V' ? (n[0] ?? 0) : verb === 'H' ? y : (n[1] ?? 0))]);
  });
  return out;
}

/** Bench readings from a drawn outline; heights are those of the hull being made. */
export function readOutline(kind: 'svg' | 'dxf', text: string, heights: { gunwale: number; keel: number }): TapeReading[] {
  const line = kind === 'dxf' ? dxfLine(text) : svgLine(text);
  if (line.length > MOST_POINTS) return refuse(`the outline has ${line.length} points; ${MOST_POINTS} are plenty`);
  const fault = outlineFault(line);
  // Drawings are in millimetres.
  return fault ? refuse(tell(fault, 'metric')) : readingsFromOutline(line, heights);
}
