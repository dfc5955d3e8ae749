import { hash, verify } from '@node-rs/argon2';
import AsyncLock from 'async-lock';
import { busy, HttpProblem } from '../problems/problem';

/** Argon2id (the package's default algorithm) with the parameters of the OWASP password storage page (from memory): 19 MiB, 2 passes. */
const OPTIONS = { memoryCost: 19_456, timeCost: 2, parallelism: 1 };

/** One is worked on at a time, which leaves threads and processors to all else; so many wait, and so many from one address. */
const WAIT = { all: 40, each: 8 } as const;

const queue = new AsyncLock({ maxPending: WAIT.all });
const waiting = new Map<string, number>();

/** One secret after the other: whoever comes when too many wait is told so at once. */
async function inQueue<T>(from: string, work: () => Promise<T>): Promise<T> {
  const mine = waiting.get(from) ?? 0;
  if (from !== '' && mine >= WAIT.each)
    throw new HttpProblem(429, 'Too many tries', 'one after the other: try again in a moment');
  waiting.set(from, mine + 1);
  let begun = false;
  try {
    return await queue.acquire('hash', () => {
      begun = true;
      return work();
    });
  } catch (error) {
    throw begun ? error : busy('many are signing in just now; try again in a moment');
  } finally {
    const left = (waiting.get(from) ?? 1) - 1;
    if (left > 0) waiting.set(from, left);
    else waiting.delete(from);
  }
}

/** A secret as it is kept. */
export const hashPassword = (password: string): Promise<string> => inQueue('', () => hash(password, OPTIONS));

/**
 * Whether a secret is the one that is kept.
 * @param from whose try it is; nobody has more than a few waiting
 * @throws HttpProblem 429 when too many of theirs wait, 503 when too many wait in all
 */
export const verifyPassword = (stored: string, password: string, from: string): Promise<boolean> =>
  inQueue(from, () => verify(stored, password));
