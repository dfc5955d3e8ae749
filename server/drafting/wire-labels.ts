import type { Workup } from '@plain-cleat/core/workup';
import { wireLabels } from '@plain-cleat/core/electric/wiring';
import { INK, MUTED, Paper, POINTS_PER_MM, type Sheet } from './sheet';
import { swatch } from './wire-sheet';

/** A label, folded once round the wire: mm. */
const LABEL = { width: 45, height: 16 } as const;

/** Labels for both ends of every cable, four abreast, to be cut out and folded round the wire under clear shrink. */
export function labelSheet(sheet: Sheet, w: Workup): Promise<Buffer> {
  const paper = new Paper(sheet, 'Wire labels');
  const labels = wireLabels(w.wiring, w.aboard.owned, sheet.units);
  paper.text(
    labels.length
      ? 'Two of each: the letter says which end. Cut out, fold round the wire, clear heat-shrink over it.'
      : 'This plan has no wires.',
    true,
  );
  const { doc } = paper;
  const [wide, high] = [LABEL.width * POINTS_PER_MM, LABEL.height * POINTS_PER_MM];
  const left = doc.page.margins.left;
  const abreast = Math.floor(paper.width / wide);
  let column = 0;
  doc.moveDown(0.5);
  let y = doc.y;
  for (const { mark, says, colours, end } of labels.flatMap((l) => l.ends.map((e) => ({ ...l, end: e })))) {
    if (column === 0) {
      doc.y = y;
      paper.room(high + 4);
      y = doc.y;
    }
    const x = left + column * wide;
    doc.rect(x, y, wide, high).lineWidth(0.4).dash(2, { space: 2 }).strokeColor(MUTED).stroke().undash();
    doc
      .font('figure')
      .fontSize(13)
      .fillColor(INK)
      .text(mark, x + 6, y + 4, { lineBreak: false });
    doc
      .font('bold')
      .fontSize(8)
      .text(`end ${end}`, x + 6, y + 8, { width: wide - 32, align: 'right', lineBreak: false });
    colours.forEach((c, i) => swatch(doc, c, x + wide - 18, y + 8 + 6 * i));
    doc.font('text').fontSize(8).fillColor(INK);
    says.forEach((line, i) => doc.text(line, x + 6, y + 22 + 11 * i, { lineBreak: false }));
    column = (column + 1) % abreast;
    if (column === 0) y += high;
  }
  doc.x = left;
  doc.y = y + high + 8;
  return paper.finish();
}
