import { toolName, type OnPaper, type Template } from '@plain-cleat/core/holding/drilling';
import { RUN_WORDS } from '@plain-cleat/core/boat/hull';
import { DxfWriter, point3d, Units } from '@tarikjabiri/dxf';

/** What a template is drawn with, mm, right and up: each piece on a layer of its own kind. */
export type Piece =
  | { readonly layer: Layer; readonly line: readonly OnPaper[]; readonly dashed?: boolean; readonly heavy?: boolean }
  | { readonly layer: Layer; readonly circle: OnPaper; readonly r: number; readonly dashed?: boolean }
  | { readonly layer: 'TEXT'; readonly text: string; readonly at: OnPaper; readonly size: number };
const LAYERS = ['HOLES', 'CROSSES', 'LAYING', 'BASE', 'OLD', 'TEXT'] as const;
type Layer = (typeof LAYERS)[number];

/** Half an arm of a hole's cross, mm: less than half of what two sheets share. */
export const CROSS = 8;

/** How a length and a line of the sheet are said. */
export interface TemplateWords {
  readonly datum: string;
  figure(mm: number): string;
  /** Less than a mark of the tape, to the careful side, with its unit. */
  little(mm: number): string;
}

/** The words beside a line the sheet is laid by. */
export function lineWords({ run }: Template, { kind, at }: Template['lines'][number], words: TemplateWords): string {
  switch (kind) {
    case 'tape line':
      return `${words.figure(at)} from ${words.datum}, ${RUN_WORDS[run]}`;
    case 'centre line':
      return 'centre line';
    case 'along':
      return `${words.figure(at)} off the centre line`;
    case 'gunwale edge':
      return 'gunwale edge';
    case 'down':
      return `${words.figure(at)} down from the gunwale`;
    default:
      return '';
  }
}

/** Everything on one template as pieces: base and middle lines, lines to lay it by, old holes, holes with their crosses. */
export function piecesOf(t: Template, words: TemplateWords): Piece[] {
  const text = (at: OnPaper, says: string, size = 3.2): Piece => ({ layer: 'TEXT', text: says, at, size });
  const lines = t.lines.flatMap((l): Piece[] => {
    const end = l.points[l.points.length - 1];
    if (!end || l.points.length < 2) return [];
    if (l.kind === 'base' || l.kind === 'axis') return [{ layer: 'BASE', line: l.points, dashed: l.kind === 'axis' }];
    // Words go where the line leaves the drawing, kept inside of it.
    const at = {
      x: Math.max(t.box.left + 2, Math.min(end.x + 1, t.box.right - 46)),
      y: Math.min(t.box.high - 4, Math.max(t.box.low + 2, end.y + 1.5)),
    };
    return [{ layer: 'LAYING', line: l.points, heavy: l.kind === 'gunwale edge' }, text(at, lineWords(t, l, words), 2.6)];
  });
  const scars = t.scars.flatMap((s): Piece[] => [
    { layer: 'OLD', circle: s, r: s.bit / 2, dashed: true },
    text({ x: s.x + s.bit / 2 + 1.5, y: s.y - 4 }, `old ${s.label}`, 2.6),
  ]);
  const holes = t.holes.flatMap((h): Piece[] => {
    const { x, y } = h;
    const r = h.bit.mm / 2;
    const beside = Math.max(r, 2) + 1.5;
    return [
      { layer: 'HOLES', circle: { x, y }, r },
      ...(h.drilled
        ? []
        : [
            {
              layer: 'CROSSES' as const,
              line: [
                { x: x - CROSS, y },
                { x: x + CROSS, y },
              ],
            },
            {
              layer: 'CROSSES' as const,
              line: [
                { x, y: y - CROSS },
                { x, y: y + CROSS },
              ],
            },
          ]),
      text({ x: x + beside, y: y + 1.5 }, h.label, 4.2),
      text(
        { x: x + beside, y: y - 3.6 },
        h.drilled ? 'drilled' : `${h.pilot.name}, ${toolName(h.bit)} · edge ${words.figure(h.edge)}`,
        2.4,
      ),
    ];
  });
  return [...lines, ...scars, ...holes];
}

/** What a sheet says of itself: which face is up, where the bow is, what flattening costs. */
export function faceWords({ onSide, side, bow }: Template): string {
  const seen = onSide ? 'outside, gunwale up' : 'above';
  return `Printed face up, seen from ${seen}. Bow to the ${bow}. ${side === 'centre' ? 'On the centre line.' : `${side.toUpperCase()}.`}`;
}

/** What flattening costs on this sheet. */
export const flatWords = ({ flattening, holes, part, parts }: Template, words: TemplateWords): string =>
  (holes.length < 2
    ? 'One hole: nothing is flattened.'
    : `Flattening costs at most ${words.little(Math.max(flattening, 0.005))} between two holes.`) +
  (parts > 1 ? ` Split in ${parts}: sheet ${part}. Lay each by its own lines.` : '');

export const escaped = (s: string): string => s.replace(/[&<>"]/g, (c) => `&#${c.charCodeAt(0)};`);
const n = (v: number): string => String(Number(v.toFixed(4)));

/** A template as SVG in millimetres, one to one, a group for each layer. */
export function templateSvg(t: Template, words: TemplateWords, title: string): string {
  const { left, right, low, high } = t.box;
  const pieces = piecesOf(t, words);
  const at = (p: OnPaper): string => `${n(p.x - left)},${n(high - p.y)}`;
  const dash = (p: { dashed?: boolean }): string => (p.dashed ? ' stroke-dasharray="2 1.4"' : '');
  const draw = (p: Piece): string => {
    if ('text' in p)
      return `<text x="${n(p.at.x - left)}" y="${n(high - p.at.y)}" font-size="${p.size}" fill="black" stroke="none" font-family="sans-serif">${escaped(p.text)}</text>`;
    if ('circle' in p) return `<circle cx="${n(p.circle.x - left)}" cy="${n(high - p.circle.y)}" r="${n(p.r)}"${dash(p)}/>`;
    return `<polyline points="${p.line.map(at).join(' ')}"${dash(p)}${p.heavy ? ' stroke-width="0.6"' : ''}/>`;
  };
  const groups = LAYERS.map((layer) => {
    const own = pieces.filter((p) => p.layer === layer);
    return own.length ? `<g id="${layer}">${own.map(draw).join('')}</g>` : '';
  });
  const [w, h] = [right - left, high - low];
  return `<svg xmlns="http://www.w3.org/2000/svg" width="${n(w)}mm" height="${n(h)}mm" viewBox="0 0 ${n(w)} ${n(h)}" fill="none" stroke="black" stroke-width="0.2"><title>${escaped(title)}</title><desc>${escaped(`${faceWords(t)} ${flatWords(t, words)}`)}</desc>${groups.join('')}</svg>\n`;
}

/** The same for a machine: DXF, millimetres, a layer for each kind. */
export function templateDxf(t: Template, words: TemplateWords): string {
  const dxf = new DxfWriter();
  dxf.setUnits(Units.Millimeters);
  LAYERS.forEach((layer, i) => dxf.addLayer(layer, [1, 7, 5, 8, 3, 7][i] ?? 7, 'CONTINUOUS'));
  for (const p of piecesOf(t, words)) {
    dxf.setCurrentLayerName(p.layer);
    if ('text' in p) dxf.addText(point3d(p.at.x, p.at.y), p.size, p.text);
    else if ('circle' in p) dxf.addCircle(point3d(p.circle.x, p.circle.y), p.r);
    else dxf.addLWPolyline(p.line.map(({ x, y }) => ({ point: { x, y } })));
  }
  return dxf.stringify();
}
