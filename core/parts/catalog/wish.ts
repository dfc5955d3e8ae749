import type { Part } from '../parts';

/** How sure a wish was matched to a part. */
export interface WishMatch {
  readonly part: Part;
  /** How much of the part's name the wish holds, and of the wish the name explains, 0 to 1. */
  readonly score: number;
}

/** What owners call things, and what the stores call them (common practice, no source). */
const SYNONYMS: readonly (readonly [RegExp, string])[] = [
  [/\brod ?holders?\b/g, 'rod tube'],
  [/\bfish ?finders?\b|\bdepth ?finders?\b|\bechosounders?\b/g, 'sounder'],
  [/\b360 ?(?:degree )?lights?\b|\ball.?round lights?\b|\banchor lights?\b/g, 'mast light'],
  [/\bpfds?\b|\blife ?vests?\b/g, 'life jacket'],
  [/\bice ?(?:box|chest)(?:es)?\b/g, 'cooler'],
  [/\bmilk crates?\b/g, 'crate open'],
  [/\btrolling motors?\b/g, 'motor'],
  [/\banchor trolley\b/g, 'anchor pulley'],
  [/\bcup ?holders?\b|\bdrink holders?\b/g, 'cup holder bottle'],
  [/\bstake ?out\b|\bmud anchors?\b/g, 'stake'],
  [/\bgo ?cam(?:era)?s?\b|\baction cams?\b/g, 'camera'],
  [/\bwalkie.?talkies?\b/g, 'radio'],
];

const plain = (text: string): string =>
  SYNONYMS.reduce(
    (t, [what, to]) => t.replace(what, to),
    text
      .toLowerCase()
      .normalize('NFD')
      .replace(/[\u0300-\u036f]/g, ''),
  );

