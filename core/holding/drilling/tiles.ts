import type { OnPaper } from './paper';
import type { Box } from './template';

/** Sizes of paper, mm (ISO 216; US Letter, 8 1/2 × 11 in). */
export const PAPER_SIZES = { A4: { wide: 210, high: 297 }, LETTER: { wide: 215.9, high: 279.4 } } as const;
export type PaperSize = keyof typeof PAPER_SIZES;

/** What is left of a sheet for the drawing between margins, heading and check bars, mm. */
export const FRAME = { side: 12, top: 44, foot: 30 } as const;
/** Neighbouring sheets share a strip so wide, mm. */
export const OVERLAP = 20;

/** A sheet of a template too large for one: the part of the drawing it shows. */
export interface Tile {
  readonly row: number;
  readonly column: number;
  readonly window: Box;
}

/** A mark both neighbours carry: laid one on the other, the sheets join. */
interface RegisterMark extends OnPaper {
  readonly name: string;
}

export interface Tiling {
  readonly rows: number;
  readonly columns: number;
  readonly tiles: readonly Tile[];
  readonly marks: readonly RegisterMark[];
}

/** How many windows cover a length when neighbours overlap. */
const countFor = (length: number, window: number): number =>
  Math.max(1, Math.ceil((length - OVERLAP - 1e-6) / (window - OVERLAP)));

/**
 * Tiles a drawing onto sheets of paper, rows from the top, columns from the left, with register marks in the
 * middle of each strip that two sheets share.
 */
export function tilesOf(box: Box, paper: PaperSize): Tiling {
  const { wide, high } = PAPER_SIZES[paper];
  const window = { w: wide - 2 * FRAME.side, h: high - FRAME.top - FRAME.foot };
  const [columns, rows] = [countFor(box.right - box.left, window.w), countFor(box.high - box.low, window.h)];
  // What is left over goes half to each side, so that the drawing stands in the middle of its sheets.
  const over = (count: number, size: number, length: number): number => (count * size - (count - 1) * OVERLAP - length) / 2;
  const left = box.left - over(columns, window.w, box.right - box.left);
  const high0 = box.high + over(rows, window.h, box.high - box.low);
  const [stepX, stepY] = [window.w - OVERLAP, window.h - OVERLAP];
  const tiles = Array.from({ length: rows * columns }, (_, i): Tile => {
    const [row, column] = [Math.floor(i / columns), i % columns];
    const [x, y] = [left + column * stepX, high0 - row * stepY];
    return { row: row + 1, column: column + 1, window: { left: x, right: x + window.w, high: y, low: y - window.h } };
  });
  const marks: RegisterMark[] = [];
  const mark = (x: number, y: number): void => void marks.push({ x, y, name: `R${marks.length + 1}` });
  for (const { row, column, window: w } of tiles) {
    const [x, y] = [w.right - OVERLAP / 2, w.low + OVERLAP / 2];
    if (column < columns) for (const share of [0.25, 0.75]) mark(x, w.high - share * window.h);
    if (row < rows) for (const share of [0.25, 0.75]) mark(w.left + share * window.w, y);
  }
  return { rows, columns, tiles, marks };
}

/** Whether a point, with so much about it, is drawn on a tile. */
export const onTile = ({ window: w }: Tile, p: OnPaper, about = 0): boolean =>
  p.x - about >= w.left && p.x + about <= w.right && p.y - about >= w.low && p.y + about <= w.high;
