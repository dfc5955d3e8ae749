import type { Part } from '../parts';
import { TRADE_SETS } from './trade-words';
import { hear, namingWords, plainWords, searchOf } from './wish-index';

/** A part that a wish may mean. */
export interface WishMatch {
  readonly part: Part;
  /** How much of the wish the part answers and how well its name is hit, 0 to 1. */
  readonly score: number;
  /** Every word of the wish found its part, no figure says another thing, and nothing else answers as well. */
  readonly sure: boolean;
}

const UNIT_OF: Readonly<Record<string, string>> = {
  inch: 'in',
  inches: 'in',
  feet: 'ft',
  lbs: 'lb',
  litre: 'l',
  litres: 'l',
  amp: 'a',
  amps: 'a',
};

const FIGURES =
  /(\d{1,5}(?:[.,]\d{1,3})?)[ -]?(ah|inches|inch|in|feet|ft|lbs|lb|kg|litres|litre|l|mm|cm|m|amps|amp|a|v|w)(?![a-z])/g;

/** Figures with their unit, such as 20 Ah, 7 in, 55 lb. */
function figuresOf(text: string): Map<string, number> {
  const found = plainWords(text).matchAll(FIGURES);
  return new Map([...found].map(([, n = '', unit = '']) => [UNIT_OF[unit] ?? unit, Number(n.replace(',', '.'))]));
}

/** A figure that says another thing: a 20 Ah battery is no 80 Ah one (judgement: a tenth either way is the same). */
const figuresDiffer = (asked: ReadonlyMap<string, number>, own: ReadonlyMap<string, number>): boolean =>
  [...own].some(([unit, n]) => {
    const wanted = asked.get(unit);
    return wanted !== undefined && Math.abs(wanted / n - 1) > 0.1;
  });

/** What differs in a figure comes last. */
const DIFFERS = 0.4;
/** What answers less of a wish than this is not offered. */
const LEAST = 0.3;
/** So many are offered. */
const OFFERED = 5;

/** Parts with their names read, so that many wishes are matched with them. */
export interface WishIndex {
  readonly parts: readonly Part[];
  readonly search: ReturnType<typeof searchOf>;
  readonly figures: readonly ReadonlyMap<string, number>[];
  /** How many words a part's name has: of two that answer alike the plainer is meant. */
  readonly long: readonly number[];
}

/** Reads the names of parts, in English and French. */
export const wishIndex = (parts: readonly Part[]): WishIndex => ({
  parts,
  search: searchOf(parts),
  figures: parts.map((p) => figuresOf(`${p.name}, ${p.french}`)),
  long: parts.map((p) => namingWords(p.name.replace(FIGURES, ' ')).filter((w) => !/^\d/.test(w)).length),
});

/** A part beside others that a wish may mean. */
interface Candidate extends Omit<WishMatch, 'sure'> {
  readonly long: number;
  /** It answers every word and every figure. */
  readonly whole: boolean;
  /** It is what the trade calls so, and not only named by it. */
  readonly isIt: boolean;
}

/**
 * Parts a wish may mean, best first. Words are compared by their stem, without accents, small misspellings too, in English and
 * French, by what the trade calls things; figures must agree. Sure is only what answers every word, and alone does.
 */
