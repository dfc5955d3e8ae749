import { QueryTypes, type Sequelize } from 'sequelize';
import { HttpProblem } from '../problems/problem';

/** Failures are forgotten after so long, ms. */
const WINDOW = 15 * 60_000;

/** One that may fail so often within a quarter of an hour: a login from anywhere, an address, a PIN. */
export interface Subject {
  readonly name: string;
  readonly most: number;
}

/** Whose password fails: the login from this address, the login from anywhere, and the address itself. */
export const signInSubjects = (login: string, address: string): Subject[] => [
  { name: `login ${login.slice(0, 60)} from ${address.slice(0, 45)}`, most: 10 },
  { name: `login ${login.slice(0, 60)}`, most: 60 },
  { name: `address ${address.slice(0, 45)}`, most: 100 },
];

/** Whose PIN fails: theirs alone. It keeps nobody else from swapping, nor them from signing in with their password. */
export const pinSubjects = (staffId: string): Subject[] => [{ name: `pin ${staffId.slice(0, 64)}`, most: 8 }];

/** Failures, counted in the database for every process of the server. */
export class Attempts {
  constructor(private readonly db: Sequelize) {}

  /**
   * Lets somebody try.
   * @throws HttpProblem 429 when one of the subjects failed too often
   */
  async check(subjects: readonly Subject[]): Promise<void> {
    const rows = await this.db.query<{ subject: string; failures: number }>(
      'SELECT subject, failures FROM attempts WHERE subject IN (:names) AND since > :from',
      { replacements: { names: subjects.map((s) => s.name), from: Date.now() - WINDOW }, type: QueryTypes.SELECT },
    );
    const failed = new Map(rows.map((r) => [r.subject, r.failures]));
    if (subjects.some((s) => (failed.get(s.name) ?? 0) >= s.most))
      throw new HttpProblem(429, 'Too many tries', 'wait a quarter of an hour, then try again');
  }

  /** Somebody failed. */
  async failed(subjects: readonly Subject[]): Promise<void> {
    const now = Date.now();
    for (const { name } of subjects)
      await this.db.query(
        `INSERT INTO attempts (subject, failures, since) VALUES (:name, 1, :now)
         ON DUPLICATE KEY UPDATE failures = IF(since > :from, failures + 1, 1), since = IF(since > :from, since, :now)`,
        { replacements: { name, now, from: now - WINDOW } },
      );
    await this.db.query('DELETE FROM attempts WHERE since < :from', { replacements: { from: now - WINDOW } });
  }

  /** Somebody came in: what they failed before is forgotten, but not what their address did. */
  async passed(subjects: readonly Subject[]): Promise<void> {
    const names = subjects.map((s) => s.name).filter((name) => !name.startsWith('address'));
    await this.db.query('DELETE FROM attempts WHERE subject IN (:names)', { replacements: { names } });
  }
}
