/** How somebody writes numbers: with a decimal point, as `1,234.50`, or with a decimal comma, as `1.234,50`. */
export type Numbers = 'point' | 'comma';

/** A figure as it was read; or that it may be two, as each would be written for certain; or that it is none. */
export type ReadFigure =
  | { readonly is: 'figure'; readonly value: number }
  | { readonly is: 'unclear'; readonly either: readonly [string, string] }
  | { readonly is: 'none' };

const NONE: ReadFigure = { is: 'none' };
const DECIMAL: Readonly<Record<Numbers, string>> = { point: '.', comma: ',' };
const figure = (value: number): ReadFigure => (Number.isFinite(value) ? { is: 'figure', value } : NONE);

/** Spaces of every width and apostrophes: nobody writes a decimal mark so. */
const GAPS = /[\s\u00a0\u2009\u202f'’]/g;
const PLAIN = /^\d{1,15}$/;
const GROUPED = /^\d{1,3}(?:[\s\u00a0\u2009\u202f'’]\d{3}){1,4}$/;

/** The digits of whole thousands with marks between, without them; null when the marks do not stand every three digits. */
function ungrouped(text: string, mark: string): string | null {
  const [first = '', ...rest] = text.split(mark);
  return /^\d{1,3}$/.test(first) && rest.length > 0 && rest.every((g) => /^\d{3}$/.test(g)) ? [first, ...rest].join('') : null;
}

/** What stands before a decimal mark: digits, or thousands with gaps or the other mark between. */
function whole(text: string, other: string): string | null {
  if (text === '') return '0';
  if (PLAIN.test(text)) return text;
  if (GROUPED.test(text)) return text.replace(GAPS, '');
  return ungrouped(text, other);
}

/**
 * Reads a number as people of either school write it: `1234.5`, `1,234.50`, `1.234,50`, `1 234,5`, `1'234.5`, `−0,5`.
 * `1,234` may be two: the way its writer writes numbers settles it, or how many decimals there can be; else it is unclear.
 *
 * @param numbers how whoever wrote it writes numbers; null when nobody knows
 * @param decimals the most decimals such a figure can have
 * @example readFigure('1.234,50', { numbers: null }) // { is: 'figure', value: 1234.5 }
 * @example readFigure('1,234', { numbers: null }) // { is: 'unclear', either: ['1234', '1.234'] }
 */
export function readFigure(
  text: string,
  { numbers = null, decimals = Infinity }: { readonly numbers?: Numbers | null; readonly decimals?: number } = {},
): ReadFigure {
  const clean = text.trim();
  const negative = /^[-−]/.test(clean);
  const read = unsigned(negative ? clean.slice(1).trim() : clean, numbers, decimals);
  if (!negative) return read;
  if (read.is === 'figure') return figure(-read.value);
  return read.is === 'none' ? NONE : { is: 'unclear', either: [`-${read.either[0]}`, `-${read.either[1]}`] };
}

/** How many decimals say something: noughts at their end do not. */
function placesOf(behind: string): number {
  let n = behind.length;
  while (n > 0 && behind.charAt(n - 1) === '0') n--;
  return n;
}

function unsigned(clean: string, numbers: Numbers | null, decimals: number): ReadFigure {
  if (PLAIN.test(clean)) return figure(Number(clean));
  if (GROUPED.test(clean)) return figure(Number(clean.replace(GAPS, '')));
  const at = Math.max(clean.lastIndexOf('.'), clean.lastIndexOf(','));
  if (at < 0) return NONE;
  const mark = clean.charAt(at);
  const other = mark === '.' ? ',' : '.';
  const [before, behind] = [clean.slice(0, at), clean.slice(at + 1)];
  if (before.includes(mark)) {
    // One mark several times stands between thousands.
    const all = ungrouped(clean, mark);
    return all === null ? NONE : figure(Number(all));
  }
  const ahead = whole(before, other);
  if (ahead === null || !/^\d{1,15}$/.test(behind) || (before === '' && behind === '')) return NONE;
  const asDecimal = placesOf(behind) <= decimals ? `${ahead}.${behind}` : null;
  const mayGroup = behind.length === 3 && /^[1-9]\d{0,2}$/.test(before);
  if (!mayGroup) return asDecimal === null ? NONE : figure(Number(asDecimal));
  const asWhole = `${before}${behind}`;
  if (numbers) {
    if (DECIMAL[numbers] !== mark) return figure(Number(asWhole));
    if (asDecimal !== null && decimals >= 3) return figure(Number(asDecimal));
  } else if (decimals < 3) return figure(Number(asWhole));
  return { is: 'unclear', either: [asWhole, `${ahead}.${behind}`] };
}

/** A number as it is read one way only, whoever reads it: 12.345 as `12.3450`. */
export const certain = (value: number): string => {
  const text = String(value);
  return /^-?[1-9]\d{0,2}\.\d{3}$/.test(text) ? `${text}0` : text;
};

/** What is asked about a figure that may be two. */
export const readsTwoWays = (text: string, [one, other]: readonly [string, string]): string =>
  `"${text.trim()}" can be read two ways: write ${one} or ${other}`;

/** A figure without what stands about it: a currency, a unit, a dash for no cents. */
export function bareFigure(text: string): string {
  const from = text.search(/[\d.,]/);
  let to = text.length;
  while (to > from && !/\d/.test(text.charAt(to - 1))) to--;
  return from < 0 ? '' : text.slice(from, to);
}

/** How whoever wrote a figure writes numbers; null when it does not show. Its unit or currency says nothing of it. */
function shownBy(text: string): Numbers | null {
  const bare = bareFigure(text);
  if (readFigure(bare).is !== 'figure') return null;
  const marks = bare.replace(/[^.,]/g, '');
  const last = marks.at(-1);
  if (!last) return null;
  // Twice and alone, it stands between thousands.
  const alone = marks.length > 1 && marks.split(last).length - 1 === marks.length;
  return (last === '.') === alone ? 'comma' : 'point';
}

/**
 * How the writer of some figures writes numbers, by those that can be read one way only; null when none of them shows it,
 * or two disagree.
 * @example numbersOf(['38,50', '1.200']) // 'comma'
 */
export function numbersOf(texts: readonly string[]): Numbers | null {
  const shown = new Set(texts.map(shownBy).filter((n) => n !== null));
  const [only = null] = shown;
  return shown.size === 1 ? only : null;
}
