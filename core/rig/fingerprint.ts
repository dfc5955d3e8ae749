import { keysSorted } from './keys-sorted';

/** A short fingerprint of a plain value, whatever the order of its keys: cyrb53, public domain. Good to tell changed from unchanged, not for secrets. */
export function fingerprint(value: unknown): string {
  const text = JSON.stringify(keysSorted(value));
  let [a, b] = [0xdeadbeef, 0x41c6ce57];
  for (let i = 0; i < text.length; i++) {
    const c = text.charCodeAt(i);
    a = Math.imul(a ^ c, 2654435761);
    b = Math.imul(b ^ c, 1597334677);
  }
  a = Math.imul(a ^ (a >>> 16), 2246822507) ^ Math.imul(b ^ (b >>> 13), 3266489909);
  b = Math.imul(b ^ (b >>> 16), 2246822507) ^ Math.imul(a ^ (a >>> 13), 3266489909);
  return (4294967296 * (2097151 & b) + (a >>> 0)).toString(36);
}
