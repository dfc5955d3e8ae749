import {
  type BenchReading,
  fairHull,
  type HullModel,
  outlineFault,
  outlinePoints,
  readingsFromOutline,
  tell,
} from '@plain-cleat/core';
import { DxfWriter, point3d, Units } from '@tarikjabiri/dxf';
import { parse } from 'csv-parse/sync';
import { stringify } from 'csv-stringify/sync';
import DxfParser from 'dxf-parser';
import { badInput } from '../http/problem';

const COLUMNS = ['x', 'port', 'starboard', 'gunwale', 'keel'] as const;

/** Offsets as CSV (RFC 4180), millimetres. */
export function offsetsCsv(model: HullModel): string {
  const rows = model.stations.map((s) => [s.x, s.halfBreadth, s.halfBreadth, s.gunwale, s.keel]);
  return stringify([COLUMNS.map((c) => `${c} mm`), ...rows], { record_delimiter: '\r\n' });
}

/** The outline as DXF, R2000 or later, millimetres. */
export function outlineDxf(model: HullModel): string {
  const hull = fairHull(model);
  const dxf = new DxfWriter();
  dxf.setUnits(Units.Millimeters);
  dxf.addLayer('OUTLINE', 7, 'CONTINUOUS');
  dxf.addLayer('CENTRE', 8, 'CONTINUOUS');
  dxf.setCurrentLayerName('OUTLINE');
  dxf.addLWPolyline(
    outlinePoints(hull).map(([x, y]) => ({ point: { x, y } })),
    { flags: 1 },
  );
  dxf.setCurrentLayerName('CENTRE');
  dxf.addLine(point3d(0, 0), point3d(hull.length, 0));
  return dxf.stringify();
}

const refuse = (says: string, field = 'file'): never => {
  throw badInput([{ field, says }]);
};

/** The cells of a CSV, comma or semicolon. */
export function csvRows(text: string): string[][] {
  try {
    const delimiter = (text.split('\n')[0] ?? '').includes(';') ? ';' : ',';
    return parse(text, { bom: true, delimiter, relax_column_count: true, skip_empty_lines: true });
  } catch (error) {
    return refuse(`not CSV: ${(error as Error).message.slice(0, 120)}`);
  }
}

/** Bench readings from an offsets CSV: columns in any order, headings may carry `mm` or `in`. */
export function readOffsets(text: string): BenchReading[] {
  const rows = csvRows(text);
  const [head = [], ...body] = rows;
  const heads = head.map((h) => h.trim().toLowerCase());
  const inches = heads.some((h) => /\b(in|inch|inches)\b/.test(h));
  const at = (name: string): number => heads.findIndex((h) => h.startsWith(name));
  const half = at('half');
  const missing = COLUMNS.filter((c) => at(c) < 0 && !(half >= 0 && (c === 'port' || c === 'starboard')));
  if (missing.length) return refuse(`has no column ${missing.join(', ')}: head them x, port, starboard, gunwale, keel`);
  if (body.length === 0 || body.length > 60) return refuse(`has ${body.length} stations; 4 to 60 make a hull`);
  return body.map((row, i) => {
    const read = (c: (typeof COLUMNS)[number]): number => {
      const column = at(c) >= 0 ? at(c) : half;
      const value = Number((row[column] ?? '').trim().replace(',', '.'));
      if (!Number.isFinite(value) || (row[column] ?? '').trim() === '')
        return refuse(`line ${i + 2}, ${c}: "${(row[column] ?? '').slice(0, 20)}" is not a length`);
      return inches ? value * 25.4 : value;
    };
    return { x: read('x'), port: read('port'), starboard: read('starboard'), gunwale: read('gunwale'), keel: read('keel') };
  });
}

type Line = (readonly [number, number])[];

function dxfLine(text: string): Line {
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

/** The points of a path of straight pieces: moves and lines, absolute and relative. */
function svgLine(text: string): Line {
  const path = /<path[^>]*\bd="([^"]{8,400000})"/.exec(text)?.[1];
  const points = /<poly(?:gon|line)[^>]*\bpoints="([^"]{8,400000})"/.exec(text)?.[1];
  const numbers = (s: string): number[] => (s.match(/-?\d*\.?\d+(?:e-?\d+)?/gi) ?? []).map(Number);
  if (points) {
    const n = numbers(points);
    return Array.from({ length: Math.floor(n.length / 2) }, (_, i) => [n[2 * i] ?? 0, -(n[2 * i + 1] ?? 0)] as const);
  }
  if (!path) return refuse('the drawing has no path for an outline');
  const out: [number, number][] = [];
  let [x, y] = [0, 0];
  for (const [, verb = '', args = ''] of path.matchAll(/([a-z])([^a-z]*)/gi)) {
    const n = numbers(args);
    const relative = verb === verb.toLowerCase();
    const step = { M: 2, L: 2, H: 1, V: 1, Z: 0 }[verb.toUpperCase()];
    if (step === undefined) return refuse(`the outline has curves (${verb}): flatten it to straight pieces first`);
    for (let i = 0; i + step <= n.length && step > 0; i += step) {
      const [a = 0, b = 0] = n.slice(i, i + step);
      const up = verb.toUpperCase();
      [x, y] = [
        up === 'V' ? x : relative ? x + a : a,
        up === 'V' ? (relative ? y + a : a) : up === 'H' ? y : relative ? y + b : b,
      ];
      out.push([x, y]);
    }
  }
  // Drawings count down, the deck counts to starboard.
  return out.map(([px, py]) => [px, -py] as const);
}

/** Bench readings from a drawn outline; heights are those of the hull being made. */
export function readOutline(kind: 'svg' | 'dxf', text: string, heights: { gunwale: number; keel: number }): BenchReading[] {
  const line = kind === 'dxf' ? dxfLine(text) : svgLine(text);
  const fault = outlineFault(line);
  // Drawings are in millimetres.
  return fault ? refuse(tell(fault, 'metric')) : readingsFromOutline(line, heights);
}
