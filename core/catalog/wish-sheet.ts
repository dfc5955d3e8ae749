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
  text
    .toLowerCase()
    .normalize('NFD')
    .replace(/[\u0300-\u036f]/g, '')
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

const EACH = 'ea|each|pcs?|pieces?|pce|st|stk|units?|off|nos?|pi\u00e8ces?|unit\u00e9s?|unidades|ud';
const MEASURES = 'ft|feet|foot|\'|in|inch|inches|"|yd|m|cm|mm|mtr|metres?|meters?';
const FIGURE = '\\d{1,9}(?:[.,]\\d{1,6})?';
const COUNTED = new RegExp(`^(?:[x\u00d7]\\s*)?(\\d{1,3})\\s*(?:[x\u00d7]|${EACH})?\\.?$`, 'i');
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

/** Reads a quantity: `2`, `2 ea`, `x3`, `12 ft`, `12,5 m`, `2 x 38,50`. What it cannot read for certain it asks about. */
export function readCount(text: string): ReadCount {
  const clean = text.trim().replace(/\s+/g, ' ');
  if (clean === '') return { count: 1 };
  const counted = COUNTED.exec(clean);
  const many = Number(counted?.[1]);
  if (counted && many >= 1) return { count: many };
  const measured = MEASURED.exec(clean);
  if (measured) return { count: 1, measure: `${measured[1]} ${measured[2]}` };
  const times = TIMES.exec(clean);
  const cents = times && readCents(times[2] ?? '');
  if (times && cents !== null && Number(times[1]) >= 1) return { count: Number(times[1]), cents };
  return { count: 1, ask: `Quantity “${clean.slice(0, 30)}”: how many?` };
}

/**
 * Reads a sum as people write it in three languages: `1,234.50`, `1 234,50 \u20ac`, `$89`. Null when it is none, or could be
 * read two ways: `0,999` is neither a thousand nor a price.
 */
export function readCents(text: string): number | null {
  if (/^\s*\(.*\)\s*$/.test(text)) return null;
  const clean = text.replace(/[^\d.,-]/g, '');
  if (!/\d/.test(clean) || clean.includes('-')) return null;
  const last = Math.max(clean.lastIndexOf('.'), clean.lastIndexOf(','));
  const behind = last >= 0 ? clean.length - last - 1 : 0;
  if (behind > 3 || (behind === 3 && /^0*[.,]/.test(clean))) return null;
  const decimals = last >= 0 && behind <= 2 ? clean.slice(last + 1) : '';
  const whole = (decimals || last === clean.length - 1 ? clean.slice(0, last) : clean).replace(/[.,]/g, '');
  const cents = Number(whole || 0) * 100 + Number(decimals.padEnd(2, '0') || 0);
  return Number.isSafeInteger(cents) && cents <= 100_000_000 ? cents : null;
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

/** The wishes of a sheet, a thing that stands in it twice as one with both lines named. */
export function sheetWishes(sheet: ReadSheet): SheetWish[] {
  const column = (m: ColumnMeaning): number => sheet.columns.indexOf(m);
  const [what, count, price, note] = [column('what'), column('count'), column('price'), column('note')];
  const seen = new Map<string, { text: string; count: number; cents: number | null; lines: number[]; asks: string[] }>();
  sheet.rows.forEach((row, i) => {
    const cell = (c: number): string => (c < 0 ? '' : (row[c] ?? '').trim());
    const name = cell(what);
    if (!name || TOTAL.test(name)) return;
    const read = readCount(cell(count));
    const asks = read.ask ? [read.ask] : [];
    const sum = cell(price);
    const times = TIMES.exec(sum);
    const cents = read.cents ?? readCents(times?.[2] ?? sum);
    if (sum && cents === null && /\d/.test(sum)) asks.push(`Price “${sum.slice(0, 30)}”: how much?`);
    const many = times && read.count === 1 ? Number(times[1]) : read.count;
    const text = [name, read.measure ?? '', cell(note)].filter(Boolean).join(', ').slice(0, 200);
    const key = plainHeading(name);
    const before = seen.get(key);
    if (before) {
      before.lines.push(i + 1);
      before.count += many;
      before.asks.push(...asks);
      return;
    }
    const twin = [...seen].find(([other]) => key.length > 5 && alike(key, other) > TWINS);
    if (twin) asks.push(`Much like line ${twin[1].lines[0]}, “${twin[1].text.slice(0, 40)}”: the same thing?`);
    seen.set(key, { text, count: many, cents, lines: [i + 1], asks });
  });
  return [...seen.values()];
}

/** The sheet's lines added up, and what its own total says; null where it has none. */
export function sheetSum(sheet: ReadSheet): { readonly cents: number; readonly own: number | null } {
  const [what, price] = [sheet.columns.indexOf('what'), sheet.columns.indexOf('price')];
  const totals = sheet.rows.filter((row) => row.some((c, i) => i !== price && TOTAL.test(c.trim())));
  const own = totals.flatMap((row) => [row[price] ?? '', ...row].map(readCents).find((c) => c !== null) ?? []).at(-1) ?? null;
  const cents = sheetWishes({ ...sheet, rows: sheet.rows.filter((row) => what < 0 || !TOTAL.test((row[what] ?? '').trim())) })
    .map((w) => w.count * (w.cents ?? 0))
    .reduce((a, b) => a + b, 0);
  return { cents, own };
}
