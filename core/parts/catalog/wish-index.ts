import MiniSearch from 'minisearch';
import { plainLetters } from '../../base/units';
import type { Part } from '../parts';
import { TRADE_WORDS } from './trade-words';

/** Without case and accents, a size as its figure and unit: `7"` is `7 in`. */
export const plainWords = (text: string): string =>
  plainLetters(text)
    .replace(/(\d)\s*["″”]/g, '$1 in')
    .replace(/[^a-z0-9.,]+/g, ' ')
    .replace(/[.,](?!\d)|(?<!\d)[.,]/g, ' ')
    .replace(/\s+/g, ' ')
    .trim();

/** Words that name nothing, in English and French. */
const SAY_NOTHING = new Set(
  'the a an of on to my me for some please need needs want wants would like good new any that which is it its i we our own and with plus le la les l de du des d un une pour sur avec et mon ma mes bon nouveau au aux en'.split(
    ' ',
  ),
);

/** A word as it is compared: without its plural. */
export const stem = (word: string): string =>
  word.length > 4 && /(?:ches|shes|sses|xes)$/.test(word)
    ? word.slice(0, -2)
    : word.length > 3 && /[^s]s$/.test(word)
      ? word.slice(0, -1)
      : word;

/** Whether a word names something. */
const names = (word: string): boolean => (word.length > 1 || /\d/.test(word)) && !SAY_NOTHING.has(word);

/** The words of a text that name something. */
export const namingWords = (text: string): string[] => plainWords(text).split(' ').filter(names).map(stem);

/** What stands for a thing in the index. */
const tokenOf = (n: number): string => `thing${n}`;
const isToken = (term: string): boolean => term.startsWith('thing');

/** A name of the trade as it is looked for in what was said, longest first. */
interface Said {
  readonly words: readonly string[];
  readonly token: string;
}

const wordsOf = (text: string): string[] => plainWords(text).split(' ').map(stem);
const SAID: readonly Said[] = TRADE_WORDS.flatMap(({ said }, n) =>
  said.map((text) => ({ words: wordsOf(text), token: tokenOf(n) })),
).sort((a, b) => b.words.length - a.words.length || b.words.join('').length - a.words.join('').length);

/** What the parts of each thing are called in the stores, in words. */
const IS: readonly (readonly string[][])[] = TRADE_WORDS.map(({ is }) => is.map(wordsOf));

/** How many letters differ between two words, two neighbours changed over counting once (Damerau and Levenshtein); many where more than `most` do. */
export function lettersApart(a: string, b: string, most: number): number {
  if (Math.abs(a.length - b.length) > most) return most + 1;
  let before: number[] = [];
  let row = Array.from({ length: b.length + 1 }, (_, j) => j);
  for (let i = 1; i <= a.length; i++) {
    const next = [i];
    for (let j = 1; j <= b.length; j++) {
      const same = a[i - 1] === b[j - 1];
      let least = Math.min((row[j] ?? 0) + 1, (next[j - 1] ?? 0) + 1, (row[j - 1] ?? 0) + (same ? 0 : 1));
      if (i > 1 && j > 1 && a[i - 1] === b[j - 2] && a[i - 2] === b[j - 1]) least = Math.min(least, (before[j - 2] ?? 0) + 1);
      next.push(least);
    }
    [before, row] = [row, next];
  }
  return row[b.length] ?? 0;
}

/** A word is written otherwise by a letter in five, two from nine; a short one not at all (judgement). */
const slipsOf = (word: string): number => (word.length < 5 || /\d/.test(word) ? 0 : word.length < 9 ? 1 : 2);
const isWord = (said: string, word: string): boolean =>
  said === word || (slipsOf(word) > 0 && lettersApart(said, word, slipsOf(word)) <= slipsOf(word));

/** What was said in words that the index holds: names of the trade as what they mean, the rest as it is. */
export interface Heard {
  readonly terms: readonly string[];
  /** The things among them, each with the words it was said in. */
  readonly things: ReadonlyMap<string, readonly string[]>;
}

/** Finds the names of the trade in what was said, longest first, small misspellings too. */
export function hear(text: string): Heard {
  const words: (string | null)[] = plainWords(text).split(' ').map(stem);
  const things = new Map<string, readonly string[]>();
  for (const exact of [true, false])
    for (const { words: name, token } of SAID)
      for (let i = 0; i + name.length <= words.length; i++) {
        const here = words.slice(i, i + name.length);
        if (!here.every((w, k) => w !== null && (exact ? w === name[k] : isWord(w, name[k] ?? '')))) continue;
        things.set(token, name);
        words.fill(null, i, i + name.length);
      }
  const rest = words.filter((w) => w !== null).filter(names);
  return { terms: [...new Set([...things.keys(), ...rest])], things };
}

/** What a name is the name of: what stands before its commas, its uses and its sizes. */
const headOf = (name: string): string[] =>
  wordsOf(name.split(/,| (?:on|in|with|for|at|off|sur|dans|avec|pour|de|du|des) /)[0] ?? '').filter(
    (w) => !/\d/.test(w) && w !== 'in' && w !== 'ah',
  );

/**
 * Every thing of the trade that a part is: its names in the stores stand in the part's own, its first word in what the name is the
 * name of. A battery box is no battery: one word alone is the kind of the part, or the last of what it is.
 */
function thingsOf({ name, kind }: Pick<Part, 'name' | 'kind'>): string[] {
  const [kinds, head] = [wordsOf(kind), headOf(name)];
  const own = new Set([...kinds, ...wordsOf(name)]);
  const isOne = (words: readonly string[]): boolean =>
    words.length === 1
      ? (kinds.length === 1 && kinds[0] === words[0]) || head.at(-1) === words[0]
      : words.every((w) => kinds.includes(w)) || (words.every((w) => own.has(w)) && head.includes(words[0] ?? ''));
  return IS.flatMap((is, n) => (is.some(isOne) ? [tokenOf(n)] : []));
}

/** A part as it stands in the index. */
interface Entry {
  readonly id: number;
  readonly things: string;
  readonly name: string;
  readonly french: string;
  readonly kind: string;
}

/** The names of parts, to be looked through by what was said. */
export function searchOf(parts: readonly Part[]): MiniSearch<Entry> {
  const search = new MiniSearch<Entry>({
    fields: ['things', 'name', 'french', 'kind'],
    tokenize: (text) => plainWords(text).split(' '),
    processTerm: (term) => (names(term) ? stem(term) : null),
    searchOptions: {
      boost: { things: 3, name: 2 },
      prefix: (term) => term.length > 3 && !isToken(term),
      fuzzy: (term) => (isToken(term) ? false : slipsOf(term)),
      combineWith: 'OR',
    },
  });
  search.addAll(
    parts.map((part, id) => ({ id, things: thingsOf(part).join(' '), name: part.name, french: part.french, kind: part.kind })),
  );
  return search;
}
