import type { Staff } from '@plain-cleat/api';
import type { KnownRigger, Tablet } from './tablet';

/** A PIN is short: so many rounds make trying them all on a stolen tablet slow, and five wrong ones end it here. */
const ROUNDS = 300_000;
const TRIES = 5;

async function hashOf(pin: string, salt: Uint8Array<ArrayBuffer>): Promise<ArrayBuffer> {
  const key = await crypto.subtle.importKey('raw', new TextEncoder().encode(pin), 'PBKDF2', false, ['deriveBits']);
  return crypto.subtle.deriveBits({ name: 'PBKDF2', hash: 'SHA-256', salt, iterations: ROUNDS }, key, 256);
}

/** One who was let in by PIN with the network, as the tablet may know them without it. */
export async function knownRigger(
  staff: Omit<KnownRigger, 'proof' | 'salt' | 'hash' | 'wrong'>,
  proof: string,
  pin: string,
): Promise<KnownRigger> {
  const salt = crypto.getRandomValues(new Uint8Array(16));
  return { ...staff, proof, salt, hash: await hashOf(pin, salt), wrong: 0 };
}

/** Whether a PIN is right while only the tablet can say; wrong ones are counted. */
export async function rightPin(
  known: KnownRigger,
  pin: string,
  tablet: Tablet,
): Promise<{ readonly staff: Staff | null; readonly fault: string }> {
  if (known.wrong >= TRIES) return { staff: null, fault: 'Too many wrong PINs: wait for the network.' };
  const [given, right] = [new Uint8Array(await hashOf(pin, known.salt)), new Uint8Array(known.hash)];
  const same = given.length === right.length && given.every((b, i) => b === right[i]);
  await tablet.saveRigger({ ...known, wrong: same ? 0 : known.wrong + 1 });
  const { id, name, role } = known;
  return same ? { staff: { id, name, role }, fault: '' } : { staff: null, fault: 'The PIN is not right.' };
}
