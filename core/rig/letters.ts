import { entryOf } from './entry-of';
const LETTERS = 'ABCDEFGHJKLMNPQRSTUVWXYZ';

/** The n-th letter, bow to stern: no I, no O, AA after Z. */
export function letter(n: number): string {
  const last = LETTERS.charAt(n % LETTERS.length);
  return n < LETTERS.length ? last : letter(Math.floor(n / LETTERS.length) - 1) + last;
}

/**
 * Letters of the fittings, given bow to stern. Frozen letters stay; a fitting that came later takes
 * the letter of its nearest frozen neighbour towards the bow with a number: C2.
 */
export function assignLetters(
  bowToStern: readonly string[],
  frozen: Readonly<Record<string, string>> | null,
): Map<string, string> {
  if (!frozen) return new Map(bowToStern.map((id, i) => [id, letter(i)]));
  const out = new Map<string, string>();
  const used = new Set(Object.values(frozen));
  const firstFrozen = bowToStern.map((id) => entryOf(frozen, id)).find(Boolean) ?? 'A';
  let neighbour = firstFrozen;
  for (const id of bowToStern) {
    const kept = entryOf(frozen, id);
    // Two people who placed at the same moment may have kept one letter: the later keeps the next free.
    const taken = kept !== undefined && [...out.values()].includes(kept);
    if (kept) neighbour = /^\D*/.exec(kept)?.[0] ?? kept;
    if (kept && !taken) {
      out.set(id, kept);
      continue;
    }
    let n = 2;
    while (used.has(`${neighbour}${n}`)) n++;
    used.add(`${neighbour}${n}`);
    out.set(id, `${neighbour}${n}`);
  }
  return out;
}
