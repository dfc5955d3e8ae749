import {
  FRAME,
  onTile,
  PAPER_SIZES,
  tilesOf,
  type Box,
  type OnPaper,
  type Template,
  type Tile,
  type Tiling,
} from '@plain-cleat/core/holding/drilling';
import { printLittle } from '@plain-cleat/core/base/units';
import { INK, MUTED, Paper, POINTS_PER_MM, type Sheet } from './sheet';
import { CROSS, faceWords, flatWords, lineWords, piecesOf, type Piece, type TemplateWords } from './template-drawing';

const mm = (v: number): number => v * POINTS_PER_MM;

/** A bar of a known length, lying or standing, with its name. */
function bar(paper: Paper, [x, y]: readonly [number, number], length: number, name: string, standing = false): void {
  const { doc } = paper;
  const [dx, dy] = standing ? [0, 1] : [1, 0];
  const end = (k: number): [number, number] => [mm(x + dx * k * length), mm(y + dy * k * length)];
  const tick = mm(2);
  doc.lineWidth(0.7).strokeColor(INK);
  doc
    .moveTo(...end(0))
    .lineTo(...end(1))
    .stroke();
  for (const k of [0, 1]) {
    const [tx, ty] = end(k);
    doc
      .moveTo(tx - dy * tick, ty - dx * tick)
      .lineTo(tx + dy * tick, ty + dx * tick)
      .stroke();
  }
  doc
    .font('bold')
    .fontSize(8)
    .fillColor(INK)
    .text(name, mm(x + (standing ? 3 : 0)), mm(y + (standing ? length / 2 : 2.6)), { lineBreak: false });
}

const BARS = { '100 mm': 100, '4 in': 101.6 } as const;

/** One page with nothing but bars to check a printer by, in both directions. */
export function checkPage(sheet: Sheet): Promise<Buffer> {
  const paper = new Paper(sheet, 'Printer check');
  paper.text(
    `Print at 100 %, no scaling, on ${sheet.paper === 'A4' ? 'A4' : 'Letter'}. Measure a bar with a steel rule and type what it reads: the templates open when it is true within ${printLittle(sheet.shop.drilling.barWithin, sheet.units)}.`,
  );
  bar(paper, [20, 80], BARS['100 mm'], '100 mm');
  bar(paper, [20, 100], BARS['4 in'], '4 in');
  bar(paper, [20, 120], BARS['100 mm'], '100 mm, the other way: it must read the same', true);
  return paper.finish();
}

/** Where a point of the template lies on the page of a tile, points from the top left. */
const onPage = ({ window: w }: Tile, p: OnPaper): [number, number] => [
  mm(FRAME.side + p.x - w.left),
  mm(FRAME.top + w.high - p.y),
];

function drawPiece(paper: Paper, tile: Tile, p: Piece): void {
  const { doc } = paper;
  if ('text' in p) {
    const [x, y] = onPage(tile, p.at);
    const size = mm(p.size);
    return void doc
      .font('bold')
      .fontSize(size)
      .fillColor(INK)
      .text(p.text, x, y - size, { lineBreak: false });
  }
  doc.strokeColor(INK).lineWidth(p.layer === 'CROSSES' ? 0.35 : 'heavy' in p && p.heavy ? 1.8 : 0.6);
  if (p.dashed) doc.dash(4, { space: 3 });
  if ('circle' in p) doc.circle(...onPage(tile, p.circle), mm(p.r)).stroke();
  else {
    p.line.forEach((q, i) => (i ? doc.lineTo(...onPage(tile, q)) : doc.moveTo(...onPage(tile, q))));
    doc.stroke();
  }
  doc.undash();
}

/** A hole is drawn with its whole cross or not at all: half a cross is no place to drill. */
function isWhole(tile: Tile, p: Piece): boolean {
  if (p.layer === 'HOLES' && 'circle' in p) return onTile(tile, p.circle, CROSS);
  if (p.layer !== 'CROSSES' || !('line' in p)) return !('text' in p) || onTile(tile, p.at, 1);
  const [a, b] = p.line;
  return !!a && !!b && onTile(tile, { x: (a.x + b.x) / 2, y: (a.y + b.y) / 2 }, CROSS);
}

