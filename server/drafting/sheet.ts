import type { ShopSettings } from '@plain-cleat/core/parts/shop';
import type { HullModel } from '@plain-cleat/core/boat/hull';
import type { Fact, Plan } from '@plain-cleat/core/rig';
import { dayIn, printFigure, printLength, type UnitSystem } from '@plain-cleat/core/base/units';
import type { Workup } from '@plain-cleat/core/workup';
import { lettered } from './lettered';
import { INSTEAD, Printing } from './printing';

/** What every paper says about the rig it belongs to. */
export interface Sheet {
  readonly plan: Plan;
  readonly hull: HullModel;
  readonly shop: ShopSettings;
  readonly number: string;
  readonly serial: string;
  readonly owner: string;
  readonly today: string;
  readonly by: string;
  readonly units: UnitSystem;
  readonly paper: 'A4' | 'LETTER';
  readonly language: 'en' | 'fr';
}

export const POINTS_PER_MM = 72 / 25.4;
const MARGIN = 42;
export const INK = '#1d2b33';
export const MUTED = '#55636a';
const LINE = '#b9b09c';

/** The ends and sides of the boat, beside its drawing. */
const ENDS = {
  en: { bow: 'BOW', stern: 'STERN', starboard: 'S · starboard', port: 'P · port' },
  fr: { bow: 'PROUE', stern: 'POUPE', starboard: 'T · tribord', port: 'B · bâbord' },
} as const;

/** Words stand so much farther apart in a table, points: 1 3/4 is not read as 13/4. */
const APART = 1.4;

interface RowOptions {
  readonly bold?: boolean;
  readonly ends?: readonly number[];
  /** An empty box to tick stands before it, in its first column. */
  readonly tick?: boolean;
}

interface Row {
  readonly cells: readonly string[];
  readonly widths: readonly number[];
  readonly options: RowOptions;
}

/** A PDF under way, with the few things every paper needs. */
export class Paper {
  readonly doc: Printing;
  private readonly chunks: Buffer[] = [];
  /** The headings of the table under way, and how they stand: a page that begins in it repeats them. */
  private headings: Row | null = null;

  constructor(
    readonly sheet: Sheet,
    title: string,
    { heading = true } = {},
  ) {
    this.doc = new Printing({
      size: sheet.paper,
      margin: MARGIN,
      bufferPages: true,
      info: { Title: `${title} ${sheet.number}`, Author: sheet.shop.name },
    });
    // Printed at its size: a drill sheet scaled to fit is wrong by a hole.
    const root = (this.doc as unknown as { _root: { data: Record<string, unknown> } })._root;
    root.data.ViewerPreferences = this.doc.ref({ PrintScaling: 'None' });
    this.doc.on('data', (chunk: Buffer) => this.chunks.push(chunk));
    if (heading) this.head(title);
  }

  get width(): number {
    return this.doc.page.width - 2 * MARGIN;
  }

  figure = (mm: number, how?: 'up' | 'down'): string => printFigure(mm, this.sheet.units, how);
  length = (mm: number, how?: 'up' | 'down'): string => printLength(mm, this.sheet.units, how);

  private head(title: string): void {
    const { shop, number, plan, hull, serial, owner, today } = this.sheet;
    this.doc.font('figure').fontSize(20).fillColor(INK).text(`${title} · ${number}`, MARGIN, MARGIN);
    this.doc
      .font('text')
      .fontSize(10)
      .fillColor(MUTED)
      .text(`${plan.title} · ${hull.maker} ${hull.name}${serial ? ` · serial ${serial}` : ''} · ${owner}`)
      .text(`${shop.name}, ${shop.place} · ${today}`);
    this.doc.moveDown(0.8);
  }

  heading(text: string): void {
    this.headings = null;
    this.room(60);
    this.doc.moveDown(0.6).font('figure').fontSize(13).fillColor(INK).text(text, MARGIN);
    this.doc.moveDown(0.2);
  }

  text(text: string, muted = false): void {
    this.doc
      .font('text')
      .fontSize(10)
      .fillColor(muted ? MUTED : INK)
      .text(text, MARGIN, undefined, { width: this.width });
  }

  /** Who signed and when, over the drawn signature. */
  signature({ name, serverTime, drawing }: Extract<Fact, { kind: 'signed' | 'received' }>): void {
    this.text(`${name}, ${dayIn(serverTime, this.sheet.shop.timeZone)}`);
    if (!drawing.startsWith('data:image/png')) return;
    this.room(80);
    this.doc.image(Buffer.from(drawing.split(',')[1] ?? '', 'base64'), { fit: [200, 70] });
  }

  /** Starts a new page when less than so much is left, and says whether it did. */
  room(points: number): boolean {
    if (this.doc.y + points <= this.doc.page.height - MARGIN) return false;
    this.doc.addPage();
    return true;
  }