const wordsOf = (text: string): string[] =>
  plain(text)
    .replace(/(\d)["″”]/g, '$1 in')
    .split(/[^a-z0-9]+/)
    .filter((w) => w.length > 1 || /\d/.test(w))
    .map((w) => (w.length > 3 ? w.replace(/(es|s)$/, '') : w));

/** Long words say more than short ones. */
const weight = (w: string): number => Math.max(1, w.length - 1);

const UNIT_OF: Readonly<Record<string, string>> = {
  inch: 'in',
  inches: 'in',
  '"': 'in',
  feet: 'ft',
  lbs: 'lb',
  litre: 'l',
  litres: 'l',
  amp: 'a',
  amps: 'a',
};

/** Figures with their unit, such as 20 Ah, 7 in, 55 lb. */
function figuresOf(text: string): Map<string, number> {
  const found = plain(text)
    .replace(/″|”/g, '"')
    .matchAll(
      /(\d{1,5}(?:[.,]\d{1,3})?)[ -]?(ah|inches|inch|in|"|feet|ft|lbs|lb|kg|litres|litre|l|mm|cm|m|amps|amp|a|v|w)(?![a-z])/g,
    );
  return new Map([...found].map(([, n = '', unit = '']) => [UNIT_OF[unit] ?? unit, Number(n.replace(',', '.'))]));
}

/** A figure that says another thing: a 20 Ah battery is no 80 Ah one (judgement: a tenth either way is the same). */
const figuresDiffer = (asked: ReadonlyMap<string, number>, own: ReadonlyMap<string, number>): boolean =>
  [...own].some(([unit, n]) => {
    const wanted = asked.get(unit);
    return wanted !== undefined && Math.abs(wanted / n - 1) > 0.1;
  });

/** A match no surer than this is never taken by itself. */
export const SURE = 0.6;
/** What differs in a figure is offered, and never sure. */
const AT_MOST = 0.45;

/** A name by its words and figures, read once. */
interface ReadName {
  readonly words: readonly string[];
  /** What its words weigh together. */
  readonly all: number;
  readonly figures: ReadonlyMap<string, number>;
}

/** Parts with their names read, so that many wishes are matched with them. */
export type WishIndex = readonly { readonly part: Part; readonly names: readonly ReadName[] }[];

const weightOf = (words: Iterable<string>): number => [...words].reduce((sum, w) => sum + weight(w), 0);

function readName(name: string): ReadName {
  const words = wordsOf(name);
  return { words, all: weightOf(words), figures: figuresOf(name) };
}

/** Reads the names of parts, in English and French. */
export const wishIndex = (parts: readonly Part[]): WishIndex =>
  parts.map((part) => ({ part, names: [readName(part.name), readName(part.french)] }));

/**
 * Parts a wish may mean, surest first. Words are compared without accents and plurals, in English
 * and French, by what the trade calls things; figures must agree. A person confirms.
 */
export function matchWish(text: string, index: WishIndex): WishMatch[] {
  const wanted = new Set(wordsOf(text));
  const asked = Math.max(1, weightOf(wanted));
  const figures = figuresOf(text);
  const score = ({ words, all, figures: own }: ReadName): number => {
    const hit = weightOf(words.filter((w) => wanted.has(w)));
    // Mostly how much of the part is named, a little how much of the wish it explains.
    const sure = all === 0 ? 0 : (0.7 * hit) / all + (0.3 * hit) / asked;
    return figuresDiffer(figures, own) ? Math.min(sure, AT_MOST) : sure;
  };
  return index
    .map(({ part, names }) => ({ part, score: Math.max(...names.map(score)) }))
    .filter((m) => m.score >= 0.3)
    .sort((a, b) => b.score - a.score || (a.part.id < b.part.id ? -1 : 1))
    .slice(0, 5);
}

const WORDS: Readonly<Record<string, number>> = {
  a: 1,
  an: 1,
  one: 1,
  two: 2,
  three: 3,
  four: 4,
  five: 5,
  six: 6,
  eight: 8,
  couple: 2,
  pair: 2,
};

/** One thing wished for, and how many. */
export interface SaidWish {
  readonly text: string;
  readonly count: number;
}

/** One thing and its count: `2 x net`, `two rod holders`, `a pair of clips`. */
function counted(text: string): SaidWish {
  const clean = text.trim().replace(/\s+/g, ' ');
  const digits = /^(\d{1,2}) ?(?:x|\u00d7|pcs|of)? (?!(?:in|inch|ft|mm|cm|m|ah|lb|kg|v|w|l)\b)(\S.*)$/i.exec(clean);
  if (digits?.[2] && Number(digits[1]) >= 1) return { text: digits[2], count: Number(digits[1]) };
  const after = /^(.*\S) ?[x\u00d7] ?(\d{1,2})$/i.exec(clean);
  if (after?.[1] && Number(after[2]) >= 1) return { text: after[1], count: Number(after[2]) };
  const [first = '', ...rest] = clean.split(' ');
  const word = Object.hasOwn(WORDS, first.toLowerCase()) ? WORDS[first.toLowerCase()] : undefined;
  if (word === undefined || rest.length === 0) return { text: clean, count: 1 };
  const [second = '', ...more] = rest;
  // "A pair of clips" is two.
  const paired = Object.hasOwn(WORDS, second.toLowerCase()) ? WORDS[second.toLowerCase()] : undefined;
  const [count, left] = paired === undefined ? [word, rest] : [word * paired, more];
  const named = left[0]?.toLowerCase() === 'of' ? left.slice(1) : left;
  return named.length ? { text: named.join(' '), count } : { text: clean, count: 1 };
}

/** What was said, as single wishes with their counts: `two rod holders and a net with a float` is three. */
export function splitWish(text: string): SaidWish[] {
  const parts = text
    .replace(/\s+/g, ' ')
    .split(/ (?:and|with|plus) | ?[&+;] /i)
    .map((t) => t.trim())
    .filter((t) => t.length > 1);
  return (parts.length ? parts : [text.trim()]).filter(Boolean).map(counted);
}
