import type { Part } from './schema';

/** How sure a wish was matched to a part. */
export interface WishMatch {
  readonly part: Part;
  /** How much of the part's name the wish holds, and of the wish the name explains, 0 to 1. */
  readonly score: number;
}

const wordsOf = (text: string): string[] =>
  text
    .toLowerCase()
    .normalize('NFD')
    .replace(/[\u0300-\u036f]/g, '')
    .replace(/(\d)["″”]/g, '$1 in')
    .split(/[^a-z0-9]+/)
    .filter((w) => w.length > 1 || /\d/.test(w))
    .map((w) => (w.length > 3 ? w.replace(/(es|s)$/, '') : w));

/** Long words say more than short ones. */
const weight = (w: string): number => Math.max(1, w.length - 1);

/**
 * Parts a wish may mean, surest first. Words are compared without accents and plurals, in English
 * and French; a person confirms.
 */
export function matchWish(text: string, parts: readonly Part[]): WishMatch[] {
  const wanted = new Set(wordsOf(text));
  const score = (name: string): number => {
    const words = wordsOf(name);
    const all = words.reduce((sum, w) => sum + weight(w), 0);
    const hit = words.filter((w) => wanted.has(w)).reduce((sum, w) => sum + weight(w), 0);
    const asked = [...wanted].reduce((sum, w) => sum + weight(w), 0);
    // Mostly how much of the part is named, a little how much of the wish it explains.
    return all === 0 ? 0 : (0.7 * hit) / all + (0.3 * hit) / Math.max(1, asked);
  };
  return parts
    .map((part) => ({ part, score: Math.max(score(part.name), score(part.french)) }))
    .filter((m) => m.score >= 0.3)
    .sort((a, b) => b.score - a.score || (a.part.id < b.part.id ? -1 : 1))
    .slice(0, 5);
}