function heading(paper: Paper, t: Template, tile: Tile, tiling: Tiling, words: TemplateWords): void {
  const { doc, sheet } = paper;
  const at = (y: number): [number, number] => [mm(FRAME.side), mm(y)];
  const width = doc.page.width - 2 * mm(FRAME.side);
  const many = tiling.tiles.length > 1;
  const split = t.parts > 1 ? ` ${t.part}/${t.parts}` : '';
  doc
    .font('figure')
    .fontSize(18)
    .fillColor(INK)
    .text(`Template ${t.letter}${split} · ${sheet.number}`, ...at(9), { lineBreak: false });
  if (many)
    doc.fontSize(12).text(`row ${tile.row} of ${tiling.rows}, column ${tile.column} of ${tiling.columns}`, ...at(10), {
      width,
      align: 'right',
      lineBreak: false,
    });
  const laid = t.lines.map((l) => lineWords(t, l, words)).filter(Boolean);
  doc
    .font('text')
    .fontSize(8.5)
    .fillColor(MUTED)
    .text(
      `${t.of} · ${sheet.plan.title} · ${sheet.hull.maker} ${sheet.hull.name}${sheet.serial ? ` · serial ${sheet.serial}` : ''} · ${sheet.today}`,
      ...at(17),
      { width, height: 11, ellipsis: true },
    )
    .fillColor(INK)
    .text(`${faceWords(t)} Lay it by: ${laid.join('; ')}.`, ...at(21.5), { width, height: 23, ellipsis: true })
    .text(
      `${flatWords(t, words)} Print at 100 %, no scaling.${many ? ' Cut at the frame, lay register mark on register mark.' : ''}`,
      ...at(30),
      { width, height: 12, ellipsis: true },
    );
  // The bow arrow, as the sheet lies.
  const [x, y] = [mm(FRAME.side), mm(38.5)];
  const [from, to] = t.bow === 'left' ? [x + mm(34), x] : [x + mm(20), x + mm(54)];
  const back = t.bow === 'left' ? mm(3) : -mm(3);
  doc.lineWidth(1.4).strokeColor(INK).moveTo(from, y).lineTo(to, y).stroke();
  doc
    .moveTo(to + back, y - mm(1.6))
    .lineTo(to, y)
    .lineTo(to + back, y + mm(1.6))
    .stroke();
  doc
    .font('bold')
    .fontSize(10)
    .fillColor(INK)
    .text('BOW', t.bow === 'left' ? x + mm(37) : x, y - 5, { lineBreak: false });
}

function drawTile(paper: Paper, t: Template, tile: Tile, tiling: Tiling, words: TemplateWords): void {
  const { doc } = paper;
  heading(paper, t, tile, tiling, words);
  const { window: w } = tile;
  const frame: Box = { left: w.left, right: w.right, low: w.low, high: w.high };
  const [x, y] = onPage(tile, { x: frame.left, y: frame.high });
  const [width, height] = [mm(frame.right - frame.left), mm(frame.high - frame.low)];
  doc.lineWidth(0.4).strokeColor(MUTED).rect(x, y, width, height).stroke();
  doc.save().rect(x, y, width, height).clip();
  for (const p of piecesOf(t, words)) if (isWhole(tile, p)) drawPiece(paper, tile, p);
  for (const m of tiling.marks) {
    if (!onTile(tile, m, 4)) continue;
    const [mx, my] = onPage(tile, m);
    doc.lineWidth(0.5).strokeColor(INK).circle(mx, my, mm(2)).stroke();
    doc
      .moveTo(mx - mm(4), my)
      .lineTo(mx + mm(4), my)
      .moveTo(mx, my - mm(4))
      .lineTo(mx, my + mm(4))
      .stroke();
    doc
      .font('text')
      .fontSize(7)
      .fillColor(INK)
      .text(m.name, mx + mm(2.4), my + mm(1), { lineBreak: false });
  }
  doc.restore();
  const foot = PAPER_SIZES[paper.sheet.paper].high - FRAME.foot;
  bar(paper, [FRAME.side, foot + 6], BARS['100 mm'], '100 mm');
  bar(paper, [FRAME.side, foot + 15], BARS['4 in'], '4 in: measure a bar before you trust the paper');
}

/** One-to-one templates, tiled onto sheets of paper with register marks, check bars on every one. */
export function templateSheets(sheet: Sheet, templates: readonly Template[], words: TemplateWords): Promise<Buffer> {
  const paper = new Paper(sheet, 'Templates', { heading: false });
  paper.doc.page.margins.bottom = 0;
  let first = true;
  for (const t of templates) {
    const tiling = tilesOf(t.box, sheet.paper);
    for (const tile of tiling.tiles) {
      if (!first) paper.doc.addPage({ size: sheet.paper, margin: 0 });
      first = false;
      drawTile(paper, t, tile, tiling, words);
    }
  }
  return paper.finish();
}
