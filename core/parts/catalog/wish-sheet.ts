import { bareFigure, numbersOf, plainLetters, type Numbers, readFigure } from '../../base/units';

/** What a column of an owner's spreadsheet can hold. */
export const COLUMN_MEANINGS = ['what', 'count', 'price', 'note'] as const;
export type ColumnMeaning = (typeof COLUMN_MEANINGS)[number];

const HEADINGS: Readonly<Record<ColumnMeaning, readonly string[]>> = {
  what: [
    ...['item', 'items', 'part', 'product', 'description', 'name', 'what', 'gear', 'accessory', 'wish', 'thing', 'equipment'],
    ...[
      'article',
      'articles',
      'piece',
      'produit',
      'designation',
      'nom',
      'quoi',
      'accessoire',
      'souhait',
      'materiel',
      'equipement',
    ],
    ...['articulo', 'pieza', 'producto', 'descripcion', 'nombre', 'accesorio', 'deseo', 'equipo', 'cosa'],
  ],
  count: [
    ...['qty', 'quantity', 'count', 'number', 'no', 'pcs', 'pieces', 'how many', 'amount', 'units'],
    ...['qte', 'quantite', 'nombre de', 'nb', 'combien', 'unites'],
    ...['cantidad', 'cant', 'numero', 'unidades', 'cuantos'],
  ],
  price: [
    ...['price', 'cost', 'each', 'unit price', 'budget', 'total', 'usd'],
    ...['prix', 'cout', 'prix unitaire', 'tarif', 'montant'],
    ...['precio', 'costo', 'coste', 'precio unitario', 'importe'],
  ],
  note: [
    ...['note', 'notes', 'comment', 'comments', 'remark', 'remarks', 'where', 'position', 'link'],
    ...['remarque', 'remarques', 'commentaire', 'ou', 'emplacement', 'lien'],
    ...['nota', 'notas', 'comentario', 'observaciones', 'donde', 'posicion', 'enlace'],
  ],
};

/** A heading without case, accents and punctuation, as it is compared and remembered. */
export const plainHeading = (text: string): string =>
  plainLetters(text)
    .replace(/[^a-z0-9]+/g, ' ')
    .trim();

/** What a heading means in English, French or Spanish, or as the shop mapped it before; null when nobody knows. */
export function headingMeans(
  heading: string,
  remembered: Readonly<Record<string, ColumnMeaning | 'nothing'>> = {},
): ColumnMeaning | null {
  const plain = plainHeading(heading);
  const kept = Object.hasOwn(remembered, plain) ? remembered[plain] : undefined;
  if (kept) return kept === 'nothing' ? null : kept;
  const words = plain.split(' ');
  for (const meaning of COLUMN_MEANINGS) if (HEADINGS[meaning].includes(plain)) return meaning;
  return COLUMN_MEANINGS.find((m) => m !== 'what' && words.some((w) => w.length > 2 && HEADINGS[m].includes(w))) ?? null;
}

/** A sheet with its heading row found: what each column means, and the rows under it. */
export interface ReadSheet {
  readonly headings: readonly string[];
  readonly columns: readonly (ColumnMeaning | null)[];
  readonly rows: readonly (readonly string[])[];
}

/** Headings stand within so many rows: titles, dates and addresses come before them. */
const FIRST_ROWS = 25;

/** The row with the most headings anybody knows, with something under it; −1 when there is none. One word alone is a title. */
function headingRow(
  rows: readonly (readonly string[])[],
  remembered: Readonly<Record<string, ColumnMeaning | 'nothing'>>,
): number {
  let [best, most] = [-1, 0];
  rows.slice(0, FIRST_ROWS).forEach((row, i) => {
    const filled = row.filter((c) => c.trim() !== '').length;
    const known = new Set(row.map((c) => headingMeans(c, remembered)).filter((m) => m !== null)).size;
    const under = rows[i + 1]?.filter((c) => c.trim() !== '').length ?? 0;
    // A title stands alone in its row; what is under headings fills more than one of them.
    const heads = known > 1 || (known === 1 && (filled > 1 || row.length === 1 || under <= 1));
    if (heads && known > most && under > 0 && row.every((c) => c.length < 60)) [best, most] = [i, known];
  });
  return best;
}

/**
 * Finds the heading row among the first rows and what its columns mean. Without one, the widest text
 * column is what is wished for.
 */
export function readSheet(
  cells: readonly (readonly string[])[],
  remembered: Readonly<Record<string, ColumnMeaning | 'nothing'>> = {},
): ReadSheet {
  const rows = cells.filter((r) => r.some((c) => c.trim() !== ''));
  const at = headingRow(rows, remembered);
  const width = Math.max(0, ...rows.map((r) => r.length));
  if (at < 0) {
    const long = (c: number): number => rows.reduce((sum, r) => sum + (/[a-z]/i.test(r[c] ?? '') ? (r[c] ?? '').length : 0), 0);
    const widest = Array.from({ length: width }, (_, c) => c).sort((a, b) => long(b) - long(a))[0];
    return {
      headings: Array.from({ length: width }, (_, c) => `Column ${c + 1}`),
      columns: Array.from({ length: width }, (_, c) => (c === widest ? 'what' : null)),
      rows,
    };
  }
  const headings = Array.from({ length: width }, (_, c) => rows[at]?.[c]?.trim() ?? '');
  const taken = new Set<ColumnMeaning>();
  const columns = headings.map((h) => {
    const meaning = headingMeans(h, remembered);
    if (meaning === null || taken.has(meaning)) return null;
    taken.add(meaning);
    return meaning;
  });
  return { headings, columns, rows: rows.slice(at + 1) };
}

