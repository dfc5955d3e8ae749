import { Transaction, type Sequelize } from 'sequelize';

/** Deadlock, certification failure of a replicated cluster. */
const RETRIED = new Set([1213, 1047]);
const TRIES = 6;

/** Runs a whole transaction, again when the database asks for that. Keep it free of outside effects. */
export async function inTransaction<T>(db: Sequelize, work: (t: Transaction) => Promise<T>): Promise<T> {
  for (let attempt = 1; ; attempt++) {
    try {
      return await db.transaction({ isolationLevel: Transaction.ISOLATION_LEVELS.READ_COMMITTED }, work);
    } catch (error) {
      const errno = (error as { parent?: { errno?: number } }).parent?.errno;
      if (errno === undefined || !RETRIED.has(errno) || attempt === TRIES) throw error;
      await new Promise((r) => setTimeout(r, 10 * 2 ** attempt * Math.random()));
    }
  }
}
