/** The most letters a key has: so long that what is made of another's key still has room for a number. */
const STEM = 60;

/**
 * A key made from a word and the key of something else, the same each time it is asked for.
 * @param isTaken whether something else has a key already
 */
export function freeKey(stem: string, isTaken: (key: string) => boolean): string {
  const short = stem.slice(0, STEM);
  let key = short;
  for (let n = 2; isTaken(key); n++) key = `${short}-${n}`;
  return key;
}