export function matchWish(text: string, { parts, search, figures, long }: WishIndex): WishMatch[] {
  const asked = figuresOf(text);
  // A figure with its unit is compared as such, not as words.
  const { terms, things } = hear(plainWords(text).replace(FIGURES, ' '));
  if (terms.length === 0) return [];
  // A thing is answered by what is one, or by a name that has its words.
  const found = search.search([...terms, ...[...things.values()].flat()].join(' '));
  const best = found[0]?.score ?? 1;
  const all = found.flatMap(({ id, score, queryTerms }): Candidate[] => {
    const part = parts[id as number];
    const own = figures[id as number] ?? new Map<string, number>();
    if (!part) return [];
    const hit = new Set(queryTerms);
    const isHit = (term: string): boolean => hit.has(term) || (things.get(term)?.every((w) => hit.has(w)) ?? false);
    const answered = terms.filter(isHit).length / terms.length;
    const lacks = [...asked.keys()].some((unit) => !own.has(unit));
    const differs = figuresDiffer(asked, own);
    const whole = answered === 1 && !lacks && !differs;
    const isIt = [...things.keys()].every((t) => hit.has(t));
    const told = (0.8 * answered + (0.2 * score) / best) * (lacks ? 0.9 : 1);
    return [{ part, score: differs ? Math.min(told, DIFFERS) : told, long: long[id as number] ?? 9, whole, isIt }];
  });
  const ranked = all
    .filter((m) => m.score >= LEAST)
    .sort(
      (a, b) =>
        Number(b.isIt) - Number(a.isIt) ||
        Number(b.whole) - Number(a.whole) ||
        b.score - a.score ||
        a.long - b.long ||
        (a.part.id < b.part.id ? -1 : 1),
    );
  const [first] = ranked;
  // What is the thing itself, and whose name says no more than another's that answers as well.
  const sure =
    first?.whole === true && first.isIt && ranked.every((o) => o === first || !o.whole || !o.isIt || o.long > first.long);
  return ranked.slice(0, OFFERED).map(({ part, score }, i) => ({ part, score, sure: i === 0 && sure }));
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

/** What a number before it is a size of, and no count: `20 litre`, `six way`. */
const NO_COUNT =
  'in|inch|inches|po|pouces?|ft|feet|mm|cm|m|ah|lbs?|kg|v|volts?|w|watts?|l|litres?|liters?|a|amps?|ways?|channels?|voies|ports?|pins?|people|degrees?';
const OF_ONE = new RegExp(`^(?:${NO_COUNT})$`, 'i');
const COUNT_FIRST = new RegExp(`^(\\d{1,2}) ?(?:x|\u00d7|pcs|of)? (?!(?:${NO_COUNT})\\b)(\\S.*)$`, 'i');

/** One thing and its count: `2 x net`, `two rod holders`, `a pair of clips`. */
function counted(text: string): SaidWish {
  const clean = text.trim().replace(/\s+/g, ' ');
  const digits = COUNT_FIRST.exec(clean);
  if (digits?.[2] && Number(digits[1]) >= 1) return { text: digits[2], count: Number(digits[1]) };
  const after = /^(.*\S) ?[x\u00d7] ?(\d{1,2})$/i.exec(clean);
  if (after?.[1] && Number(after[2]) >= 1) return { text: after[1], count: Number(after[2]) };
  const [first = '', ...rest] = clean.split(' ');
  const word = Object.hasOwn(WORDS, first.toLowerCase()) ? WORDS[first.toLowerCase()] : undefined;
  if (word === undefined || rest.length === 0 || OF_ONE.test(rest[0] ?? '')) return { text: clean, count: 1 };
  const [second = '', ...more] = rest;
  // "A pair of clips" is two.
  const paired = Object.hasOwn(WORDS, second.toLowerCase()) ? WORDS[second.toLowerCase()] : undefined;
  const [count, left] = paired === undefined ? [word, rest] : [word * paired, more];
  const named = left[0]?.toLowerCase() === 'of' ? left.slice(1) : left;
  return named.length ? { text: named.join(' '), count } : { text: clean, count: 1 };
}

/** Where a line may be taken apart. */
const JOINED = / (?:and|with|plus|et|avec|ainsi que) | ?[&+;,] /i;

/** What was said, as single wishes with their counts: `two rod holders and a net with a float` is three. */
export function splitWish(text: string): SaidWish[] {
  const parts = text
    .replace(/\s+/g, ' ')
    .split(JOINED)
    .map((t) => t.trim())
    .filter((t) => t.length > 1);
  return (parts.length ? parts : [text.trim()]).filter(Boolean).map(counted);
}

/** A wish as it is understood. */
export interface ReadWish extends SaidWish {
  /** What it surely is; null where somebody has to say. */
  readonly part: Part | null;
  readonly offers: readonly WishMatch[];
}

/** What is several things in the stores, by the words it is called. */
const SETS = new Map(TRADE_SETS.flatMap(({ said, of }) => said.map((name) => [namingWords(name).join(' '), of])));

/**
 * A line as wishes: the whole of it where that is surely one part (a solar panel with its controller), else what it joins, each by
 * itself; what is several things in the stores is each of them.
 */
export function readWishes(line: string, index: WishIndex): ReadWish[] {
  const one = read(counted(line), index);
  if (one.part) return [one];
  return splitWish(line).flatMap((said) => {
    const set = SETS.get(namingWords(said.text).join(' '));
    if (!set) return [read(said, index)];
    return set.map(([text, count]) => read({ text, count: count * said.count }, index));
  });
}

function read(said: SaidWish, index: WishIndex): ReadWish {
  const offers = matchWish(said.text, index);
  return { ...said, part: offers[0]?.sure ? offers[0].part : null, offers };
}
