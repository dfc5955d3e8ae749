import { DRAWN, type WireColour } from '@plain-cleat/core/electric/circuits';
import type { Workup } from '@plain-cleat/core/workup';
import {
  diagramOf,
  drawDiagram,
  type DiagramShape,
  type DrawnDiagram,
  type LaidDiagram,
} from '@plain-cleat/core/electric/wiring';
import ElkConstructor, { type ELK } from 'elkjs/lib/elk.bundled.js';
import { escaped } from './template-drawing';

// Its types speak of a module, Node of a function.
const Elk = ElkConstructor as unknown as new () => ELK;

/** The diagram of a rig's circuit, laid out. */
export async function drawnCircuit({ wiring, aboard }: Pick<Workup, 'wiring' | 'aboard'>): Promise<DrawnDiagram> {
  const diagram = diagramOf(wiring, aboard.owned);
  const laid = await new Elk().layout(diagram.graph as Parameters<ELK['layout']>[0]);
  return drawDiagram(diagram, laid as unknown as LaidDiagram);
}

/** What a signal cable is drawn in, and its dashes. */
const SIGNAL = { colour: '#55636a', dash: [6, 4] } as const;
const drawnIn = (colour: WireColour | null): string => (colour === null ? SIGNAL.colour : DRAWN[colour]);

const n = (value: number): string => String(Number(value.toFixed(1)));

function svgOf(s: DiagramShape): string {
  if (s.is === 'line')
    return `<polyline points="${s.points.map((p) => `${n(p.x)},${n(p.y)}`).join(' ')}" fill="none" stroke="${drawnIn(s.colour)}" stroke-width="${n(s.thick)}"${s.colour === null ? ` stroke-dasharray="${SIGNAL.dash.join(' ')}"` : ''}/>`;
  if (s.is === 'box')
    return `<rect x="${n(s.x)}" y="${n(s.y)}" width="${n(s.width)}" height="${n(s.height)}" rx="3" fill="white" stroke="black"/>`;
  return `<text x="${n(s.x)}" y="${n(s.y)}" text-anchor="${s.from}"${s.bold ? ' font-weight="600"' : ''}>${escaped(s.says)}</text>`;
}

/** The diagram as SVG, lengths in points. */
export function circuitSvg({ width, height, shapes }: DrawnDiagram, title: string): string {
  const [w, h] = [n(width + 12), n(height + 12)];
  return `<svg xmlns="http://www.w3.org/2000/svg" width="${w}pt" height="${h}pt" viewBox="-6 -6 ${w} ${h}" font-family="sans-serif" font-size="11"><title>${escaped(title)}</title>${shapes.map(svgOf).join('')}</svg>\n`;
}

/** The stretch of a diagram that one page shows, in its own lengths. */
export interface Stretch {
  readonly from: number;
  readonly to: number;
}

/** What of a diagram may not be cut: its boxes, and its words with room for their letters. */
const whole = (s: DiagramShape): readonly [number, number] | null => {
  if (s.is === 'line') return null;
  if (s.is === 'box') return [s.x, s.x + s.width];
  const wide = s.says.length * (s.bold ? 6.6 : 6.1);
  const left = s.from === 'start' ? s.x : s.from === 'end' ? s.x - wide : s.x - wide / 2;
  return [left, left + wide];
};

/**
 * A diagram cut into stretches no wider than so much, where a cut meets no box and no word; lines go on on the next page.
 * Where there is no such place it is cut at what fits.
 */
export function stretches({ width, shapes }: DrawnDiagram, widest: number): Stretch[] {
  const kept = shapes.flatMap((s) => {
    const span = whole(s);
    return span ? [span] : [];
  });
  const out: Stretch[] = [];
  let from = Math.min(0, ...kept.map(([left]) => left));
  const end = Math.max(width, ...kept.map(([, right]) => right));
  while (end - from > widest) {
    const most = from + widest;
    const cuts = kept.map(([, right]) => right + 2).filter((x) => x > from + widest / 3 && x <= most);
    const free = cuts.filter((x) => kept.every(([left, right]) => right <= x || left >= x));
    const to = Math.max(...free, ...(free.length ? [] : [most]));
    out.push({ from, to });
    from = to;
  }
  out.push({ from, to: end });
  return out;
}

/** Draws a stretch of it into a PDF from a corner, so many times its size. */
export function drawInto(
  doc: PDFKit.PDFDocument,
  { shapes, height }: DrawnDiagram,
  { x, y, scale, stretch }: { readonly x: number; readonly y: number; readonly scale: number; readonly stretch: Stretch },
): void {
  doc.save().translate(x, y).scale(scale).translate(-stretch.from, 0);
  doc.rect(stretch.from - 1, -20, stretch.to - stretch.from + 2, height + 40).clip();
  for (const s of shapes) {
    const span = whole(s);
    const middle = span && (span[0] + span[1]) / 2;
    if (middle !== null && (middle < stretch.from || middle > stretch.to)) continue;
    if (s.is === 'line') {
      const [first, ...rest] = s.points;
      if (!first) continue;
      doc.moveTo(first.x, first.y);
      for (const p of rest) doc.lineTo(p.x, p.y);
      if (s.colour === null) doc.dash(SIGNAL.dash[0], { space: SIGNAL.dash[1] });
      doc.lineWidth(s.thick).strokeColor(drawnIn(s.colour)).stroke().undash();
    } else if (s.is === 'box') doc.rect(s.x, s.y, s.width, s.height).lineWidth(0.8).fillAndStroke('white', 'black');
    else {
      doc
        .font(s.bold ? 'bold' : 'text')
        .fontSize(11)
        .fillColor('black');
      const wide = doc.widthOfString(s.says);
      const left = s.from === 'start' ? s.x : s.from === 'end' ? s.x - wide : s.x - wide / 2;
      doc.text(s.says, left, s.y - 9, { lineBreak: false });
    }
  }
  doc.restore();
}
