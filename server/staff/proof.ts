import { createHmac, timingSafeEqual } from 'node:crypto';

const DAYS = 30;
const DAY = 86_400_000;

const seal = (text: string, secret: string): string => createHmac('sha256', secret).update(`rigger ${text}`).digest('base64url');

/**
 * A word by which the shop knows later who kept something on a tablet while there was no network: who, until
 * when, sealed. It signs nobody in; it only says whose work it was.
 */
export function makeProof(staffId: string, secret: string, now = Date.now()): string {
  const text = `${staffId}.${now + DAYS * DAY}`;
  return `${text}.${seal(text, secret)}`;
}

/** The id of the person a proof names, or null when it is not ours or too old. */
export function readProof(proof: string, secret: string, now = Date.now()): string | null {
  const [, id, expires, given] = /^([A-Za-z0-9-]{1,64})\.(\d{1,16})\.([\w-]{43})$/.exec(proof) ?? [];
  if (!id || !expires || !given) return null;
  const right = timingSafeEqual(Buffer.from(given), Buffer.from(seal(`${id}.${expires}`, secret)));
  return right && Number(expires) > now ? id : null;
}
