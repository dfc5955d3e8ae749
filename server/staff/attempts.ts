import { QueryTypes, type Sequelize } from 'sequelize';
import { HttpProblem } from '../problems/problem';

/** Failures are forgotten after so long, ms. */
const WINDOW = 15 * 60_000;

/** A try that waited its turn is a little older than one that came after it; clocks of two servers differ a little, ms. */
const APART = 60_000;

/** One that may fail so often within a quarter of an hour: a login from anywhere, an address, a PIN. */
export interface Subject {
  readonly name: string;
  readonly most: number;
  /** What fails here is not forgotten because somebody came in. */
  readonly stays?: true;
}

/**
 * Whose password fails: the person from this address, the person from anywhere, and the address itself.
 * @param whose one name for one person, however their login was written; null for nobody's login, which no guess opens
 */
export const signInSubjects = (whose: string | null, address: string): Subject[] => [
  ...(whose === null
    ? []
    : [
        { name: `login ${whose.slice(0, 64)} from ${address.slice(0, 45)}`, most: 10 },
        { name: `login ${whose.slice(0, 64)}`, most: 60 },
      ]),
  { name: `address ${address.slice(0, 45)}`, most: 100, stays: true },
];

/** Whose PIN fails: theirs alone. It keeps nobody else from switching, nor them from signing in with their password. */
export const pinSubjects = (whose: string | null, address: string): Subject[] =>
  whose === null
    ? [{ name: `address ${address.slice(0, 45)}`, most: 100, stays: true }]
    : [{ name: `pin ${whose.slice(0, 64)}`, most: 8 }];

/**
 * Tries, counted in the database for every process of the server. Each is counted before the secret is looked at, as a
 * failure, and taken off again when it was none: however many come at once, no more are looked at than may fail.
 */
export class Attempts {
  constructor(private readonly db: Sequelize) {}

  /**
   * Counts a try.
   * @throws HttpProblem 429 when one of the subjects has tried too often
   */
  async begin(subjects: readonly Subject[]): Promise<void> {
    const now = Date.now();
    const counted: number[] = [];
    for (const { name } of subjects) {
      // Counted in an hour that is yet to come, by a clock that has been set back since, it is forgotten too.
      const [row] = await this.db.query<{ failures: number }>(
        `INSERT INTO attempts (subject, failures, since) VALUES (:name, 1, :now)
         ON DUPLICATE KEY UPDATE failures = IF(since > :from AND since <= :to, failures + 1, 1),
           since = IF(since > :from AND since <= :to, since, :now)
         RETURNING failures`,
        { replacements: { name, now, from: now - WINDOW, to: now + APART }, type: QueryTypes.SELECT },
      );
      counted.push(row?.failures ?? Infinity);
    }
    if (subjects.some((s, i) => (counted[i] ?? Infinity) > s.most))
      throw new HttpProblem(429, 'Too many tries', 'wait a quarter of an hour, then try again');
  }

  /** It was no failure: what was failed before is forgotten, but not what the address did. */
  async passed(subjects: readonly Subject[]): Promise<void> {
    const [stay, go] = [subjects.filter((s) => s.stays), subjects.filter((s) => !s.stays)].map((all) => all.map((s) => s.name));
    if (go?.length) await this.db.query('DELETE FROM attempts WHERE subject IN (:go)', { replacements: { go } });
    if (stay?.length)
      await this.db.query('UPDATE attempts SET failures = GREATEST(0, CAST(failures AS SIGNED) - 1) WHERE subject IN (:stay)', {
        replacements: { stay },
      });
    const now = Date.now();
    await this.db.query('DELETE FROM attempts WHERE since < :from OR since > :to', {
      replacements: { from: now - WINDOW, to: now + APART },
    });
  }
}
