import { createRequire } from 'node:module';
import PDFDocument from 'pdfkit';

const find = createRequire(import.meta.url).resolve;
const own = (family: string, weight: number): string => find(`@fontsource/${family}/files/${family}-latin-${weight}-normal.woff`);
const other = (weight: string): string => find(`@expo-google-fonts/noto-sans/${weight}/NotoSans_${weight}.ttf`);

/** The fonts of a paper, and what stands in for each where it has no such letter: all of Latin, Greek and Cyrillic. */
const FONTS = {
  text: [own('barlow', 400), other('400Regular')],
  bold: [own('barlow', 600), other('600SemiBold')],
  figure: [own('barlow-semi-condensed', 600), other('600SemiBold')],
} as const;
type Font = keyof typeof FONTS;

/** What is printed for a letter that no font has. */
export const INSTEAD = '[?]';

interface Glyphs {
  hasGlyphForCodePoint(code: number): boolean;
}

/** A PDF whose words are printed whatever alphabet they are written in; a letter that no font has is shown, and kept. */
export class Printing extends PDFDocument {
  /** Letters that could not be printed. */
  readonly missing = new Set<string>();
  private chosen: Font = 'text';

  constructor(options: PDFKit.PDFDocumentOptions) {
    super(options);
    for (const [name, [first, second]] of Object.entries(FONTS)) {
      this.registerFont(name, first);
      this.registerFont(`${name} other`, second);
    }
    this.font('text');
  }

  override font(name: string, ...more: unknown[]): this {
    if (name in FONTS) this.chosen = name as Font;
    return (super.font as (...all: unknown[]) => this).call(this, name, ...more);
  }

  override text(text: string, ...more: unknown[]): this {
    return this.inItsFont(text, (printed) => (super.text as (...all: unknown[]) => this).call(this, printed, ...more));
  }

  override heightOfString(text: string, ...more: unknown[]): number {
    return this.inItsFont(text, (printed) =>
      (super.heightOfString as (...all: unknown[]) => number).call(this, printed, ...more),
    );
  }

  override widthOfString(text: string, ...more: unknown[]): number {
    return this.inItsFont(text, (printed) => (super.widthOfString as (...all: unknown[]) => number).call(this, printed, ...more));
  }

  private has(letter: string): boolean {
    const { font } = (this as unknown as { _font: { font: Glyphs } })._font;
    return font.hasGlyphForCodePoint(letter.codePointAt(0) ?? 0);
  }

  /** Does something with a text in the first of its fonts that has all its letters. */
  private inItsFont<T>(text: string, use: (printed: string) => T): T {
    const letters = [...new Set(String(text).normalize('NFC'))].filter((letter) => letter >= ' ');
    if (letters.every((letter) => this.has(letter))) return use(String(text).normalize('NFC'));
    const { chosen } = this;
    super.font(`${chosen} other`);
    const lacking = letters.filter((letter) => !this.has(letter));
    lacking.forEach((letter) => this.missing.add(letter));
    const printed = [...String(text).normalize('NFC')].map((letter) => (lacking.includes(letter) ? INSTEAD : letter)).join('');
    const result = use(printed);
    super.font(chosen);
    return result;
  }
}