/** A line of a sheet as a wish. */
export interface SheetWish {
  readonly text: string;
  readonly count: number;
  /** Of one; null when the sheet gives none that can be read. */
  readonly cents: number | null;
  /** Lines of the sheet that say the same thing, this one included; more than one is asked about. */
  readonly lines: readonly number[];
  /** What could not be read for certain, as questions. */
  readonly asks: readonly string[];
}

const EACH = 'ea|each|pcs?|pieces?|pce|st|stk|units?|off|nos?|pi\u00e8ces?|unit\u00e9s?|unidad(?:es)?|u(?:ds?|nds?)?';
const DOZEN = 'dozens?|doz|dz|docenas?|douzaines?';
const MEASURES = 'ft|feet|foot|\'|in|inch|inches|"|yd|m|cm|mm|mtr|metres?|meters?';
const FIGURE = '(?:\\d{1,9}(?:[.,]\\d{1,6})?|(?:\\d{1,3} ?)?[½¼¾⅛⅜⅝⅞])';
const COUNTED = new RegExp(`^(?:[x\u00d7]\\s*)?([\\d.,]{1,6})\\s*(?:[x\u00d7]|${EACH})?\\.?$`, 'i');
const DOZENS = new RegExp(`^(\\d{1,2}|½)\\s*(?:${DOZEN})\\.?$`, 'i');
const MEASURED = new RegExp(`^(${FIGURE})\\s*(${MEASURES})$`, 'i');
const TIMES = new RegExp(`^(\\d{1,3})\\s*[x\u00d7@]\\s*(.{1,30})$`, 'i');

/** A quantity as people write it: how many, how much of it, what one costs when it says so, and what is not certain. */
export interface ReadCount {
  readonly count: number;
  /** `12 ft`: one of it, so long. */
  readonly measure?: string;
  readonly cents?: number;
  readonly ask?: string;
}

/** A wish list asks for fewer than so many of anything. */
const MANY = 1000;

/**
 * Reads a quantity: `2`, `2 ea`, `3 uds`, `x3`, `1 docena`, `12 ft`, `12,5 m`, `2 x 38,50`. What it cannot read for certain
 * it asks about.
 */
export function readCount(text: string, numbers: Numbers | null = null): ReadCount {
  const clean = text.trim().replace(/\s+/g, ' ');
  if (clean === '') return { count: 1 };
  const counted = COUNTED.exec(clean);
  const read = readFigure(counted?.[1] ?? '', { numbers, decimals: 0 });
  if (read.is === 'figure' && read.value >= 1 && read.value < MANY) return { count: read.value };
  const dozens = DOZENS.exec(clean);
  const twelves = dozens?.[1] === '½' ? 0.5 : Number(dozens?.[1] ?? 0);
  if (twelves > 0) return { count: 12 * twelves };
  const measured = MEASURED.exec(clean);
  if (measured) return { count: 1, measure: `${measured[1]} ${measured[2]}` };
  const times = TIMES.exec(clean);
  const cents = times && readCents(times[2] ?? '', numbers);
  if (times && cents !== null && Number(times[1]) >= 1) return { count: Number(times[1]), cents };
  return { count: 1, ask: `Quantity “${clean.slice(0, 30)}”: how many?` };
}

/**
 * Reads a sum as people write it in three languages: `1,234.50`, `1 234,50 \u20ac`, `$89`. Null when it is none, or could be
 * read two ways: `0,999` is neither a thousand nor a price.
 *
 * @param numbers how its column writes numbers; null when the column does not show it
 */
