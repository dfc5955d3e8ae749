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

/**
 * Finds the heading row among the first rows and what its columns mean. Without one, the widest text
 * column is what is wished for.
 */
export function readSheet(
  cells: readonly (readonly string[])[],
  remembered: Readonly<Record<string, ColumnMeaning | 'nothing'>> = {},
): ReadSheet {
  const rows = cells.filter((r) => r.some((c) => c.trim() !== ''));
  const known = (row: readonly string[]): number =>
    new Set(row.map((c) => headingMeans(c, remembered)).filter((m) => m !== null)).size;
  const at = rows.slice(0, 10).findIndex((r) => known(r) > 0 && r.every((c) => c.length < 60));
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
  /** Null when the sheet gives none that can be read. */
  readonly cents: number | null;
  /** Lines of the sheet that say the same thing, this one included; more than one is asked about. */
  readonly lines: readonly number[];
}

/** Reads a sum as people write it in three languages: `1,234.50`, `1 234,50 €`, `$89`. */
export function readCents(text: string): number | null {
  const clean = text.replace(/[^\d.,-]/g, '');
  if (!/\d/.test(clean) || clean.includes('-')) return null;
  const last = Math.max(clean.lastIndexOf('.'), clean.lastIndexOf(','));
  const decimals = last >= 0 && clean.length - last - 1 <= 2 ? clean.slice(last + 1) : '';
  const whole = (decimals || last === clean.length - 1 ? clean.slice(0, last) : clean).replace(/[.,]/g, '');
  const cents = Number(whole || 0) * 100 + Number(decimals.padEnd(2, '0') || 0);
  return Number.isSafeInteger(cents) && cents <= 100_000_000 ? cents : null;
}

/** The wishes of a sheet, a thing that stands in it twice as one with both lines named. */
export function sheetWishes(sheet: ReadSheet): SheetWish[] {
  const column = (m: ColumnMeaning): number => sheet.columns.indexOf(m);
  const [what, count, price, note] = [column('what'), column('count'), column('price'), column('note')];
  const seen = new Map<string, { text: string; count: number; cents: number | null; lines: number[] }>();
  sheet.rows.forEach((row, i) => {
    const cell = (c: number): string => (c < 0 ? '' : (row[c] ?? '').trim());
    const name = cell(what);
    if (!name || /^(sub)?total\b/i.test(name)) return;
    const asked = Math.round(Number(cell(count).replace(',', '.')));
    const many = Number.isFinite(asked) && asked >= 1 && asked <= 999 ? asked : 1;
    const text = [name, cell(note)].filter(Boolean).join(', ').slice(0, 200);
    const key = plainHeading(name);
    const before = seen.get(key);
    if (before) {
      before.lines.push(i + 1);
      before.count += many;
    } else seen.set(key, { text, count: many, cents: readCents(cell(price)), lines: [i + 1] });
  });
  return [...seen.values()];
}
