import { DRAWN, type WireColour } from '@plain-cleat/core/circuits';
import type { Workup } from '@plain-cleat/core/workup';
import { diagramOf, drawDiagram, type DiagramShape, type DrawnDiagram, type LaidDiagram } from '@plain-cleat/core/wiring';
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

/** Draws it into a PDF from a corner, so many times its size. */
export function drawInto(doc: PDFKit.PDFDocument, { shapes }: DrawnDiagram, x: number, y: number, scale: number): void {
  doc.save().translate(x, y).scale(scale);
  for (const s of shapes) {
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