export function readCents(text: string, numbers: Numbers | null = null): number | null {
  const clean = text.trim();
  if (/^[(=]/.test(clean) || /[-−]\s*\d/.test(clean)) return null;
  const bare = bareFigure(clean);
  // A computed price has more decimals than a price: it is rounded. Three are no price, and hardly a thousand.
  const computed = /\d[.,]\d{4,}$/.test(bare);
  const read = readFigure(bare, { numbers, decimals: computed ? Infinity : 2 });
  if (read.is !== 'figure') return null;
  const cents = Math.round(read.value * 100);
  return cents <= 100_000_000 ? cents : null;
}

const TOTAL = /^(?:sub|grand)?[\s-]*(?:total|sum|somme|suma)\b/i;

/** Pairs of letters of a text. */
const pairsOf = (text: string): string[] => Array.from({ length: Math.max(0, text.length - 1) }, (_, i) => text.slice(i, i + 2));

/** Share of letter pairs two names have in common (Dice's coefficient). */
function alike(a: string, b: string): number {
  const [p, q] = [pairsOf(a), pairsOf(b)];
  const left = [...q];
  const both = p.filter((pair) => {
    const at = left.indexOf(pair);
    if (at >= 0) left.splice(at, 1);
    return at >= 0;
  }).length;
  return p.length + q.length === 0 ? 0 : (2 * both) / (p.length + q.length);
}

/** More alike than this two names may be one thing (judgement). */
const TWINS = 0.82;

/** A row of a sheet that wishes for something: what, how many, at what price, and what is not certain. */
interface SheetRow {
  readonly line: number;
  readonly name: string;
  readonly text: string;
  /** What its line says besides. */
  readonly note: string;
  readonly count: number;
  readonly cents: number | null;
  readonly asks: readonly string[];
}

/** A wish is no longer than this, letters. */
const LONGEST = 200;

/** The rows that wish for something, totals left out. How a column writes numbers settles what reads two ways in it. */
function rowsOf(sheet: ReadSheet): SheetRow[] {
  const column = (m: ColumnMeaning): number => sheet.columns.indexOf(m);
  const [what, count, price, note] = [column('what'), column('count'), column('price'), column('note')];
  const written = (c: number): Numbers | null => numbersOf(sheet.rows.map((row) => row[c] ?? ''));
  const [counts, prices] = [written(count), written(price)];
  return sheet.rows.flatMap((row, i): SheetRow[] => {
    const cell = (c: number): string => (c < 0 ? '' : (row[c] ?? '').trim());
    const name = cell(what);
    if (!name || TOTAL.test(name)) return [];
    const read = readCount(cell(count), counts ?? prices);
    const sum = cell(price);
    const times = TIMES.exec(sum);
    const cents = read.cents ?? readCents(times?.[2] ?? sum, prices);
    const asks = [
      ...(read.ask ? [read.ask] : []),
      ...(sum && cents === null && /\d/.test(sum) ? [`Price “${sum.slice(0, 30)}”: how much?`] : []),
    ];
    const many = times && read.count === 1 ? Number(times[1]) : read.count;
    const whole = [name, read.measure ?? '', cell(note)].filter(Boolean).join(', ');
    const text = whole.slice(0, LONGEST);
    if (whole.length > LONGEST) asks.push(`Longer than ${LONGEST} letters, cut after “${text.slice(-30)}”: say it shorter?`);
    return [{ line: i + 1, name: plainHeading(name), text, note: cell(note), count: many, cents, asks }];
  });
}

/**
 * The wishes of a sheet: a thing that stands in it twice as one with both lines named and what each says besides, but at two
 * prices as two, and asked about; and as two where both notes are longer than a wish.
 */
export function sheetWishes(sheet: ReadSheet): SheetWish[] {
  const seen: (SheetWish & {
    name: string;
    text: string;
    notes: string[];
    lines: number[];
    asks: string[];
    count: number;
    cents: number | null;
  })[] = [];
  for (const { line, name, text, note, count, cents, asks } of rowsOf(sheet)) {
    const same = seen.filter((s) => s.name === name);
    // One that names no price is no other thing for that.
    const one = same.find((s) => s.cents === cents || s.cents === null || cents === null);
    const both = one && (note === '' || one.notes.includes(note) ? one.text : `${one.text}, ${note}`);
    if (one && both && both.length <= LONGEST) {
      one.text = both;
      one.notes.push(note);
      one.cents ??= cents;
      one.lines.push(line);
      one.count += count;
      one.asks.push(...asks);
      continue;
    }
    const [dearer] = same;
    const twin = dearer ?? seen.find((s) => name.length > 5 && alike(name, s.name) > TWINS);
    const asked =
      !twin || one
        ? []
        : dearer
          ? [`Line ${dearer.lines[0]} names it too, at another price: the same thing?`]
          : [`Much like line ${twin.lines[0]}, “${twin.text.slice(0, 40)}”: the same thing?`];
    seen.push({ name, text, notes: [note], count, cents, lines: [line], asks: [...asks, ...asked] });
  }
  return seen.map(({ text, count, cents, lines, asks }) => ({ text, count, cents, lines, asks }));
}

/** The sheet's lines added up, each at its own price, and what its own total says; null where it has none. */
export function sheetSum(sheet: ReadSheet): { readonly cents: number; readonly own: number | null } {
  const price = sheet.columns.indexOf('price');
  const prices = numbersOf(sheet.rows.map((row) => row[price] ?? ''));
  const totals = sheet.rows.filter((row) => row.some((c, i) => i !== price && TOTAL.test(c.trim())));
  const own =
    totals.flatMap((row) => [row[price] ?? '', ...row].map((c) => readCents(c, prices)).find((c) => c !== null) ?? []).at(-1) ??
    null;
  return { cents: rowsOf(sheet).reduce((sum, { count, cents }) => sum + count * (cents ?? 0), 0), own };
}