  /** One line of a table; `ends` are the columns set flush right. A page that begins in a table repeats its headings. */
  row(cells: readonly string[], widths: readonly number[], options: RowOptions = {}): void {
    if (options.bold && this.headings === null) this.headings = { cells, widths, options };
    const sizes = cells.map((cell, i) =>
      this.doc
        .font(options.bold ? 'bold' : 'text')
        .fontSize(9.5)
        .heightOfString(cell || ' ', { width: (widths[i] ?? 50) - 6, wordSpacing: APART }),
    );
    const height = Math.max(...sizes) + 6;
    // Headings never stand alone at the foot of a page.
    if (this.room(height + (options.bold ? 40 : 4)) && this.headings && !options.bold) {
      const { cells: again, widths: as, options: how } = this.headings;
      this.row(again, as, how);
    }
    const y = this.doc.y;
    this.doc.font(options.bold ? 'bold' : 'text').fontSize(9.5);
    if (options.tick)
      this.doc
        .rect(MARGIN, y + 4, 9, 9)
        .lineWidth(0.8)
        .strokeColor(INK)
        .stroke();
    let x = MARGIN;
    cells.forEach((cell, i) => {
      const width = widths[i] ?? 50;
      this.doc
        .fillColor(INK)
        .text(cell, x, y + 3, { width: width - 6, wordSpacing: APART, align: options.ends?.includes(i) ? 'right' : 'left' });
      x += width;
    });
    this.doc
      .moveTo(MARGIN, y + height)
      .lineTo(MARGIN + this.width, y + height)
      .lineWidth(0.5)
      .strokeColor(LINE)
      .stroke();
    this.doc.y = y + height;
    this.doc.x = MARGIN;
  }

  /** The hull in plan, bow left, with marks at their places. Returns nothing; moves below itself. */
  strip(w: Workup, marks: readonly { x: number; y: number; label: string }[]): void {
    const { surface } = w;
    const scale = this.width / (surface.length + 80);
    const half = (surface.beam / 2) * scale;
    this.room(2 * half + 40);
    const top = this.doc.y + 6;
    const at = (x: number, y: number): [number, number] => [MARGIN + (x + 40) * scale, top + half - y * scale];
    const outline = (sign: 1 | -1): void => {
      for (let i = 0; i <= 80; i++) {
        const x = (surface.length * i) / 80;
        const [px, py] = at(x, sign * surface.halfBreadth(x));
        if (i === 0) this.doc.moveTo(px, py);
        else this.doc.lineTo(px, py);
      }
      this.doc
        .lineWidth(sign > 0 ? 0.8 : 1.6)
        .strokeColor(INK)
        .stroke();
    };
    outline(1);
    outline(-1);
    const [cx0, cy] = at(0, 0);
    const [cx1] = at(surface.length, 0);
    this.doc.moveTo(cx0, cy).lineTo(cx1, cy).dash(4, { space: 3 }).lineWidth(0.4).stroke().undash();
    this.doc.font('bold').fontSize(8).fillColor(INK);
    const ends = ENDS[this.sheet.language];
    // In the corners, where no mark can be.
    const foot = top + 2 * half - 10;
    this.doc.text(ends.bow, cx0, foot - 12, { lineBreak: false });
    this.doc.text(ends.stern, cx1 - this.doc.widthOfString(ends.stern), foot, { lineBreak: false });
    this.doc.text(ends.starboard, cx0, top, { lineBreak: false }).text(ends.port, cx0, top + 2 * half - 10, { lineBreak: false });
    this.doc.fontSize(7);
    const spots = marks.map((m) => ({ at: at(m.x, m.y), wide: this.doc.widthOfString(m.label), says: m.label }));
    for (const {
      at: [x, y],
    } of spots)
      this.doc.circle(x, y, 2.2).lineWidth(0.8).stroke();
    for (const { says, x, y, from } of lettered(spots)) {
      if (from)
        this.doc
          .moveTo(...from)
          .lineTo(x, y + 3)
          .lineWidth(0.3)
          .stroke();
      this.doc.text(says, x, y, { lineBreak: false });
    }
    this.doc.y = top + 2 * half + 10;
    this.doc.x = MARGIN;
  }

  /** A bar of exactly 100 mm to check the printer with. */
  checkBar(): void {
    this.room(50);
    const y = this.doc.y + 14;
    const length = 100 * POINTS_PER_MM;
    this.doc
      .lineWidth(1)
      .strokeColor(INK)
      .moveTo(MARGIN, y)
      .lineTo(MARGIN + length, y)
      .stroke();
    for (const x of [MARGIN, MARGIN + length])
      this.doc
        .moveTo(x, y - 5)
        .lineTo(x, y + 5)
        .stroke();
    this.doc
      .font('text')
      .fontSize(9)
      .fillColor(INK)
      .text('100 mm: measure this bar before you trust the paper. Print at 100 %, no scaling.', MARGIN, y + 8);
    this.doc.moveDown(0.5);
  }

  finish(): Promise<Buffer> {
    const { missing } = this.doc;
    if (missing.size) {
      const codes = [...missing].map((letter) => `U+${(letter.codePointAt(0) ?? 0).toString(16).toUpperCase().padStart(4, '0')}`);
      this.room(30);
      this.text(
        `${INSTEAD} stands for letters that these fonts do not have (${codes.slice(0, 12).join(', ')}): write them in by hand.`,
        true,
      );
    }
    const { count } = this.doc.bufferedPageRange();
    for (let i = 0; i < count; i++) {
      this.doc.switchToPage(i);
      this.doc.page.margins.bottom = 0;
      this.doc
        .font('text')
        .fontSize(8)
        .fillColor(MUTED)
        .text(`${this.sheet.number} · ${i + 1} / ${count}`, MARGIN, this.doc.page.height - 28, {
          width: this.width,
          align: 'right',
          lineBreak: false,
        });
    }
    return new Promise((resolve) => {
      this.doc.on('end', () => resolve(Buffer.concat(this.chunks)));
      this.doc.end();
    });
  }
}
